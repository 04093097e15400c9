"""What Ctrl+V does: our own pieces and coats, else pictures, files and words from anywhere."""

from __future__ import annotations

import io
from collections.abc import Callable

from PyQt6.QtCore import QMimeData
from PyQt6.QtGui import QGuiApplication, QImage

from ...core.edit.pieces import add_lettering
from ...core.edit.wearing import put_style
from ...core.files.png_stream import PngStream
from ...core.model import Board
from ...core.paint.image_formats import SVG_TYPE, is_svg
from ..look.pixel_images import memory_of
from ..shared.new_words import style_for_new_words
from ..shared.session import Session
from ..shared.shell import Stage
from . import clipboard
from .dropping import files_in, take, use_asset
from .pasted_words import cut
from .pictures import take_bytes

NAME, PNG_TYPE = "Pasted", "image/png"
BAND = 1 << 20
"""px that are packed at a time."""
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
    read = _artwork(mime) or _picture(mime)
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


Read = tuple[str, Callable[[], bytes]]
"""A name with an ending, and what brings the bytes, for a thread."""


def _artwork(mime: QMimeData) -> Read | None:
    """An SVG, given as such or as its text."""
    data = bytes(mime.data(SVG_TYPE).data()) if mime.hasFormat(SVG_TYPE) else b""
    if not data and mime.hasText():
        text = mime.text().encode()
        data = text if is_svg(text) else b""
    return (f"{NAME}.svg", lambda: data) if data else None


def _picture(mime: QMimeData) -> Read | None:
    """A picture as the other program wrote it, or its px as a PNG."""
    if mime.hasFormat(PNG_TYPE):
        data = bytes(mime.data(PNG_TYPE).data())
        return (f"{NAME}.png", lambda: data) if data else None
    image = mime.imageData() if mime.hasImage() else None
    if not isinstance(image, QImage) or image.isNull():
        return None
    return f"{NAME}.png", lambda: _packed(image)


def _packed(image: QImage) -> bytes:
    """A PNG of the image; some rows at a time, for each call of Qt keeps all other threads waiting."""
    room = io.BytesIO()
    stream = PngStream(room, image.width(), image.height(), image.hasAlphaChannel(), 96.0, level=1)
    rows = max(BAND // max(image.width(), 1), 1)
    for y in range(0, image.height(), rows):
        band = image.copy(0, y, image.width(), min(rows, image.height() - y))
        straight = band.convertToFormat(QImage.Format.Format_RGBA8888)
        stream.rows(memory_of(straight)[:, : image.width()])
    stream.end()
    return room.getvalue()


def _add_words(session: Session, words: str) -> None:
    style = style_for_new_words(session.settings)

    def added(board: Board) -> tuple[Board, str]:
        board, fresh = add_lettering(board, words)
        return put_style(board, fresh, style), fresh

    fresh = session.document.make("Paste words", added)
    if fresh is not None:
        session.shell.show_stage(Stage.ARRANGE)
        session.selection.choose(fresh)
