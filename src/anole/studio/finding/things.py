"""What there is: pieces and coats of the board, styles of the library, fonts."""

from __future__ import annotations

import functools
from collections.abc import Iterator

from ...core.coats.registry import kind_of as coat_kind
from ...core.edit.pieces import change_piece
from ...core.lettering.fonts import families
from ...core.model import Board, Font
from ...core.model.nesting import every
from ...core.pieces.registry import kind_of
from ..commands.dressing import dressed, wear
from ..shared.session import Session
from ..shared.shell import Stage
from .entry import FinderEntry


def pieces(session: Session) -> Iterator[FinderEntry]:
    """All of the board, topmost first."""
    for piece in reversed(list(every(session.document.board.pieces))):
        yield FinderEntry(
            "piece",
            piece.name or kind_of(piece).title,
            kind_of(piece).title,
            functools.partial(_choose_piece, piece=piece.id),
        )


def coats(session: Session) -> Iterator[FinderEntry]:
    """Those of the chosen piece, topmost first."""
    piece = session.selection.coated
    if piece is None:
        return
    for coat in reversed(piece.style):
        title = coat_kind(coat).title
        yield FinderEntry(
            "coat",
            coat.name or title,
            title,
            functools.partial(_choose_coat, piece=piece.id, coat=coat.id),
        )


def _choose_piece(session: Session, piece: str) -> None:
    session.selection.choose(piece)


def _choose_coat(session: Session, piece: str, coat: str) -> None:
    session.shell.show_stage(Stage.COAT)
    session.selection.choose(piece, coat)


def styles(session: Session) -> Iterator[FinderEntry]:
    """All of the library, put on the chosen piece."""
    piece = session.selection.coated
    if piece is None:
        return
    for one in session.styles.entries:
        kind = "your own style" if one.own else "style"
        about = "  ".join((kind, ", ".join(one.style.words), one.style.notes)).strip()
        yield FinderEntry(
            "style",
            one.style.name,
            about,
            functools.partial(wear, style=one.style),
            functools.partial(dressed, style=one.style),
        )


def fonts(session: Session) -> Iterator[FinderEntry]:
    """Every family, for the chosen words."""
    words = session.selection.lettering
    if words is None:
        return
    for family in families():
        font = Font(family=family)

        def worn(session: Session, font: Font = font) -> Board:
            return change_piece(session.document.board, words.id, font=font)

        def take(session: Session, font: Font = font) -> None:
            session.document.apply(
                f"Font: {font.family}", lambda b: change_piece(b, words.id, font=font)
            )

        yield FinderEntry("font", family, "", take, worn)
