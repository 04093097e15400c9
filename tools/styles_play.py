"""Styles to play with: iced biscuit, chocolate bar, sugar stripe, party balloon, toy block,
scoreboard, chequered lap, spring garden."""

from __future__ import annotations

from anole.core.model import Coat, Copies, Gleam, Gloss, Thickness, Wear

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

ABOVE = lamp(335, 48, 1.2)


def iced_biscuit() -> tuple[Coat, ...]:
    """Pink icing and sugar strands on a baked edge."""
    return stack(
        shadow("on the plate", 0.06, "#2a1206", opacity=0.6, lamp=ABOVE),
        stroke("biscuit", "0em", "-0.055em", pattern("speckle", 0.5, "#c4843a", "#dfa458", weight=0.6)),
        relief(
            "baked", "-0.055em", "0.01em", "round-over", 0.05,
            ramp=stops((0, "#4a1e04c0"), (0.5, "#4a1e0400"), (0.5, "#fff0d000"), (1, "#fff0d0b0")),
        ),
        fill("icing", run((0, "#ffd9e8"), (1, "#ff9cc4"))),
        fill("red strands", pattern("dots", 0.66, "#ff5a7a00", "#f04a70", count=4, weight=0.22, rough=1.0, seed=4)),
        fill("yellow strands", pattern("dots", 0.72, "#ffe04a00", "#ffe04a", count=4, weight=0.2, rough=1.0, seed=9)),
        fill("blue strands", pattern("dots", 0.6, "#58b8f000", "#48a8e8", count=4, weight=0.18, rough=1.0, seed=15)),
        relief(
            "thick icing", "0em", "0.08em", "round-over", 0.07, rounding=0.3,
            ramp=stops((0, "#a8386ab0"), (0.5, "#c0508000"), (0.5, "#ffffff00"), (1, "#ffffffff")),
            gleam=Gleam(strength=0.4, tightness=20),
        ),
    )  # fmt: skip


def chocolate_bar() -> tuple[Coat, ...]:
    """Milk chocolate from a mould."""
    return stack(
        shadow("soft", 0.06, "#180a04", opacity=0.65, lamp=ABOVE),
        Thickness(id="-", name="bar", throw_x=em(0.02), throw_y=em(0.07), paint=colour("#4a2412"), wall_light=0.6),
        fill("chocolate", run((0, "#9a5a34"), (1, "#6a3619"))),
        relief(
            "moulded", "0em", "0.09em", "ogee", 0.045, rounding=0.45,
            ramp=stops((0, "#1e0a02d0"), (0.5, "#3a180800"), (0.5, "#ffe0c000"), (1, "#ffe0c4d0")),
            gleam=Gleam(strength=0.35, tightness=16),
        ),
        stroke("milk edge", "0em", "-0.008em", "#e8c8a4", opacity=0.6),
        Gloss(id="-", name="temper", height=0.38, bend=0.2, inset=em(0.09), opacity=0.2),
    )  # fmt: skip


def sugar_stripe() -> tuple[Coat, ...]:
    """Peppermint: red twisted into white."""
    twist = pattern(
        "stripes", 0.36, "#ffffff", "#e0182c", count=1, weight=0.45, rough=0.0, angle=38.0
    )
    return stack(
        shadow("soft", 0.06, "#20060c", opacity=0.6, lamp=ABOVE),
        stroke("sugar rim", "0em", "-0.022em", "#fff4f2"),
        stroke("line", "-0.02em", "-0.03em", "#8a0f20"),
        fill("twist", twist),
        relief(
            "boiled sweet", "0em", "core", "round-over", 0.07, rounding=0.8,
            ramp=stops((0, "#60041cb0"), (0.5, "#80102000"), (0.5, "#ffffff00"), (1, "#ffffffff")),
            gleam=Gleam(strength=0.35, tightness=12),
        ),
    )  # fmt: skip


def party_balloon() -> tuple[Coat, ...]:
    """Foil balloons, tight with air."""
    foil = run((0, "#b9c4ff"), (0.5, "#6f7bff"), (1, "#4a2fe0"))
    return stack(
        Wear(id="-", name="blown up", amount=0.0, grow=em(0.026)),
        shadow("floating", 0.14, "#101430", opacity=0.4, lamp=lamp(335, 50, 2.2)),
        fill("foil", foil),
        fill("creases", pattern("foil", 0.5, "#ffffff00", "#ffffff00", "#ffffff70", rough=0.5), opacity=0.6),
        relief(
            "tight", "0em", "core", "round-over", 0.16, rounding=0.75,
            ramp=stops((0, "#1a083cc0"), (0.42, "#2a104830"), (0.5, "#2a104800"), (0.5, "#ffffff00"), (0.8, "#ffffff90"), (1, "#ffffffff")),
            gleam=Gleam(strength=0.9, tightness=40),
        ),
        stroke("seam", "0em", "0.01em", "#ffffff", opacity=0.55),
    )  # fmt: skip


def toy_block() -> tuple[Coat, ...]:
    """Painted wooden blocks, solid and bright, in a bold outline."""
    return stack(
        shadow("on the floor", 0.1, "#101820", opacity=0.5, lamp=lamp(330, 46, 0.8)),
        Thickness(
            id="-", name="block", throw_x=em(0.1), throw_y=em(0.13), paint=run((0, "#1678c8"), (1, "#0c3f86")),
            wall_light=0.55, silhouette="letters",
        ),
        stroke("outline", "0em", "-0.03em", "#0b2242", silhouette="whole"),
        fill("face", run((0, "#ffe052"), (1, "#ffae1a"))),
        stroke("bright edge", "0em", "0.02em", "#fff6c0"),
        relief("sanded", "0em", "0.03em", "round-over", 0.02),
    )  # fmt: skip


def scoreboard() -> tuple[Coat, ...]:
    """Amber lamps on a black board."""
    return stack(
        stroke("board", "0em", "-0.1em", run((0, "#20242a"), (1, "#0c0e12"))),
        stroke("frame", "-0.1em", "-0.116em", run((0, "#9aa4ae"), (1, "#4a525a"))),
        glow("light", "0em", "-0.09em", "#ff9a1a", opacity=0.4, softness=0.9),
        fill("black", "#120d06"),
        fill("lamps", pattern("dots", 0.11, "#2a1804", "#ffb63a", count=1, weight=0.78, rough=0.0)),
        glow("bloom", "0em", "core", "#ff8a10", blend="screen", opacity=0.22, falloff="linear"),
    )  # fmt: skip


def chequered_lap() -> tuple[Coat, ...]:
    """A flag at the finish: checks that lean, a blue line, copies that trail behind."""
    flag = pattern(
        "checks", 0.42, "#11141a", "#ffffff", count=2, weight=0.5, rough=0.0, angle=-14.0
    )
    return stack(
        Copies(
            id="-", name="trail", count=7.0, to_x=em(-0.22), to_y=em(0.0), near=0.5, far=0.05,
            paint=colour("#1f6cff"),
        ),
        shadow("hard", 0.05, "#06122e", opacity=0.8, lamp=lamp(330, 45, 0.0)),
        stroke("blue line", "-0.024em", "-0.05em", run((0, "#3a90ff"), (1, "#0c46c8"))),
        stroke("white line", "0em", "-0.026em", "#ffffff"),
        fill("checks", flag),
        fill("ripple of the cloth", run((0, "#ffffff58"), (0.3, "#00000040"), (0.6, "#ffffff48"), (1, "#00000050"), angle=112.0)),
    )  # fmt: skip


def spring_garden() -> tuple[Coat, ...]:
    """Petals and leaves: a soft print with a fresh green line."""
    return stack(
        shadow("soft", 0.05, "#12301c", opacity=0.45, lamp=lamp(335, 50, 1.8)),
        stroke("leaf", "-0.016em", "-0.04em", run((0, "#8fd14a"), (1, "#2f8a3c"))),
        stroke("white", "0em", "-0.018em", "#ffffff"),
        fill("petals", run((0, "#ffe3f0"), (0.6, "#ff9cc8"), (1, "#f06aa8"))),
        fill("scattered", pattern("scales", 0.26, "#ffffff00", "#ffffff90", count=2, weight=0.5, rough=0.5)),
        glow("pale rim", "0em", "0.05em", "#ffffff", blend="soft-light", opacity=0.7),
    )  # fmt: skip
