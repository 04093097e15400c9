"""Styles of depth: pushed-up ground, pier block, receding block, stack of cards, floor mirror."""

from __future__ import annotations

from anole.core.model import (
    Coat,
    Copies,
    Fill,
    Gloss,
    Glow,
    Gradient,
    Lamp,
    Mirror,
    Moulding,
    Press,
    Relief,
    Shadow,
    Stroke,
    Thickness,
    WallRim,
)

from .style_parts import colour, em, span, stops


def pushed_up_ground() -> tuple[Coat, ...]:
    """The ground alone: nothing is painted but light and shade."""
    slope, lamp = span("-0.045em", "0.05em"), Lamp(bearing=325, elevation=42)
    return (
        Press(
            id="1",
            name="pushed up",
            span=slope,
            moulding=Moulding(profile="ogee"),
            rounding=0.25,
            push_y=em(-0.075),
            push_x=em(-0.02),
        ),
        Shadow(
            id="2",
            name="on the ground",
            lift=em(0.06),
            grow=em(0.03),
            opacity=0.36,
            lamp=Lamp(bearing=325, elevation=42, size=2.0),
            paint=colour("#1c0f06"),
            clip_side="outside",
        ),
        Relief(
            id="3",
            name="slope",
            span=slope,
            height=em(0.085),
            moulding=Moulding(profile="ogee"),
            rounding=0.35,
            lamp=lamp,
            ramp=stops(
                (0, "#1c0d05d0"),
                (0.3, "#2e180a78"),
                (0.5, "#3a220e00"),
                (0.5, "#ffd79a00"),
                (0.78, "#ffd08ab4"),
                (1, "#ffe6b8f0"),
            ),
        ),
        Glow(
            id="4",
            name="worn lighter on top",
            span=span("0.06em", "0em"),
            blend="soft-light",
            opacity=0.45,
            softness=1.0,
            paint=Gradient(angle=160, stops=stops((0, "#fff0d0"), (1, "#ffe0a8"))),
        ),
        Glow(
            id="5",
            name="crease",
            span=span("-0.04em", "-0.1em"),
            opacity=0.5,
            blend="multiply",
            paint=colour("#3a2412"),
        ),
    )


def pier_block() -> tuple[Coat, ...]:
    """For words in a pose; the lamp stands low before them."""
    below = Lamp(bearing=196, elevation=34, colour=colour("#ffe6bc").colour)
    return (
        Thickness(
            id="1",
            name="block",
            way="pose",
            straight=em(0.42),
            silhouette="letters",
            paint=Gradient(
                shape="edge", stops=stops((0, "#b5512f"), (0.5, "#8a3a24"), (1, "#521f1a"))
            ),
            wall_light=0.75,
            lamp=below,
            rim=WallRim(width=em(0.014), paint=colour("#ffd79a")),
        ),
        Stroke(
            id="2",
            name="round all of it",
            span=span("0em", "-0.03em"),
            silhouette="whole",
            paint=colour("#21100f"),
        ),
        Fill(
            id="3",
            name="face",
            plane="face",
            paint=Gradient(stops=stops((0, "#d96a35"), (0.5, "#f08a3c"), (1, "#ffc663"))),
        ),
        Fill(
            id="4",
            name="light across",
            plane="face",
            blend="overlay",
            opacity=0.6,
            paint=Gradient(
                angle=115, stops=stops((0, "#00000090"), (0.5, "#80808000"), (1, "#ffffffb0"))
            ),
        ),
        Relief(
            id="5",
            name="bevelled front edge",
            plane="face",
            span=span("0em", "0.045em"),
            height=em(0.045),
            moulding=Moulding(profile="chamfer"),
            lamp=below,
            ramp=stops(
                (0, "#4a1410e0"),
                (0.5, "#a0402000"),
                (0.5, "#fff0c000"),
                (1, "#fff6d8ff"),
            ),
        ),
    )


def receding_block() -> tuple[Coat, ...]:
    return (
        Shadow(
            id="1",
            name="as if it hovered",
            lift=em(0.42),
            opacity=0.5,
            lamp=Lamp(bearing=350, elevation=58, size=1.0),
            paint=colour("#06121e"),
            silhouette="letters",
        ),
        Thickness(
            id="2",
            name="walls",
            way="toward",
            point_x=0.5,
            point_y=1.35,
            depth=0.42,
            paint=Gradient(
                shape="edge", stops=stops((0, "#1f86c7"), (0.35, "#155a96"), (1, "#082442"))
            ),
            wall_light=0.8,
        ),
        Stroke(id="3", name="rim", span=span("0em", "-0.018em"), paint=colour("#e9fbff")),
        Fill(
            id="4",
            name="face",
            paint=Gradient(stops=stops((0, "#eafcff"), (0.45, "#9fe2fb"), (1, "#39a8e0"))),
        ),
        Gloss(
            id="5",
            name="faint shine",
            height=0.47,
            bend=0.55,
            inset=em(0.018),
            opacity=0.42,
        ),
        Glow(
            id="6",
            name="lit edge",
            span=span("0em", "0.05em"),
            blend="screen",
            opacity=0.5,
            paint=colour("#ffffff"),
        ),
    )


def stack_of_cards() -> tuple[Coat, ...]:
    lamp = Lamp(bearing=320, elevation=46)
    return (
        Shadow(
            id="1",
            name="under the stack",
            lift=em(0.05),
            opacity=0.55,
            lamp=Lamp(bearing=320, elevation=50, size=1.6),
            paint=colour("#0e0b14"),
        ),
        Copies(
            id="2",
            name="cards",
            of="picture",
            count=5.0,
            to_x=em(0.15),
            to_y=em(0.16),
            near=1.0,
            far=1.0,
        ),
        Stroke(id="3", name="cut edge", span=span("0em", "-0.016em"), paint=colour("#52465a")),
        Fill(
            id="4",
            name="card",
            paint=Gradient(stops=stops((0, "#fff8e6"), (0.55, "#f6dfae"), (1, "#eebd6e"))),
        ),
        Relief(
            id="5",
            name="hairline",
            span=span("0em", "0.016em"),
            height=em(0.014),
            lamp=lamp,
            ramp=stops(
                (0, "#7a4a1ca0"),
                (0.5, "#b0803000"),
                (0.5, "#ffffff00"),
                (1, "#ffffffb8"),
            ),
        ),
        Stroke(
            id="6",
            name="printed line",
            span=span("0.03em", "0.042em"),
            paint=colour("#c0392b"),
            opacity=0.7,
        ),
    )


def floor_mirror() -> tuple[Coat, ...]:
    lamp = Lamp(bearing=330, elevation=42)
    return (
        Glow(
            id="1",
            name="light behind",
            span=span("0em", "-0.4em"),
            opacity=0.4,
            softness=1,
            paint=colour("#7fb4ff"),
        ),
        Stroke(
            id="2",
            name="band",
            span=span("0em", "-0.03em"),
            paint=Gradient(stops=stops((0, "#f5f9ff"), (0.5, "#6f83a4"), (1, "#26334d"))),
        ),
        Fill(
            id="3",
            name="polished",
            paint=Gradient(
                stops=stops(
                    (0, "#ffffff"),
                    (0.49, "#b9cdea"),
                    (0.51, "#52698f"),
                    (0.8, "#8ea7cb"),
                    (1, "#dbe8fb"),
                )
            ),
        ),
        Relief(
            id="4",
            name="rounded edge",
            span=span("0em", "0.035em"),
            height=em(0.03),
            moulding=Moulding(profile="round-over"),
            lamp=lamp,
            ramp=stops((0, "#0c1830d0"), (0.5, "#40608000"), (0.5, "#ffffff00"), (1, "#fffffff0")),
        ),
        Mirror(
            id="5",
            name="in the floor",
            gap=em(0.02),
            reach=0.85,
            falloff="ease-out",
            blur=em(0.008),
            opacity=0.62,
        ),
    )
