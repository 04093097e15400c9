"""A slider: one knob or two, with its zero marked when its numbers are signed."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...look import theme
from ...look.painting import painting

KNOB = 6


class Slider(QWidget):
    """Positions 0..1. `pulled(index, position, token)`; `stepped(index, steps)` from keys."""

    pulled = pyqtSignal(int, float, object)
    stepped = pyqtSignal(int, float)
    reset = pyqtSignal()

    def __init__(self, knobs: int = 1) -> None:
        super().__init__()
        self._at = [0.0] * knobs
        self._zero: float | None = None
        self._held: int | None = None
        self._last = knobs - 1
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self) -> QSize:
        return QSize(60, 24)

    def minimumSizeHint(self) -> QSize:
        return QSize(36, 24)

    def show_at(self, positions: list[float], zero: float | None = None) -> None:
        """Stand at these shares of its length, its fill from `zero`."""
        self._at = [min(max(p, 0.0), 1.0) for p in positions]
        self._zero = zero
        self.update()

    def _x(self, position: float) -> float:
        return KNOB + 1 + position * (self.width() - 2 * KNOB - 2)

    def _position(self, x: float) -> float:
        return (x - KNOB - 1) / max(self.width() - 2 * KNOB - 2, 1)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            middle = self.height() / 2
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("line"))
            rail = QRectF(self._x(0), middle - 2, self._x(1) - self._x(0), 4)
            painter.drawRoundedRect(rail, 2, 2)
            first = self._zero if len(self._at) == 1 and self._zero is not None else 0.0
            low, high = (
                (min(self._at), max(self._at)) if len(self._at) > 1 else (first, self._at[0])
            )
            low, high = min(low, high), max(low, high)
            painter.setBrush(theme.colour("text" if self.isEnabled() else "dim"))
            lit = QRectF(self._x(low), middle - 2, self._x(high) - self._x(low), 4)
            painter.drawRoundedRect(lit, 2, 2)
            if self._zero is not None and 0 <= self._zero <= 1:
                painter.setBrush(theme.colour("dim"))
                painter.drawRect(QRectF(self._x(self._zero) - 0.75, middle - 7, 1.5, 14))
            for index, position in enumerate(self._at):
                focus = self.hasFocus() and index == self._last
                painter.setPen(QPen(theme.colour("leaf" if focus else "panel"), 2))
                painter.setBrush(theme.colour("text"))
                painter.drawEllipse(QPointF(self._x(position), middle), KNOB, KNOB)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or event.button() != Qt.MouseButton.LeftButton:
            return
        x = event.position().x()
        far = [abs(self._x(p) - x) for p in self._at]
        nearest = [i for i, d in enumerate(far) if d == min(far)]
        # two knobs on one spot part to the side that is pulled
        self._held = nearest[-1] if self._position(x) >= self._at[nearest[-1]] else nearest[0]
        self._last = self._held
        self._token = object()
        self._pull(x)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self._held is not None:
            self._pull(event.position().x())

    def _pull(self, x: float) -> None:
        assert self._held is not None
        position = min(max(self._position(x), 0.0), 1.0)
        self._at[self._held] = position
        self.update()
        self.pulled.emit(self._held, position, self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._held = self._token = None

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        self.reset.emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        signs = {
            Qt.Key.Key_Left: -1,
            Qt.Key.Key_Down: -1,
            Qt.Key.Key_Right: 1,
            Qt.Key.Key_Up: 1,
        }
        sign = signs.get(Qt.Key(event.key()))
        if sign is None:
            super().keyPressEvent(event)
            return
        self.stepped.emit(self._last, sign * key_factor(event.modifiers()))


def key_factor(modifiers: Qt.KeyboardModifier) -> float:
    """Shift times ten, Ctrl a tenth."""
    if modifiers & Qt.KeyboardModifier.ShiftModifier:
        return 10.0
    return 0.1 if modifiers & Qt.KeyboardModifier.ControlModifier else 1.0
