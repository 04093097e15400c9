"""What Ctrl+V does: our own pieces and coats, else pictures, files and words from anywhere."""

from __future__ import annotations

from PyQt6.QtCore import QBuffer, QIODevice, QMimeData
from PyQt6.QtGui import QGuiApplication, QImage

from ..core.edit.pieces import add_lettering
from ..core.edit.wearing import put_style
from ..core.model import Board
from ..core.paint.image_formats import SVG_TYPE, is_svg
from . import clipboard
from .dropping import files_in, take, use_asset
from .new_words import style_for_new_words
from .pictures import take_bytes
from .session import Session
from .shell import Stage

NAME = "Pasted"
MOST_WORDS = 2000
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
    data = _artwork(mime) or _picture(mime)
    if data:
        name = f"{NAME}.svg" if is_svg(data) else f"{NAME}.png"
        take_bytes(session, name, lambda: data, lambda sha: use_asset(session, sha))
        return True
    words = mime.text().strip() if mime.hasText() else ""
    if words:
        _add_words(session, words[:MOST_WORDS])
    return bool(words)


def _artwork(mime: QMimeData) -> bytes:
    """An SVG, given as such or as its text."""
    if mime.hasFormat(SVG_TYPE):
        return bytes(mime.data(SVG_TYPE).data())
    text = mime.text().encode() if mime.hasText() else b""
    return text if is_svg(text) else b""


def _picture(mime: QMimeData) -> bytes:
    """A picture as a PNG."""
    image = mime.imageData() if mime.hasImage() else None
    if not isinstance(image, QImage) or image.isNull():
        return b""
    room = QBuffer()
    room.open(QIODevice.OpenModeFlag.WriteOnly)
    image.save(room, "PNG")
    return bytes(room.data().data())


def _add_words(session: Session, words: str) -> None:
    style = style_for_new_words(session.settings)

    def added(board: Board) -> tuple[Board, str]:
        board, fresh = add_lettering(board, words)
        return put_style(board, fresh, style), fresh

    fresh = session.document.make("Paste words", added)
    if fresh is not None:
        session.shell.show_stage(Stage.ARRANGE)
        session.selection.choose(fresh)
