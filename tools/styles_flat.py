"""Styles of flat colours: the title shout, candy drop, hue run, ground in two inks."""

from __future__ import annotations

from anole.core.model import (
    Backdrop,
    Coat,
    Exposure,
    Fill,
    Glow,
    Gradient,
    GradientMap,
    Grey,
    Invert,
    Lamp,
    Levels,
    OwnPaint,
    Pattern,
    Perceptual,
    Shadow,
    Sheen,
    Stroke,
    Thickness,
)

from .style_parts import DOWN, colour, em, inks, span, stops


def title_shout() -> tuple[Coat, ...]:
    stripes = Pattern(
        generator="stripes",
        size=em(0.2),
        count=1,
        rough=0,
        weight=0.5,
        angle=28,
        inks=inks("#00000000", "own"),
        tone=(Exposure(stops=-0.28),),
    )
    return (
        Shadow(
            id="1", name="drop", lift=em(0.075), opacity=0.92, lamp=DOWN, paint=colour("#0a1220")
        ),
        Stroke(id="2", name="cream", span=span("-0.062em", "-0.105em"), paint=colour("#fff3dc")),
        Stroke(id="3", name="dark", span=span("0em", "-0.062em"), paint=colour("#1c0b22")),
        Fill(
            id="4",
            name="coral over cream",
            paint=Gradient(
                stops=stops((0, "#ff6a5c"), (0.42, "#ff8f78"), (0.58, "#ffe9bd"), (1, "#ffd98a"))
            ),
        ),
        Fill(id="5", name="stripes, a shade darker", paint=stripes),
        Sheen(
            id="6",
            name="faint sheen",
            opacity=0.22,
            bearing=118,
            pitch=em(1.4),
            width=0.5,
            drift=0.1,
            blend="soft-light",
        ),
        Glow(
            id="7",
            name="light rim",
            span=span("0em", "0.045em"),
            blend="soft-light",
            opacity=0.8,
            falloff="linear",
            softness=0.2,
            paint=colour("#ffffff"),
        ),
    )


def candy_drop() -> tuple[Coat, ...]:
    shade = Gradient(
        stops=stops((0, "#5a003000"), (0.5, "#5a003000"), (0.5, "#5a00308c"), (1, "#5a003038"))
    )
    return (
        Shadow(
            id="1",
            name="drop",
            lift=em(0.11),
            opacity=0.55,
            paint=colour("#3a0624"),
            lamp=Lamp(bearing=350, elevation=48, size=0.7),
        ),
        Thickness(
            id="8",
            name="its own darker colours",
            throw_x=em(0.0),
            throw_y=em(0.1),
            paint=OwnPaint(tone=(Exposure(stops=-1.3), Perceptual(chroma=1.15))),
            wall_light=0.5,
        ),
        Stroke(
            id="2",
            name="syrup",
            span=span("0em", "-0.03em"),
            paint=Gradient(stops=stops((0, "#e0347f"), (1, "#a3104f"))),
        ),
        Fill(
            id="3",
            name="light to dark",
            paint=Gradient(stops=stops((0, "#ffa6cf"), (0.55, "#ff4f9b"), (1, "#e0186f"))),
        ),
        Fill(id="4", name="lower half", paint=shade, opacity=0.7),
        Shadow(
            id="5",
            name="sunk edge",
            falls="inside",
            lift=em(0.035),
            opacity=0.5,
            silhouette="letters",
            lamp=Lamp(bearing=170, elevation=45, size=1.4),
            paint=colour("#8a0a48"),
        ),
        Stroke(
            id="6",
            name="bright rim",
            span=span("0.012em", "0.034em"),
            blend="overlay",
            opacity=0.9,
            paint=colour("#ffffff"),
        ),
        Glow(
            id="7",
            name="inner light",
            span=span("0.034em", "0.09em"),
            blend="soft-light",
            opacity=0.55,
            paint=colour("#ffffff"),
        ),
    )


def hue_run() -> tuple[Coat, ...]:
    run = Gradient(
        angle=90, space="oklch", hue="longer", stops=stops((0, "#ff4d6d"), (1, "#ff4d8f"))
    )
    light = Gradient(stops=stops((0, "#ffffffd0"), (0.5, "#ffffff20"), (1, "#00000050")))
    return (
        Shadow(
            id="1",
            name="hover",
            lift=em(0.14),
            opacity=0.5,
            paint=colour("#0a0618"),
            lamp=Lamp(bearing=0, elevation=55, size=1.6),
        ),
        Stroke(id="2", name="ink", span=span("-0.03em", "-0.06em"), paint=colour("#160c28")),
        Stroke(id="3", name="paper", span=span("0em", "-0.03em"), paint=colour("#ffffff")),
        Fill(id="4", name="the longer way round", paint=run),
        Fill(id="5", name="lit from above", paint=light, blend="soft-light"),
    )


def ground_in_two_inks() -> tuple[Coat, ...]:
    two = stops((0, "#0d2a4a"), (1, "#f6e3b4"))
    face = Backdrop(
        of="ground",
        scale=1.6,
        tone=(Invert(), Grey(), Levels(black=0.25, white=0.8), GradientMap(stops=two)),
    )
    light = Gradient(stops=stops((0, "#ffffffb0"), (0.55, "#ffffff00")))
    side = Gradient(angle=110, stops=stops((0, "#ffd9a0a0"), (0.6, "#ffd9a000")))
    return (
        Shadow(
            id="1",
            name="hard",
            lift=em(0.05),
            opacity=0.85,
            paint=colour("#050c16"),
            lamp=Lamp(bearing=315, elevation=45, size=0),
        ),
        Stroke(id="2", name="edge", span=span("0em", "-0.022em"), paint=colour("#f6e3b4")),
        Fill(id="3", name="the ground itself", paint=face),
        Fill(id="4", name="light from above", paint=light, blend="color-dodge", opacity=0.45),
        Fill(id="5", name="light from the side", paint=side, blend="overlay", opacity=0.7),
        Glow(
            id="6",
            name="edge light",
            span=span("0em", "0.08em"),
            blend="screen",
            opacity=0.6,
            paint=colour("#fff0c8"),
        ),
    )
