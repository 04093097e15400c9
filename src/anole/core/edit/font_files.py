"""Fonts that a board brings along."""

from __future__ import annotations

from .. import assets
from ..lettering import fonts
from ..lettering.font_file import FontFile
from ..model import Asset, Board
from .checked import replaced


def add_font(board: Board, data: bytes, name: str) -> tuple[Board, FontFile]:
    """Take a font file in and let the board carry it. Raises FontError."""
    file = fonts.add(data, name)
    asset = Asset(sha=assets.put(data), name=name, media_type="font/sfnt")
    if any(font.sha == asset.sha for font in board.fonts):
        return board, file
    return replaced(board, fonts=(*board.fonts, asset)), file
