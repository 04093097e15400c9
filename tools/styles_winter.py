"""Styles of glass, ice and water: sea glass, clear pane, pond ice, first snow, deep pool, gilt frost,
polar curtain."""

from __future__ import annotations

from anole.core.model import (
    Coat,
    Exposure,
    Glass,
    Gleam,
    Gloss,
    Grain,
    Moulding,
    Perceptual,
    Sparkle,
)

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
    span,
    stack,
    stops,
    stroke,
)

CLEAR = stops((0, "#00204060"), (0.5, "#00204000"), (0.5, "#ffffff00"), (1, "#ffffffc0"))


def sea_glass() -> tuple[Coat, ...]:
    """Frosted green glass worn round by the sea."""
    return stack(
        shadow("tinted", 0.06, "#063c38", opacity=0.6, blend="multiply", lamp=lamp(330, 48, 1.8)),
        Glass(
            id="-",
            name="frosted",
            span=span("0em", "0.14em"),
            moulding=Moulding(profile="round-over"),
            rounding=0.6,
            bend=em(0.07),
            blur=em(0.06),
            tone=(Exposure(stops=0.35),),
        ),
        fill("green", run((0, "#7ff0d2c8"), (1, "#1f9f8fd0"))),
        relief(
            "worn round",
            "0em",
            "core",
            "round-over",
            0.09,
            rounding=0.8,
            ramp=stops((0, "#00403c90"), (0.5, "#00605800"), (0.5, "#ffffff00"), (1, "#f0fff8c0")),
        ),
        Grain(
            id="-",
            name="sanded",
            pattern=pattern("speckle", 0.36, "#000000", "#ffffff"),
            amount=em(0.002),
            ramp=CLEAR,
        ),
        glow("bright rim", "0em", "0.03em", "#e8fff6", blend="screen", opacity=0.6),
    )


def clear_pane() -> tuple[Coat, ...]:
    """Thick clear glass with bright bevels."""
    return stack(
        shadow("caustic", 0.08, "#04182c", opacity=0.5, lamp=lamp(325, 46, 1.6)),
        Glass(
            id="-",
            name="refracted",
            span=span("0em", "0.09em"),
            moulding=Moulding(profile="chamfer"),
            bend=em(0.2),
            blur=em(0.0),
            tone=(Exposure(stops=0.3), Perceptual(chroma=1.15)),
        ),
        fill("tint", run((0, "#d8f0ff70"), (1, "#8cc4ff66"))),
        relief(
            "bevel",
            "0em",
            "0.085em",
            "chamfer",
            0.07,
            ramp=stops(
                (0, "#02203cc0"), (0.45, "#10406020"), (0.55, "#ffffff30"), (1, "#fffffff0")
            ),
            gleam=Gleam(strength=0.8, tightness=60),
        ),
        stroke("outer edge", "0em", "-0.01em", "#16324e", opacity=0.75),
        stroke("edge", "0em", "0.01em", "#f4fbff", opacity=0.95),
        Gloss(
            id="-", name="window", height=0.48, bend=0.0, angle=-20.0, inset=em(0.09), opacity=0.3
        ),
    )


def pond_ice() -> tuple[Coat, ...]:
    """Blue ice with frost grown over it."""
    return stack(
        shadow("cold", 0.06, "#041a34", opacity=0.65, lamp=lamp(330, 48, 1.2)),
        glow("breath", "0em", "-0.18em", "#a8e4ff", opacity=0.45, softness=0.9),
        stroke("deep edge", "0em", "-0.012em", "#1c5a94"),
        fill("ice", run((0, "#f2fcff"), (0.45, "#8fd4f6"), (1, "#2c82c4"))),
        fill("frost", pattern("frost", 0.9, "#ffffff00", "#ffffffd0", rough=0.6)),
        relief(
            "cut",
            "0em",
            "core",
            "chamfer",
            0.08,
            ramp=stops((0, "#0a3a70c8"), (0.5, "#3a90d000"), (0.5, "#ffffff00"), (1, "#ffffffff")),
            gleam=Gleam(strength=0.7, tightness=50),
        ),
        stroke("rime", "0em", "0.02em", colour("#ffffff", speckle=0.35, seed=6), opacity=0.95),
        Sparkle(id="-", name="glints", size=em(0.3), count=4.0, paint=colour("#ffffff")),
    )


def first_snow() -> tuple[Coat, ...]:
    """Red letters with snow lying on everything that faces up: a bright edge thrown upward, and one
    sunk below the head of every stroke."""
    up, down = lamp(184, 45, 0.25), lamp(356, 45, 0.35)
    return stack(
        shadow("evening", 0.07, "#0a1430", opacity=0.65, lamp=lamp(340, 46, 1.2)),
        glow("falling", "-0.02em", "-0.3em", colour("#ffffff", speckle=1.0, seed=9), opacity=0.45),
        shadow("lying above", 0.036, "#f2f8ff", opacity=1.0, lamp=up, silhouette="letters"),
        stroke("dark line", "0em", "-0.008em", "#4a0610"),
        fill("red", run((0, "#e23a46"), (1, "#8c1022"))),
        relief("body", "0em", "core", "round-over", 0.06, rounding=0.5),
        shadow("cold under it", 0.066, "#3a0a20", falls="inside", opacity=0.5, lamp=down),
        shadow("lying on it", 0.05, "#ffffff", falls="inside", opacity=1.0, lamp=down),
    )


def deep_pool() -> tuple[Coat, ...]:
    """Water with the sun's net of light on it."""
    return stack(
        shadow("wet", 0.05, "#02202c", opacity=0.6, lamp=lamp(330, 48, 1.2)),
        stroke("white tile", "0em", "-0.032em", run((0, "#ffffff"), (1, "#d4ecf2"))),
        fill("water", run((0, "#35d6e6"), (1, "#0a66b0"))),
        fill("net of light", pattern("water", 0.8, "#ffffff00", "#e8ffffe0", count=4, rough=0.5)),
        shadow(
            "of the rim", 0.045, "#003a58", falls="inside", opacity=0.7, lamp=lamp(335, 44, 0.8)
        ),
        Gloss(id="-", name="sky", height=0.36, bend=0.2, wave=0.2, inset=em(0.02), opacity=0.3),
    )


def gilt_frost() -> tuple[Coat, ...]:
    """Pewter tinted with gold, and snow blown against it: a card for the season."""
    pewter = stops(
        (0, "#1a1712"),
        (0.2, "#5c5547"),
        (0.38, "#b8ac92"),
        (0.5, "#8a806c"),
        (0.62, "#cabb94"),
        (0.82, "#f6ecd0"),
        (1, "#ffffff"),
    )
    return stack(
        shadow("soft", 0.07, "#06101e", opacity=0.65, lamp=lamp(330, 48, 1.4)),
        stroke("dark line", "0em", "-0.014em", "#241f16"),
        fill(
            "pewter",
            run((0, "#f2ead6"), (0.5, "#a89c84"), (1, "#d8c9a4"), spread="reflect", scale=0.6),
        ),
        relief("cast", "0em", "core", "ogee", 0.09, ramp=pewter, opacity=0.85, rounding=0.15),
        glow("gilt edge", "0em", "0.05em", "#ffcf6a", blend="overlay", opacity=0.8),
        glow(
            "blown snow",
            "-0.01em",
            "-0.12em",
            colour("#ffffff", speckle=0.9, seed=12),
            opacity=0.45,
        ),
        Sparkle(
            id="-",
            name="strong flares",
            size=em(0.55),
            count=3.0,
            points=4.0,
            paint=colour("#fff6dc"),
        ),
    )


def polar_curtain() -> tuple[Coat, ...]:
    """Curtains of green and violet within dark letters."""
    sky = run(
        (0, "#0b1030"),
        (0.3, "#1d6a6a"),
        (0.5, "#4df0a8"),
        (0.68, "#5a6ae0"),
        (0.85, "#8a3ac8"),
        (1, "#10123a"),
        angle=168.0,
    )
    return stack(
        glow(
            "on the snow",
            "0em",
            "-0.42em",
            run((0, "#3affb0"), (1, "#8a4af0")),
            opacity=0.55,
            softness=1.0,
        ),
        stroke("dark line", "-0.012em", "-0.026em", "#12163e"),
        stroke("rim", "0em", "-0.014em", run((0, "#c8fff0"), (1, "#d0b0ff"))),
        fill("night", sky),
        fill("curtains", pattern("clouds", 0.9, "#00000000", "#b8ffe060", rough=0.5, angle=80.0)),
        fill("stars", pattern("speckle", 0.44, "#ffffff00", "#ffffff", weight=0.12)),
        glow("inner light", "0em", "0.07em", "#aafff0", blend="screen", opacity=0.4),
    )
