"""Field types with their ranges, units and wording; panels and docs are made from them.

`soft` is the range a slider covers; typing may go on to the hard range (ge, le). `group` is the
heading of a panel that a field stands under, `order` above 0 puts it behind the others there,
`when` says what must hold for it to mean anything, `control` names a control of its own, `words`
what people read in place of a choice's own word.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping
from typing import Annotated, Any, Literal, TypedDict, Unpack

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


class Hints(TypedDict, total=False):
    """What interfaces are told of a field, whatever its type; see the module's own words."""

    unit: str
    step: float
    factor: float
    group: str
    order: int
    when: Mapping[str, Collection[Any] | None]
    control: str
    words: Mapping[str, str]
    posed: bool
    alone: bool


class NumberHints(Hints, total=False):
    """Of a number: the range that a rail covers, and what 0 is called where it is no number."""

    soft: tuple[float, float]
    at_zero: str


class LengthHints(Hints, total=False):
    """Of a length: its hard bounds, the unit they and the soft range are in, whether em make sense."""

    low: float
    high: float
    soft_unit: str
    no_em: bool


class FieldHints(NumberHints, LengthHints, total=False):
    """All there are."""


KNOWN = frozenset(FieldHints.__annotations__)


def _extra(hints: Mapping[str, Any]) -> dict[str, Any]:
    """The hints as a field carries them. Raises TypeError for one that nobody reads."""
    if unknown := set(hints) - KNOWN:
        raise TypeError(f"no such hint of a field: {', '.join(sorted(unknown))}")
    return dict(hints)


def meta(title: str, about: str, **hints: Unpack[FieldHints]) -> Meta:
    """Wording and interface hints for a field whose type needs no numeric range."""
    return Meta(title=title, description=about, extra=_extra(hints))


def number(title: str, about: str, low: float, high: float, **hints: Unpack[NumberHints]) -> Meta:
    """Wording and hard range of a number."""
    return Meta(title=title, description=about, ge=low, le=high, extra=_extra(hints))


def share(
    title: str, about: str, low: float = 0, high: float = 1, **hints: Unpack[NumberHints]
) -> Meta:
    """A number from 0 to 1 that is shown in percent."""
    percent: NumberHints = {"unit": "%", "factor": 100, "step": 0.01}
    percent.update(hints)
    return number(title, about, low, high, **percent)


def angle(
    title: str, about: str, low: float = -3600, high: float = 3600, **hints: Unpack[NumberHints]
) -> Meta:
    """Degrees, clockwise, 0 upward."""
    degrees: NumberHints = {"unit": "°", "step": 1}
    degrees.update(hints)
    return number(title, about, low, high, **degrees)


def length(title: str, about: str, soft: tuple[float, float], **hints: Unpack[LengthHints]) -> Meta:
    """A Length; `low` and `high` bound it in px, or in the unit `soft_unit`."""
    return Meta(title=title, description=about, extra=_extra({"soft": soft, **hints}))


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
