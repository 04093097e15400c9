"""What lies round the words: pools of light, dark corners, a wash over all."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from ..model import Board, Colour, ColourPaint, Exposure, Piece, Pool, Rim, Spot, Wash
from ..pieces.registry import is_ground
from .pieces import insert_piece

LIGHT, DARK = Colour(255, 236, 196), Colour(6, 8, 18)
WIDE = 0.35
"""Of the board's longer side: the radius of a new spot."""


def _above_grounds(board: Board) -> int:
    """The place in the order just above the grounds at the bottom."""
    return next(
        (n for n, piece in enumerate(board.pieces) if not is_ground(piece)), len(board.pieces)
    )


def add_pool(board: Board) -> tuple[Board, str]:
    """A pool of light in the middle, behind what stands there; returns the board and its id."""
    middle = Spot(
        x=board.width / 2,
        y=board.height / 2,
        radius=min(max(WIDE * max(board.width, board.height), 1.0), 64_000.0),
    )
    pool = Pool(
        id="new", name="Pool", paint=ColourPaint(colour=LIGHT), blend="screen", spots=(middle,)
    )
    return insert_piece(board, pool, _above_grounds(board))


def add_rim(board: Board) -> tuple[Board, str]:
    """Dark corners over all; returns the board and their id."""
    rim = Pool(id="new", name="Rim", paint=ColourPaint(colour=DARK), blend="multiply", rim=Rim())
    return insert_piece(board, rim, len(board.pieces))


def add_wash(board: Board) -> tuple[Board, str]:
    """A wash over all that is there; returns the board and its id."""
    wash: Piece = Wash(id="new", name="Wash", tone=(Exposure(stops=0.2),))
    return insert_piece(board, wash, len(board.pieces))


def next_spot(board: Board, spots: Sequence[Spot]) -> Spot:
    """A spot in the middle of the board, like the last where there is one."""
    like = spots[-1] if spots else Spot(radius=min(max(board.height / 4, 1.0), 64_000.0))
    return msgspec.structs.replace(like, x=board.width / 2, y=board.height / 2)
