"""A title on a board: words as large as go into it, broken into the lines that make them largest."""

from __future__ import annotations

import textwrap

import msgspec

from ..model import Board, FitBox, Length, Style
from ..pieces.registry import coated_kind
from .pieces import add_lettering, with_piece
from .wearing import put_style

ROOM, ROUNDS = 0.1, 2
"""Of the board's shorter side, round a title: its strokes and shadows lie there."""
MOST_WORDS, MOST_LINES = 12, 5
LEADING, LETTER = Length(0.95, "em"), 0.45
"""From line to line; how wide a letter is about, em."""


def broken(words: list[str], count: int) -> str:
    """Words in `count` lines, the longest of them as short as goes (by letters)."""
    # best[n][k]: the least longest line of the first n words in k lines, and where the last begins
    lengths = [len(word) for word in words]
    best: list[dict[int, tuple[int, int]]] = [{0: (0, 0)}]
    for end in range(1, len(words) + 1):
        row: dict[int, tuple[int, int]] = {}
        for lines in range(1, min(count, end) + 1):
            row[lines] = min(
                (max(best[start][lines - 1][0], sum(lengths[start:end]) + end - start - 1), start)
                for start in range(lines - 1, end)
                if lines - 1 in best[start]
            )
        best.append(row)
    pieces, end = [], len(words)
    for lines in range(count, 0, -1):
        start = best[end][lines][1]
        pieces.append(" ".join(words[start:end]))
        end = start
    return "\n".join(reversed(pieces))


def _wrapped(text: str, aspect: float) -> list[str]:
    """A long text in about as many lines as fill a board."""
    lines = (len(text) * LETTER / (LEADING.value * aspect)) ** 0.5
    widths = (max(int(len(text) / (lines * share)), 1) for share in (0.85, 1.0, 1.2))
    return ["\n".join(textwrap.wrap(text, width)) for width in widths]


def best_lines(board: Board, piece_id: str) -> str:
    """The text of a title in the lines in which it is largest; lines that somebody broke stay."""
    piece = board.lettering(piece_id)
    words = piece.text.split()
    if "\n" in piece.text or len(words) < 2:
        return piece.text
    if len(words) <= MOST_WORDS:
        tries = [broken(words, count) for count in range(1, min(len(words), MOST_LINES) + 1)]
    else:
        tries = _wrapped(piece.text, board.width / board.height)
    ems = [
        coated_kind(piece).placement(msgspec.structs.replace(piece, text=text), board.dpi).em
        for text in tries
    ]
    return tries[ems.index(max(ems))]


def _centred(board: Board, piece_id: str, room: float) -> Board:
    """The letters themselves in the middle of the board, and none nearer to its border than the
    room: a font's own box says little of where its letters lie."""
    for _ in range(ROUNDS):
        piece = board.lettering(piece_id)
        x0, y0, x1, y1 = coated_kind(piece).ink(piece, board.dpi) or (0.0, 0.0, 0.0, 0.0)
        if piece.box is None or x1 <= x0 or y1 <= y0:
            return board
        sides = (board.width - 2 * room) / (x1 - x0), (board.height - 2 * room) / (y1 - y0)
        share = min(1.0, *sides)
        box = msgspec.structs.replace(
            piece.box, width=piece.box.width * share, height=piece.box.height * share
        )
        place = msgspec.structs.replace(
            piece.place,
            x=round(piece.place.x + (board.width - x0 - x1) / 2, 2),
            y=round(piece.place.y + (board.height - y0 - y1) / 2, 2),
        )
        board = with_piece(board, msgspec.structs.replace(piece, box=box, place=place))
    return board


def add_title(board: Board, text: str, style: Style, digest: str = "") -> tuple[Board, str]:
    """Words in a style, as large as the board has room for, and so after any change of the words;
    returns the board and their id."""
    room = ROOM * min(board.width, board.height)
    box = FitBox(width=board.width - 2 * room, height=board.height - 2 * room, fit="fill")
    board, fresh = add_lettering(board, text, box=box, leading=LEADING)
    piece = board.lettering(fresh)
    lines = msgspec.structs.replace(piece, text=best_lines(board, fresh))
    pieces = tuple(lines if p.id == fresh else p for p in board.pieces)
    board = _centred(msgspec.structs.replace(board, pieces=pieces), fresh, room)
    return put_style(board, fresh, style, digest), fresh
