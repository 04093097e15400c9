"""Two styles mixed: coats of one kind run into each other, others fade."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from ..coats.registry import kind_of
from ..model import Board, Coat, Style
from .between import between
from .pieces import with_piece
from .wearing import put_style

Pair = tuple[Coat | None, Coat | None]


def matched(a: Sequence[Coat], b: Sequence[Coat]) -> list[Pair]:
    """Coats of both styles, bottom first: as many pairs of one kind as their orders allow (a
    longest common subsequence), and between them those that have no other."""
    longest = [[0] * (len(b) + 1) for _ in range(len(a) + 1)]
    for i in range(len(a) - 1, -1, -1):
        for j in range(len(b) - 1, -1, -1):
            longest[i][j] = (
                longest[i + 1][j + 1] + 1
                if type(a[i]) is type(b[j])
                else max(longest[i + 1][j], longest[i][j + 1])
            )
    pairs: list[Pair] = []
    i = j = 0
    while i < len(a) and j < len(b):
        if type(a[i]) is type(b[j]):
            pairs.append((a[i], b[j]))
            i, j = i + 1, j + 1
        elif longest[i + 1][j] >= longest[i][j + 1]:
            pairs.append((a[i], None))
            i += 1
        else:
            pairs.append((None, b[j]))
            j += 1
    return [*pairs, *((one, None) for one in a[i:]), *((None, one) for one in b[j:])]


def mixed(a: Sequence[Coat], b: Sequence[Coat], t: float) -> tuple[Coat, ...]:
    """The coats at t, 0..1, of the way from one style to another; the ends are the styles."""
    if t <= 0:
        return tuple(a)
    if t >= 1:
        return tuple(b)
    made = []
    for n, (x, y) in enumerate(matched(a, b)):
        if x is not None and y is not None:
            coat = _run(x, y, t)
        elif x is not None:
            coat = kind_of(x).faded(x, 1 - t)
        else:
            assert y is not None
            coat = kind_of(y).faded(y, t)
        made.append(msgspec.structs.replace(coat, id=f"mixed-{n + 1}"))
    return tuple(made)


def put_mix(board: Board, piece_id: str, style: Style, share: float) -> Board:
    """So much of a style, 0..1, mixed into the coats of a piece, which then wears no saved style.
    Raises KeyError."""
    piece = board.coated(piece_id)
    made = Style(name=style.name, coats=mixed(piece.style, style.coats, share))
    board = put_style(board, piece_id, made)
    return with_piece(board, msgspec.structs.replace(board.coated(piece_id), worn=None))


def _run(x: Coat, y: Coat, t: float) -> Coat:
    """One coat between two; one that is switched off fades."""
    if x.on != y.on:
        return kind_of(x).faded(x, 1 - t) if x.on else kind_of(y).faded(y, t)
    coat: Coat = between(x, y, t)
    return coat
