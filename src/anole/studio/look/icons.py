"""Icons in the theme's colours, sharp at every scale."""

from __future__ import annotations

import functools
from importlib.resources import files

from PyQt6.QtCore import QByteArray, QRectF, Qt
from PyQt6.QtGui import QIcon, QPainter, QPixmap
from PyQt6.QtSvg import QSvgRenderer

from .painting import painting
from .theme import theme


@functools.lru_cache(256)
def _renderer(name: str, colour: str) -> QSvgRenderer:
    text = (files("anole") / "data" / "icons" / f"{name}.svg").read_text()
    return QSvgRenderer(QByteArray(text.replace("currentColor", colour).encode()))


def draw(painter: QPainter, name: str, box: QRectF, colour: str) -> None:
    """Paint an icon into a box."""
    _renderer(name, colour).render(painter, box)


@functools.lru_cache(256)
def _mark_renderer(shapes: str, colour: str) -> QSvgRenderer:
    text = (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 16 16" fill="none" '
        f'stroke="currentColor" stroke-width="1.5" stroke-linejoin="round">{shapes}</svg>'
    )
    return QSvgRenderer(QByteArray(text.replace("currentColor", colour).encode()))


def draw_mark(painter: QPainter, shapes: str, box: QRectF, colour: str) -> None:
    """Paint the mark of a kind of coat into a box."""
    _mark_renderer(shapes, colour).render(painter, box)


def icon(name: str, colour: str | None = None) -> QIcon:
    """One of our icons in a colour, or in that of text."""
    pixmap = QPixmap(48, 48)
    pixmap.fill(Qt.GlobalColor.transparent)
    with painting(pixmap) as painter:
        draw(painter, name, QRectF(0, 0, 48, 48), colour or theme().text)
    return QIcon(pixmap)
