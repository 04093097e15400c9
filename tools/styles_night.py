"""Styles of light, fire and fright: lit window, two tubes, scan lines, forge fire, night dread, marsh
slime, grave dust."""

from __future__ import annotations

from anole.core.model import Bloom, Coat, Gloss, Ripple, Streak, ToneCoat, Wear

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


def lit_window() -> tuple[Coat, ...]:
    """White acrylic lit from behind: light spills over whatever is near."""
    return stack(
        glow("far spill", "0em", "-1.0em", "#ffd68a", opacity=0.5, blend="screen", softness=1.0),
        glow("near spill", "0em", "-0.22em", "#ffe9b8", opacity=0.85, blend="screen", softness=0.7),
        stroke("return", "0em", "-0.02em", "#7a4a12", opacity=0.75),
        fill("acrylic", run((0, "#fffdf6"), (1, "#fff0c8"))),
        glow("dimmer at the edge", "0em", "0.06em", "#f2b24a", opacity=0.6, softness=0.8),
    )


def two_tubes() -> tuple[Coat, ...]:
    """A warm tube with a cold one running inside it."""
    return stack(
        shadow("on the wall", 0.09, "#08020c", opacity=0.6, lamp=lamp(335, 46, 1.4)),
        glow("warm light", "0.02em", "-0.5em", "#ff2f7a", opacity=0.6, softness=1.0),
        glow("warm, near", "0.02em", "-0.1em", "#ff4f94", opacity=0.8),
        glow("cold light", "0em", "core", "#3a6cff", opacity=0.55, softness=1.0),
        stroke("warm tube", "-0.02em", "0.014em", "#ff5f9f"),
        stroke("warm core", "-0.012em", "0.006em", "#fff0f6"),
        stroke("cold tube", "0.046em", "0.066em", "#49b6ff"),
        stroke("cold core", "0.05em", "0.062em", "#f0faff"),
    )


def scan_lines() -> tuple[Coat, ...]:
    """Green phosphor behind the lines of an old screen."""
    lines = run(
        (0, "#00120500"),
        (0.5, "#00120500"),
        (0.5, "#001205d8"),
        (1, "#001205d8"),
        spread="repeat",
        scale=0.055,
        frame="line",
    )
    return stack(
        stroke("dark glass", "0em", "-0.07em", "#04140a"),
        glow("after-glow", "-0.05em", "-0.34em", "#1aff6a", opacity=0.45, softness=1.0),
        glow("near", "0em", "-0.06em", "#2cff7c", opacity=0.7),
        fill("phosphor", run((0, "#d6ffdf"), (0.5, "#5cff8e"), (1, "#17d65a"))),
        fill("lines", lines),
        glow(
            "bright middle",
            "0em",
            "core",
            "#f0fff2",
            blend="screen",
            opacity=0.3,
            falloff="ease-out",
        ),
    )


def forge_fire() -> tuple[Coat, ...]:
    """White-hot at the foot, with flames drawn upward."""
    return stack(
        Ripple(
            id="-",
            name="licking",
            drives="outline",
            by="turbulence",
            amount=em(0.03),
            scale=em(0.22),
            octaves=2.0,
            seed=4,
        ),
        Streak(
            id="-",
            name="flames",
            bearing=0.0,
            count=3.0,
            fan=9.0,
            reach=em(0.75),
            uneven=0.95,
            width=em(0.05),
            opacity=0.9,
            falloff="ease-in",
            seed=5,
            paint=run((0, "#ff3a0a"), (0.6, "#ff9a1c"), (1, "#ffd84a")),
        ),
        glow("heat", "0em", "-0.3em", "#ff4a0a", opacity=0.7, softness=0.9),
        stroke("red edge", "0em", "-0.02em", "#b51806"),
        fill("fire", run((0, "#ff5a10"), (0.4, "#ffb020"), (0.75, "#fff08a"), (1, "#fffdf0"))),
        glow("hot inside", "0em", "0.06em", "#ff7a1a", opacity=0.75, softness=0.7),
    )


def night_dread() -> tuple[Coat, ...]:
    """Letters clawed into the dark, wet and red."""
    return stack(
        Wear(
            id="-",
            name="clawed",
            texture="scratches",
            amount=0.02,
            size=em(0.4),
            detail=2.0,
            soften=em(0.03),
            angle=12.0,
            edge=0.7,
            rim=em(0.05),
            seed=21,
        ),
        Ripple(
            id="-",
            name="unsteady",
            drives="outline",
            by="turbulence",
            amount=em(0.02),
            scale=em(0.24),
            octaves=2.0,
            seed=13,
        ),
        Streak(
            id="-",
            name="running down",
            bearing=180.0,
            count=1.0,
            reach=em(0.36),
            uneven=0.8,
            width=em(0.04),
            opacity=0.85,
            onset=0.0,
            falloff="ease-out",
            seed=3,
            paint=colour("#7a0610"),
        ),
        glow("dark round it", "0em", "-0.2em", "#050001", opacity=0.7, softness=0.9),
        stroke("black rim", "0em", "-0.01em", "#2a0306"),
        fill("red", run((0, "#f0202c"), (0.6, "#a80914"), (1, "#5a040b"))),
        relief(
            "wet",
            "0em",
            "core",
            "round-over",
            0.045,
            rounding=0.8,
            ramp=stops((0, "#1c000290"), (0.5, "#60000600"), (0.5, "#ffffff00"), (1, "#ffc0c060")),
        ),
    )


def marsh_slime() -> tuple[Coat, ...]:
    """Green slime that sags from its letters."""
    return stack(
        Ripple(
            id="-",
            name="sagging",
            drives="outline",
            by="turbulence",
            amount=em(0.026),
            scale=em(0.3),
            octaves=1.0,
            seed=6,
        ),
        Wear(id="-", name="swollen", amount=0.0, grow=em(0.022)),
        shadow("wet", 0.07, "#0a1a02", opacity=0.7, lamp=lamp(335, 46, 1.3)),
        stroke("rim", "0em", "-0.02em", "#1c3806"),
        fill("slime", run((0, "#d6ff4a"), (0.5, "#86d41a"), (1, "#3c8a0c"))),
        relief(
            "thick",
            "0em",
            "core",
            "round-over",
            0.13,
            rounding=0.85,
            ramp=stops((0, "#123004c0"), (0.5, "#3a780800"), (0.5, "#ffffff00"), (1, "#fbffd8ff")),
        ),
        Gloss(
            id="-", name="wet light", height=0.4, bend=0.3, wave=0.25, inset=em(0.035), opacity=0.4
        ),
    )


def grave_dust() -> tuple[Coat, ...]:
    """Old bone, cracked through, with dust blowing off it."""
    return stack(
        Wear(
            id="-",
            name="cracked",
            texture="cracks",
            amount=0.045,
            size=em(0.5),
            detail=2.0,
            soften=em(0.022),
            edge=0.35,
            seed=17,
        ),
        glow("dust", "0em", "-0.3em", colour("#d9cfae", speckle=1.0, seed=8), opacity=0.7),
        glow("dark", "0em", "-0.14em", "#0a0905", opacity=0.6, softness=0.9),
        fill("bone", run((0, "#fffaea"), (0.6, "#e8dcb8"), (1, "#bcaa7c"))),
        fill("stains", pattern("clouds", 0.7, "#5a4a2000", "#4a3a1690", rough=0.8)),
        relief(
            "old edge",
            "0em",
            "0.07em",
            "round-over",
            0.06,
            rounding=0.3,
            ramp=stops((0, "#2a2008c8"), (0.5, "#2a200800"), (0.5, "#ffffff00"), (1, "#fffbe8c0")),
        ),
        stroke("dark line", "0em", "0.008em", "#3a2f14", opacity=0.7),
    )


def lamp_spill() -> tuple[Coat, ...]:
    """So bright that the lens blooms."""
    return stack(
        glow("veil", "0em", "-0.9em", "#9ad0ff", opacity=0.5, blend="screen", softness=1.0),
        stroke("cold rim", "0em", "-0.024em", "#2f6cd0"),
        fill("light", run((0, "#ffffff"), (1, "#dff0ff"))),
        ToneCoat(id="-", name="bloom", tone=(Bloom(),)),
    )
