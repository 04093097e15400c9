"""The rows of the font picker: which fonts, in which order."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from typing import NamedTuple

from ....core.lettering.fonts import GENRES, FontFile, catalogue, families
from ....core.model import Asset, Font

ORDERS = ("by genre", "by name", "thick stems first", "thin stems first")
EVERY, FAVOURITES, RECENT, ADDED = "all fonts", "favourites", "recently used", "added files"


class FontRow(NamedTuple):
    """A family with the heaviest of its files, which is the one that is shown."""

    family: str
    genre: str
    file: FontFile

    @property
    def font(self) -> Font:
        """As words name it."""
        file = self.file
        return Font(
            family=self.family, weight=file.weight, italic=file.italic, file=file.carried_as
        )


def all_rows(carried: Sequence[Asset] = ()) -> list[FontRow]:
    """A row for every family at hand on a board that carries font files."""
    heaviest: dict[str, FontFile] = {}
    for file in catalogue(carried):
        best = heaviest.get(file.family)
        if best is None or (file.weight, not file.italic) > (best.weight, not best.italic):
            heaviest[file.family] = file
    return [FontRow(name, heaviest[name].genre, heaviest[name]) for name in families(carried)]


def kinds(rows: Sequence[FontRow]) -> list[str]:
    """What the list can be narrowed to."""
    there = {row.genre for row in rows}
    genres = [genre for genre in GENRES.values() if genre in there]
    other = ["other"] if "other" in there else []
    return [EVERY, FAVOURITES, RECENT, ADDED, *genres, *other]


def picked(
    rows: Sequence[FontRow],
    kind: str,
    search: str,
    order: str,
    favourites: Collection[str],
    recent: Sequence[str],
    stems: Mapping[str, float],
) -> list[FontRow]:
    """The rows of a kind whose names hold every word searched for, in order."""
    words = search.lower().split()
    narrow = {
        EVERY: lambda row: True,
        FAVOURITES: lambda row: row.family in favourites,
        RECENT: lambda row: row.family in recent,
        ADDED: lambda row: bool(row.file.sha),
    }.get(kind, lambda row: row.genre == kind)
    found = [
        row
        for row in rows
        if narrow(row) and all(word in f"{row.family} {row.genre}".lower() for word in words)
    ]
    if kind == RECENT:
        return sorted(found, key=lambda row: recent.index(row.family))
    if order == "by name":
        return sorted(found, key=lambda row: row.family.lower())
    if "stems" in order:
        sign = -1 if order.startswith("thick") else 1
        return sorted(found, key=lambda row: (sign * stems.get(row.family, 0.0), row.family))
    return found
