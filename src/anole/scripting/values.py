"""Values as Python users write them, as the values that a board holds: `"-0.08em"`, `(120, 40, 10)`, `"#fff3dc"`."""

from __future__ import annotations

import difflib
import functools
import numbers
import os
import types
from collections.abc import Mapping, Sequence
from pathlib import Path
from typing import Any, TypeVar, Union, get_args, get_origin, get_type_hints

import msgspec

from ..core.atomic import read_bytes
from ..core.edit.pictures import MOST_FILE, picture_asset
from ..core.files.css import CssError, parse
from ..core.model import Font, ModelError, Place, Stop, from_builtins, to_builtins
from ..core.model.colour import Colour
from ..core.model.field_info import annotation
from ..core.model.ink import Ink
from ..core.model.length import Length
from ..core.model.open_union import TAG, OpenUnion, tag_of
from ..core.model.paints import PAINTS
from ..core.model.span import Span
from ..core.text import short

T = TypeVar("T", bound=msgspec.Struct)


def made(struct: type[T], fields: Mapping[str, Any]) -> T:
    """A value of the model from its fields as people write them. Raises ModelError naming the field."""
    data = written(struct, fields)
    if "id" in struct.__struct_fields__:
        data.setdefault("id", tag_of(struct))
    try:
        return from_builtins(data, struct)
    except ModelError as error:
        raise ModelError(f"{struct.__name__}: {error}") from error


def changed(value: T, fields: Mapping[str, Any]) -> T:
    """The same with some fields set anew. Raises ModelError naming the field."""
    struct = type(value)
    try:
        return from_builtins({**to_builtins(value), **written(struct, fields)}, struct)
    except ModelError as error:
        raise ModelError(f"{struct.__name__}: {error}") from error


def checked(value: msgspec.Struct, fields: Mapping[str, Any]) -> dict[str, Any]:
    """Fields to be set on a value, as the model has them. Raises ModelError naming the field."""
    made = changed(value, fields)
    return {name: getattr(made, name) for name in fields}


def written(struct: type[msgspec.Struct], fields: Mapping[str, Any]) -> dict[str, Any]:
    """Fields as a file has them. Raises ModelError for one that there is not."""
    known, ours, hints = _fields(struct)
    data: dict[str, Any] = {} if struct.__struct_config__.tag is None else {TAG: tag_of(struct)}
    for given, value in fields.items():
        if given == TAG and value == data.get(TAG):
            continue
        name = ours.get(given, given)
        if name not in known:
            near = difflib.get_close_matches(name, known, 3, 0.3) or sorted(known)[:6]
            raise ModelError(
                f"{struct.__name__} has no field {short(name, 40)!r}; nearest: {', '.join(near)}"
            )
        data[known[name]] = plain(hints[name], value)
    return data


@functools.cache
def _fields(
    struct: type[msgspec.Struct],
) -> tuple[dict[str, str], dict[str, str], dict[str, Any]]:
    """Of a struct's fields: their names in files, the names behind those, and their types."""
    known = {field.name: field.encode_name for field in msgspec.structs.fields(struct)}
    ours = {written: name for name, written in known.items()}
    return known, ours, get_type_hints(struct, include_extras=True)


def plain(kind: Any, value: Any) -> Any:
    """A value for a field of some type, as a file has it; what is none of it is left to be refused."""
    kind, _ = annotation(kind)
    if isinstance(value, msgspec.Struct | Length | Colour | Ink):
        return to_builtins(value)
    if get_origin(kind) in (Union, types.UnionType):
        found = [one for one in get_args(kind) if one is not type(None)]
        return None if value is None or len(found) != 1 else plain(found[0], value)
    if isinstance(kind, OpenUnion):
        return _member(kind, value)
    if get_origin(kind) is tuple:
        return _tuple(get_args(kind), value)
    if not isinstance(kind, type):
        return value
    if issubclass(kind, Length | Colour | Ink):
        return _simple(kind, value)
    if issubclass(kind, msgspec.Struct):
        return _struct(kind, value)
    if kind is str and isinstance(value, os.PathLike):
        return asset(value)
    # NumPy's numbers too
    return float(value) if kind is float and isinstance(value, numbers.Real) else value


def asset(source: str | os.PathLike[str] | bytes, name: str = "") -> str:
    """Take a picture in, from a file or from its bytes; returns what fields called `asset` name it by.
    Raises FileError and ImageError."""
    if isinstance(source, bytes):
        return picture_asset(source, name or "picture")[0].sha
    path = Path(source)
    return picture_asset(read_bytes(path, MOST_FILE), name or path.name)[0].sha


def _simple(kind: type, value: Any) -> Any:
    if issubclass(kind, Length):
        is_number = isinstance(value, numbers.Real) and not isinstance(value, bool)
        return f"{float(value)!r}px" if is_number else value
    if isinstance(value, Sequence) and not isinstance(value, str):
        try:
            return str(Colour(*(int(part) for part in value)))
        except (TypeError, ValueError) as error:
            raise ModelError(f"{short(repr(value), 40)} is not a colour: {error}") from error
    return value


def _member(union: OpenUnion, value: Any) -> Any:
    if isinstance(value, Mapping):
        struct = union.members.get(str(value.get(TAG)))
        rest = {name: one for name, one in value.items() if name != TAG}
        return dict(value) if struct is None else written(struct, rest)
    return _paint(value) if union is PAINTS else value


def _paint(value: Any) -> Any:
    """A colour, a picture's file or a gradient of CSS text."""
    if isinstance(value, os.PathLike):
        return {TAG: "image", "asset": asset(value)}
    if isinstance(value, str) and "gradient(" in value:
        try:
            return to_builtins(parse(value))
        except CssError as error:
            raise ModelError(f"{short(value, 60)!r} is no gradient: {error}") from error
    return {TAG: "colour", "colour": _simple(Colour, value)}


def _tuple(of: tuple[Any, ...], value: Any) -> Any:
    if isinstance(value, str | Mapping) or not hasattr(value, "__iter__"):
        return value
    items = list(value)
    if len(of) == 2 and of[1] is ...:
        if annotation(of[0])[0] is Stop:
            items = _stops(items)
        return [plain(of[0], item) for item in items]
    return [plain(kind, item) for kind, item in zip(of, items, strict=True)] if len(of) == len(items) else items  # fmt: skip


def _stops(items: list[Any]) -> list[Any]:
    """Colours alone stand at even distances."""
    if not all(isinstance(item, str | Colour) for item in items):
        return items
    last = max(len(items) - 1, 1)
    return [(number / last, item) for number, item in enumerate(items)]


SHORT = {Span: ("from_", "to"), Stop: ("at", "colour", "hint"), Place: ("x", "y", "anchor")}
"""Structs that a tuple stands for, by the order of their fields."""


def _struct(kind: type[msgspec.Struct], value: Any) -> Any:
    if kind is Font and isinstance(value, str):
        return {"family": value}
    if kind in SHORT and isinstance(value, tuple | list) and len(value) <= len(SHORT[kind]):
        value = dict(zip(SHORT[kind], value, strict=False))
    return written(kind, value) if isinstance(value, Mapping) else value
