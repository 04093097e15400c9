"""Pictures that a board carries, stored once by content."""

from __future__ import annotations

from collections.abc import Callable

from .. import assets
from ..isolation.client import never
from ..model import Asset, Board
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded_asset
from .checked import replaced

__all__ = ["ImageError", "add_picture"]


def picture_asset(
    data: bytes, name: str, stop: Callable[[], bool] = never
) -> tuple[Asset, tuple[str, ...]]:
    """Take a picture in, which can take long; also what was wrong with it but did not stop it.
    Raises ImageError."""
    found = decoded_asset(assets.put(data), name, stop)
    media_type = found.format.media_type
    return Asset(sha=assets.digest(data), name=name, media_type=media_type), found.troubles


def carry_picture(board: Board, asset: Asset) -> Board:
    """Let the board carry a picture that was taken in."""
    if any(other.sha == asset.sha for other in board.assets):
        return board
    return replaced(board, assets=(*board.assets, asset))


def add_picture(
    board: Board, data: bytes, name: str, stop: Callable[[], bool] = never
) -> tuple[Board, str, tuple[str, ...]]:
    """Let the board carry a picture; also its SHA-256, and what was wrong with it but did not
    stop it. Raises ImageError."""
    asset, troubles = picture_asset(data, name, stop)
    return carry_picture(board, asset), asset.sha, troubles
