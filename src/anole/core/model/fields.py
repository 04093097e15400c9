"""Field types with their ranges, units and wording; panels and docs are made from them.

`soft` is the range a slider covers; typing may go on to the hard range (ge, le). `group` is the
heading of a panel that a field stands under, `order` above 0 puts it behind the others there,
`when` says what must hold for it to mean anything, `control` names a control of its own, `words`
what people read in place of a choice's own word.
"""

from __future__ import annotations

from typing import Annotated, Any, Literal

from msgspec import Meta

PAINT, PATTERN, EDGE, BANDS, CUT, LIGHT = (
    "Paint",
    "Pattern",
    "Across the edge",
    "Bands",
    "The cut",
    "Light",
)
BLENDING = "Blending"
GROUPS = (PAINT, PATTERN, EDGE, BANDS, CUT, "", LIGHT, BLENDING)
"""Headings in their order; others stand where fields without a heading do."""


def meta(title: str, about: str, **extra: Any) -> Meta:
    """Wording and interface hints for a field whose type needs no numeric range."""
    return Meta(title=title, description=about, extra=extra)


def number(title: str, about: str, low: float, high: float, **extra: Any) -> Meta:
    """Wording and hard range of a number; `soft`, `unit`, `step`, `signed`, `factor` in extra."""
    return Meta(title=title, description=about, ge=low, le=high, extra=extra)


def share(title: str, about: str, low: float = 0, high: float = 1, **extra: Any) -> Meta:
    """A number from 0 to 1 that is shown in percent."""
    extra = {"unit": "%", "factor": 100, "step": 0.01, "signed": low < 0} | extra
    return number(title, about, low, high, **extra)


def angle(title: str, about: str, low: float = -3600, high: float = 3600, **extra: Any) -> Meta:
    """Degrees, clockwise, 0 upward."""
    return number(title, about, low, high, **{"unit": "°", "step": 1} | extra)


def length(title: str, about: str, soft: tuple[float, float], **extra: Any) -> Meta:
    """A Length; `low` and `high` bound it in px, or in the unit `soft_unit`."""
    return meta(title, about, soft=soft, **extra)


HIDDEN = Meta(extra={"hidden": True})
"""A field that no panel shows: something else in the window does."""

Blend = Literal[
    "normal",
    "multiply",
    "screen",
    "overlay",
    "darken",
    "lighten",
    "color-dodge",
    "color-burn",
    "hard-light",
    "soft-light",
    "difference",
    "exclusion",
    "hue",
    "saturation",
    "color",
    "luminosity",
    "plus-lighter",
    "arithmetic",
]

BLENDS = {
    "color-dodge": "colour dodge",
    "color-burn": "colour burn",
    "hard-light": "hard light",
    "soft-light": "soft light",
    "color": "colour",
    "plus-lighter": "add light",
}
"""What people read for a standard's keyword."""

Id = Annotated[str, Meta(min_length=1, max_length=64), HIDDEN]
Name = Annotated[str, Meta(max_length=200), HIDDEN]
Switched = Annotated[bool, HIDDEN]
Share = Annotated[float, Meta(ge=0, le=1)]
Seed = Annotated[float, number("Seed", "Another number, another chance", 0, 9999, step=1)]
Opacity = Annotated[float, share("Opacity", "How much of the coat shows", group=BLENDING)]
BlendField = Annotated[
    Blend,
    meta(
        "Blend",
        "How the colours meet the coats and pieces beneath",
        group=BLENDING,
        control="pictures",
        words=BLENDS,
    ),
]
Angle = Annotated[float, Meta(ge=-3600, le=3600, extra={"unit": "°", "soft": (0, 360), "step": 1})]
Factor = Annotated[float, Meta(ge=-1000, le=1000)]
Arithmetic = Annotated[
    tuple[Factor, Factor, Factor, Factor],
    meta(
        "k1 to k4",
        "Factors of the arithmetic blend: k1·cs·cb + k2·cs + k3·cb + k4",
        group=BLENDING,
        when={"blend": ("arithmetic",)},
    ),
]
