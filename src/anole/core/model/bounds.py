"""The least and most that a field's length may be, as its `low` and `high` say, or else all fields."""

from __future__ import annotations

import functools
from typing import Annotated, Any, NamedTuple, get_args, get_origin, get_type_hints

import msgspec

from .length import CORE, Length

WIDEST, NARROWEST = (32_000.0, 10_000.0), (0.5, 1.0)
"""Greatest and least em in px and dots per inch: a length in another unit than its bounds is refused
where it is outside them whatever the size of the words."""


FARTHEST, MOST_EM = 64_000.0, 200.0
"""Greatest px, and em, of a length whose field names no bounds of its own."""


class Bounds(NamedTuple):
    """What a field's length may be, counted in `unit`."""

    low: float
    high: float
    unit: str
    em: bool

    def says(self, length: Length, dpi: float | None = None) -> str:
        """What is wrong with a length on a board of `dpi`, or on any board; '' when nothing is."""
        if length.unit == "em" and not self.em:
            return f"{length} is not a size: em is what it sets"
        if length.unit == "em" != self.unit and abs(length.value) > MOST_EM:
            return f"{length} is more than {MOST_EM:g}em"
        if length.unit == self.unit:
            value, most = length.value, length.value
        else:
            wide, narrow = [
                length.px(em, dpi or any_dpi) / Length(1.0, self.unit).px(em, dpi or any_dpi)
                for em, any_dpi in (WIDEST, NARROWEST)
            ]
            value, most = max(wide, narrow), min(wide, narrow)
        if value < self.low:
            return f"{length} is less than {self.low:g}{self.unit}"
        return f"{length} is more than {self.high:g}{self.unit}" if most > self.high else ""


def _bounds(hint: Any) -> Bounds | None:
    kind = get_args(hint)[0] if get_origin(hint) is Annotated else hint
    if not (isinstance(kind, type) and issubclass(kind, Length)):
        return None
    extra: dict[str, Any] = {}
    for meta in getattr(hint, "__metadata__", ()):
        extra |= getattr(meta, "extra", None) or {}
    return Bounds(
        extra.get("low", -FARTHEST),
        extra.get("high", FARTHEST),
        extra.get("soft_unit", "px"),
        not extra.get("no_em", False),
    )


@functools.cache
def _fields(struct: type) -> tuple[tuple[str, Bounds | None], ...]:
    hints = get_type_hints(struct, include_extras=True)
    return tuple((name, _bounds(hints[name])) for name in struct.__struct_fields__)  # type: ignore[attr-defined]


def first_wrong(value: Any, where: str = "$", dpi: float | None = None) -> str:
    """What is wrong with the first length out of its bounds, and in which field; '' without one.

    dpi : of the board, where the value stands on one
    """
    if isinstance(value, tuple):
        faults = (first_wrong(part, f"{where}[{n}]", dpi) for n, part in enumerate(value))
        return next((wrong for wrong in faults if wrong), "")
    if not isinstance(value, msgspec.Struct):
        return ""
    dpi = getattr(value, "dpi", dpi)
    for name, bounds in _fields(type(value)):
        part = getattr(value, name)
        if bounds is None:
            wrong = first_wrong(part, f"{where}.{name}", dpi)
        elif part == CORE:
            continue
        else:
            wrong = bounds.says(part, dpi)
            wrong = wrong and f"{wrong} - at `{where}.{name}`"
        if wrong:
            return wrong
    return ""
