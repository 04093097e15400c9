"""OpenType tags with numbers: variable axes, features. A mapping that can be a key."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Any, ClassVar

MOST_TAGS, LIMIT = 64, 65_535
"""LIMIT is what a feature can be set to; an axis reaches half of that."""


class Tags(Mapping[str, float]):
    """Tags of one to four characters to numbers; equal whatever their order."""

    __slots__ = ("pairs",)
    least: ClassVar[float] = -LIMIT
    pairs: tuple[tuple[str, float], ...]

    def __init__(self, values: Mapping[str, float] | None = None) -> None:
        if values and len(values) > MOST_TAGS:
            raise ValueError(f"{len(values)} tags; a font is set with {MOST_TAGS} at most")
        for tag, number in (values or {}).items():
            if not (isinstance(tag, str) and 1 <= len(tag) <= 4 and tag.isascii()):
                raise ValueError(f"{tag!r} is not an OpenType tag")
            if not isinstance(number, int | float) or not self.least <= number <= LIMIT:
                raise ValueError(f"{tag} needs a number from {self.least:g} to {LIMIT}")
        object.__setattr__(self, "pairs", tuple(sorted((values or {}).items())))

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError("tags do not change")

    def __getitem__(self, tag: str) -> float:
        return dict(self.pairs)[tag]

    def __iter__(self) -> Iterator[str]:
        return iter(dict(self.pairs))

    def __len__(self) -> int:
        return len(self.pairs)

    def __hash__(self) -> int:
        return hash(self.pairs)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Tags) and self.pairs == other.pairs

    def __repr__(self) -> str:
        return f"{type(self).__name__}({dict(self.pairs)!r})"

    def __reduce__(self) -> tuple[Any, ...]:
        return type(self), (dict(self.pairs),)


class FeatureTags(Tags):
    """What features are set to: never below 0 (OpenType, GSUB: alternates are counted from 0)."""

    __slots__ = ()
    least = 0.0
