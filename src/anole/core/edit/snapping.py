"""Where a moved piece comes to rest: the board's middle, margins and thirds, other pieces."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from typing import NamedTuple

import numpy as np

from ..model import Board, Placed
from ..pieces.registry import placed_kind
from .pieces import MARGIN


class Guide(NamedTuple):
    """A line a piece snaps to: across (x) or down (y), board px, and what it is."""

    across: bool
    at: float
    name: str


class Snap(NamedTuple):
    """What to add to a place, and the guides it then lies on."""

    dx: float
    dy: float
    guides: tuple[Guide, ...]


def extent(piece: Placed, board: Board) -> tuple[float, float, float, float]:
    """x0, y0, x1, y1 of the piece's box on the board; of words its low side is the last baseline."""
    return placed_kind(piece).extent(piece, board)


def guides(board: Board, leaving_out: Collection[str]) -> list[Guide]:
    """Everything that pieces other than those left out may snap to."""
    margin = MARGIN * min(board.width, board.height)
    lines = []
    for across, side in ((True, board.width), (False, board.height)):
        lines.append(Guide(across, side / 2, "middle"))
        lines += [Guide(across, at, "margin") for at in (margin, side - margin)]
        lines += [Guide(across, side * n / 3, "third") for n in (1, 2)]
    for piece in board.pieces:
        if isinstance(piece, Placed) and piece.id not in leaving_out and piece.shown:
            x0, y0, x1, y1 = extent(piece, board)
            lines += [Guide(True, x, piece.name) for x in (x0, (x0 + x1) / 2, x1)]
            lines += [Guide(False, y, piece.name) for y in (y0, (y0 + y1) / 2, y1)]
    return lines


def _nearest(
    ends: Iterable[float], lines: Iterable[Guide], within: float
) -> tuple[float, list[Guide]]:
    """The least move that brings one of `ends` onto a line, and every line then met."""
    ends, lines = list(ends), list(lines)
    moves = [line.at - end for line in lines for end in ends]
    if not moves:
        return 0.0, []
    best = min(moves, key=abs)
    if abs(best) > within:
        return 0.0, []
    met = [g for g in lines if np.abs(np.array(ends) + best - g.at).min() < 0.01]
    return best, met


def snap(box: tuple[float, float, float, float], lines: list[Guide], within: float) -> Snap:
    """Move a box x0, y0, x1, y1 onto the nearest guides, each direction by itself."""
    x0, y0, x1, y1 = box
    dx, met_x = _nearest((x0, (x0 + x1) / 2, x1), [g for g in lines if g.across], within)
    dy, met_y = _nearest((y0, (y0 + y1) / 2, y1), [g for g in lines if not g.across], within)
    return Snap(dx, dy, (*met_x, *met_y))
