"""A moulding's cross-section over the ground line, with points to pull."""

from __future__ import annotations

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.field.mouldings import height
from ....core.model import Moulding
from ...look import theme
from ...look.painting import painting
from .slider import key_factor

PAD, REACH = 8.0, 9.0


def section(moulding: Moulding, box: QRectF, steps: int = 96) -> QPolygonF:
    """The cross-section as a closed form standing on the box's lower side."""
    p = np.linspace(0, 1, steps)
    h = height(moulding, p)
    tops = [
        QPointF(box.left() + box.width() * x, box.bottom() - box.height() * y)
        for x, y in zip(p.tolist(), h.tolist(), strict=True)
    ]
    return QPolygonF([box.bottomLeft(), *tops, box.bottomRight()])


class SectionView(QWidget):
    """`edited(moulding, token)`: pulling anything draws a profile of one's own."""

    edited = pyqtSignal(object, object)

    def __init__(self) -> None:
        super().__init__()
        self.moulding = Moulding()
        self.index = 0
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Cross-section: Page Up and Down choose a point, arrows move it")
        self.setToolTip("Pull a point; click beside the points to add one; Delete takes one out")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(220, 104)

    def minimumSizeHint(self) -> QSize:
        return QSize(120, 104)

    def _area(self) -> QRectF:
        return QRectF(self.rect()).adjusted(PAD, PAD + 4, -PAD, -PAD - 8)

    def points(self) -> list[tuple[float, float]]:
        """Those of a drawn profile; of a joiner's, enough to start drawing from."""
        if self.moulding.profile == "drawn":
            return list(self.moulding.points)
        p = np.linspace(0, 1, 7)
        return [
            (round(float(a), 3), round(float(b), 3))
            for a, b in zip(p, height(self.moulding, p), strict=True)
        ]

    def spot(self, point: tuple[float, float]) -> QPointF:
        """Where a point of the unit square lies, in px."""
        area = self._area()
        return QPointF(
            area.left() + point[0] * area.width(), area.bottom() - point[1] * area.height()
        )

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            area = self._area()
            painter.fillRect(self.rect(), theme.colour("sunk"))
            painter.setPen(QPen(theme.colour("dim"), 1))
            low = area.bottom()
            painter.drawLine(QPointF(2, low), QPointF(self.width() - 2, low))
            painter.setPen(QPen(theme.colour("text"), 1.6))
            painter.setBrush(theme.colour("letter"))
            painter.drawPolygon(section(self.moulding, area, 240))
            painter.setFont(theme.font(11))
            painter.setPen(theme.colour("dim"))
            painter.drawText(QPointF(4, self.height() - 3), "outer end")
            wide = painter.fontMetrics().horizontalAdvance("inner end")
            painter.drawText(QPointF(self.width() - wide - 4, self.height() - 3), "inner end")
            for number, point in enumerate(self.points()):
                chosen = number == self.index and self.hasFocus()
                painter.setPen(QPen(theme.colour("desk"), 1))
                painter.setBrush(theme.colour("leaf" if chosen else "text"))
                painter.drawEllipse(self.spot(point), 4, 4)

    def _send(self, points: list[tuple[float, float]], token: object | None) -> None:
        made = msgspec.structs.replace(
            self.moulding, profile="drawn", turned=False, points=tuple(sorted(points))
        )
        self.moulding = made
        self.update()
        self.edited.emit(made, token)

    def _hit(self, at: QPointF) -> int | None:
        far = [(self.spot(p) - at).manhattanLength() for p in self.points()]
        best = min(range(len(far)), key=far.__getitem__)
        return best if far[best] <= REACH * 1.4 else None

    def _place(self, at: QPointF) -> tuple[float, float]:
        area = self._area()
        x = (at.x() - area.left()) / max(area.width(), 1)
        y = (area.bottom() - at.y()) / max(area.height(), 1)
        return round(min(max(x, 0), 1), 3), round(min(max(y, 0), 1), 3)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._token = object()
        hit, points = self._hit(event.position()), self.points()
        if hit is None:
            point = self._place(event.position())
            points = sorted([*points, point])
            hit = points.index(point)
            self._send(points, self._token)
        self.index = hit
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._token is None:
            return
        points = self.points()
        low = points[self.index - 1][0] + 0.002 if self.index else 0.0
        high = points[self.index + 1][0] - 0.002 if self.index + 1 < len(points) else 1.0
        x, y = self._place(event.position())
        points[self.index] = (min(max(x, low), high), y)
        self._send(points, self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._token = None

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        points, key = self.points(), Qt.Key(event.key())
        moves = {
            Qt.Key.Key_Left: (-1, 0),
            Qt.Key.Key_Right: (1, 0),
            Qt.Key.Key_Up: (0, 1),
            Qt.Key.Key_Down: (0, -1),
        }
        if key in (Qt.Key.Key_PageUp, Qt.Key.Key_PageDown):
            self.index = (self.index + (1 if key == Qt.Key.Key_PageDown else -1)) % len(points)
            self.update()
        elif key in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace) and len(points) > 2:
            del points[self.index]
            self.index = max(self.index - 1, 0)
            self._send(points, None)
        elif key in moves:
            by = 0.01 * key_factor(event.modifiers())
            x, y = points[self.index]
            points[self.index] = (
                round(min(max(x + moves[key][0] * by, 0), 1), 3),
                round(min(max(y + moves[key][1] * by, 0), 1), 3),
            )
            self._send(points, None)
        else:
            super().keyPressEvent(event)
