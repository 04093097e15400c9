"""The JSON Schema 2020-12 of boards and styles, from what msgspec says of their structs."""

from __future__ import annotations

from typing import Any

import msgspec
from msgspec import inspect

from .board import Board
from .codec import to_builtins
from .colour import Colour
from .ink import Ink
from .length import Length, Position
from .open_choice import OpenChoice
from .open_union import OpenUnion
from .style import Style
from .tags import LIMIT, Tags

_TEXTS = {
    Length: r"^[+-]?[0-9.eE+-]+(px|em|pt|mm|in)?$",
    Position: r"^(core|[+-]?[0-9.eE+-]+(px|em|pt|mm|in)?)$",
    Colour: r"^#[0-9a-fA-F]{3,8}$",
    Ink: r"^(letter|own|#[0-9a-fA-F]{3,8})$",
}
_BOUNDS = {
    "ge": "minimum",
    "le": "maximum",
    "gt": "exclusiveMinimum",
    "lt": "exclusiveMaximum",
    "min_length": "minLength",
    "max_length": "maxLength",
    "pattern": "pattern",
}
_PLAIN = {
    inspect.IntType: "integer",
    inspect.FloatType: "number",
    inspect.StrType: "string",
    inspect.BoolType: "boolean",
    inspect.NoneType: "null",
}


class _Writer:
    """Collects the schemas of structs under their names while it writes those of types."""

    def __init__(self) -> None:
        self.structs: dict[str, Any] = {}

    def of(self, kind: inspect.Type) -> dict[str, Any]:
        """The schema of any type that the model uses. Raises TypeError for another."""
        if type(kind) in _PLAIN:
            return {"type": _PLAIN[type(kind)], **_bounds(kind)}
        if isinstance(kind, inspect.Metadata):
            return self.of(kind.type) | _wording(kind)
        if isinstance(kind, inspect.LiteralType):
            return {"enum": list(kind.values)}
        if isinstance(kind, inspect.UnionType):
            return {"anyOf": [self.of(part) for part in kind.types]}
        if isinstance(kind, inspect.VarTupleType):
            return {"type": "array", "items": self.of(kind.item_type), **_counts(kind)}
        if isinstance(kind, inspect.TupleType):
            items, count = [self.of(part) for part in kind.item_types], len(kind.item_types)
            return {"type": "array", "prefixItems": items, "minItems": count, "maxItems": count}
        if isinstance(kind, inspect.StructType):
            return self._struct(kind)
        if isinstance(kind, inspect.CustomType):
            return self._custom(kind.cls)
        raise TypeError(f"no schema for {kind}")

    def _custom(self, kind: type) -> dict[str, Any]:
        if isinstance(kind, OpenUnion):
            return {"anyOf": [self.of(inspect.type_info(m)) for m in kind.members.values()]}
        if issubclass(kind, Tags):
            number = {"type": "number", "minimum": kind.least, "maximum": LIMIT}
            return {"type": "object", "additionalProperties": number}
        if isinstance(kind, OpenChoice):
            return {"enum": list(kind.words)}
        return {"type": "string", "pattern": _TEXTS[kind]}

    def _struct(self, kind: inspect.StructType) -> dict[str, Any]:
        name = kind.cls.__name__
        if name not in self.structs:
            self.structs[name] = {}  # before its fields, which may hold the like
            self.structs[name] = self._object(kind)
        return {"$ref": f"#/$defs/{name}"}

    def _object(self, kind: inspect.StructType) -> dict[str, Any]:
        properties: dict[str, Any] = {}
        if kind.tag_field is not None:
            properties[kind.tag_field] = {"const": kind.tag}
        required = list(properties)
        for field in kind.fields:
            schema = self.of(field.type)
            if field.required:
                required.append(field.encode_name)
            elif field.default is not msgspec.NODEFAULT:
                schema = schema | {"default": to_builtins(field.default)}
            properties[field.encode_name] = schema
        about = (kind.cls.__doc__ or "").strip()
        return {
            "title": kind.cls.__name__,
            "description": about,
            "type": "object",
            "properties": properties,
            "required": required,
        }


def _bounds(kind: inspect.Type) -> dict[str, Any]:
    return {
        word: value
        for name, word in _BOUNDS.items()
        if (value := getattr(kind, name, None)) is not None
    }


def _counts(kind: inspect.VarTupleType) -> dict[str, Any]:
    words = {"minItems": kind.min_length, "maxItems": kind.max_length}
    return {word: value for word, value in words.items() if value is not None}


def _wording(kind: inspect.Metadata) -> dict[str, Any]:
    return dict(kind.extra_json_schema or {})


def json_schema() -> dict[str, Any]:
    """JSON Schema 2020-12 of boards and styles."""
    writer = _Writer()
    both = [writer.of(inspect.type_info(kind)) for kind in (Board, Style)]
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "Anole boards and styles",
        "anyOf": both,
        "$defs": writer.structs,
    }
