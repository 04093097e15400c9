"""Styles for print and signs: plain ink, house white, die-cut decal, newsprint pop, sunset parlour,
off register, low sun, cut layers, school chalk, lit_channel."""

from __future__ import annotations

from anole.core.model import Coat, Copies, Gloss, Lamp, Ripple, Sparkle, Thickness

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
    stroke,
)

SUN = Lamp(bearing=0, elevation=45, size=0.0)


def plain_ink() -> tuple[Coat, ...]:
    """Dark letters that a rim of paper lifts off any ground."""
    return stack(
        shadow("lift", 0.03, "#00000070", lamp=lamp(0, 55, 1.6)),
        stroke("paper", "0em", "-0.05em", "#f6f2e6"),
        fill("ink", "#1d2126"),
    )


def house_white() -> tuple[Coat, ...]:
    """White paint with a shade close under it, as on a shop front."""
    return stack(
        glow("shade round it", "0em", "-0.16em", "#0a1420", opacity=0.55, softness=0.9),
        shadow("under it", 0.05, "#0a1420", opacity=0.75, lamp=lamp(335, 48, 0.4)),
        fill("white", run((0, "#ffffff"), (1, "#eef1f0"))),
    )


def die_cut_decal() -> tuple[Coat, ...]:
    """A die-cut sticker: wide white border, a light across it, lifted a little."""
    return stack(
        shadow("lifted", 0.06, "#05121c", opacity=0.6, lamp=lamp(320, 46, 1.5)),
        stroke("vinyl", "0em", "-0.1em", run((0, "#ffffff"), (1, "#dfe5ea"))),
        stroke("cut edge", "-0.094em", "-0.1em", "#b4bfc8"),
        fill("print", run((0, "#2ec4f0"), (1, "#1477d4"))),
        stroke("print line", "0em", "0.018em", "#0d4a94"),
        Gloss(
            id="-",
            name="light across",
            height=0.42,
            angle=-24.0,
            bend=0.0,
            at_cut=0.3,
            far=0.75,
            opacity=0.4,
        ),
    )


def newsprint_pop() -> tuple[Coat, ...]:
    """Comic lettering: dots of a coarse screen, a heavy line, a second line set off."""
    return stack(
        Copies(
            id="-",
            name="set off",
            count=24.0,
            to_x=em(0.09),
            to_y=em(0.09),
            paint=colour("#11131c"),
        ),
        stroke("heavy line", "0em", "-0.055em", "#11131c"),
        fill("yellow", "#ffd91f"),
        fill(
            "screen",
            pattern("halftone", 0.42, "#ff5a1f00", "#ff4a16", count=4, weight=0.5, rough=0.0),
        ),
        stroke("bright inside", "0.012em", "0.03em", "#fff7b8"),
    )


def sunset_parlour() -> tuple[Coat, ...]:
    """An evening of stripes behind a thin rim: an arcade of forty years ago."""
    bands = run(
        (0, "#ffe45c"),
        (0.36, "#ff9a3c"),
        (0.62, "#ff4f79"),
        (1, "#8a2bd6"),
        frame="line",
    )
    bars = run(
        (0, "#20063c00"),
        (0.76, "#20063c00"),
        (0.76, "#20063ce0"),
        (1, "#20063ce0"),
        spread="repeat",
        scale=0.1,
        offset=0.02,
        frame="line",
    )
    return stack(
        glow("evening", "0em", "-0.3em", "#ff3fa0", opacity=0.5, softness=0.9),
        shadow("hard", 0.075, "#1a0730", lamp=lamp(330, 45, 0.0)),
        stroke("violet line", "-0.02em", "-0.045em", "#2a0d52"),
        stroke("rim", "0em", "-0.022em", run((0, "#fff6d8"), (0.5, "#ffc7f0"), (1, "#8de4ff"))),
        fill("evening sky", bands),
        fill("bars", bars),
    )


def off_register() -> tuple[Coat, ...]:
    """Two inks out of register on cream: what shows through is a third."""
    return stack(
        stroke("cream", "0em", "-0.085em", "#fbf3e0"),
        fill("cream beneath", "#fbf3e0"),
        Copies(
            id="-",
            name="blue plate",
            of="silhouette",
            silhouette="letters",
            count=1.0,
            to_x=em(0.032),
            to_y=em(0.026),
            blend="multiply",
            paint=colour("#28a8c8"),
        ),
        Copies(
            id="-",
            name="red plate",
            of="silhouette",
            silhouette="letters",
            count=1.0,
            to_x=em(-0.022),
            to_y=em(-0.018),
            blend="multiply",
            paint=colour("#f4553f"),
        ),
    )


def low_sun() -> tuple[Coat, ...]:
    """A flat shade that runs far to the lower right."""
    return stack(
        Thickness(
            id="-",
            name="long shadow",
            way="throw",
            throw_x=em(1.1),
            throw_y=em(1.1),
            silhouette="letters",
            wall_light=0.0,
            opacity=0.5,
            paint=colour("#0c2a33"),
        ),
        fill("face", run((0, "#fffdf4"), (1, "#ffeecb"))),
    )


def cut_layers() -> tuple[Coat, ...]:
    """Sheets of paper cut out one below the other."""
    light, dark = lamp(335, 40, 0.25), "#2b0518"
    return stack(
        shadow("of the whole", 0.03, dark, opacity=0.5, lamp=light),
        stroke("top sheet", "0em", "-0.035em", "#fff4e2"),
        fill("deepest", "#6d1741"),
        glow("on the deepest", "0.07em", "0.13em", dark, opacity=0.7, softness=0.4),
        stroke("third sheet", "0em", "0.072em", "#c0304f"),
        glow("on the third", "0.044em", "0.075em", dark, opacity=0.5, softness=0.4),
        stroke("second sheet", "0em", "0.046em", "#ee6a54"),
        glow("on the second", "0.02em", "0.048em", dark, opacity=0.45, softness=0.4),
        stroke("first sheet", "0em", "0.021em", "#ffb45e"),
        shadow("of the top sheet", 0.022, dark, falls="inside", opacity=0.6, lamp=light),
    )


def school_chalk() -> tuple[Coat, ...]:
    """Chalk on a board: broken by the grain of what it is drawn on."""
    return stack(
        Ripple(
            id="-",
            name="a hand's line",
            drives="outline",
            by="turbulence",
            amount=em(0.01),
            scale=em(0.12),
            octaves=2.0,
            seed=5,
        ),
        glow("shade for light grounds", "0em", "-0.12em", "#1c2a28", opacity=0.8, softness=1.0),
        glow("dust", "0em", "-0.08em", colour("#ffffff", speckle=0.9, seed=4), opacity=0.5),
        fill("thin", "#f4f6ee", opacity=0.62),
        fill("grain", colour("#ffffff", speckle=0.62, seed=7)),
        fill(
            "strokes of it",
            pattern("scratches", 0.9, "#ffffff00", "#2a3a3450", count=6, weight=0.4, angle=62.0),
        ),
        stroke("pressed", "0em", "0.02em", colour("#ffffff", speckle=0.3, seed=3), opacity=0.8),
    )


def lit_channel() -> tuple[Coat, ...]:
    """A tin sign in a gilt case with warm light running in its channel."""
    return stack(
        shadow("hung", 0.1, "#12030a", opacity=0.75, lamp=lamp(0, 46, 0.9)),
        glow("light on the wall", "0em", "-0.34em", "#ffb34a", opacity=0.5, softness=0.9),
        stroke("case", "0em", "-0.07em", run((0, "#ffd06b"), (1, "#b06a14"))),
        relief("bent tin", "-0.07em", "0em", "bead", 0.03),
        fill("blue", run((0, "#23489c"), (1, "#0d1c52"))),
        shadow("depth", 0.035, "#02051c", falls="inside", opacity=0.8, lamp=lamp(340, 45, 0.6)),
        glow("light in it", "0.04em", "core", "#ffb84a", blend="screen", opacity=0.4),
        glow("toward the case", "0.04em", "0em", "#ffb84a", blend="screen", opacity=0.6),
        stroke("warm tube", "0.03em", "0.052em", "#ffd27a"),
        stroke("core of it", "0.036em", "0.046em", "#fffbe8"),
        Sparkle(
            id="-", name="glints", size=em(0.22), count=3.0, paint=colour("#fff4cc"), opacity=0.8
        ),
    )
