"""Every way to begin a piece, and every mark that stamps are made of."""

from __future__ import annotations

import functools
from collections.abc import Callable, Iterator
from typing import Any

from ...core.edit.pieces import add_fresh, change_piece, insert_piece
from ...core.marks.shapes import DRAWN
from ...core.model import Board, Piece, Stamps, Style
from ...core.pieces.registry import ways_to_begin
from ...core.text import capital
from ..shared.new_words import style_for_new_words, with_new_words
from ..shared.session import Session
from ..shared.shell import Stage
from .addition import Addition, Made, Make


def begun(board: Board, way: str, **fields: Any) -> Made:
    """A board with a piece begun in one of its ways, with fields of its own."""
    board, piece = add_fresh(board, way)
    return Made(change_piece(board, piece, **fields), piece)


def pieces(session: Session) -> Iterator[Addition]:
    """New words, and every way to begin a piece that a kind declares."""
    words = functools.partial(_words, style=style_for_new_words(session.settings))
    yield _piece("words", "Add words", words)._replace(about="set in any font, in any coats")
    for way in ways_to_begin():
        make = functools.partial(begun, way=way.id)
        sample = functools.partial(_example, make=way.example) if way.example else None
        yield _piece(way.id, way.title, make)._replace(sample=sample, about=way.about)


def _words(board: Board, style: Style) -> Made:
    board, piece = with_new_words(board, style)
    return Made(board, piece)


def _example(board: Board, make: Callable[[Board], Piece]) -> Made:
    board, piece = insert_piece(board, make(board), len(board.pieces))
    return Made(board, piece)


def _piece(key: str, title: str, make: Make) -> Addition:
    name = capital(title.removeprefix("Add ").removeprefix("a ").removeprefix("an "))
    return Addition("piece", key, name, title, "Pieces", "", make, stage=Stage.ARRANGE)


def marks(session: Session) -> Iterator[Addition]:
    """Every mark, for the chosen stamps or new ones."""
    chosen = session.selection.piece
    for name in DRAWN:
        if isinstance(chosen, Stamps):
            make: Make = functools.partial(_marked, piece=chosen.id, mark=name)
        else:
            make = functools.partial(begun, way="scatter", mark=name)
        title, key = f"Mark: {name}", f"mark:{name}"
        made = Addition("mark", key, name, title, "Marks", "", make, stage=Stage.ARRANGE)
        yield made._replace(sample=functools.partial(_three, mark=name))


def _three(board: Board, mark: str) -> Made:
    """Three large ones by hand."""
    by_hand = next(way for way in ways_to_begin() if way.id == "stamps")
    assert by_hand.example is not None
    made = _example(board, by_hand.example)
    return _marked(made.board, made.piece, mark)


def _marked(board: Board, piece: str, mark: str) -> Made:
    return Made(change_piece(board, piece, mark=mark), piece)
