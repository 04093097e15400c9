"""Styles of surface: jelly, comet wind, heat wave, slate cut, water-colour."""

from __future__ import annotations

from anole.core.model import (
    Bloom,
    Coat,
    Copies,
    Exposure,
    Fill,
    Glass,
    Gleam,
    Gloss,
    Glow,
    Gradient,
    Lamp,
    Moulding,
    Pattern,
    Perceptual,
    Relief,
    Ripple,
    Shadow,
    Streak,
    Stroke,
    ToneCoat,
    Wear,
)

from .style_parts import colour, em, inks, span, stops


def jelly() -> tuple[Coat, ...]:
    lamp = Lamp(bearing=335, elevation=50)
    return (
        Shadow(
            id="1",
            name="melts into the ground",
            lift=em(0.08),
            grow=em(0.01),
            opacity=0.75,
            blend="multiply",
            lamp=Lamp(bearing=335, elevation=52, size=2.2),
            paint=colour("#5c1030"),
        ),
        Glass(
            id="2",
            name="seen through",
            span=span("0em", "0.16em"),
            moulding=Moulding(profile="round-over"),
            rounding=0.5,
            bend=em(0.14),
            blur=em(0.018),
            tone=(Exposure(stops=0.2), Perceptual(chroma=1.25)),
        ),
        Fill(id="8", name="body", opacity=0.5, paint=colour("#ff5f86")),
        Fill(
            id="3",
            name="colour of the jelly",
            blend="multiply",
            opacity=0.95,
            paint=Gradient(stops=stops((0, "#ff7f9e"), (0.6, "#ff3d6e"), (1, "#ff6a92"))),
        ),
        Glow(
            id="4",
            name="deeper toward the rim",
            span=span("0em", "0.1em"),
            blend="multiply",
            opacity=0.8,
            paint=colour("#b80f44"),
        ),
        Relief(
            id="5",
            name="wobble",
            span=span("0em", "core"),
            height=em(0.1),
            moulding=Moulding(profile="round-over"),
            rounding=0.9,
            lamp=lamp,
            ramp=stops(
                (0, "#6a003070"), (0.5, "#a0205000"), (0.5, "#ffffff00"), (1, "#ffffff60")
            ),
            gleam=Gleam(strength=0.36, tightness=12),
        ),
        Gloss(
            id="6", name="upper half", height=0.46, bend=0.5, inset=em(0.03), opacity=0.5,
        ),
        Stroke(
            id="7",
            name="bright hair",
            span=span("0em", "0.008em"),
            blend="screen",
            opacity=0.9,
            paint=Gradient(stops=stops((0, "#ffffff"), (0.6, "#ffd3df60"), (1, "#ffffffc0"))),
        ),
    )  # fmt: skip


def comet_wind() -> tuple[Coat, ...]:
    return (
        Streak(
            id="1",
            name="long, from afar",
            bearing=250.0,
            count=4.0,
            fan=13.0,
            reach=em(1.5),
            uneven=0.95,
            width=em(0.024),
            opacity=0.75,
            falloff="ease-in",
            paint=colour("#2fd8c8"),
        ),
        Streak(
            id="2",
            name="short and bright",
            bearing=256.0,
            count=4.0,
            fan=9.0,
            reach=em(0.6),
            uneven=0.8,
            width=em(0.034),
            seed=7,
            blend="plus-lighter",
            opacity=0.5,
            paint=colour("#b4fff0"),
        ),
        Glow(
            id="3",
            name="soft dark outline",
            span=span("-0.01em", "-0.12em"),
            opacity=0.85,
            paint=colour("#04211f"),
        ),
        Fill(
            id="4",
            name="face",
            paint=Gradient(stops=stops((0, "#f4fffc"), (0.55, "#a9f3e6"), (1, "#43cdbd"))),
        ),
        Relief(
            id="5",
            name="crisp edge",
            span=span("0em", "0.03em"),
            height=em(0.02),
            lamp=Lamp(bearing=70, elevation=45),
            ramp=stops((0, "#01443fc0"), (0.5, "#0a807000"), (0.5, "#ffffff00"), (1, "#ffffffe0")),
        ),
    )


def heat_wave() -> tuple[Coat, ...]:
    return (
        Ripple(
            id="1",
            name="heat",
            height_x=em(0.022),
            length_x=em(0.34),
            height_y=em(0.008),
            length_y=em(0.8),
        ),
        Copies(
            id="2",
            name="burnt copy",
            count=1.0,
            to_x=em(-0.05),
            to_y=em(0.045),
            paint=colour("#7a0b18"),
        ),
        Stroke(id="3", name="ember edge", span=span("0em", "-0.02em"), paint=colour("#ff5a1c")),
        Fill(
            id="4",
            name="white heat to red",
            paint=Gradient(
                stops=stops((0, "#fff7c2"), (0.35, "#ffd23f"), (0.7, "#ff7a18"), (1, "#e5261f"))
            ),
        ),
        Glow(
            id="5",
            name="hot rim",
            span=span("0em", "0.06em"),
            blend="screen",
            opacity=0.5,
            paint=colour("#ffb35a"),
        ),
        ToneCoat(id="6", name="bloom", tone=(Bloom(radius=em(0.1), strength=0.7, threshold=0.55),)),
    )


def slate_cut() -> tuple[Coat, ...]:
    lamp = Lamp(bearing=325, elevation=38)
    return (
        Wear(
            id="1",
            name="crumbled edge",
            texture="chips",
            amount=0.06,
            size=em(0.13),
            detail=3.0,
            edge=1.0,
            rim=em(0.007),
            corners=em(0.004),
        ),
        Fill(
            id="2",
            name="ground in shade",
            blend="multiply",
            opacity=0.8,
            paint=Gradient(stops=stops((0, "#3a424c"), (1, "#6a7480"))),
        ),
        Shadow(
            id="3",
            name="of the upper edge",
            falls="inside",
            lift=em(0.06),
            opacity=0.8,
            silhouette="letters",
            lamp=Lamp(bearing=325, elevation=40, size=0.9),
            paint=colour("#05080c"),
        ),
        Relief(
            id="4",
            name="cut slope",
            span=span("-0.022em", "0.024em"),
            height=em(-0.05),
            moulding=Moulding(profile="chamfer"),
            lamp=lamp,
            ramp=stops((0, "#05080cc0"), (0.5, "#20262e00"), (0.5, "#ffffff00"), (1, "#f4f8ffb0")),
        ),
        Glow(
            id="5",
            name="dust on the rim",
            span=span("0em", "-0.04em"),
            opacity=0.55,
            paint=colour("#c9d2da", speckle=0.5),
        ),
        Stroke(
            id="6",
            name="broken edge",
            span=span("0em", "-0.009em"),
            opacity=0.85,
            paint=Gradient(stops=stops((0, "#6b7680"), (1, "#e8eef2"))),
        ),
    )


def water_colour() -> tuple[Coat, ...]:
    wash = Pattern(
        generator="water-colour",
        inks=inks("#2a5fb0d8", "#4f9bd0b0", "#9fd3dd90", "#e6f3ee48"),
        size=em(2.4),
        count=3,
        rough=0.8,
        weight=0.45,
    )
    second = Gradient(
        angle=100,
        frame="line",
        stops=stops((0, "#7a3fa0b0"), (0.45, "#7a3fa000"), (1, "#1f9a8aa8")),
    )
    return (
        Ripple(
            id="1",
            name="a hand's line",
            by="turbulence",
            amount=em(0.014),
            scale=em(0.22),
            octaves=3.0,
        ),
        Wear(
            id="2",
            name="dry brush",
            texture="chips",
            amount=0.012,
            size=em(0.16),
            edge=0.8,
            rim=em(0.03),
            soften=em(0.01),
            corners=em(0.012),
        ),
        Stroke(
            id="8",
            name="paper's edge",
            span=span("0em", "-0.034em"),
            paint=Pattern(generator="paper", size=em(0.4), inks=inks("#ece6d6", "#fbf8ee")),
        ),
        Fill(
            id="9",
            name="paper",
            paint=Pattern(generator="paper", size=em(0.4), inks=inks("#f0eadc", "#fffcf4")),
        ),
        Glow(
            id="3",
            name="bled into the paper",
            span=span("0.01em", "-0.035em"),
            blend="multiply",
            opacity=0.35,
            paint=colour("#6fa8d0"),
        ),
        Fill(id="4", name="first wash", blend="multiply", paint=wash),
        Fill(id="5", name="second colour, wet in wet", blend="multiply", paint=second),
        Glow(
            id="6",
            name="pale within",
            span=span("0.1em", "0.03em"),
            blend="soft-light",
            opacity=0.5,
            paint=colour("#ffffff"),
        ),
        Glow(
            id="7",
            name="pigment at the edge",
            span=span("0em", "0.022em"),
            blend="multiply",
            opacity=0.85,
            hot=0.25,
            paint=colour("#1f4f92"),
        ),
    )
