"""Model values to and from JSON; a wrong value says which field is wrong and why."""

from __future__ import annotations

import math
import re
from collections import Counter
from typing import Any, TypeVar

import msgspec

from ..text import short
from .board import Board
from .bounds import first_wrong
from .budget import over_budget
from .colour import Colour
from .ink import Ink
from .length import Length, Position
from .nesting import clipping_ring, coats_of, every
from .open_choice import OpenChoice
from .open_union import OpenUnion
from .tags import Tags

T = TypeVar("T")
_PATHS = re.compile(r" - at `\$([^`]*)` - at `\$([^`]*)`")
MOST_INTEGER, DEEPEST = 2**53, 64
_SIMPLE: tuple[type, ...] = (Position, Length, Colour, Ink)


class ModelError(ValueError):
    """A value that is not a valid part of a board; the message names the field."""


def _encode(value: Any) -> Any:
    if isinstance(value, Tags):
        return dict(value.pairs)
    if isinstance(value, _SIMPLE):
        return str(value)
    raise TypeError(f"cannot write a {type(value).__name__}")


def _decode(kind: type, value: Any) -> Any:
    if isinstance(kind, OpenUnion):
        return kind.decode(value, _member)
    if isinstance(kind, OpenChoice) and isinstance(value, str):
        return kind.parse(value)
    if kind in _SIMPLE and isinstance(value, str):
        return kind.parse(value)  # type: ignore[attr-defined]
    if issubclass(kind, Tags) and isinstance(value, dict | Tags):
        return kind(dict(value))
    raise ValueError(
        f"expected a {kind.__name__.lower()} written as text, got {short(repr(value), 60)}"
    )


def _member(value: Any, struct: type[msgspec.Struct]) -> msgspec.Struct:
    try:
        return msgspec.convert(value, struct, dec_hook=_decode)
    except msgspec.ValidationError as error:
        # msgspec puts the outer path only to errors that are not its own
        raise ValueError(str(error)) from error


def _one_path(message: str) -> str:
    """The paths of a value and of the value it stands in, as one."""
    while found := _PATHS.search(message):
        message = (
            message[: found.start()] + f" - at `${found[2]}{found[1]}`" + message[found.end() :]
        )
    return message


def to_builtins(value: Any) -> Any:
    """Dicts, lists, strings and numbers for a model value."""
    return msgspec.to_builtins(value, enc_hook=_encode)


def to_json(value: Any, *, indent: int = 1) -> bytes:
    """UTF-8 JSON of a model value, one field a line."""
    return msgspec.json.format(msgspec.json.encode(value, enc_hook=_encode), indent=indent)


def from_builtins(data: Any, kind: type[T]) -> T:
    """The validated model value. Raises ModelError naming the field."""
    _refuse_unreal(data, "$")
    try:
        value = msgspec.convert(data, kind, dec_hook=_decode)
    except (msgspec.ValidationError, ValueError, TypeError, OverflowError) as error:
        raise ModelError(short(_one_path(str(error)))) from error
    wrong = first_wrong(value) or (over_budget(value) if isinstance(value, Board) else "")
    if wrong:
        raise ModelError(short(wrong))
    if isinstance(value, Board):
        _refuse_wrong_ids(value)
    return value


def from_json(text: bytes, kind: type[T]) -> T:
    """The validated model value of a JSON text. Raises ModelError."""
    try:
        data = msgspec.json.decode(text)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError) as error:
        raise ModelError(f"not JSON: {short(str(error))}") from error
    return from_builtins(data, kind)


def _refuse_unreal(data: Any, where: str, depth: int = 0) -> None:
    """NaN and infinities pass comparisons in surprising ways, and nobody can tell apart integers
    that no float can; no field may hold one."""
    if isinstance(data, float) and not math.isfinite(data):
        raise ModelError(f"{data} is not a number a board can hold - at `{short(where)}`")
    if isinstance(data, int) and not -MOST_INTEGER <= data <= MOST_INTEGER:
        raise ModelError(f"a number is too large for a board - at `{short(where)}`")
    if depth > DEEPEST:
        raise ModelError(f"values lie in each other more than {DEEPEST} deep")
    if isinstance(data, dict):
        for key, value in data.items():
            _refuse_unreal(value, f"{where}.{key}", depth + 1)
    elif isinstance(data, list | tuple):
        for index, value in enumerate(data):
            _refuse_unreal(value, f"{where}[{index}]", depth + 1)


def _refuse_wrong_ids(board: Board) -> None:
    ids = Counter(piece.id for piece in every(board.pieces))
    for style in coats_of(board.pieces):
        ids.update(coat.id for coat in style)
    twice = [key for key, count in ids.items() if count > 1]
    if twice:
        raise ModelError(f"the id {short(twice[0])!r} is used twice - at `$.pieces`")
    ring = clipping_ring(board.pieces)
    if ring:
        raise ModelError(f"the piece {short(ring)!r} would clip itself - at `$.pieces`")
