"""Fonts that a board brings along: words of their family wear them, on this board alone."""

from __future__ import annotations

import msgspec

from .. import assets
from ..lettering import fonts
from ..lettering.carried_fonts import MEDIA_TYPE, with_carried_fonts
from ..lettering.font_file import FontFile
from ..model import Asset, Board


def font_asset(data: bytes, name: str) -> tuple[Asset, FontFile]:
    """Take a font file in, which can take long. Raises FontError."""
    file = fonts.add(data, name)
    return Asset(sha=assets.put(data), name=name, media_type=MEDIA_TYPE), file


def carry_font(board: Board, asset: Asset) -> Board:
    """Let the board carry a font that was taken in."""
    if any(font.sha == asset.sha for font in board.fonts):
        return board
    board = msgspec.structs.replace(board, fonts=(*board.fonts, asset))
    return with_carried_fonts(board)


def add_font(board: Board, data: bytes, name: str) -> tuple[Board, FontFile]:
    """Take a font file in and let the board carry it. Raises FontError."""
    asset, file = font_asset(data, name)
    return carry_font(board, asset), file
