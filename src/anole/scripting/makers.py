"""What `anole.coats.Stroke` and its like are: makers of the model's values from what people write."""

from __future__ import annotations

import functools
import inspect
from collections.abc import Callable, Iterable
from typing import Any, Generic, TypeVar

import msgspec

from ..core.model.field_info import FieldInfo, annotation, field_info
from .values import made

T = TypeVar("T", bound=msgspec.Struct)


class Maker(Generic[T]):
    """Called with fields by name it gives a value of its struct; `isinstance` asks for that struct."""

    def __init__(self, struct: type[T]) -> None:
        self.struct = struct
        self.__name__ = self.__qualname__ = struct.__name__
        self.__doc__ = _doc(struct)
        self.__signature__ = _signature(struct)

    def __call__(self, **fields: Any) -> T:
        return made(self.struct, fields)

    def __instancecheck__(self, value: object) -> bool:
        return isinstance(value, self.struct)

    def __repr__(self) -> str:
        return f"<anole {self.__name__}{self.__signature__}>"


@functools.cache
def maker_of(struct: type[T]) -> Maker[T]:
    """The maker of a struct."""
    return Maker(struct)


def module(
    name: str, structs: Callable[[], Iterable[type[msgspec.Struct]]]
) -> tuple[Callable[[str], Any], Callable[[], list[str]]]:
    """`__getattr__` and `__dir__` of a module that has a maker for each of some structs: those of today,
    so that a kind that joins later is there too."""

    def found() -> dict[str, type[msgspec.Struct]]:
        return {struct.__name__: struct for struct in structs()}

    def get(wanted: str) -> Any:
        struct = found().get(wanted)
        if struct is None:
            raise AttributeError(f"module {name!r} has no attribute {wanted!r}")
        return maker_of(struct)

    return get, lambda: sorted(found())


def takes(info: FieldInfo) -> str:
    """What a field takes, in a few words: its range and unit, or its choices."""
    kind = info.kind
    if isinstance(kind, type) and issubclass(kind, bool):
        return "True or False"
    choices = getattr(kind, "__args__", ())
    if choices and all(isinstance(choice, str) for choice in choices):
        return ", ".join(f'"{choice}"' for choice in choices)
    if info.low is not None and info.high is not None:
        unit = str(info.extra.get("unit", "")).replace("%", "")
        return f"{info.low:g} to {info.high:g} {unit}".strip()
    return _named(kind)


def _named(kind: Any) -> str:
    kind, _ = annotation(kind)
    arguments = getattr(kind, "__args__", None)
    if arguments is None:
        return str(getattr(kind, "__name__", kind)).lower().replace("nonetype", "None")
    if getattr(kind, "__origin__", None) is tuple:
        return "some of: " + _named(arguments[0])
    return " or ".join(_named(one) for one in arguments)


def _doc(struct: type[msgspec.Struct]) -> str:
    first = (struct.__doc__ or struct.__name__).strip().split("\n\n")[0]
    lines = [
        f"{info.name} : {takes(info)}; {info.title}{': ' + info.about if info.about else ''}"
        for info in field_info(struct)
    ]
    return "\n".join([first, "", *lines]) if lines else first


def _signature(struct: type[msgspec.Struct]) -> inspect.Signature:
    def parameter(field: msgspec.structs.FieldInfo) -> inspect.Parameter:
        default = field.default if field.default is not msgspec.NODEFAULT else ...
        return inspect.Parameter(field.name, inspect.Parameter.KEYWORD_ONLY, default=default)

    return inspect.Signature([parameter(field) for field in msgspec.structs.fields(struct)])
