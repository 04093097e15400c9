"""A picture in what other programs put on the clipboard or drag along."""

from __future__ import annotations

import io
from collections.abc import Callable

from PyQt6.QtCore import QMimeData
from PyQt6.QtGui import QImage

from ...core.files.png_stream import PngStream
from ...core.paint.image_formats import SVG_TYPE, is_svg
from ..look.pixel_images import memory_of

NAME, PNG_TYPE = "Pasted", "image/png"
BAND = 1 << 20
"""px that are packed at a time."""
Read = tuple[str, Callable[[], bytes]]
"""A name with an ending, and what brings the bytes, for a thread."""


def picture_in(mime: QMimeData) -> Read | None:
    """Artwork or a picture; None where there is neither."""
    return _artwork(mime) or _picture(mime)


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
