"""What Ctrl+V does: our own pieces and coats, else pictures, files and words from anywhere."""

from __future__ import annotations

from PyQt6.QtCore import QMimeData
from PyQt6.QtGui import QGuiApplication

from ...core.edit.pieces import add_lettering
from ...core.edit.wearing import put_style
from ...core.model import Board
from ..shared.new_words import style_for_new_words
from ..shared.session import Session
from ..shared.shell import Stage
from . import clipboard
from .dropping import files_in, take, use_asset
from .pasted_words import cut
from .pictures import take_bytes
from .readable import picture_in

NOTHING = "There is nothing to paste: copy a piece, a coat, a picture or some words first."


def paste(session: Session) -> None:
    """The first that the clipboard holds of: coat, piece, files, artwork, picture, words."""
    if clipboard.paste(session):
        return
    board = QGuiApplication.clipboard()
    mime = board.mimeData() if board is not None else None
    if mime is None or not _paste_from(session, mime):
        session.document.said.emit(NOTHING)


def _paste_from(session: Session, mime: QMimeData) -> bool:
    """False when there is nothing in it that a board can hold."""
    paths = files_in(mime)
    if paths:
        take(session, paths)
        return True
    read = picture_in(mime)
    if read is not None:
        name, data = read
        take_bytes(session, name, data, lambda sha: use_asset(session, sha))
        return True
    words = mime.text().strip() if mime.hasText() else ""
    if words:
        text, told = cut(words)
        _add_words(session, text)
        if told:
            session.document.said.emit(told)
    return bool(words)


def _add_words(session: Session, words: str) -> None:
    style = style_for_new_words(session.settings)

    def added(board: Board) -> tuple[Board, str]:
        board, fresh = add_lettering(board, words)
        return put_style(board, fresh, style), fresh

    fresh = session.document.make("Paste words", added)
    if fresh is not None:
        session.shell.show_stage(Stage.ARRANGE)
        session.selection.choose(fresh)
