"""Every model value that differs from another in one place, found from the model's own types."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any, get_args, get_origin, get_type_hints

import msgspec

from anole.core.model import Colour, Ink, Length, Position
from anole.core.model.open_choice import OpenChoice

FLAT = (bool, int, float, str, Length, Position, Colour, Ink)


def _limits(hint: Any) -> tuple[Any, float, float]:
    """The type within annotations, and the least and most that they allow."""
    low, high = -1e9, 1e9
    while hasattr(hint, "__metadata__"):
        for meta in hint.__metadata__:
            if isinstance(meta, msgspec.Meta):
                low = meta.ge if meta.ge is not None else low
                high = meta.le if meta.le is not None else high
        hint = hint.__origin__
    return hint, low, high


def _number(value: float, low: float, high: float) -> float:
    step = max(abs(value) * 0.37, 0.13)
    return value + step if value + step <= high else max(value - step, low)


def others(value: Any, hint: Any) -> Iterator[Any]:
    """Values of a type near to one, each different in one place."""
    kind, low, high = _limits(hint)
    if isinstance(kind, OpenChoice):
        yield from (word for word in kind.words if word != value)
        return
    if get_origin(kind) is not None and get_origin(kind) is not tuple:
        options = get_args(kind)
        if all(not isinstance(option, type) and option is not type(None) for option in options):
            literals = [o for o in options if isinstance(o, str | int)]
            if len(literals) == len(options):
                yield from (o for o in options if o != value)
                return
        if value is None:
            # those that cannot be made from nothing are told by their own tests
            structs = (o for o in options if isinstance(o, type) and issubclass(o, msgspec.Struct))
            yield from (o() for o in structs if _plain(o))
            return
        if type(None) in options:
            yield None
    if isinstance(value, bool):
        yield not value
    elif isinstance(value, int | float):
        yield type(value)(_number(value, low, high)) if isinstance(value, float) else value + 1
    elif isinstance(value, Position) and value.is_core:
        yield Position(0.05, "em")
    elif isinstance(value, Length):
        # each unit is asked of another part of the board
        yield type(value)(value.value * 1.6 + (0 if value.value else 0.03), value.unit)
        yield type(value)(1.5, "mm")
        yield type(value)(2.5, "pt")
    elif isinstance(value, Colour):
        yield Colour(255 - value.r, value.g, (value.b + 90) % 256, max(value.a - 70, 0))
    elif isinstance(value, Ink):
        yield Ink(Colour(10, 200, 90))
        yield Ink("letter")
    elif isinstance(value, msgspec.Struct):
        yield from changed(value)
    elif isinstance(value, tuple):
        yield from _tuples(value, kind)


def _plain(struct: type) -> bool:
    return all(not field.required for field in msgspec.structs.fields(struct))


def _tuples(value: tuple, kind: Any) -> Iterator[tuple]:
    args = get_args(kind)
    if not value:
        return
    if len(args) == 2 and args[1] is Ellipsis:
        if len(value) > 1:
            yield value[:-1]
        item = args[0]
    else:
        item = args[0] if args else float
    for other in others(value[0], item):
        yield (other, *value[1:])


def changed(value: msgspec.Struct) -> Iterator[msgspec.Struct]:
    """The same struct with one field, or one within it, set to something else."""
    for name, hint in get_type_hints(type(value), include_extras=True).items():
        if name not in value.__struct_fields__:
            continue
        for other in others(getattr(value, name), hint):
            yield msgspec.structs.replace(value, **{name: other})
