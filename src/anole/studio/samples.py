"""Small boards for pictures of a style, a coat or a piece on the user's own words."""

from __future__ import annotations

import msgspec

from ..core.model import Board, Coat, Ground, Length, Lettering, Place
from ..core.pieces.lettering import block_corners

ROOM = 1.45
"""Of the words' own size: what a sample shows round them, for strokes and glows."""


MOST_LETTERS = 14


def words_of(piece: Lettering | None) -> str:
    """The user's first words, short enough for a sample."""
    words = piece.text.split() if piece else []
    found = ""
    for word in words:
        if found and len(found) + len(word) >= MOST_LETTERS:
            break
        found = f"{found} {word}".strip()
    return found[: MOST_LETTERS + 6] or "Words"


def sample(
    piece: Lettering | None, coats: tuple[Coat, ...], text: str, width: int, height: int,
    lamp_board: Board,
) -> Board:  # fmt: skip
    """A board of width x height px with the words in the piece's font and those coats."""
    base = piece or Lettering(id="sample")
    words = msgspec.structs.replace(
        base, id="sample", name="", text=text, size=Length(100), style=coats, shown=True,
        opacity=1.0, blend="normal", tracking=0.0,
        place=Place(x=width / 2, y=height / 2), worn=None,
    )  # fmt: skip
    board = Board(width=width, height=height, lamp=lamp_board.lamp, pieces=(words,))
    corners = block_corners(words, board)
    wide = max(float(corners[1, 0] - corners[0, 0]), 1.0)
    high = max(float(corners[2, 1] - corners[1, 1]), 1.0)
    size = 100 * min(width / (wide * 1.12 + 30), height / (high * ROOM + 10))
    words = msgspec.structs.replace(words, size=Length(round(max(size, 4.0), 1)))
    return msgspec.structs.replace(board, pieces=(words,))


def miniature(board: Board, piece_id: str, width: int, height: int) -> Board:
    """One piece alone on a small board: a ground as it is, words in their style."""
    piece = board.piece(piece_id)
    if isinstance(piece, Ground):
        bare = msgspec.structs.replace(piece, shown=True, opacity=1.0, blend="normal")
        side = msgspec.structs.replace(board, pieces=(bare,))
        return msgspec.structs.replace(side, width=width, height=height)
    return sample(piece, piece.style, words_of(piece), width, height, board)
