"""The style that a piece wears: carried what was changed into it, stripped back to it, cut loose from
it; and a changed style on the other pieces and boards that wear it."""

from __future__ import annotations

from pathlib import Path

import msgspec
from PyQt6.QtWidgets import QApplication, QFileDialog

from ...core.edit.reaching import reach_folder
from ...core.edit.wearing import cut_loose, is_changed, put_style, reach, style_of, wear_as
from ...core.library.styles import digest
from ...core.model import Style
from ..look.status_bar import nothing
from ..shared.session import Session
from .command import otherwise


def worn_name(session: Session) -> str:
    """The saved style that the chosen piece wears; '' for none."""
    piece = session.selection.coated
    return piece.worn.name if piece is not None and piece.worn is not None else ""


@otherwise("the piece wears no saved style")
def wears(session: Session) -> bool:
    """Whether it wears one that the library has."""
    return session.styles.find(worn_name(session)) is not None


@otherwise("the piece is as its style has it")
def changed(session: Session) -> bool:
    """Whether it wears one and has been changed since."""
    piece = session.selection.coated
    return piece is not None and wears(session) and is_changed(piece)


def strip_back(session: Session) -> None:
    """The piece as the style has it."""
    piece, stored = session.selection.coated, session.styles.find(worn_name(session))
    if piece is not None and stored is not None:
        style, mark = stored.style, digest(stored.style.coats)
        session.document.apply(
            f"Back to {style.name}", lambda b: put_style(b, piece.id, style, mark)
        )


def cut(session: Session) -> None:
    """The piece no longer follows its style."""
    piece = session.selection.coated
    if piece is not None and piece.worn is not None:
        session.document.apply(
            f"Cut loose from {piece.worn.name}", lambda b: cut_loose(b, piece.id)
        )


def carry(session: Session) -> None:
    """Save what was changed on the piece into the style that it wears."""
    piece, stored = session.selection.coated, session.styles.find(worn_name(session))
    if piece is None or stored is None:
        return
    old = stored.style
    made = style_of(session.document.board, piece.id, old.name, setting=old.setting is not None)
    new = msgspec.structs.replace(old, coats=made.coats, setting=made.setting)
    if not session.styles.keep(new):
        return
    session.document.apply(f"Carry into {old.name}", lambda b: wear_as(b, piece.id, new))
    _offer(session, old, new, was_own=stored.own)


def _offer(session: Session, old: Style, new: Style, was_own: bool) -> None:
    """The changed style may reach what wears it; and it may be as it was again."""
    _, there, left = reach(session.document.board, new)
    answers = []
    if there:
        title = f"Reach the other {len(there)}" if len(there) > 1 else "Reach the other one"
        answers.append((title, lambda: _reach_here(session, new)))
    answers.append(("Update the boards of a folder…", lambda: ask_folder(session, new)))
    answers.append(("Undo the change of the style", lambda: _back(session, old, was_own)))
    answers.append(("Only here", nothing))
    own = f" {len(left)} more that wear it have changes of their own and stay." if left else ""
    session.reading.status.ask(f"“{new.name}” is changed in your library.{own}", answers)


def _back(session: Session, old: Style, was_own: bool) -> None:
    if was_own:
        session.styles.keep(old)
    else:
        session.styles.delete(old)


def _reach_here(session: Session, style: Style) -> None:
    session.document.apply(f"{style.name} on all that wear it", lambda b: reach(b, style)[0])


def ask_folder(session: Session, style: Style | None = None) -> None:
    """Put a style on what wears it in the boards of a folder."""
    stored = session.styles.find(worn_name(session))
    style = style or (stored.style if stored else None)
    if style is None:
        return
    name = QFileDialog.getExistingDirectory(
        QApplication.activeWindow(), f"Boards that wear {style.name}"
    )
    if name:
        reach_boards(session, Path(name), style)


def reach_boards(session: Session, folder: Path, style: Style) -> None:
    """The same without asking, in the background; the open board is left to its window."""
    open_here, backup = session.document.path, session.shell.files.backup

    def done(found: object) -> None:
        session.document.said.emit(str(found))

    session.reading.read(
        f"{folder.name}: boards that wear {style.name}",
        lambda stop: reach_folder(folder, style, open_here, backup, stop),
        done,
    )
