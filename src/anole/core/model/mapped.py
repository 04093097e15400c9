"""A model value with some of the values in it exchanged, however deep they lie."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any, TypeVar

import msgspec

from .ink import Ink

T = TypeVar("T")
V = TypeVar("V")


def mapped(value: T, kind: type[V], change: Callable[[V], Any]) -> T:
    """`value` with `change(v)` in place of every v of exactly that kind."""
    if type(value) is kind:
        return change(value)  # type: ignore[arg-type]
    if isinstance(value, Ink) and value.colour is not None and kind is not Ink:
        colour: Any = mapped(value.colour, kind, change)
        return value if colour is value.colour else Ink(colour)  # type: ignore[return-value]
    if isinstance(value, msgspec.Struct):
        fields = {name: mapped(getattr(value, name), kind, change) for name in _names(value)}
        changed = {name: v for name, v in fields.items() if v is not getattr(value, name)}
        return msgspec.structs.replace(value, **changed) if changed else value
    if isinstance(value, tuple):
        parts = tuple(mapped(part, kind, change) for part in value)
        same = all(a is b for a, b in zip(parts, value, strict=True))
        return value if same else parts  # type: ignore[return-value]
    return value


def found_in(value: Any, kind: type[V]) -> Iterator[V]:
    """Every value of exactly that kind, in the order of the fields."""
    if type(value) is kind:
        yield value
    elif isinstance(value, Ink):
        yield from found_in(value.colour, kind)
    elif isinstance(value, msgspec.Struct):
        for name in _names(value):
            yield from found_in(getattr(value, name), kind)
    elif isinstance(value, tuple):
        for part in value:
            yield from found_in(part, kind)


def _names(value: msgspec.Struct) -> tuple[str, ...]:
    return value.__struct_fields__
