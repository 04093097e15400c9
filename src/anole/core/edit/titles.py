"""A title on a board: words as large as go into it, broken into the lines that make them largest."""

from __future__ import annotations

import msgspec

from ..model import Board, FitBox, Length, Style
from ..pieces.registry import coated_kind
from .coats import put_style
from .pieces import add_lettering

ROOM = 0.1
"""Of the board's shorter side, round a title: its strokes and shadows lie there."""
MOST_WORDS, MOST_LETTERS, MOST_LINES = 12, 90, 5
LEADING = Length(0.95, "em")


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


def best_lines(board: Board, piece_id: str) -> str:
    """The text of a title in the lines in which it is largest; lines that somebody broke, and long
    texts, stay as they are."""
    piece = board.lettering(piece_id)
    words = piece.text.split()
    if "\n" in piece.text or not 1 < len(words) <= MOST_WORDS or len(piece.text) > MOST_LETTERS:
        return piece.text
    tries = [broken(words, count) for count in range(1, min(len(words), MOST_LINES) + 1)]
    ems = [
        coated_kind(piece).placement(msgspec.structs.replace(piece, text=text), board.dpi).em
        for text in tries
    ]
    return tries[ems.index(max(ems))]


def add_title(board: Board, text: str, style: Style, digest: str = "") -> tuple[Board, str]:
    """Words in a style, as large as the board has room for, and so after any change of the words;
    returns the board and their id."""
    room = ROOM * min(board.width, board.height)
    box = FitBox(width=board.width - 2 * room, height=board.height - 2 * room, fit="fill")
    board, fresh = add_lettering(board, text, box=box, leading=LEADING)
    piece = board.lettering(fresh)
    lines = msgspec.structs.replace(piece, text=best_lines(board, fresh))
    pieces = tuple(lines if p.id == fresh else p for p in board.pieces)
    board = msgspec.structs.replace(board, pieces=pieces)
    return put_style(board, fresh, style, digest), fresh
