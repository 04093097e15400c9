"""What a whole board may hold: each part may be large, not all of them together."""

from __future__ import annotations

from .board import Board
from .pieces import Coated, Lettering

MOST_LETTERS, MOST_COATS, MOST_POINTS = 100_000, 5_000, 5_000_000


def over_budget(board: Board) -> str:
    """Which budget of a board is passed, and by what; '' when none is."""
    letters = sum(len(p.text) for p in board.pieces if isinstance(p, Lettering))
    coats = sum(len(p.style) for p in board.pieces if isinstance(p, Coated))
    stored = [p.outlines for p in board.pieces if isinstance(p, Lettering) and p.outlines]
    # a number and the blank behind it take three letters or more
    points = sum(len(text) for outlines in stored for text in outlines.glyphs) // 3 // 2
    for count, most, what in (
        (letters, MOST_LETTERS, "letters"),
        (coats, MOST_COATS, "coats"),
        (points, MOST_POINTS, "points of stored outlines"),
    ):
        if count > most:
            return f"the board has {count:,} {what}; {most:,} are the most it may have"
    return ""
