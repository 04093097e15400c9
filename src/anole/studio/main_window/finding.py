"""What the finder finds: commands, kinds of coat, coats, styles, pieces and fonts, by words."""

from __future__ import annotations

import functools
import re
from collections.abc import Callable, Iterator
from typing import NamedTuple

from ...core.coats.registry import kind_of as coat_kind
from ...core.edit.pieces import change_piece
from ...core.lettering.fonts import families
from ...core.model import Board, Font
from ...core.model.nesting import every
from ...core.pieces.registry import kind_of
from ..commands import MENUS
from ..commands.coats import add, kinds
from ..commands.dressing import dressed, wear
from ..shared.session import Session
from ..shared.shell import Stage

MOST = 80


class FinderEntry(NamedTuple):
    """`look`: the board with it, for while it is only looked at."""

    kind: str
    title: str
    about: str
    run: Callable[[Session], object]
    look: Callable[[Session], Board | None] = lambda session: None


def everything(session: Session) -> list[FinderEntry]:
    """All that can be found now, in the order in which it is shown."""
    return [
        *_commands(session),
        *_pieces(session),
        *_coats(session),
        *_styles(session),
        *_fonts(session),
    ]


def found(things: list[FinderEntry], words: str) -> list[FinderEntry]:
    """Those in which every word is found, at best at the start of a title."""
    wanted = words.casefold().split()
    ranked = []
    for place, thing in enumerate(things):
        title = thing.title.casefold()
        text = f"{title} {thing.kind} {thing.about.casefold()}"
        if all(word in text for word in wanted):
            starts = [not title.startswith(wanted[0])] if wanted else []
            within = [not re.search(rf"\b{re.escape(word)}", title) for word in wanted]
            ranked.append((starts, within, place, thing))
    ranked.sort(key=lambda entry: entry[:3])
    return [entry[3] for entry in ranked[:MOST]]


def _commands(session: Session) -> Iterator[FinderEntry]:
    for menu in MENUS:
        where = menu.title.replace("&", "")
        for command in menu.commands:
            if command.when(session):
                about = "   ".join(t for t in (where, command.shown_keys) if t)
                yield FinderEntry("command", command.title, about, command.run)


def _pieces(session: Session) -> Iterator[FinderEntry]:
    for piece in reversed(list(every(session.document.board.pieces))):
        yield FinderEntry(
            "piece",
            piece.name or kind_of(piece).title,
            kind_of(piece).title,
            functools.partial(_choose_piece, piece=piece.id),
        )


def _coats(session: Session) -> Iterator[FinderEntry]:
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
    for tag, kind in kinds().items():
        yield FinderEntry("coat", f"Add {kind.title}", kind.about, functools.partial(_add, tag=tag))


def _choose_piece(session: Session, piece: str) -> None:
    session.selection.choose(piece)


def _choose_coat(session: Session, piece: str, coat: str) -> None:
    session.shell.show_stage(Stage.COAT)
    session.selection.choose(piece, coat)


def _add(session: Session, tag: str) -> None:
    session.shell.show_stage(Stage.COAT)
    add(session, tag)


def _styles(session: Session) -> Iterator[FinderEntry]:
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


def _fonts(session: Session) -> Iterator[FinderEntry]:
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
