"""Ways to begin a piece: what menus and the finder offer, made from what kinds declare."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ..model import Board, Piece


class Fresh(NamedTuple):
    """One way to begin a piece of a kind.

    id : of the command that does it; title : what menus say, such as "Add a pool of light"
    make : the piece for a board, of whatever id
    behind : it goes just above the grounds at the foot of the board, not on top
    about : what it is, in a line
    example : where one that was just begun shows nothing: one that shows what it is for
    """

    id: str
    title: str
    make: Callable[[Board], Piece]
    behind: bool = False
    about: str = ""
    example: Callable[[Board], Piece] | None = None


def with_article(noun: str) -> str:
    """A noun as one of its kind."""
    return f"{'an' if noun[:1] in 'aeiou' else 'a'} {noun}"
