"""Our colours as Qt's."""

from __future__ import annotations

from PyQt6.QtGui import QColor

from ...core.model import Colour


def to_qt(colour: Colour) -> QColor:
    """As Qt has it."""
    return QColor(colour.r, colour.g, colour.b, colour.a)
