"""A debug mode in which a coat that reads more than it declares raises, instead of going stale."""

from __future__ import annotations

import inspect
from types import FunctionType, MethodType
from typing import Any, cast

from ..model import Coat
from .context import CoatContext, Reads

ON = False
"""Set by tests; asking at every read would cost a frame too much."""
FIELDS = {
    "shape": Reads.FIELDS,
    "outset": Reads.OUTSET,
    "depth_axis": Reads.FIELDS,
    "em": Reads.UNITS,
    "dpi": Reads.UNITS,
    "scale": Reads.UNITS,
    "lamp": Reads.LAMP,
    "frames": Reads.FRAME | Reads.LETTERS,
    "backdrop": Reads.BENEATH | Reads.PAINTED | Reads.FACE | Reads.LIT | Reads.MIRRORED | Reads.OWN,
}
FREE = ("cache",)
"""What changes no picture. The window is not among them: a kind's box() reads it, no other."""


class UndeclaredRead(AttributeError):
    """A coat read what it does not declare: a change of that would leave its picture stale."""


class _GuardedContext:
    def __init__(self, context: CoatContext, reads: Reads, title: str) -> None:
        self._context, self._reads, self._title = context, reads, title

    def __getattr__(self, name: str) -> Any:
        attribute = inspect.getattr_static(CoatContext, name)
        # methods and properties read through the guard too
        if isinstance(attribute, FunctionType):
            return MethodType(attribute, self)
        if isinstance(attribute, property) and attribute.fget is not None:
            return attribute.fget(self)
        if name not in FREE and not FIELDS.get(name, Reads.NOTHING) & self._reads:
            raise UndeclaredRead(f"{self._title} reads the {name} of its context undeclared")
        return getattr(self._context, name)


class _GuardedCoat:
    def __init__(self, coat: Coat, fields: tuple[str, ...], title: str) -> None:
        self._coat, self._fields, self._title = coat, fields, title
        self.stands_for = coat

    def __getattr__(self, name: str) -> Any:
        if name in self._coat.__struct_fields__ and name not in self._fields:
            raise UndeclaredRead(f"{self._title} reads its field {name} undeclared")
        return getattr(self._coat, name)


def context_for(context: CoatContext, reads: Reads, title: str) -> CoatContext:
    """The context, in debug mode only with what is declared."""
    return cast(CoatContext, _GuardedContext(context, reads, title)) if ON else context


def coat_for(coat: Coat, fields: tuple[str, ...], title: str) -> Coat:
    """The coat, in debug mode only with the fields that are declared."""
    return cast(Coat, _GuardedCoat(coat, fields, title)) if ON else coat
