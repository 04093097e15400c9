"""Styles of cloth and hide: varsity felt, denim patch, hide and thread, tea towel, field camouflage,
carbon lap."""

from __future__ import annotations

from anole.core.model import Coat, Gleam, Gloss, Grain

from .style_parts import em, fill, glow, lamp, pattern, relief, run, shadow, stack, stops, stroke

CLOTH = stops((0, "#00000090"), (0.5, "#00000000"), (0.5, "#ffffff00"), (1, "#ffffff70"))


def _stitches(start: str, end: str, thread: str, size: float = 0.09) -> Coat:
    """Short threads across a line: a checked pattern seen through a thin span."""
    dashes = pattern("dots", size, "#00000000", thread, count=1, weight=0.62, rough=0.12)
    return stroke("stitches", start, end, dashes)


def varsity_felt() -> tuple[Coat, ...]:
    """Two layers of felt sewn on a jacket."""
    soft = lamp(330, 44, 1.0)
    return stack(
        shadow("sewn on", 0.035, "#0a0d18", opacity=0.75, lamp=soft),
        stroke("under felt", "0em", "-0.075em", pattern("felt", 0.3, "#e2d8bd", "#fff8e6")),
        relief("soft border", "-0.075em", "0em", "round-over", 0.022, ramp=CLOTH),
        fill("felt", pattern("felt", 0.3, "#7c0f22", "#c02238", rough=0.7)),
        Grain(
            id="-",
            name="nap",
            pattern=pattern("felt", 0.22, "#000000", "#ffffff"),
            amount=em(0.0068),
            ramp=CLOTH,
        ),
        relief("sewn down", "0em", "0.05em", "round-over", 0.03, ramp=CLOTH),
        _stitches("0.024em", "0.04em", "#fff4d4"),
    )


def denim_patch() -> tuple[Coat, ...]:
    """Blue twill with a seam in orange thread."""
    return stack(
        shadow("on the knee", 0.03, "#060c18", opacity=0.7, lamp=lamp(325, 46, 1.0)),
        stroke("frayed hem", "0em", "-0.02em", pattern("denim", 0.2, "#9db4cc", "#eef4f8")),
        fill("twill", pattern("denim", 0.34, "#16294a", "#4f77ab", rough=0.6)),
        glow("washed", "0.02em", "core", "#cfe0f2", blend="soft-light", opacity=0.5, softness=1.0),
        relief("hem", "0em", "0.075em", "round-over", 0.035, ramp=CLOTH),
        _stitches("0.045em", "0.062em", "#f0a13a"),
    )


def hide_and_thread() -> tuple[Coat, ...]:
    """Thick brown hide, padded, with a pale thread along its edge."""
    return stack(
        shadow("heavy", 0.05, "#140803", opacity=0.8, lamp=lamp(330, 46, 0.9)),
        stroke("cut edge", "0em", "-0.022em", "#3d1d0c"),
        fill("hide", pattern("leather", 0.4, "#5a2c12", "#a8622e", rough=0.5)),
        Grain(
            id="-",
            name="grain of the hide",
            pattern=pattern("leather", 0.4, "#000000", "#ffffff", rough=0.5),
            amount=em(0.016),
            ramp=stops((0, "#1a0800b0"), (0.5, "#00000000"), (0.5, "#ffffff00"), (1, "#ffe2c090")),
        ),
        relief(
            "padded",
            "0em",
            "core",
            "round-over",
            0.08,
            ramp=stops((0, "#1e0a00c0"), (0.5, "#3a180000"), (0.5, "#ffffff00"), (1, "#ffdfb48c")),
            gleam=Gleam(strength=0.25, tightness=14),
        ),
        glow("crease of the seam", "0.03em", "0.055em", "#1e0a00", opacity=0.6, softness=1.0),
        _stitches("0.036em", "0.052em", "#ffe9c4"),
    )


def tea_towel() -> tuple[Coat, ...]:
    """Checked linen, ironed."""
    return stack(
        shadow("folded", 0.03, "#101a20", opacity=0.6, lamp=lamp(320, 46, 1.2)),
        stroke("hem", "0em", "-0.03em", "#f7f4ea"),
        fill("linen", pattern("weave", 0.1, "#e4dfce", "#fffdf6", count=6, rough=0.5)),
        fill(
            "stripes down",
            pattern("stripes", 0.2, "#c8323a00", "#c8323a", count=1, weight=0.5, rough=0.0),
            opacity=0.62,
            blend="multiply",
        ),
        fill(
            "stripes across",
            pattern(
                "stripes", 0.2, "#c8323a00", "#c8323a", count=1, weight=0.5, rough=0.0, angle=90.0
            ),
            opacity=0.62,
            blend="multiply",
        ),
        stroke("red line", "0em", "0.014em", "#9c1f2a"),
    )


def field_camouflage() -> tuple[Coat, ...]:
    """Four greens and a stencil's dark line."""
    return stack(
        stroke("pale rim", "-0.02em", "-0.036em", "#d9d6b4"),
        stroke("dark line", "0em", "-0.022em", "#14180e"),
        fill("camouflage", pattern("camouflage", 1.2, "#20261a", "#47502c", "#76804a", "#b3ab7c")),
        fill("weave", pattern("weave", 0.2, "#00000030", "#ffffff20", count=4, rough=0.2)),
        shadow("pressed in", 0.02, "#0a0d06", falls="inside", opacity=0.6, lamp=lamp(330, 45, 0.6)),
    )


def carbon_lap() -> tuple[Coat, ...]:
    """Woven carbon under lacquer, with a red line: made for speed."""
    return stack(
        shadow("low", 0.06, "#000000", opacity=0.8, lamp=lamp(330, 46, 0.7)),
        stroke("red line", "-0.026em", "-0.05em", run((0, "#ff5a4a"), (1, "#c40f1e"))),
        stroke("gap", "0em", "-0.028em", "#0a0b0d"),
        fill("carbon", pattern("carbon", 0.16, "#101215", "#4a5058", count=4)),
        fill("lacquer", run((0, "#ffffff50"), (0.45, "#ffffff10"), (1, "#00000060"))),
        relief("edge", "0em", "0.035em", "chamfer", 0.03, gleam=Gleam(strength=0.5, tightness=40)),
        Gloss(
            id="-", name="lamp in the lacquer", height=0.46, bend=0.16, inset=em(0.02), opacity=0.32
        ),
    )
