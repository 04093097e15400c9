"""File names as people type them."""

from __future__ import annotations

from pathlib import Path


def ended(path: Path, ending: str) -> Path:
    """The path with an ending, which it may have already: "cup 1.2" becomes "cup 1.2.anole"."""
    if path.name.lower().endswith(ending):
        return path
    return path.with_name(path.name + ending)
