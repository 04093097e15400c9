"""Outlines of words as painter paths, for lists that show words in many fonts."""

from __future__ import annotations

import functools

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QTransform

from ..core.lettering.block import Setting, block
from ..core.model import Font


@functools.lru_cache(256)
def words_path(text: str, font: Font) -> QPainterPath:
    """The words in em, y down, the baseline at 0."""
    curves = block(Setting(text, font, 0.0, 1.0, "start")).curves
    path = QPainterPath()
    path.setFillRule(Qt.FillRule.WindingFill)
    end = None
    for start, first, second, last in curves.tolist():
        if start != end:
            path.moveTo(*start)
        path.cubicTo(*first, *second, *last)
        end = last
    return path


def draw_words(
    painter: QPainter, text: str, font: Font, box: QRectF, colour: QColor, centred: bool = False
) -> None:
    """The words as large as the box allows."""
    path = words_path(text, font)
    ink = path.boundingRect()
    if ink.isEmpty():
        return
    scale = min(box.width() / ink.width(), box.height() / ink.height())
    spare = (box.width() - ink.width() * scale) / 2 if centred else 0.0
    move = QTransform()
    move.translate(box.x() + spare, box.center().y() - ink.height() * scale / 2)
    move.scale(scale, scale)
    move.translate(-ink.x(), -ink.y())
    painter.fillPath(move.map(path), colour)
