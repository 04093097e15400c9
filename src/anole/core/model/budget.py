"""What a whole board may hold: each part may be large, not all of them together."""

from __future__ import annotations

from .board import Board
from .nesting import coats_of, every
from .pieces import Lettering

MOST_PIECES, MOST_LETTERS, MOST_COATS, MOST_POINTS = 2_000, 100_000, 5_000, 5_000_000


def over_budget(board: Board) -> str:
    """Which budget of a board is passed, and by what; '' when none is."""
    pieces = list(every(board.pieces))
    words = [piece for piece in pieces if isinstance(piece, Lettering)]
    letters = sum(len(piece.text) for piece in words)
    coats = sum(map(len, coats_of(board.pieces)))
    stored = [piece.outlines for piece in words if piece.outlines]
    # a number and the blank behind it take three letters or more
    points = sum(len(text) for outlines in stored for text in outlines.glyphs) // 3 // 2
    for count, most, what in (
        (len(pieces), MOST_PIECES, "pieces"),
        (letters, MOST_LETTERS, "letters"),
        (coats, MOST_COATS, "coats"),
        (points, MOST_POINTS, "points of stored outlines"),
    ):
        if count > most:
            return f"the board has {count:,} {what}; {most:,} are the most it may have"
    return ""
