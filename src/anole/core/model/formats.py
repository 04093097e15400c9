"""Formats that a board is exported to, as the model knows them: their names, and what they can."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from typing import TYPE_CHECKING, Protocol

from ..registry import Registry
from .open_choice import OpenChoice


class FormatFacts(Protocol):
    """What of a format the model asks."""

    @property
    def title(self) -> str:
        """What people read."""

    @property
    def alpha(self) -> bool:
        """Whether what lies behind may be left clear."""

    @property
    def lossy(self) -> bool:
        """Whether it has a quality, and a limit in bytes."""

    @property
    def says_dpi(self) -> bool:
        """Whether it says how many dots there are to an inch."""

    @property
    def printed(self) -> bool:
        """Whether it has bleed and crop marks."""

    @property
    def moving(self) -> bool:
        """Whether it shows one stage of the board after the other."""


FORMATS: Registry[str, FormatFacts] = Registry("picture format")
"""By the names that exports say; each format's own file adds it, in `files/formats`."""


if TYPE_CHECKING:
    FormatName = str
else:
    FormatName = OpenChoice("format", FORMATS)


class Those(Collection[str]):
    """The names of all formats of which one fact is true, as they are when it is asked."""

    def __init__(self, fact: str) -> None:
        self.fact = fact

    def __iter__(self) -> Iterator[str]:
        return (name for name, form in FORMATS.items() if getattr(form, self.fact))

    def __contains__(self, name: object) -> bool:
        return name in FORMATS and bool(getattr(FORMATS[str(name)], self.fact))

    def __len__(self) -> int:
        return sum(1 for _ in self)


class Titles(Mapping[str, str]):
    """The titles of all formats by their names, as they are when one is asked."""

    def __getitem__(self, name: str) -> str:
        return FORMATS[name].title

    def __iter__(self) -> Iterator[str]:
        return iter(FORMATS)

    def __len__(self) -> int:
        return len(FORMATS)
