"""A debug mode in which a kind of piece that reads more than it declares raises, instead of going
stale; it is on when that of coats is."""

from __future__ import annotations

import functools
import types
from typing import Any, TypeVar, cast

from ..coats import guard
from ..coats.guard import UndeclaredRead
from ..model import Placed

P = TypeVar("P", bound=Placed)


@functools.cache
def _guarded_type(struct: type[P], names: frozenset[str], title: str) -> type[P]:
    """A struct like another one that gives some of its fields alone."""
    hidden = frozenset(struct.__struct_fields__) - names

    def read(self: object, name: str) -> Any:
        if name in hidden:
            raise UndeclaredRead(f"{title} reads its field {name} undeclared")
        return object.__getattribute__(self, name)

    how = {"frozen": True, "cache_hash": True, "kw_only": True, "tag": struct.__struct_config__.tag}
    made = types.new_class(
        struct.__name__,
        (struct,),
        how,
        lambda body: body.update(__getattribute__=read, guards=True),
    )
    return cast("type[P]", made)


def piece_for(piece: P, names: tuple[str, ...], title: str) -> P:
    """The piece, in debug mode only with the fields that are named."""
    if not guard.ON or hasattr(type(piece), "guards"):
        return piece
    kept = _guarded_type(type(piece), frozenset(names), title)
    return kept(**{name: getattr(piece, name) for name in piece.__struct_fields__})
