"""The coats of the chosen piece."""

from __future__ import annotations

import functools
from typing import Any

from ...core.coats.kind import CoatKind
from ...core.coats.registry import KINDS
from ...core.edit.coats import add_coat, change_coat, move_coat
from ..shared.session import Session
from .command import (
    COAT,
    PIECE,
    Answer,
    Choices,
    Command,
    Menu,
    has_coat,
    has_coated,
    window,
)


def add(session: Session, tag: str) -> None:
    """Add a coat of a kind where it naturally goes, and choose it."""
    piece = session.selection.coated
    if piece is None:
        return
    title = f"Add {kinds()[tag].title}"
    fresh = session.document.make(title, lambda b: add_coat(b, piece.id, tag))
    if fresh is not None:
        session.selection.choose(piece.id, fresh)


def kinds() -> dict[str, CoatKind[Any]]:
    """Every kind of coat by its tag."""
    return {kind.tag: kind for kind in KINDS.values()}


def _kinds(session: Session) -> list[Answer]:
    if session.selection.coated is None:
        return []
    return [Answer(kind.title, functools.partial(add, tag=tag)) for tag, kind in kinds().items()]


def switch(session: Session) -> None:
    """Switch the chosen coat off, or on again."""
    piece, coat = session.selection.piece_id, session.selection.coat
    if piece is not None and coat is not None:
        name = "Switch off" if coat.on else "Switch on"
        session.document.apply(name, lambda b: change_coat(b, piece, coat.id, on=not coat.on))


def carry(session: Session, by: int) -> None:
    """Move the chosen coat up or down in its stack."""
    piece, coat = session.selection.coated, session.selection.coat
    if piece is not None and coat is not None:
        to = min(max(piece.style.index(coat) + by, 0), len(piece.style) - 1)
        session.document.apply("Order coats", lambda b: move_coat(b, piece.id, coat.id, to))


MENU = Menu(
    "C&oat",
    (
        Command("coat", "Add a coat", ("Ins",), window("add coats"), has_coated, (COAT,)),
        Choices("Add a coat of a kind", _kinds, (COAT, PIECE)),
        None,
        Command("switch", "Switch the coat off or on", (), switch, has_coat, (COAT,)),
        Command("carry up", "Move the coat up", (), lambda s: carry(s, 1), has_coat, (COAT,)),
        Command("carry down", "Move the coat down", (), lambda s: carry(s, -1), has_coat, (COAT,)),
    ),
)
