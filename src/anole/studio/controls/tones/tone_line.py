"""The line of curves or levels: light that comes in along the foot, light that goes out up the
side, and on both how much of it there is in the picture."""

from __future__ import annotations

from typing import Any

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QKeyEvent,
    QLinearGradient,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QPolygonF,
)
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.arrays import Values
from ...look import theme
from ...look.painting import painting
from ..base.slider import key_factor
from .histogram import BINS, passed
from .tone_handles import PULLED, ToneHandle, line_of

PAD, SIDE, BAR, REACH = 6.0, 30.0, 5.0, 12.0
"""px round the field, of the histogram beside it, of the bars of light, and within which a point is
taken."""
STEPS = 128
FINER = 16
"""Places of a bin that are led through the line."""
MOVES = {
    Qt.Key.Key_Left: (-1, 0),
    Qt.Key.Key_Right: (1, 0),
    Qt.Key.Key_Up: (0, 1),
    Qt.Key.Key_Down: (0, -1),
}


class ToneLine(QWidget):
    """`edited(operation, token)`; `bins` : how much of each lightness comes in."""

    edited = pyqtSignal(object, object)
    seen = pyqtSignal()

    def __init__(self, op: Any) -> None:
        super().__init__()
        self.op, self.index = op, 0
        self.bins = np.zeros(BINS)
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Light in and out: Page Up and Down choose a point, arrows move it")
        self.setToolTip(
            "Along the foot: light as it is, and how much of it there is. Up the side: as it becomes. "
            "Pull the points"
        )
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(220, 168)

    def minimumSizeHint(self) -> QSize:
        return QSize(140, 168)

    def field(self) -> QRectF:
        """Where light comes in from 0 to 1 across and goes out from 0 to 1 upward."""
        right = self.width() - PAD - SIDE - BAR - 3
        low = self.height() - PAD - SIDE - BAR - 3
        return QRectF(QPointF(PAD, PAD), QPointF(right, low))

    def handles(self) -> list[ToneHandle]:
        """The points of its line that can be pulled."""
        return PULLED[type(self.op)].handles(self.op)

    def spot(self, handle: ToneHandle) -> QPointF:
        """Where such a point lies, in px."""
        box = self.field()
        x, y = (min(max(v, 0.0), 1.0) for v in (handle.x, handle.y))
        return QPointF(box.left() + x * box.width(), box.bottom() - y * box.height())

    def show_op(self, op: Any) -> None:
        """Show the line of a tone."""
        self.op = op
        self.update()

    def show_bins(self, bins: Values) -> None:
        """Show how many px have each level beneath it."""
        self.bins = bins
        self.update()

    def showEvent(self, event: object) -> None:
        self.seen.emit()

    # painting

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            box = self.field()
            painter.fillRect(box, theme.colour("sunk"))
            painter.setPen(QPen(theme.colour("line"), 1))
            for n in range(5):
                x, y = box.left() + box.width() * n / 4, box.top() + box.height() * n / 4
                painter.drawLine(QPointF(x, box.top()), QPointF(x, box.bottom()))
                painter.drawLine(QPointF(box.left(), y), QPointF(box.right(), y))
            self._histograms(painter, box)
            across = np.linspace(0, 1, STEPS + 1)
            up = np.clip(line_of(self.op, across), 0, 1)
            points = [
                QPointF(box.left() + a * box.width(), box.bottom() - b * box.height())
                for a, b in zip(across.tolist(), up.tolist(), strict=True)
            ]
            painter.setPen(QPen(theme.colour("text"), 1.8))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawPolyline(QPolygonF(points))
            for number, handle in enumerate(self.handles()):
                chosen = number == self.index and self.hasFocus()
                painter.setPen(QPen(theme.colour("desk"), 1))
                painter.setBrush(theme.colour("leaf" if chosen else "text"))
                painter.drawEllipse(self.spot(handle), 4.5, 4.5)

    def _histograms(self, painter: QPainter, box: QRectF) -> None:
        """What comes in hangs below the field, what goes out lies beside it."""
        middles = (np.arange(BINS * FINER) + 0.5) / (BINS * FINER)
        out = passed(self.bins, np.clip(line_of(self.op, middles), 0, 1))
        foot = QRectF(box.left(), box.bottom() + 2, box.width(), BAR)
        side = QRectF(box.right() + 2, box.top(), BAR, box.height())
        _bar(painter, foot, foot.topLeft(), foot.topRight())
        _bar(painter, side, side.bottomLeft(), side.topLeft())
        painter.setRenderHint(QPainter.RenderHint.Antialiasing, False)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("dim"))
        step = box.width() / BINS
        for n, share in enumerate(np.sqrt(self.bins).tolist()):
            high = share * (SIDE - 2)
            painter.drawRect(QRectF(box.left() + n * step, foot.bottom() + 1, step, high))
        painter.setBrush(theme.colour("leaf"))
        step = box.height() / BINS
        for n, share in enumerate(np.sqrt(out).tolist()):
            wide = share * (SIDE - 2)
            top = box.bottom() - (n + 1) * step
            painter.drawRect(QRectF(side.right() + 1, top, wide, step))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)

    # by hand and by key

    def _place(self, at: QPointF) -> tuple[float, float]:
        box = self.field()
        x = (at.x() - box.left()) / max(box.width(), 1)
        return x, (box.bottom() - at.y()) / max(box.height(), 1)

    def _send(self, x: float, y: float, token: object | None) -> None:
        name = self.handles()[self.index].name
        made = PULLED[type(self.op)].moved(self.op, name, x, y)
        if made != self.op:
            self.show_op(made)
            self.edited.emit(made, token)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        far = [(self.spot(h) - event.position()).manhattanLength() for h in self.handles()]
        best = min(range(len(far)), key=far.__getitem__)
        if far[best] > REACH * 1.4:
            # between two points the one that is nearer across is meant
            across = [abs(self.spot(h).x() - event.position().x()) for h in self.handles()]
            best = min(range(len(across)), key=across.__getitem__)
        self.index, self._token = best, object()
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self._token is not None:
            self._send(*self._place(event.position()), self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._token = None

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        """The point as it was at first."""
        first = PULLED[type(self.op)].handles(type(self.op)())[self.index]
        self._send(first.x, first.y, None)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        handles, key = self.handles(), Qt.Key(event.key())
        if key in (Qt.Key.Key_PageUp, Qt.Key.Key_PageDown):
            self.index = (self.index + (1 if key == Qt.Key.Key_PageDown else -1)) % len(handles)
            self.update()
        elif key in MOVES:
            by, held = 0.01 * key_factor(event.modifiers()), handles[self.index]
            self._send(held.x + MOVES[key][0] * by, held.y + MOVES[key][1] * by, None)
        else:
            super().keyPressEvent(event)


def _bar(painter: QPainter, box: QRectF, dark: QPointF, light: QPointF) -> None:
    shades = QLinearGradient(dark, light)
    shades.setColorAt(0, Qt.GlobalColor.black)
    shades.setColorAt(1, Qt.GlobalColor.white)
    painter.fillRect(box, shades)
