"""Small boards for pictures of a style, a coat or a piece on the user's own words."""

from __future__ import annotations

import math

import msgspec

from ...core.model import Board, Coat, Coated, Lettering, Piece, Place, Placed
from ...core.pieces.registry import kind_of, placed_kind

MOST_LETTERS = 14
ACROSS, DOWN = 1.12, 1.45
"""Of a piece's own size: what a sample shows round it, for strokes and glows."""
MARGINS = (30.0, 10.0)
MARGIN = 0.2
"""em round a piece that is shown at a smaller scale."""
LEAST = 0.01


def words_of(piece: Piece | None) -> str:
    """The first words that a piece says, short enough for a sample."""
    words = kind_of(piece).text(piece).split() if piece else []
    short = ""
    for word in words:
        if short and len(short) + len(word) >= MOST_LETTERS:
            break
        short = f"{short} {word}".strip()
    return short[: MOST_LETTERS + 6] or "Words"


def bare(piece: Coated | None, text: str) -> Coated:
    """The piece (words where there is none) with all that its samples show, but for coats."""
    base = piece or Lettering(id="sample")
    return msgspec.structs.replace(kind_of(base).sample(base, text), style=(), worn=None)


def sample(
    piece: Coated | None, coats: tuple[Coat, ...], text: str, width: int, height: int, board: Board
) -> Board:
    """A board of width x height px with the piece (words where there is none) in those coats."""
    dressed = msgspec.structs.replace(bare(piece, text), style=coats)
    return _fitted(dressed, width, height, board)


def _fitted(piece: Placed, width: int, height: int, board: Board) -> Board:
    """The piece as large as goes into a small board, in its middle."""
    kind = placed_kind(piece)
    middle = Place(x=width / 2, y=height / 2)
    piece = msgspec.structs.replace(piece, place=middle)
    small = Board(width=width, height=height, lamp=board.lamp, pieces=(piece,))
    x0, y0, x1, y1 = kind.extent(piece, small)
    wide, high = max(x1 - x0, 1.0), max(y1 - y0, 1.0)
    # margins are those of words of 100 px
    em = max(kind.placement(piece, small.dpi).em, 1e-6) / 100
    ratio = min(width / (wide * ACROSS + MARGINS[0] * em), height / (high * DOWN + MARGINS[1] * em))
    fields = kind.resized(piece, max(ratio, LEAST))
    return msgspec.structs.replace(small, pieces=(msgspec.structs.replace(piece, **fields),))


def _scaled(piece: Placed, width: int, height: int, board: Board) -> tuple[Board, float]:
    """The piece as it is, on a board of about its size, and the scale at which that is small."""
    kind = placed_kind(piece)
    piece = kind.sample(piece, "")
    x0, y0, x1, y1 = kind.extent(piece, board)
    margin = MARGIN * kind.placement(piece, board.dpi).em
    wide, high = max(x1 - x0, 1.0) + 2 * margin, max(y1 - y0, 1.0) + 2 * margin
    scale = min(width / wide, height / high)
    size = (min(max(math.ceil(side / scale), 1), 32_000) for side in (width, height))
    wide, high = size
    moved = kind.moved(piece, wide / 2 - (x0 + x1) / 2, high / 2 - (y0 + y1) / 2)
    small = Board(width=wide, height=high, dpi=board.dpi, lamp=board.lamp, pieces=(moved,))
    return small, scale


def miniature(board: Board, piece_id: str, width: int, height: int) -> tuple[Board, float]:
    """One piece alone, and the scale at which its board is `width` x `height` px at most. What
    changes others is shown on those."""
    piece = board.piece(piece_id)
    if isinstance(piece, Placed) and kind_of(piece).scaled:
        return _scaled(piece, width, height, board)
    if isinstance(piece, Coated):
        return sample(piece, piece.style, words_of(piece), width, height, board), 1.0
    kind = kind_of(piece)
    alone = kind.sample(piece, "")
    if isinstance(alone, Placed):
        return _fitted(alone, width, height, board), 1.0
    at = board.pieces.index(piece)
    beneath = board.pieces[:at] if kind.on_others else ()
    whole = msgspec.structs.replace(board, pieces=(*beneath, alone))
    return whole, min(width / board.width, height / board.height)
