"""Pictures that a board carries, stored once by content."""

from __future__ import annotations

from pathlib import Path

from .. import assets
from ..model import Asset, Board
from ..paint.decoding import ImageError, decoded
from .checked import replaced

__all__ = ["MEDIA_TYPES", "ImageError", "add_picture"]

MEDIA_TYPES = {
    ".png": "image/png", ".jpg": "image/jpeg", ".jpeg": "image/jpeg", ".webp": "image/webp",
    ".tif": "image/tiff", ".tiff": "image/tiff", ".avif": "image/avif", ".gif": "image/gif",
    ".svg": "image/svg+xml",
}  # fmt: skip


def add_picture(board: Board, data: bytes, name: str) -> tuple[Board, str, tuple[str, ...]]:
    """Let the board carry a picture; also its SHA-256, and what was wrong with it but did not
    stop it. Raises ImageError."""
    troubles = decoded(data, name).troubles
    kind = MEDIA_TYPES.get(Path(name).suffix.lower(), "image/png")
    asset = Asset(sha=assets.put(data), name=name, media_type=kind)
    if any(other.sha == asset.sha for other in board.assets):
        return board, asset.sha, troubles
    return replaced(board, assets=(*board.assets, asset)), asset.sha, troubles
