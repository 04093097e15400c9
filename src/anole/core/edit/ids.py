"""Ids that are free on a board."""

from __future__ import annotations

from ..model import Board


def taken(board: Board) -> set[str]:
    """Every id of a piece or a coat."""
    ids = {piece.id for piece in board.pieces}
    for piece in board.pieces:
        ids.update(coat.id for coat in getattr(piece, "style", ()))
    return ids


def free(board: Board, stem: str, count: int = 1) -> list[str]:
    """The next `count` ids of the form stem-1, stem-2, ... that nothing has."""
    used, number = taken(board), 1
    found: list[str] = []
    while len(found) < count:
        if f"{stem}-{number}" not in used:
            found.append(f"{stem}-{number}")
        number += 1
    return found
