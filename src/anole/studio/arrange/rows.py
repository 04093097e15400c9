"""The rows of the list of pieces: topmost first, what a cluster holds beneath it."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from typing import NamedTuple

from ...core.edit.clusters import move_into
from ...core.edit.pieces import move_in_order
from ...core.model import Board, Cluster, Piece
from ...core.model.nesting import clippers, every, holder_of, siblings


class PieceRow(NamedTuple):
    """A piece in the list. depth : how many clusters it lies in; folded : None for what holds none"""

    piece: Piece
    depth: int
    folded: bool | None
    note: str


def _note(piece: Piece, board: Board, by: dict[str, str]) -> str:
    """What clips it, and how much it clips."""
    parts = []
    if piece.id in by:
        names = [p.name for p in every(board.pieces) if p.id == by[piece.id]]
        parts.append(f"in {names[0] or 'another'}" if names else "")
    count = sum(other == piece.id for other in by.values())
    return " \u00b7 ".join(filter(None, [*parts, f"clips {count}" if count else ""]))


def rows_of(board: Board, folded: Collection[str], words: str = "") -> list[PieceRow]:
    """All of them, or those whose name has the words, with the clusters that they lie in."""
    by, wanted = clippers(board.pieces), words.strip().lower()

    def inside(pieces: Iterable[Piece], depth: int) -> list[PieceRow]:
        found: list[PieceRow] = []
        for piece in reversed(list(pieces)):
            shut = piece.id in folded and not wanted if isinstance(piece, Cluster) else None
            inner = inside(piece.pieces, depth + 1) if isinstance(piece, Cluster) else []
            if wanted in piece.name.lower() or inner or not wanted:
                found.append(PieceRow(piece, depth, shut, _note(piece, board, by)))
                found += [] if shut else inner
        return found

    return inside(board.pieces, 0)


def dropped(board: Board, moved: str, target: str | None, where: str) -> Board:
    """The board once a card was dropped `above`, `below` or `on` another, or beneath all. Raises
    ModelError and KeyError."""
    if target is None:
        return move_into(board, moved, None, 0)
    if target == moved:
        return board
    other = board.piece(target)
    if where == "on" and isinstance(other, Cluster):
        return move_into(board, moved, target, len(other.pieces))
    holder = holder_of(board.pieces, target)
    order = [piece.id for piece in siblings(board.pieces, target)]
    # the list runs from the top
    to = order.index(target) + (where == "above")
    if moved in order:
        to -= order.index(moved) < to
        return move_in_order(board, moved, to)
    return move_into(board, moved, holder.id if holder is not None else None, to)
