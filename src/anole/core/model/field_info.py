"""What the interface asks of a struct's fields: type, wording, range, heading, in panel order."""

from __future__ import annotations

import functools
from collections.abc import Collection, Mapping
from typing import Annotated, Any, NamedTuple, get_args, get_origin, get_type_hints

import msgspec

from .fields import GROUPS


class FieldInfo(NamedTuple):
    """A struct's field as a panel needs it; `group` is the heading it stands under."""

    name: str
    kind: Any
    title: str
    about: str
    low: float | None
    high: float | None
    default: Any
    extra: dict[str, Any]

    @property
    def group(self) -> str:
        """The group of its panel that the field stands in; empty where the model names none."""
        return str(self.extra.get("group", ""))


def missing(when: Mapping[str, Collection[Any] | None], value: msgspec.Struct) -> tuple[str, ...]:
    """The fields that keep another from meaning anything now: each would have to have one of its
    values, or (None) any but nothing."""
    return tuple(
        name
        for name, wanted in when.items()
        if not (bool(getattr(value, name)) if wanted is None else getattr(value, name) in wanted)
    )


def annotation(hint: Any) -> tuple[Any, list[msgspec.Meta]]:
    """A hint's own type, and all that is annotated to it, inner notes first."""
    if get_origin(hint) is not Annotated:
        return hint, []
    kind, *notes = get_args(hint)
    inner, more = annotation(kind)
    return inner, more + [n for n in notes if isinstance(n, msgspec.Meta)]


def _info(field: msgspec.structs.FieldInfo, hint: Any) -> FieldInfo:
    kind, metas = annotation(hint)

    def last(name: str, otherwise: Any) -> Any:
        values = [value for m in metas if (value := getattr(m, name)) is not None]
        return values[-1] if values else otherwise

    extra: dict[str, Any] = {}
    for m in metas:
        extra |= m.extra or {}
    title = last("title", field.name.strip("_").replace("_", " ").capitalize())
    return FieldInfo(
        field.name,
        kind,
        title,
        last("description", ""),
        last("ge", None),
        last("le", None),
        field.default,
        extra,
    )


def _order(struct: type) -> dict[str, int]:
    """Places of fields, those of the base first also where a struct gives them another default."""
    names = [
        name for base in reversed(struct.__mro__) for name in getattr(base, "__annotations__", {})
    ]
    return {name: place for place, name in enumerate(dict.fromkeys(names))}


def _rank(group: str) -> int:
    """Groups that the model does not know stand where fields without a heading do."""
    return GROUPS.index(group if group in GROUPS else "")


@functools.cache
def field_info(struct: type[msgspec.Struct]) -> tuple[FieldInfo, ...]:
    """The fields of a struct that a panel shows, heading by heading."""
    hints = get_type_hints(struct, include_extras=True)
    order = _order(struct)
    infos = [_info(field, hints[field.name]) for field in msgspec.structs.fields(struct)]
    shown = [info for info in infos if not info.extra.get("hidden")]

    def place(info: FieldInfo) -> tuple[int, bool, int, int]:
        late = int(info.extra.get("order", 0))
        return _rank(info.group), info.group != "", late, order[info.name]

    return tuple(sorted(shown, key=place))
