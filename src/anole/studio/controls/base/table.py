"""Which control edits a field: found by its type, or by a name that the model gives it.

Each control's own file adds it here; `controls/__init__.py` lists the files.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable
from types import NoneType, UnionType
from typing import Any, Literal, Union, get_args, get_origin

import msgspec

from ....core.model.field_info import FieldInfo, annotation
from ....core.model.open_choice import OpenChoice
from ....core.registry import Registry
from .control import Control

PART, OPTIONAL = "part", "optional"
"""Structs that have no control of their own, and values that may be left out."""
CONTROLS: Registry[Hashable, Callable[[FieldInfo], Control]] = Registry("control")


def many(kind: Any) -> Hashable:
    """The key of a tuple of any number of a type."""
    return ("many", kind)


def optional(kind: Any) -> Hashable:
    """The key of a type or None."""
    return (OPTIONAL, kind)


def options_of(info: FieldInfo) -> list[str]:
    """What a field that is one of several words may be, as it is now."""
    return list(info.kind.words if isinstance(info.kind, OpenChoice) else get_args(info.kind))


def _keys(info: FieldInfo) -> list[Hashable]:
    """What a field's control may be found by, the most particular first."""
    kind, origin, args = info.kind, get_origin(info.kind), get_args(info.kind)
    named = [info.extra["control"]] if "control" in info.extra else []
    if origin is Literal or isinstance(kind, OpenChoice):
        return [*named, Literal]
    if origin is tuple:
        inner = annotation(args[0])[0]
        return [*named, many(inner) if args[-1] is Ellipsis else tuple]
    if origin in (Union, UnionType):
        other = [arg for arg in args if arg is not NoneType]
        if len(other) == 1 and len(args) == 2:
            return [*named, optional(other[0]), OPTIONAL]
        return [*named, frozenset(args)]
    if isinstance(kind, type) and issubclass(kind, msgspec.Struct):
        return [*named, kind, PART]
    return [*named, kind]


def control_for(info: FieldInfo) -> Control:
    """The control of a field. Raises TypeError for a type that has none."""
    for key in _keys(info):
        if key in CONTROLS:
            return CONTROLS[key](info)
    raise TypeError(f"no control for {info.kind} ({info.name})")
