"""A number's field that is its own rail: its fill shows where the number stands, and it is pulled."""

from __future__ import annotations

from PyQt6.QtCore import QPoint, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QAction,
    QFocusEvent,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPainterPath,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QLineEdit, QSizePolicy

from ...look import icons, theme
from ...look.painting import painting
from .number_field import NumberField

SLACK, FINE, ROUND, MARK = 3, 0.1, 5.0, 5.0
"""px that a click may shake; what Shift makes of a pull; px of the corners and of the end's marks."""
LEAST = 64


class RailField(NumberField):
    """Places are 0..1 along the rail. `pulled(place, token)` while it is pulled; a click lets one
    type."""

    pulled = pyqtSignal(float, object)

    def __init__(self) -> None:
        super().__init__(LEAST)
        self.setObjectName("rail")
        self.setMinimumWidth(LEAST)
        self.setMaximumWidth(16_777_215)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self._at = 0.0
        self._zero: float | None = None
        self._default: float | None = None
        self._other: float | None = None
        self._off: QAction | None = None
        self._zero_word = ""
        self._typing = False
        self._pressed: QPoint | None = None
        self._start = 0.0
        self._token: object | None = None
        self.setCursor(Qt.CursorShape.SizeHorCursor)

    def sizeHint(self) -> QSize:
        return QSize(140, super().sizeHint().height())

    def offer(self, word: str) -> None:
        """A word for 0: it may be typed, and a button beside any other number puts it there."""
        self.words[word.casefold()] = (0.0, "")
        self._zero_word = word
        self._off = self.addAction(icons.icon("x"), QLineEdit.ActionPosition.TrailingPosition)
        assert self._off is not None
        self._off.setToolTip(word.capitalize())
        self._off.triggered.connect(lambda: self.typed.emit(0.0, ""))

    def show_text(self, text: str) -> None:
        """Show a text, unless one is being typed."""
        super().show_text(text)
        if self._off is not None:
            self._off.setVisible(text != self._zero_word)

    def show_at(
        self,
        at: float,
        zero: float | None = None,
        default: float | None = None,
        other: float | None = None,
    ) -> None:
        """Where the number, its zero and its default stand; beyond the rail they are at its end or
        left out. other : the other end of a span, up to which the rail is filled instead of from 0"""
        self._at = min(max(at, 0.0), 1.0)
        self._zero = zero if zero is not None and 0 < zero < 1 else None
        self._other = None if other is None else min(max(other, 0.0), 1.0)
        self._default = default if default is not None and 0 <= default <= 1 else None
        self.update()

    # looks

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            self._paint_rail(painter)
        super().paintEvent(event)

    def _paint_rail(self, painter: QPainter) -> None:
        box = QRectF(self.rect()).adjusted(0.5, 0.5, -0.5, -0.5)
        outline = QPainterPath()
        outline.addRoundedRect(box, ROUND, ROUND)
        painter.fillPath(outline, theme.colour("raised"))
        if self._typing or not self.isEnabled():
            return
        painter.setClipPath(outline)
        start = self._other if self._other is not None else self._zero or 0.0
        first, last = sorted((self._x(start), self._x(self._at)))
        painter.fillRect(
            QRectF(first, box.top(), last - first, box.height()), theme.colour("leaf", 0.26)
        )
        # above and below the digits, which it would be read as one of
        for top in (box.top(), box.bottom() - MARK):
            end = QRectF(self._x(self._at) - 1, top, 2, MARK)
            painter.fillRect(end, theme.colour("leaf"))
        if self._zero is not None:
            painter.setPen(QPen(theme.colour("dim"), 1))
            x = self._x(self._zero)
            painter.drawLine(int(x), int(box.top()), int(x), int(box.bottom()))
        if self._default is not None:
            x = self._x(self._default)
            notch = QPainterPath()
            notch.moveTo(x - 3.5, box.bottom())
            notch.lineTo(x, box.bottom() - 4.5)
            notch.lineTo(x + 3.5, box.bottom())
            painter.fillPath(notch, theme.colour("dim"))
        painter.setClipping(False)

    def _x(self, place: float) -> float:
        return 1 + place * (self.width() - 2)

    # hands

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or event.button() != Qt.MouseButton.LeftButton or self._typing:
            super().mousePressEvent(event)
            return
        self._pressed, self._start, self._token = event.pos(), self._at, None

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._pressed is None:
            super().mouseMoveEvent(event)
            return
        by = event.pos().x() - self._pressed.x()
        if self._token is None:
            if abs(by) < SLACK:
                return
            self._token = object()
        share = by / max(self.width() - 2, 1)
        if event.modifiers() & Qt.KeyboardModifier.ShiftModifier:
            share *= FINE
        self.pulled.emit(min(max(self._start + share, 0.0), 1.0), self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if self._pressed is None:
            super().mouseReleaseEvent(event)
            return
        clicked, self._pressed, self._token = self._token is None, None, None
        self.setFocus(Qt.FocusReason.MouseFocusReason)
        if clicked:
            self._type(True)
            self.selectAll()

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        self._type(True)
        super().mouseDoubleClickEvent(event)

    def _type(self, on: bool) -> None:
        """While one types there is a caret, and pulling chooses letters."""
        self._typing = on
        self.setCursor(Qt.CursorShape.IBeamCursor if on else Qt.CursorShape.SizeHorCursor)
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        arrows = {Qt.Key.Key_Left: Qt.Key.Key_Down, Qt.Key.Key_Right: Qt.Key.Key_Up}
        if not self._typing and event.key() in arrows:
            turned = arrows[Qt.Key(event.key())]
            event = QKeyEvent(event.type(), turned, event.modifiers())
        super().keyPressEvent(event)
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self._type(False)
        elif event.text() and self.isModified():
            self._type(True)

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        super().focusOutEvent(event)
        self._type(False)
        self.deselect()
