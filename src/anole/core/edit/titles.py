"""A title on a board: words as large as go into it, broken into the lines that make them largest."""

from __future__ import annotations

from typing import Any

import msgspec

from ..lettering.breaking import filled, letters_wide, unbroken
from ..model import Board, FitBox, Length, Style
from ..pieces.registry import coated_kind
from .pieces import add_lettering, with_piece
from .wearing import put_style

ROOM, ROUNDS = 0.1, 2
"""Of the board's shorter side, round a title: its strokes and shadows lie there."""
MOST_PARTS, MOST_LINES = 40, 5
MOST_WORDS = 12
"""Of a text in more words, or parts, only lines that fill a board are tried."""
GAP, LETTER, LINE = Length(0.18, "em"), 0.45, 0.95
"""Between the ink of lines; how wide a letter is about, and how high a line, em."""


def broken(parts: list[str], count: int) -> str:
    """Parts of a text in `count` lines, the longest of them as short as goes (by letters)."""
    # best[n][k]: the least longest line of the first n parts in k lines, and where the last begins
    best: list[dict[int, tuple[int, int]]] = [{0: (0, 0)}]
    for end in range(1, len(parts) + 1):
        wide = [letters_wide("".join(parts[start:end]).rstrip()) for start in range(end)]
        row: dict[int, tuple[int, int]] = {}
        for lines in range(1, min(count, end) + 1):
            row[lines] = min(
                (max(best[start][lines - 1][0], wide[start]), start)
                for start in range(lines - 1, end)
                if lines - 1 in best[start]
            )
        best.append(row)
    pieces, end = [], len(parts)
    for lines in range(count, 0, -1):
        start = best[end][lines][1]
        pieces.append("".join(parts[start:end]).rstrip())
        end = start
    return "\n".join(reversed(pieces))


def _wrapped(parts: list[str], aspect: float) -> list[str]:
    """A long text in about as many lines as fill a board."""
    letters = sum(map(letters_wide, parts))
    lines = (letters * LETTER / (LINE * aspect)) ** 0.5
    widths = (max(int(letters / (lines * share)), 1) for share in (0.85, 1.0, 1.2))
    return [filled(parts, width) for width in widths]


def best_lines(board: Board, piece_id: str) -> str:
    """The text of a title in the lines in which it is largest; lines that somebody broke stay."""
    piece = board.lettering(piece_id)
    parts = unbroken(piece.text.strip())
    if "\n" in piece.text or len(parts) < 2:
        return piece.text
    if len(piece.text.split()) <= MOST_WORDS and len(parts) <= MOST_PARTS:
        tries = [broken(parts, count) for count in range(1, min(len(parts), MOST_LINES) + 1)]
    else:
        tries = _wrapped(parts, board.width / board.height)
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


def add_title(
    board: Board, text: str, style: Style, digest: str = "", **fields: Any
) -> tuple[Board, str]:
    """Words in a style, as large as the board has room for, and so after any change of the words;
    returns the board and their id. `fields` are more of the words' own, such as their font."""
    room = ROOM * min(board.width, board.height)
    box = FitBox(width=board.width - 2 * room, height=board.height - 2 * room, fit="fill")
    board, fresh = add_lettering(board, text, box=box, lines="ink", gap=GAP, **fields)
    piece = board.lettering(fresh)
    lines = msgspec.structs.replace(piece, text=best_lines(board, fresh))
    pieces = tuple(lines if p.id == fresh else p for p in board.pieces)
    board = _centred(msgspec.structs.replace(board, pieces=pieces), fresh, room)
    return put_style(board, fresh, style, digest), fresh
