"""Lengths and positions: a number with the unit its user chose."""

from __future__ import annotations

import math
import re
from typing import ClassVar

from ..text import short

_TEXT = re.compile(r"\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*([a-z]*)\s*")
LONGEST = 100
"""Letters of a length as it is written."""
LIMIT = 1e6
"""Greatest magnitude a length may have, in any unit."""


def _tidy(value: float) -> str:
    """The shortest text that reads back as the same number."""
    return repr(value + 0.0).removesuffix(".0")


class Length:
    """A length such as ``0.08em`` or ``12px``.

    px are board px; em is the lettering's size (or the silhouette's height);
    pt, mm and in follow the board's dpi.
    """

    __slots__ = ("unit", "value")
    UNITS: ClassVar[tuple[str, ...]] = ("px", "em", "pt", "mm", "in")

    unit: str
    value: float

    def __init__(self, value: float, unit: str = "px") -> None:
        if unit not in self.UNITS:
            raise ValueError(f"unknown unit {unit!r}: use one of {', '.join(self.UNITS)}")
        if not math.isfinite(value) or abs(value) > LIMIT:
            raise ValueError(
                f"a length must be a number within ±{LIMIT:g}, not {short(repr(value), 30)}"
            )
        object.__setattr__(self, "value", float(value))
        object.__setattr__(self, "unit", unit)

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError("a length does not change")

    @classmethod
    def parse(cls, text: str) -> Length:
        """Read ``12px``, ``.1em`` or a bare number (px). Raises ValueError."""
        # what is long is no length, and looking through it could take long
        match = _TEXT.fullmatch(text.lower()) if len(text) <= LONGEST else None
        if not match:
            raise ValueError(f"{short(text, 40)!r} is not a length such as 12px or 0.08em")
        return cls(float(match[1]), match[2] or "px")

    def px(self, em: float, dpi: float = 96.0) -> float:
        """Board px, for an em in px and the board's dots per inch."""
        return (
            self.value
            * {"px": 1.0, "em": em, "in": dpi, "mm": dpi / 25.4, "pt": dpi / 72.0}[self.unit]
        )

    def like(self, px: float, em: float, dpi: float = 96.0) -> Length:
        """The length of `px` board px, in this length's unit."""
        return type(self)(px / type(self)(1.0, self.unit).px(em, dpi), self.unit)

    def times(self, factor: float) -> Length:
        """The length as many times as long, in its unit."""
        return type(self)(self.value * factor, self.unit)

    def __str__(self) -> str:
        return f"{_tidy(self.value)}{self.unit}"

    def __repr__(self) -> str:
        return f"{type(self).__name__}({str(self)!r})"

    def __eq__(self, other: object) -> bool:
        return (
            isinstance(other, Length)
            and type(other) is type(self)
            and (self.value, self.unit) == (other.value, other.unit)
        )

    def __hash__(self) -> int:
        return hash((self.value, self.unit))

    def __reduce__(self) -> tuple:
        return type(self).parse, (str(self),)


class Position(Length):
    """A signed place across the edge: - outside, 0 the edge, + inside, or ``core``."""

    __slots__ = ()
    UNITS: ClassVar[tuple[str, ...]] = (*Length.UNITS, "core")

    @classmethod
    def parse(cls, text: str) -> Position:
        """Read `core` or a length such as `0.05em`. Raises ValueError for anything else."""
        if text.strip().lower() == "core":
            return CORE
        length = Length.parse(text)
        return cls(length.value, length.unit)

    @property
    def is_core(self) -> bool:
        """Whether it is the innermost place of the shape, whatever its distance."""
        return self.unit == "core"

    def px(self, em: float, dpi: float = 96.0) -> float:
        """px at `em` px of an em; infinite for the core."""
        return math.inf if self.is_core else super().px(em, dpi)

    def __str__(self) -> str:
        return "core" if self.is_core else super().__str__()


CORE = Position(1.0, "core")
