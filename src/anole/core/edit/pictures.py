"""Pictures that a board carries, stored once by content."""

from __future__ import annotations

from collections.abc import Callable

from .. import assets
from ..isolation.client import never
from ..model import Asset, Board, Emblem, Length, Picture, Place
from ..paint.image_formats import SVG, SVG_TYPE, ImageError
from ..paint.picture_files import decoded_asset
from ..paint.pictures import size_of
from ..paint.svg_files import svg_file
from .checked import replaced
from .pieces import insert_piece

__all__ = ["ImageError", "add_picture", "add_picture_piece"]

SHARE = 0.6
"""Of the board: how large a new picture is at most."""
MOST_FILE = 1 << 29
"""Bytes of a picture's file."""


def picture_asset(
    data: bytes, name: str, stop: Callable[[], bool] = never
) -> tuple[Asset, tuple[str, ...]]:
    """Take a picture in, which can take long; also what was wrong with it but did not stop it.
    Raises ImageError."""
    found = decoded_asset(assets.put(data), name, stop)
    asset = Asset(sha=assets.digest(data), name=name, media_type=found.format.media_type)
    # an SVG's outlines are made here too, where nobody waits for them
    vector = svg_file(asset.sha) if found.format.name == SVG else None
    more = vector.troubles if vector is not None else ()
    return asset, (*found.troubles, *(one for one in more if one not in found.troubles))


def carry_picture(board: Board, asset: Asset) -> Board:
    """Let the board carry a picture that was taken in."""
    if any(other.sha == asset.sha for other in board.assets):
        return board
    return replaced(board, assets=(*board.assets, asset))


def add_picture_piece(board: Board, sha: str) -> tuple[Board, str]:
    """A carried picture as a piece in the middle, on top, as large as it is or as the board has
    room for, an SVG as an emblem; returns the board and its id."""
    size = size_of(sha) or (400, 300)
    share = min(SHARE * board.width / size[0], SHARE * board.height / size[1], 1.0)
    wide, high = (max(round(side * share, 2), 1.0) for side in size)
    name = next((asset.name for asset in board.assets if asset.sha == sha), "Picture")
    name, place = name.rpartition(".")[0] or name, Place(x=board.width / 2, y=board.height / 2)
    piece: Picture | Emblem = Picture(
        id="new", name=name, asset=sha, width=Length(wide), height=Length(high), place=place
    )
    if any(asset.sha == sha and asset.media_type == SVG_TYPE for asset in board.assets):
        piece = Emblem(id="new", name=name, asset=sha, height=Length(high), place=place)
    return insert_piece(board, piece, len(board.pieces))


def add_picture(
    board: Board, data: bytes, name: str, stop: Callable[[], bool] = never
) -> tuple[Board, str, tuple[str, ...]]:
    """Let the board carry a picture; also its SHA-256, and what was wrong with it but did not
    stop it. Raises ImageError."""
    asset, troubles = picture_asset(data, name, stop)
    return carry_picture(board, asset), asset.sha, troubles
