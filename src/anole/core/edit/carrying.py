"""Pictures that paints name: a board that uses one carries it."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import msgspec

from .. import assets
from ..model import Asset, Board, to_builtins

STARTS = {
    b"\x89PNG": ("png", "image/png"), b"\xff\xd8": ("jpg", "image/jpeg"),
    b"RIFF": ("webp", "image/webp"), b"GIF8": ("gif", "image/gif"), b"II*\0": ("tif", "image/tiff"),
    b"MM\0*": ("tif", "image/tiff"), b"<": ("svg", "image/svg+xml"),
}  # fmt: skip
OTHER = ("avif", "image/avif")


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


def pictures_of(value: Any) -> list[str]:
    """SHA-256 of every picture that a model value paints with, each once."""
    return list(dict.fromkeys(_named(to_builtins(value))))


def _asset(sha: str) -> Asset:
    data = assets.get(sha)
    suffix, kind = next((v for start, v in STARTS.items() if data.startswith(start)), OTHER)
    return Asset(sha=sha, name=f"{sha[:8]}.{suffix}", media_type=kind)


def with_pictures(board: Board, value: Any) -> Board:
    """The board, carrying what `value` (a piece, coats) paints with, as far as it is at hand."""
    there = {asset.sha for asset in board.assets}
    fresh = [s for s in pictures_of(value) if s not in there and assets.has(s)]
    if not fresh:
        return board
    return msgspec.structs.replace(board, assets=(*board.assets, *map(_asset, fresh)))
