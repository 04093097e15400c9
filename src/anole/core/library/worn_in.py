"""On which boards a style is worn, as far as they were saved here."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Annotated

from msgspec import Meta, Struct

from ..model import Board, Coated
from ..model.fields import Name
from ..model.nesting import every
from .named import NamedFile

MOST = 50
"""Boards remembered of a style."""


class WornIn(Struct, frozen=True):
    """Files of boards, the last one first."""

    name: Name
    boards: Annotated[tuple[Annotated[str, Meta(max_length=4096)], ...], Meta(max_length=MOST)] = ()


OWN = NamedFile("worn-in.json", WornIn)


def styles_on(board: Board) -> set[str]:
    """The names of the saved styles that pieces of a board wear."""
    coated = (piece for piece in every(board.pieces) if isinstance(piece, Coated))
    return {piece.worn.name for piece in coated if piece.worn is not None and piece.worn.name}


def remember(styles: Iterable[str], path: str) -> None:
    """A board with these styles was saved. Raises FileError."""
    known = {one.name: one.boards for one in OWN.all()}
    fresh = []
    for name in styles:
        old = known.get(name, ())
        if old[:1] != (path,):
            fresh.append(WornIn(name, (path, *(one for one in old if one != path))[:MOST]))
    if fresh:
        OWN.keep_all(fresh)


def boards(style: str) -> tuple[str, ...]:
    """The boards that a style was last seen on. Raises FileError."""
    return next((one.boards for one in OWN.all() if one.name == style), ())
