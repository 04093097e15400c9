"""The least and most that a field's length may be, as its `low` and `high` say."""

from __future__ import annotations

import functools
from typing import Annotated, Any, NamedTuple, get_args, get_origin, get_type_hints

import msgspec

from .length import LIMIT, Length

WIDEST, NARROWEST = (32_000.0, 10_000.0), (0.5, 1.0)
"""Greatest and least em in px and dots per inch: a length in another unit than its bounds is refused
where it is outside them whatever the size of the words."""


class Bounds(NamedTuple):
    """What a field's length may be, counted in `unit`."""

    low: float
    high: float
    unit: str
    em: bool

    def says(self, length: Length) -> str:
        """What is wrong with a length; '' when nothing is."""
        if length.unit == "em" and not self.em:
            return f"{length} is not a size: em is what it sets"
        if length.unit == self.unit:
            value, most = length.value, length.value
        else:
            wide, narrow = [
                length.px(*sizes) / Length(1.0, self.unit).px(*sizes)
                for sizes in (WIDEST, NARROWEST)
            ]
            value, most = max(wide, narrow), min(wide, narrow)
        if value < self.low:
            return f"{length} is less than {self.low:g}{self.unit}"
        return f"{length} is more than {self.high:g}{self.unit}" if most > self.high else ""


def _bounds(hint: Any) -> Bounds | None:
    if get_origin(hint) is not Annotated or get_args(hint)[0] is not Length:
        return None
    extra: dict[str, Any] = {}
    for meta in hint.__metadata__:
        extra |= getattr(meta, "extra", None) or {}
    return Bounds(
        extra.get("low", -LIMIT),
        extra.get("high", LIMIT),
        extra.get("soft_unit", "px"),
        not extra.get("no_em", False),
    )


@functools.cache
def _fields(struct: type) -> tuple[tuple[str, Bounds | None], ...]:
    hints = get_type_hints(struct, include_extras=True)
    return tuple((name, _bounds(hints[name])) for name in struct.__struct_fields__)  # type: ignore[attr-defined]


def first_wrong(value: Any, where: str = "$") -> str:
    """What is wrong with the first length out of its bounds, and in which field; '' without one."""
    if isinstance(value, tuple):
        faults = (first_wrong(part, f"{where}[{n}]") for n, part in enumerate(value))
        return next((wrong for wrong in faults if wrong), "")
    if not isinstance(value, msgspec.Struct):
        return ""
    for name, bounds in _fields(type(value)):
        part = getattr(value, name)
        if bounds is None:
            wrong = first_wrong(part, f"{where}.{name}")
        else:
            wrong = bounds.says(part)
            wrong = wrong and f"{wrong} - at `{where}.{name}`"
        if wrong:
            return wrong
    return ""
