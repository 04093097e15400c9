"""Ids and names that are free on a board."""

from __future__ import annotations

from ..model import Board, Coated


def taken(board: Board) -> set[str]:
    """Every id of a piece or a coat."""
    ids = {piece.id for piece in board.pieces}
    for piece in board.pieces:
        if isinstance(piece, Coated):
            ids.update(coat.id for coat in piece.style)
    return ids


def free(board: Board, stem: str, count: int = 1) -> list[str]:
    """The next `count` ids of the form stem-1, stem-2, ... that nothing has."""
    used, number = taken(board), 1
    ids: list[str] = []
    while len(ids) < count:
        if f"{stem}-{number}" not in used:
            ids.append(f"{stem}-{number}")
        number += 1
    return ids


def free_name(board: Board, name: str) -> str:
    """The name, or with the first number that makes it another than all there are."""
    names = {piece.name for piece in board.pieces}
    number, fresh = 2, name
    while fresh in names:
        fresh = f"{name} {number}"
        number += 1
    return fresh
