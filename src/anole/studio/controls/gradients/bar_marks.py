"""The marks of a gradient's bar: stops as uprights through the colours with a bead on them, halfway
places as notches in the upper border."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from ....core.model import Colour
from ...look import theme
from ...look.qt_colour import to_qt

CHECK = 6
BEAD, NOTCH = 5.5, 6.0


def paint_checks(painter: QPainter, bar: QRectF) -> None:
    """What shows through clear colours."""
    painter.save()
    painter.setClipRect(bar)
    for column in range(int(bar.width() // CHECK) + 1):
        for row in range(int(bar.height() // CHECK) + 1):
            shade = "dim" if (column + row) % 2 else "sunk"
            corner = QPointF(bar.x() + column * CHECK, bar.y() + row * CHECK)
            painter.fillRect(QRectF(corner.x(), corner.y(), CHECK, CHECK), theme.colour(shade))
    painter.restore()


def paint_upright(painter: QPainter, bar: QRectF, x: float, colour: Colour, chosen: bool) -> None:
    """A stop: through the whole bar, so that its place is seen on the colours themselves."""
    for shade, width in (("desk", 3.6), ("leaf" if chosen else "text", 1.6)):
        painter.setPen(QPen(theme.colour(shade), width, cap=Qt.PenCapStyle.FlatCap))
        painter.drawLine(QPointF(x, bar.top()), QPointF(x, bar.bottom()))
    middle = QPointF(x, bar.center().y())
    painter.setPen(QPen(theme.colour("desk"), 1.2))
    painter.setBrush(theme.colour("leaf" if chosen else "text"))
    painter.drawEllipse(middle, BEAD + 1.6, BEAD + 1.6)
    painter.setPen(QPen(theme.colour("desk"), 1))
    painter.setBrush(to_qt(colour))
    painter.drawEllipse(middle, BEAD, BEAD)


def paint_notch(painter: QPainter, bar: QRectF, x: float) -> None:
    """A halfway place: a bite out of the upper border."""
    top = bar.top() - 1.5
    wedge = QPolygonF(
        [QPointF(x - NOTCH, top), QPointF(x, top + NOTCH + 1.5), QPointF(x + NOTCH, top)]
    )
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(theme.colour("panel"))
    painter.drawPolygon(wedge)
    painter.setPen(QPen(theme.colour("text"), 1.4))
    painter.drawPolyline(wedge)
