"""A union of tagged structs that others can join: a new kind of coat or piece is one more member."""

from __future__ import annotations

import difflib
from collections.abc import Callable
from typing import Any

from msgspec import Struct

from ..registry import Registry
from ..text import short

TAG = "kind"


def tag_of(struct: type[Struct] | Struct) -> str:
    """The word that stands for a struct in files."""
    return str(struct.__struct_config__.tag)


class OpenUnion(type):
    """A class whose instances are those of its members, as msgspec asks of what its hook returns.

    Fields are annotated with it; values are decoded by the member whose tag they carry.
    """

    members: Registry[str, type[Struct]]

    def __new__(cls, what: str, *structs: type[Struct]) -> OpenUnion:
        return super().__new__(cls, what, (), {})

    def __init__(cls, what: str, *structs: type[Struct]) -> None:
        super().__init__(what, (), {})
        cls.members = Registry(what)
        for struct in structs:
            cls.add(struct)

    def add(cls, struct: type[Struct]) -> None:
        """Let a struct join. Raises ValueError when its tag is taken."""
        cls.members.add(tag_of(struct), struct)

    def __instancecheck__(cls, value: object) -> bool:
        return type(value) in cls.members.values()

    def decode(cls, value: Any, convert: Callable[[Any, type[Struct]], Struct]) -> Struct:
        """The member that a mapping's tag names. Raises ValueError."""
        if not isinstance(value, dict):
            raise ValueError(f"expected a {cls.members.what}, got {short(repr(value), 60)}")
        tag = str(value.get(TAG))
        if tag not in cls.members:
            like = ", ".join(difflib.get_close_matches(tag[:60], cls.members, 3, 0.0))
            raise ValueError(
                f"{short(tag, 60)!r} is not a kind of {cls.members.what}; nearest are {like}"
            )
        return convert(value, cls.members[tag])
