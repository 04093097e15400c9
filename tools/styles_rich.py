"""Styles of fine metal and lacquer: engraver's brass, rose leaf, black tie, stamped tin, evening chrome,
rusted enamel, silver script, gilt emerald."""

from __future__ import annotations

from anole.core.model import Coat, Gleam, Gloss, Sheen, Sparkle, Wear

from .style_parts import (
    colour,
    em,
    fill,
    glow,
    lamp,
    pattern,
    relief,
    run,
    shadow,
    stack,
    stops,
    stroke,
)

HIGH = lamp(335, 50, 1.4)
BRASS = stops(
    (0, "#241503"), (0.2, "#6e4a12"), (0.36, "#c79a3e"), (0.5, "#a97c2a"), (0.64, "#dcb660"),
    (0.82, "#fff0bd"), (1, "#fffbe6"),
)  # fmt: skip
ROSE = stops(
    (0, "#3a120a"), (0.2, "#8a4632"), (0.38, "#e0a088"), (0.5, "#b87560"), (0.64, "#e8b49c"),
    (0.82, "#ffe6da"), (1, "#fffaf6"),
)  # fmt: skip
CHROME = run(
    (0, "#f6fbff"), (0.2, "#9cc8f0"), (0.47, "#1d4a8c"), (0.5, "#0c1c38"), (0.52, "#5a3a1e"),
    (0.68, "#e8c48c"), (0.86, "#fff6e4"), (1, "#c8a878"), frame="line",
)  # fmt: skip


def engravers_brass() -> tuple[Coat, ...]:
    """Cut into a brass plate and filled with black wax."""
    return stack(
        stroke("plate", "0em", "-0.1em", pattern("brushed metal", 0.6, "#a87c2c", "#e8c878", rough=0.5)),
        relief("edge of the plate", "-0.1em", "-0.076em", "round-over", 0.02, ramp=BRASS, opacity=0.7),
        fill("black wax", run((0, "#15110a"), (1, "#2c2416"))),
        shadow("cut in", 0.05, "#000000", falls="inside", opacity=0.9, lamp=lamp(330, 42, 0.5)),
        relief(
            "lower lip", "-0.02em", "0.004em", "hollow", 0.03,
            ramp=stops((0, "#3a2404d0"), (0.5, "#3a240400"), (0.5, "#fff0b800"), (1, "#fffbe6ff")),
        ),
        Gloss(id="-", name="light in the wax", height=0.4, bend=0.1, inset=em(0.02), opacity=0.16),
    )  # fmt: skip


def rose_leaf() -> tuple[Coat, ...]:
    """Rose-gold leaf laid by hand, its creases left in."""
    return stack(
        shadow("soft", 0.05, "#1a0806", opacity=0.6, lamp=HIGH),
        stroke("dark line", "0em", "-0.012em", "#4a1c12"),
        fill("leaf", run((0, "#ffe2d2"), (0.5, "#d88f78"), (1, "#f6c4ae"), spread="reflect", scale=0.5)),
        fill("creases", pattern("foil", 0.6, "#7a3a2a90", "#e6b09800", "#fff4ecc0", rough=0.7)),
        relief("edge", "0em", "0.05em", "chamfer", 0.04, ramp=ROSE, opacity=0.85),
        Sheen(id="-", name="light", pitch=em(0.7), opacity=0.3, blend="soft-light"),
        Sparkle(id="-", name="glints", size=em(0.26), count=3.0, paint=colour("#fff2ea")),
    )  # fmt: skip


def black_tie() -> tuple[Coat, ...]:
    """Black lacquer with a hairline of gold."""
    gold = run(
        (0, "#fff2bf"), (0.3, "#c9932f"), (0.55, "#8a5a12"), (0.8, "#f0cc72"), (1, "#a87420")
    )
    return stack(
        shadow("soft", 0.06, "#000000", opacity=0.6, lamp=HIGH),
        stroke("gold", "-0.012em", "-0.036em", gold),
        relief("gold as a wire", "-0.036em", "-0.012em", "bead", 0.014, ramp=BRASS, opacity=0.7),
        stroke("gap", "0em", "-0.014em", "#0a0a0c"),
        fill("lacquer", run((0, "#3a3d44"), (0.5, "#101216"), (1, "#1c1f25"))),
        relief(
            "swelling", "0em", "core", "round-over", 0.05, rounding=0.4,
            ramp=stops((0, "#000000c0"), (0.5, "#00000000"), (0.5, "#ffffff00"), (1, "#ffffff80")),
            gleam=Gleam(strength=0.5, tightness=40),
        ),
        stroke("inner hairline", "0.034em", "0.042em", gold, opacity=0.9),
        Gloss(id="-", name="room", height=0.46, bend=0.14, inset=em(0.012), opacity=0.3),
    )  # fmt: skip


def stamped_tin() -> tuple[Coat, ...]:
    """Stamped tin, painted red, its bare edge showing."""
    return stack(
        shadow("on the shelf", 0.08, "#10040a", opacity=0.7, lamp=lamp(335, 46, 1.0)),
        stroke("bare tin", "0em", "-0.04em", run((0, "#ffffff"), (0.4, "#8d98a2"), (0.6, "#dfe6ea"), (1, "#6b757e"))),
        relief("rolled edge", "-0.04em", "0em", "bead", 0.026),
        fill("paint", run((0, "#ff4a3d"), (1, "#b80f1c"))),
        relief(
            "stamped", "0.015em", "0.075em", "ogee", 0.07,
            ramp=stops((0, "#40000ac8"), (0.5, "#80000000"), (0.5, "#ffffff00"), (1, "#ffe8e0e0")),
            gleam=Gleam(strength=0.5, tightness=30),
        ),
        stroke("yellow line", "0.012em", "0.022em", "#ffd23a"),
        Gloss(id="-", name="new paint", height=0.42, bend=0.22, inset=em(0.03), opacity=0.3),
    )  # fmt: skip


def evening_chrome() -> tuple[Coat, ...]:
    """A bumper with the horizon in it: blue above, sand below."""
    return stack(
        glow("dusk", "0em", "-0.26em", "#7a4cff", opacity=0.5, softness=1.0),
        shadow("hard", 0.06, "#0a0620", opacity=0.9, lamp=lamp(330, 45, 0.0)),
        stroke("dark line", "-0.018em", "-0.034em", "#160c30"),
        stroke("rim", "0em", "-0.02em", run((0, "#ffffff"), (0.5, "#7a8cb0"), (1, "#ffe8c8"))),
        fill("horizon", CHROME),
        relief(
            "bevel", "0em", "0.05em", "chamfer", 0.05,
            ramp=stops((0, "#0a1430d0"), (0.5, "#20305000"), (0.5, "#ffffff00"), (1, "#ffffffff")),
            gleam=Gleam(strength=0.5, tightness=50),
        ),
        Sparkle(id="-", name="star", size=em(0.5), count=2.0, paint=colour("#ffffff")),
    )  # fmt: skip


def rusted_enamel() -> tuple[Coat, ...]:
    """An old enamel sign: blue chipped away to the rust beneath it."""
    chips = Wear(
        id="-", name="dents", texture="chips", amount=0.04, size=em(0.2), detail=2.0, soften=em(0.012), edge=0.9, rim=em(0.03),
        seed=9,
    )  # fmt: skip
    return stack(
        chips,
        shadow("off the wall", 0.05, "#0a0603", opacity=0.7, lamp=lamp(330, 46, 0.9)),
        stroke("white border", "0em", "-0.03em", run((0, "#fffaf0"), (1, "#ddd2bc"))),
        fill("rust", pattern("stone", 0.4, "#4a1f0c", "#8a4418", "#c0702c", rough=0.9)),
        fill(
            "enamel",
            pattern("clouds", 1.7, "#1d4f9c00", "#1d4f9c00", "#1d4f9c", "#2660b4", "#2f6cc0", "#2660b4", "#2f6cc0", "#3a78cc", "#2660b4", rough=0.6),
        ),
        shadow("edge of the enamel", 0.014, "#04122c", falls="inside", opacity=0.8, lamp=lamp(330, 45, 0.4)),
        relief("rolled", "-0.03em", "0.02em", "round-over", 0.03, gleam=Gleam(strength=0.4, tightness=26)),
        Gloss(id="-", name="glaze", height=0.4, bend=0.1, inset=em(0.02), opacity=0.18),
    )  # fmt: skip


def satin_silver() -> tuple[Coat, ...]:
    """Brushed silver with soft light, quiet enough for a thin line of type."""
    return stack(
        shadow("soft", 0.04, "#06090d", opacity=0.6, lamp=HIGH),
        glow("dark round it", "0em", "-0.06em", "#0c1218", opacity=0.5, softness=1.0),
        fill("silver", run((0, "#ffffff"), (0.5, "#a9b4bd"), (1, "#e9eef1"), spread="reflect", scale=0.7)),
        fill("brushed", pattern("brushed metal", 0.5, "#00000040", "#ffffff40", rough=0.6)),
        relief(
            "edge", "0em", "0.03em", "round-over", 0.028,
            ramp=stops((0, "#101820d0"), (0.5, "#10182000"), (0.5, "#ffffff00"), (1, "#ffffffff")),
        ),
    )  # fmt: skip


def gilt_emerald() -> tuple[Coat, ...]:
    """A cut stone in a gold setting."""
    gold = run((0, "#fff2bf"), (0.35, "#c48f2c"), (0.6, "#80520e"), (1, "#f0cc72"))
    return stack(
        shadow("close", 0.06, "#04100a", opacity=0.75, lamp=HIGH),
        stroke("setting", "0em", "-0.045em", gold),
        relief("setting as a bead", "-0.045em", "0em", "bead", 0.03, ramp=BRASS, opacity=0.8),
        fill("stone", run((0, "#3fe08c"), (0.5, "#0c8a4c"), (1, "#04502c"))),
        fill("fire in it", pattern("foil", 0.5, "#00301840", "#40ff9c00", "#c8ffe4a0", rough=0.4), blend="screen", opacity=0.7),
        relief(
            "facets", "0em", "core", "chamfer", 0.1,
            ramp=stops((0, "#00200ed8"), (0.4, "#00602ea0"), (0.5, "#00a05000"), (0.5, "#80ffc000"), (0.8, "#a0ffd060"), (1, "#ffffff")),
            gleam=Gleam(strength=0.9, tightness=70),
        ),
    )  # fmt: skip
