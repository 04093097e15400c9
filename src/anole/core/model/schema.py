"""The JSON schema of a board, and what the interface asks of a struct's fields."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated, Any, NamedTuple, get_args, get_origin, get_type_hints

import msgspec
import msgspec._json_schema as generator

from .board import Board
from .codec import to_builtins
from .colour import Colour
from .ink import Ink
from .length import Length, Position
from .style import Style
from .tags import Tags

_PATTERNS = {
    Length: r"^[+-]?[0-9.eE+-]+(px|em|pt|mm|in)?$",
    Position: r"^(core|[+-]?[0-9.eE+-]+(px|em|pt|mm|in)?)$",
    Colour: r"^#[0-9a-fA-F]{3,8}$",
    Ink: r"^(letter|own|#[0-9a-fA-F]{3,8})$",
}


def _hook(kind: type) -> dict[str, Any]:
    if kind is Tags:
        return {"type": "object", "additionalProperties": {"type": "number"}}
    return {"type": "string", "pattern": _PATTERNS[kind]}


@contextmanager
def _defaults_as_text() -> Iterator[None]:
    """The generator writes defaults without our hook for lengths and colours: lend it ours."""
    plain = generator.to_builtins  # type: ignore[attr-defined]
    generator.to_builtins = lambda value, **_: to_builtins(value)  # type: ignore[attr-defined]
    try:
        yield
    finally:
        generator.to_builtins = plain  # type: ignore[attr-defined]


def json_schema() -> dict[str, Any]:
    """JSON Schema 2020-12 of boards and styles."""
    with _defaults_as_text():
        (board, style), parts = msgspec.json.schema_components(
            [Board, Style], schema_hook=_hook, ref_template="#/$defs/{name}"
        )
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "Anole boards and styles",
        "anyOf": [board, style],
        "$defs": parts,
    }


class FieldInfo(NamedTuple):
    """A struct's field as a panel needs it."""

    name: str
    kind: Any
    title: str
    about: str
    low: float | None
    high: float | None
    default: Any
    extra: dict[str, Any]


def _metas(hint: Any) -> tuple[Any, list[msgspec.Meta]]:
    if get_origin(hint) is not Annotated:
        return hint, []
    kind, *notes = get_args(hint)
    inner, more = _metas(kind)
    return inner, more + [n for n in notes if isinstance(n, msgspec.Meta)]


def field_info(struct: type[msgspec.Struct]) -> list[FieldInfo]:
    """The fields of a struct that carry a title, in panel order."""
    hints = get_type_hints(struct, include_extras=True)
    found = []
    for field in msgspec.structs.fields(struct):
        kind, metas = _metas(hints[field.name])
        titles = [m.title for m in metas if m.title]
        if not titles:
            continue
        about = [m.description for m in metas if m.description]
        lows = [m.ge for m in metas if m.ge is not None]
        highs = [m.le for m in metas if m.le is not None]
        extra: dict[str, Any] = {}
        for m in metas:
            extra.update(m.extra or {})
        found.append(
            FieldInfo(field.name, kind, titles[-1], about[-1] if about else "",
                      lows[-1] if lows else None, highs[-1] if highs else None,
                      field.default, extra)
        )  # fmt: skip
    return found
