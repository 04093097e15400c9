"""Words that leave the board, and how they are made to fit it."""

from __future__ import annotations

import msgspec
import numpy as np

from ..lettering.outline import chords as chords_of
from ..lettering.outline import outline
from ..model import Board, FitBox, Lettering
from ..pieces.letters import bounds
from .pieces import MARGIN, with_piece

SLACK = 0.5
"""px that letters may lie over the border: their edge's own px."""


def ink(piece: Lettering, board: Board) -> tuple[float, float, float, float] | None:
    """x0, y0, x1, y1 of the letters themselves, board px; None without any."""
    found = chords_of(outline(piece, board.dpi), 1.0)
    return bounds(found) if len(found) else None


def leaves(piece: Lettering, board: Board) -> bool:
    """Whether letters cross the board's border."""
    box = ink(piece, board)
    if box is None:
        return False
    x0, y0, x1, y1 = box
    out = max(-x0, -y0, x1 - board.width, y1 - board.height)
    return out > SLACK


def fit_to_board(board: Board, piece_id: str) -> Board:
    """The words within the board's margins: no larger than fit, and moved in where they must be.

    They get a box to shrink into, so that longer words fit too. Raises KeyError.
    """
    piece = board.lettering(piece_id)
    if ink(piece, board) is None:
        return board
    margin = MARGIN * min(board.width, board.height)
    room = np.array([board.width - 2 * margin, board.height - 2 * margin])
    # bends and turns: a few rounds bring the letters' own box to the room
    for _ in range(4):
        piece = _shrunk(piece, board, room)
    x0, y0, x1, y1 = ink(piece, board) or (0.0, 0.0, 0.0, 0.0)
    dx = max(margin - x0, 0.0) or min(board.width - margin - x1, 0.0)
    dy = max(margin - y0, 0.0) or min(board.height - margin - y1, 0.0)
    place = piece.place
    moved = msgspec.structs.replace(place, x=round(place.x + dx, 2), y=round(place.y + dy, 2))
    return with_piece(board, msgspec.structs.replace(piece, place=moved))


def _shrunk(piece: Lettering, board: Board, room: np.ndarray) -> Lettering:
    """With a box in which its letters are no larger than the room."""
    line = outline(piece, board.dpi)
    x0, y0, x1, y1 = ink(piece, board) or (0.0, 0.0, 1.0, 1.0)
    share = min(1.0, float((room / np.maximum([x1 - x0, y1 - y0], 1e-6)).min()))
    if share == 1.0 and piece.box is not None:
        return piece
    bx0, by0, bx1, by1 = line.block.box
    em = line.em * share
    wide, high = max((bx1 - bx0) * em, 1.0), max((by1 - by0) * em, 1.0)
    if share == 1.0:
        # as large as they are, with room up to the margins for longer words
        wide = max(wide, room[0] * min(wide / max(x1 - x0, 1e-6), 1))
        high = max(high, room[1] * min(high / max(y1 - y0, 1e-6), 1))
    return msgspec.structs.replace(
        piece, box=FitBox(width=round(float(wide), 2), height=round(float(high), 2), fit="shrink")
    )
