"""File names as people type them."""

from __future__ import annotations

from collections.abc import Collection
from pathlib import Path


def ended(path: Path, ending: str) -> Path:
    """The path with an ending, which it may have already: "cup 1.2" becomes "cup 1.2.anole"."""
    if path.name.lower().endswith(ending):
        return path
    return path.with_name(path.name + ending)


def numbered(path: Path, taken: Collection[Path] = ()) -> Path:
    """The path with the first number that no file has: "cup.png" becomes "cup-2.png"."""
    number = 2
    while (fresh := path.with_name(f"{path.stem}-{number}{path.suffix}")).exists() or (
        fresh in taken
    ):
        number += 1
    return fresh
