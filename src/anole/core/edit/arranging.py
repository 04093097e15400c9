"""Operations on several pieces at once: move, line up, spread out."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Literal

import msgspec

from ..model import Board, Placed
from ..model.nesting import every
from ..pieces.registry import kind_of
from .pieces import with_piece
from .snapping import extent

Side = Literal["left", "middle", "right", "top", "centre", "bottom"]
ACROSS = ("left", "middle", "right")
SHARE = {"left": 0.0, "middle": 0.5, "right": 1.0, "top": 0.0, "centre": 0.5, "bottom": 1.0}


def moved(board: Board, ways: Mapping[str, tuple[float, float]]) -> Board:
    """Move pieces by (dx, dy) board px each, and what they clip along; locked ones stay. Raises
    KeyError."""
    for piece_id, (dx, dy) in _with_clipped(board, ways).items():
        piece = board.piece(piece_id)
        if not isinstance(piece, Placed):
            board = with_piece(board, kind_of(piece).moved(piece, dx, dy))
            continue
        if not piece.locked:
            place = msgspec.structs.replace(
                piece.place, x=round(piece.place.x + dx, 3), y=round(piece.place.y + dy, 3)
            )
            board = with_piece(board, msgspec.structs.replace(piece, place=place))
    return board


def _with_clipped(
    board: Board, ways: Mapping[str, tuple[float, float]]
) -> dict[str, tuple[float, float]]:
    """The same for what moves along with the pieces that clip it."""
    found = {piece_id: way for piece_id, way in ways.items() if board.placed(piece_id)}
    following = {p.id: p.within for p in every(board.pieces) if p.within and p.together}
    for _ in following:
        found.update(
            {p: found[by] for p, by in following.items() if by in found and p not in found}
        )
    return found


def _extents(board: Board, ids: Sequence[str]) -> dict[str, tuple[float, float, float, float]]:
    return {
        piece.id: extent(piece, board)
        for piece in every(board.pieces)
        if piece.id in ids and isinstance(piece, Placed)
    }


def align(board: Board, ids: Sequence[str], side: Side) -> Board:
    """Line pieces up by one side of the box round them all; a single one by the board's."""
    boxes = _extents(board, ids)
    if not boxes:
        return board
    low, high = (0, 2) if side in ACROSS else (1, 3)
    if len(boxes) == 1:
        start, end = 0.0, float(board.width if side in ACROSS else board.height)
    else:
        start, end = min(b[low] for b in boxes.values()), max(b[high] for b in boxes.values())
    share = SHARE[side]
    ways = {}
    for piece_id, box in boxes.items():
        by = start + share * (end - start) - (box[low] + share * (box[high] - box[low]))
        ways[piece_id] = (by, 0.0) if side in ACROSS else (0.0, by)
    return moved(board, ways)


def distribute(board: Board, ids: Sequence[str], across: bool) -> Board:
    """Make the gaps between three or more pieces equal; the outermost two stay."""
    boxes = _extents(board, ids)
    low, high = (0, 2) if across else (1, 3)
    order = sorted(boxes, key=lambda i: boxes[i][low] + boxes[i][high])
    if len(order) < 3:
        return board
    first, last = boxes[order[0]], boxes[order[-1]]
    room = last[low] - first[high] - sum(boxes[i][high] - boxes[i][low] for i in order[1:-1])
    gap, at, ways = room / (len(order) - 1), first[high], {}
    for piece_id in order[1:-1]:
        box = boxes[piece_id]
        by = at + gap - box[low]
        ways[piece_id] = (by, 0.0) if across else (0.0, by)
        at += gap + box[high] - box[low]
    return moved(board, ways)
