# mypy: disable-error-code="type-abstract"
"""The coats of the chosen piece, and the styles they make."""

from __future__ import annotations

import functools
from typing import Any

from ...core.coats.kind import CoatKind
from ...core.coats.registry import KINDS
from ...core.edit.coats import add_coat, change_coat, move_coat
from ...core.edit.mixing import put_mix
from ...core.edit.wearing import add_style, put_style
from ...core.library import styles
from ...core.model import Board, Style
from ..new_words import remember_style
from ..session import Session
from ..targets import StyleTarget
from .command import (
    COAT,
    PIECE,
    STYLE,
    Choice,
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


def _kinds(session: Session) -> list[Choice]:
    if session.selection.coated is None:
        return []
    return [Choice(kind.title, functools.partial(add, tag=tag)) for tag, kind in kinds().items()]


def dressed(session: Session, style: Style) -> Board | None:
    """The board with a style on the chosen piece; None where nothing is chosen that wears one."""
    piece = session.selection.coated
    if piece is None:
        return None
    return put_style(session.document.board, piece.id, style, styles.digest(style.coats))


def wear(session: Session, style: Style) -> None:
    """Put a style on the chosen piece; the next new words wear it too."""
    piece = session.selection.coated
    if piece is None:
        session.document.said.emit("Choose what the style goes on first.")
        return
    mark = styles.digest(style.coats)
    if session.document.apply(
        f"Style: {style.name}", lambda b: put_style(b, piece.id, style, mark)
    ):
        remember_style(session.settings, style.name)


def lay(session: Session, style: Style, beneath: bool) -> None:
    """Add a style's coats above those of the chosen piece, or beneath them."""
    piece = session.selection.coated
    if piece is None:
        session.document.said.emit("Choose what the style goes on first.")
        return
    where = "beneath" if beneath else "on top"
    session.document.apply(
        f"{style.name}, {where}", lambda b: add_style(b, piece.id, style, beneath)
    )


def mixed_board(session: Session, style: Style, share: float) -> Board | None:
    """The board with so much of a style, 0..1, in the coats of the chosen piece."""
    piece = session.selection.coated
    return None if piece is None else put_mix(session.document.board, piece.id, style, share)


def mix(session: Session, style: Style, share: float) -> None:
    """Mix so much of a style into the coats of the chosen piece; all of it is the style itself."""
    piece = session.selection.coated
    if piece is None or share >= 1:
        wear(session, style)
    elif share > 0:
        name = f"{round(share * 100)} % {style.name}"
        session.document.apply(name, lambda b: put_mix(b, piece.id, style, share))


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


def _style(session: Session) -> StyleTarget | None:
    return session.shell.targets.find(StyleTarget)


def _put_on(session: Session) -> None:
    style = _style(session)
    if style is not None:
        style.put_on()


def _add(session: Session, beneath: bool) -> None:
    style = _style(session)
    if style is not None:
        style.add(beneath)


def _delete_style(session: Session) -> None:
    style = _style(session)
    if style is not None:
        style.delete()


def _is_own(session: Session) -> bool:
    style = _style(session)
    return style is not None and style.is_own


MENU = Menu(
    "C&oat",
    (
        Command("coat", "Add a coat", ("Ins",), window("unfold coats"), has_coated, (COAT,)),
        Choices("Add a coat of a kind", _kinds, (COAT, PIECE)),
        None,
        Command("switch", "Switch the coat off or on", (), switch, has_coat, (COAT,)),
        Command("carry up", "Move the coat up", (), lambda s: carry(s, 1), has_coat, (COAT,)),
        Command("carry down", "Move the coat down", (), lambda s: carry(s, -1), has_coat, (COAT,)),
        None,
        Command(
            "save style",
            "Save style",
            ("Ctrl+Shift+K",),
            window("save style"),
            has_coat,
            (STYLE, PIECE),
        ),
        Command(
            "put on", "Put the style on", (), _put_on, lambda s: _style(s) is not None, (STYLE,)
        ),
        Command(
            "style on top",
            "Add the style on top",
            (),
            lambda s: _add(s, False),
            lambda s: _style(s) is not None,
            (STYLE,),
        ),
        Command(
            "style beneath",
            "Add the style beneath",
            (),
            lambda s: _add(s, True),
            lambda s: _style(s) is not None,
            (STYLE,),
        ),
        Command("delete style", "Delete the style", (), _delete_style, _is_own, (STYLE,)),
    ),
)
