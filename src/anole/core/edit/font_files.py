"""Fonts that a board brings along, and outlines for where they are missing."""

from __future__ import annotations

import msgspec

from .. import assets
from ..lettering import fonts, kept
from ..lettering.font_file import FontFile
from ..model import Asset, Board, Lettering
from .checked import replaced


def add_font(board: Board, data: bytes, name: str) -> tuple[Board, FontFile]:
    """Take a font file in and let the board carry it. Raises FontError."""
    file = fonts.add(data, name)
    asset = Asset(sha=assets.put(data), name=name, media_type="font/sfnt")
    if any(font.sha == asset.sha for font in board.fonts):
        return board, file
    return replaced(board, fonts=(*board.fonts, asset)), file


def with_outlines(board: Board) -> Board:
    """The board as it is saved: its words carry their outlines, for where a font is missing."""
    pieces = tuple(
        msgspec.structs.replace(piece, outlines=kept.made(piece))
        if isinstance(piece, Lettering)
        else piece
        for piece in board.pieces
    )
    return msgspec.structs.replace(board, pieces=pieces)
