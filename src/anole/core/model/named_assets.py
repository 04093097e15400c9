"""The assets that a model value names."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from .codec import to_builtins


def _named(data: Any) -> Iterator[str]:
    if isinstance(data, dict):
        asset = data.get("asset")
        if isinstance(asset, str) and asset:
            yield asset
        for value in data.values():
            yield from _named(value)
    elif isinstance(data, list | tuple):
        for value in data:
            yield from _named(value)


def assets_named(value: Any) -> list[str]:
    """SHA-256 of every file that a model value is made or painted with, each once."""
    return list(dict.fromkeys(_named(to_builtins(value))))
