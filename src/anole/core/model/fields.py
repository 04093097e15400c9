"""Field types with their ranges, units and wording; panels and docs are made from them.

`soft` is the range a slider covers; typing may go on to the hard range (ge, le).
"""

from __future__ import annotations

from typing import Annotated, Any, Literal

from msgspec import Meta

from .length import Length


def meta(title: str, about: str, **extra: Any) -> Meta:
    """Wording and interface hints for a field whose type needs no numeric range."""
    return Meta(title=title, description=about, extra=extra)


def number(title: str, about: str, low: float, high: float, **extra: Any) -> Meta:
    """Wording and hard range of a number; `soft`, `unit`, `step`, `signed`, `factor` in extra."""
    return Meta(title=title, description=about, ge=low, le=high, extra=extra)


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

Id = Annotated[str, Meta(min_length=1, max_length=64)]
Name = Annotated[str, Meta(max_length=200)]
Share = Annotated[float, Meta(ge=0, le=1)]
Opacity = Annotated[
    float,
    number("Opacity", "How much of the coat shows", 0, 1, unit="%", factor=100, step=0.01),
]
BlendField = Annotated[Blend, meta("Blend", "How the colours meet what lies beneath")]
Angle = Annotated[float, Meta(ge=-3600, le=3600, extra={"unit": "°", "soft": (0, 360), "step": 1})]
Lift = Annotated[
    Length, meta("Lift", "How far the letters float above the ground", soft=(0, 300), low=0)
]
Arithmetic = Annotated[
    tuple[float, float, float, float],
    meta(
        "k1 to k4",
        "Factors of the arithmetic blend: k1·cs·cb + k2·cs + k3·cb + k4",
        when={"blend": ("arithmetic",)},
    ),
]
