"""Pictures that a board carries, stored once by content."""

from __future__ import annotations

from .. import assets
from ..model import Asset, Board
from ..paint.decoding import ImageError, decoded
from ..paint.image_formats import format_of
from .checked import replaced

__all__ = ["ImageError", "add_picture"]


def add_picture(board: Board, data: bytes, name: str) -> tuple[Board, str, tuple[str, ...]]:
    """Let the board carry a picture; also its SHA-256, and what was wrong with it but did not
    stop it. Raises ImageError."""
    troubles = decoded(data, name).troubles
    form = format_of(data)
    if form is None:
        raise ImageError(f"{name} is not a picture that can be read")
    asset = Asset(sha=assets.put(data), name=name, media_type=form.media_type)
    if any(other.sha == asset.sha for other in board.assets):
        return board, asset.sha, troubles
    return replaced(board, assets=(*board.assets, asset)), asset.sha, troubles
