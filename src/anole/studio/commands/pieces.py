"""Whole pieces: add, fit, hide, lock, order, line up."""

from __future__ import annotations

import functools
from collections.abc import Callable

import msgspec

from ...core.edit.fitting import fit_all
from ...core.edit.pieces import add_fresh, change_piece, move_in_order
from ...core.edit.stamps import reshuffle
from ...core.edit.words import capitals
from ...core.model import Board, Coated, Placed, Stamps
from ...core.model.nesting import siblings
from ...core.pieces.fresh import Fresh
from ...core.pieces.registry import is_ground, ways_to_begin
from ..exchange.pictures import ask_picture
from ..shared.line_ups import TITLES, able, line_up
from ..shared.new_words import add_words
from ..shared.session import Session
from ..shared.shell import Stage
from .clusters import CLUSTERS, holders
from .command import (
    BOARD,
    PIECE,
    Answer,
    Choices,
    Command,
    Menu,
    has_coated,
    has_piece,
    otherwise,
    window,
)
from .grounds import ask_ground, choose_ground, has_ground

LAST = 1 << 30


def _switch(field: str, name: str) -> Callable[[Session], object]:
    """Turn a yes or no of all that is chosen round, as its first piece has it."""

    def run(session: Session) -> None:
        ids = session.selection.ids
        if not ids:
            return
        wanted = not getattr(session.document.board.piece(ids[0]), field)

        def switch(board: Board) -> Board:
            for piece in ids:
                board = change_piece(board, piece, **{field: wanted})
            return board

        session.document.apply(name, switch)

    return run


def _hide_others(session: Session) -> None:
    """All but what is chosen and the grounds; again, and all are shown."""
    board, chosen = session.document.board, {*session.selection.ids, *holders(session)}
    others = [p for p in board.pieces if p.id not in chosen and not is_ground(p)]
    shown = not any(piece.shown for piece in others)

    def switch(made: Board) -> Board:
        for piece in others:
            made = change_piece(made, piece.id, shown=shown)
        return made

    session.document.apply("Show the others" if shown else "Hide the others", switch)


@otherwise("choose scattered marks first")
def _is_scattered(session: Session) -> bool:
    piece = session.selection.piece
    return isinstance(piece, Stamps) and piece.scatter is not None


def _reshuffle(session: Session) -> None:
    piece = session.selection.piece_id
    if piece is not None:
        session.document.apply("Reshuffle", lambda b: reshuffle(b, piece))


def _fit(session: Session) -> None:
    ids = [piece.id for piece in session.selection.pieces if isinstance(piece, Coated)]
    session.document.apply("Fit to board", lambda b: fit_all(b, ids))


def _order(by: int) -> Callable[[Session], object]:
    def run(session: Session) -> None:
        piece, pieces = session.selection.piece_id, session.document.board.pieces
        if piece is not None:
            pieces = siblings(pieces, piece)
            to = [p.id for p in pieces].index(piece) + by
            to = min(max(to, 0), len(pieces) - 1)
            session.document.apply("Order", lambda b: move_in_order(b, piece, to))

    return run


def begin(session: Session, way: str, title: str) -> None:
    """Begin a piece in one of its ways, and choose it."""
    made = session.document.make(title, lambda board: add_fresh(board, way))
    if made is not None:
        session.shell.show_stage(Stage.ARRANGE)
        session.selection.choose(made)


def _command(fresh: Fresh) -> Command:
    """Add a piece and choose it."""
    run = functools.partial(begin, way=fresh.id, title=fresh.title)
    return Command(fresh.id, fresh.title, (), run, on=(BOARD,))


def adding() -> tuple[Command, ...]:
    """One for each way to begin a piece that a kind declares, and one for files."""
    picture = Command("picture", "Add a picture or an emblem…", (), ask_picture, on=(BOARD,))
    return (picture, *map(_command, ways_to_begin()))


ADDING = adding()


@otherwise("choose words first")
def _has_words(session: Session) -> bool:
    return session.selection.lettering is not None


@otherwise("choose a piece that has a place first")
def _has_place(session: Session) -> bool:
    return session.selection.placed is not None


def _capitals(session: Session) -> None:
    words = session.selection.lettering
    if words is not None:
        session.document.apply("Words in capitals", lambda b: capitals(b, words.id))


def _flip(side: str) -> Callable[[Session], object]:
    """Mirror what is chosen about its anchor."""

    def run(session: Session) -> None:
        ids = [piece.id for piece in session.selection.pieces if isinstance(piece, Placed)]

        def flip(board: Board) -> Board:
            for piece_id in ids:
                place = board.placed(piece_id).place
                place = msgspec.structs.replace(place, **{side: -getattr(place, side)})
                board = change_piece(board, piece_id, place=place)
            return board

        session.document.apply("Flip", flip)

    return run


def _line_ups(session: Session) -> list[Answer]:
    return [Answer(TITLES[what], functools.partial(line_up, what=what)) for what in able(session)]


MENU = Menu(
    "&Piece",
    (
        Command("words", "Add words", ("Ctrl+T",), add_words, on=(BOARD,)),
        *ADDING,
        Command("add piece", "Add a piece, seen first", ("Shift+Ins",), window("add pieces")),
        None,
        Command("edit words", "Edit the words", (), window("edit words"), has_coated, (PIECE,)),
        Command("capitals", "Words in capitals", (), _capitals, _has_words, (PIECE,)),
        Command("rename", "Rename", ("F2",), window("rename"), has_piece, (PIECE,)),
        None,
        Command("fit words", "Fit to the board", (), _fit, has_coated, (PIECE,)),
        Choices("Line up", _line_ups, (PIECE,), "choose a piece first"),
        Command("flip across", "Flip left to right", (), _flip("scale_x"), _has_place, (PIECE,)),
        Command("flip down", "Flip top to bottom", (), _flip("scale_y"), _has_place, (PIECE,)),
        None,
        *CLUSTERS,
        None,
        Command("reshuffle", "Reshuffle", ("Alt+R",), _reshuffle, _is_scattered, (PIECE,)),
        None,
        Command("choose ground", "Choose the ground", (), choose_ground, has_ground, (BOARD,)),
        Command("ground picture", "A picture as the ground…", (), ask_ground, has_ground, (BOARD,)),
        None,
        Command(
            "hide",
            "Hide or show the piece",
            ("Alt+H",),
            _switch("shown", "Show or hide"),
            has_piece,
            (PIECE,),
        ),
        Command(
            "hide others",
            "Hide or show all others",
            ("Alt+Shift+H",),
            _hide_others,
            has_piece,
            (PIECE,),
        ),
        Command(
            "lock", "Lock or unlock", ("Alt+L",), _switch("locked", "Lock"), has_piece, (PIECE,)
        ),
        None,
        Command("raise", "Move up", ("Alt+PgUp",), _order(1), has_piece, (PIECE,)),
        Command("lower", "Move down", ("Alt+PgDown",), _order(-1), has_piece, (PIECE,)),
        Command("top", "To the top", (), _order(LAST), has_piece, (PIECE,)),
        Command("foot", "To the bottom", (), _order(-LAST), has_piece, (PIECE,)),
    ),
)
