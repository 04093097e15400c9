"""Styles of metal: cup gold, foundry bronze, wheel steel, worn metal, brushed rail, beetle wing."""

from __future__ import annotations

from anole.core.model import (
    Coat,
    Fill,
    Gleam,
    Gloss,
    Glow,
    Gradient,
    Lamp,
    Moulding,
    Pattern,
    Relief,
    Repeat,
    Shadow,
    Sheen,
    Sparkle,
    Stroke,
)

from .style_parts import HIGH, colour, em, inks, span, stops

GOLD = stops(
    (0, "#2b1304"),
    (0.12, "#6e3c0c"),
    (0.26, "#b5741c"),
    (0.38, "#eec461"),
    (0.5, "#c48a2c"),
    (0.6, "#935a14"),
    (0.72, "#e5b14e"),
    (0.86, "#fff0b0"),
    (1, "#fffdf2"),
)
STEEL = stops(
    (0, "#0c1218"),
    (0.14, "#3a4853"),
    (0.3, "#8a9aa7"),
    (0.42, "#dfe8ee"),
    (0.5, "#9dadb9"),
    (0.58, "#5c6b77"),
    (0.7, "#c3d0d9"),
    (0.85, "#f5f9fb"),
    (1, "#ffffff"),
)
SHADE = stops((0, "#000000c8"), (0.5, "#00000000"), (0.5, "#ffffff00"), (1, "#ffffffd8"))


def cup_gold() -> tuple[Coat, ...]:
    face = Gradient(
        spread="reflect", scale=0.5, stops=stops((0, "#fff6cf"), (0.4, "#f0bd4c"), (1, "#9a5a10"))
    )
    rim = Gradient(
        stops=stops(
            (0, "#fff3c0"), (0.3, "#c98a24"), (0.55, "#7d4a0a"), (0.8, "#e9b94f"), (1, "#8a530e")
        )
    )
    return (
        Shadow(
            id="1", name="close", lift=em(0.09), opacity=0.8, lamp=HIGH, paint=colour("#140a02")
        ),
        Glow(
            id="2",
            name="warm",
            span=span("-0.03em", "-0.42em"),
            opacity=0.6,
            paint=colour("#ff9a2a"),
        ),
        Stroke(
            id="3", name="dark line", span=span("-0.044em", "-0.056em"), paint=colour("#2a1402")
        ),
        Stroke(id="4", name="rim", span=span("0em", "-0.044em"), paint=rim),
        Relief(
            id="5",
            name="rim as a tube",
            span=span("-0.044em", "0em"),
            height=em(0.026),
            moulding=Moulding(profile="bead"),
            ramp=GOLD,
            opacity=0.9,
            clip_side="outside",
        ),
        Fill(id="6", name="folded gold", paint=face),
        Relief(
            id="7",
            name="carved to the core",
            span=span("0em", "core"),
            height=em(0.1),
            moulding=Moulding(profile="chamfer"),
            ramp=GOLD,
            opacity=0.86,
            gleam=Gleam(strength=0.35, tightness=40),
        ),
        Glow(
            id="8",
            name="warm edge",
            span=span("0em", "0.055em"),
            blend="multiply",
            opacity=0.7,
            falloff="ease-in",
            softness=0.3,
            paint=colour("#a2560c"),
        ),
        Stroke(
            id="9",
            name="hairline",
            span=span("0em", "0.006em"),
            opacity=0.8,
            paint=colour("#fff1c0"),
        ),
        Sparkle(
            id="10",
            name="a few flares",
            size=em(0.46),
            slimness=0.8,
            turn=9,
            find="both",
            count=3,
            smallest=0.5,
            weakest=0.7,
            seed=4,
        ),
    )


def foundry_bronze() -> tuple[Coat, ...]:
    cast = Gradient(
        frame="line",
        scale=0.7,
        offset=0.15,
        stops=stops((0, "#eec79c"), (0.5, "#a7662f"), (1, "#5b2c12")),
    )
    return (
        Shadow(
            id="1",
            name="close and soft",
            lift=em(0.045),
            opacity=0.8,
            paint=colour("#0e0602"),
            lamp=Lamp(bearing=325, elevation=48, size=2),
        ),
        Stroke(id="2", name="hairline", span=span("0em", "-0.009em"), paint=colour("#2c1408")),
        Fill(id="3", name="cast", paint=cast),
        Fill(
            id="4",
            name="skin of the cast",
            blend="soft-light",
            opacity=0.28,
            paint=Pattern(
                generator="hammered metal",
                size=em(0.9),
                count=7,
                rough=0.5,
                inks=inks("#3a2010", "#ffe6c8"),
            ),
        ),
        Relief(
            id="5",
            name="narrow edge",
            span=span("0em", "0.035em"),
            height=em(0.028),
            moulding=Moulding(profile="round-over"),
            rounding=0.2,
            ramp=stops((0, "#1c0a02dc"), (0.5, "#8a4a2000"), (0.5, "#ffdcb000"), (1, "#fff0d8f0")),
            gleam=Gleam(strength=0.5, tightness=24),
        ),
    )


def wheel_steel() -> tuple[Coat, ...]:
    plate = Gradient(angle=172, stops=stops((0, "#dfe7ec"), (0.5, "#8496a3"), (1, "#c4d0d8")))
    return (
        Shadow(
            id="1",
            name="hard",
            lift=em(0.055),
            opacity=0.85,
            paint=colour("#060a0e"),
            lamp=Lamp(bearing=315, elevation=45, size=0),
        ),
        Stroke(id="2", name="plate", span=span("-0.02em", "-0.05em"), paint=colour("#18222b")),
        Relief(
            id="3",
            name="rim",
            span=span("-0.02em", "0em"),
            height=em(0.016),
            moulding=Moulding(profile="bead"),
            ramp=STEEL,
            clip_side="outside",
        ),
        Fill(id="4", name="steel", paint=plate),
        Relief(
            id="5",
            name="dark and light bands",
            span=span("0em", "core"),
            height=em(0.11),
            moulding=Moulding(profile="round-over"),
            rounding=0.06,
            ramp=STEEL,
            opacity=0.95,
        ),
        Sheen(
            id="6",
            name="sheen",
            blend="soft-light",
            opacity=0.6,
            bearing=112,
            pitch=em(0.9),
            width=0.55,
            drift=0.3,
        ),
        Fill(
            id="7",
            name="tint that keeps the bands",
            blend="color",
            opacity=0.3,
            paint=colour("#6f93ad"),
        ),
        Stroke(
            id="8", name="glint", span=span("0em", "0.006em"), opacity=0.8, paint=colour("#ffffff")
        ),
    )


def worn_metal() -> tuple[Coat, ...]:
    folded = Gradient(
        spread="reflect",
        scale=0.5,
        reversed=True,
        stops=stops((0, "#f4ead2"), (0.42, "#a3957a"), (0.6, "#5c5140"), (1, "#2a241b")),
    )
    return (
        Shadow(id="1", name="soft", lift=em(0.08), opacity=0.8, paint=colour("#0a0806"), lamp=HIGH),
        Glow(
            id="2",
            name="sprayed",
            span=span("0em", "-0.16em"),
            opacity=0.5,
            falloff="ease-out",
            paint=colour("#e8c48c", speckle=1.0),
        ),
        Stroke(id="3", name="dark line", span=span("0em", "-0.012em"), paint=colour("#1b140c")),
        Fill(id="4", name="folded", paint=folded),
        Fill(
            id="5",
            name="patterned metal",
            opacity=0.4,
            blend="overlay",
            paint=Pattern(
                generator="brushed metal",
                size=em(1.2),
                count=2,
                rough=1,
                angle=8,
                inks=inks("#0c0906", "#fffaf0"),
            ),
        ),
        Fill(
            id="6",
            name="rust",
            blend="multiply",
            opacity=0.7,
            paint=Pattern(
                generator="clouds",
                size=em(1.1),
                count=3,
                rough=1,
                weight=0.75,
                inks=inks("#7a3f1a", "#fff4e2"),
            ),
        ),
        Fill(
            id="7",
            name="scratches",
            blend="screen",
            opacity=0.65,
            paint=Pattern(
                generator="scratches",
                size=em(1.3),
                count=5,
                weight=0.45,
                inks=inks("#00000000", "#fff0d0"),
            ),
        ),
        Shadow(
            id="8",
            name="shaded inner edge",
            falls="inside",
            lift=em(0.045),
            opacity=0.85,
            silhouette="letters",
            paint=colour("#0e0903"),
            lamp=Lamp(bearing=145, elevation=45, size=1),
        ),
        Shadow(
            id="9",
            name="light inner edge",
            falls="inside",
            lift=em(0.02),
            opacity=0.8,
            silhouette="letters",
            blend="screen",
            paint=colour("#fff0cc"),
            lamp=Lamp(bearing=325, elevation=45, size=0.4),
        ),
        Sheen(
            id="10",
            name="sheen",
            blend="overlay",
            opacity=0.7,
            bearing=125,
            pitch=em(0.9),
            drift=0.4,
        ),
    )


def brushed_rail() -> tuple[Coat, ...]:
    brushed = Pattern(
        generator="brushed metal",
        size=em(1.6),
        count=3,
        rough=0.5,
        inks=inks("#40484e", "#a8b2b9", "#eef2f4"),
    )
    return (
        Glow(
            id="1",
            name="glow on black",
            span=span("-0.06em", "-0.4em"),
            opacity=0.5,
            paint=colour("#7fb2d8"),
        ),
        Stroke(
            id="2",
            name="dark border",
            span=span("0em", "-0.07em"),
            paint=Gradient(stops=stops((0, "#2c343a"), (1, "#0b0e11"))),
        ),
        Relief(
            id="3",
            name="border's edge",
            span=span("-0.07em", "-0.045em"),
            height=em(0.014),
            moulding=Moulding(profile="round-over"),
            ramp=SHADE,
            opacity=0.9,
            clip_side="outside",
        ),
        Fill(id="4", name="brushed", paint=brushed),
        Fill(
            id="5",
            name="fold",
            blend="soft-light",
            opacity=0.8,
            paint=Gradient(
                spread="reflect", scale=0.5, stops=stops((0, "#ffffff"), (1, "#1c2226"))
            ),
        ),
        Relief(id="6", name="edge", span=span("0em", "0.02em"), height=em(0.02), ramp=SHADE),
        Gloss(
            id="7",
            name="oval gloss",
            form="oval",
            height=0.52,
            bend=0.2,
            opacity=0.5,
            at_cut=0.75,
            far=0.15,
            inset=em(0.018),
        ),
    )


def beetle_wing() -> tuple[Coat, ...]:
    bloom = Gradient(
        shape="radial", scale=0.5, stops=stops((0, "#d8ffe4"), (0.5, "#5cc890"), (1, "#000000"))
    )
    return (
        Shadow(id="1", name="soft", lift=em(0.07), opacity=0.7, paint=colour("#020806"), lamp=HIGH),
        Stroke(id="2", name="border", span=span("0em", "-0.05em"), paint=colour("#123528")),
        Relief(
            id="3",
            name="grooved border",
            span=span("-0.05em", "0em"),
            height=em(0.014),
            moulding=Moulding(profile="flutes", count=2),
            ramp=stops((0, "#000000e0"), (0.5, "#1b4a3600"), (1, "#d8ffe8f0")),
            clip_side="outside",
        ),
        Fill(id="4", name="dark ground", paint=colour("#031410")),
        Fill(
            id="5",
            name="difference upon difference",
            blend="difference",
            paint=bloom,
            repeat=Repeat(count=24, shift=0.5, seed=8),
        ),
        Stroke(
            id="6", name="thin rim set in", span=span("0.02em", "0.032em"), paint=colour("#d9f5dc")
        ),
        Relief(
            id="7",
            name="metal of the rim",
            span=span("0.018em", "0.034em"),
            height=em(0.012),
            moulding=Moulding(profile="bead"),
            ramp=SHADE,
        ),
    )
