"""Words wear the font files that their own board carries, and no other board's."""

from __future__ import annotations

from collections.abc import Iterable
from typing import TypeVar

import msgspec

from .. import assets
from ..model import Asset, Board, Cluster, Lettering, Piece
from . import fonts

P = TypeVar("P", bound=Piece)
MEDIA_TYPE = "font/sfnt"


def take_in(files: Iterable[Asset]) -> list[str]:
    """Make the fonts that a board carries usable, as far as their bytes are at hand; what is wrong
    with one is told."""
    troubles = []
    for asset in files:
        try:
            if assets.has(asset.sha):
                fonts.add(assets.get(asset.sha), asset.name)
        except fonts.FontError as error:
            troubles.append(str(error))
    return troubles


def wearing_carried(board: Board, piece: P) -> P:
    """Words that name the file which the board carries for their font; other pieces as they are,
    but for the words that they hold."""
    if isinstance(piece, Cluster):
        inner = tuple(wearing_carried(board, held) for held in piece.pieces)
        return piece if inner == piece.pieces else msgspec.structs.replace(piece, pieces=inner)
    if not isinstance(piece, Lettering) or not (board.fonts or piece.font.file):
        return piece
    best = fonts.nearest(piece.font, fonts.carried(board.fonts))
    file = piece.font.file if best is None and _waits(board, piece) else ""
    font = msgspec.structs.replace(piece.font, file=file if best is None else best.carried_as)
    return piece if font == piece.font else msgspec.structs.replace(piece, font=font)


def _waits(board: Board, piece: Lettering) -> bool:
    """Whether the board carries the named file, though nobody could take it in."""
    return any(asset.sha == piece.font.file for asset in board.fonts)


def with_carried_fonts(board: Board) -> Board:
    """The board whose words name the font files that it carries."""
    pieces = tuple(wearing_carried(board, piece) for piece in board.pieces)
    return board if pieces == board.pieces else msgspec.structs.replace(board, pieces=pieces)


def with_fonts_of(board: Board, piece: Piece) -> Board:
    """The board, carrying also the fonts that words from another board wear."""
    for held in piece.pieces if isinstance(piece, Cluster) else ():
        board = with_fonts_of(board, held)
    if not isinstance(piece, Lettering):
        return board
    name = Asset(sha=piece.font.file or "0" * 64, name="")
    (file,) = fonts.carried([name]) or (None,)
    if file is None or any(asset.sha == name.sha for asset in board.fonts):
        return board
    asset = Asset(sha=name.sha, name=file.path.name, media_type=MEDIA_TYPE)
    return msgspec.structs.replace(board, fonts=(*board.fonts, asset))
