"""The box of all that is painted on a board besides its grounds."""

from __future__ import annotations

import functools
import math

import msgspec
import numpy as np

from ..model import Board
from ..pieces.registry import is_ground
from .export import rgba

MOST_SIDE = 2000
"""px of the longer side at which it is looked for."""


@functools.lru_cache(4)
def painted_box(board: Board) -> tuple[int, int, int, int] | None:
    """x0, y0, x1, y1 in whole board px; None where nothing is painted."""
    pieces = tuple(piece for piece in board.pieces if not is_ground(piece))
    scale = min(1.0, MOST_SIDE / max(board.width, board.height))
    alpha = rgba(msgspec.structs.replace(board, pieces=pieces), scale, transparent=True)[..., 3]
    rows, columns = np.flatnonzero(alpha.any(1)), np.flatnonzero(alpha.any(0))
    if not len(rows):
        return None
    return (
        math.floor(columns[0] / scale),
        math.floor(rows[0] / scale),
        min(math.ceil((columns[-1] + 1) / scale), board.width),
        min(math.ceil((rows[-1] + 1) / scale), board.height),
    )
