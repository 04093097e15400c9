"""The board: shown at any zoom; what a hand can do on it, each stage brings along."""

from __future__ import annotations

import math
from typing import Any

from PyQt6.QtCore import QEvent, QPointF, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import (
    QImage,
    QInputMethodEvent,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QResizeEvent,
    QWheelEvent,
)  # fmt: skip
from PyQt6.QtWidgets import QWidget

from ..core.box import Box
from ..core.render.renderer import Request
from . import board_paint
from .document import Document
from .frames import Frame
from .hand import Hand
from .view_transform import ViewTransform, fitting
from .worker import Worker

MARGIN = 26
ZOOMS = (0.02, 32.0)
PATIENCE_MS = 40


class BoardView(QWidget):
    """`framed`: a new picture is up; `pointed`: the board was clicked at (x, y) px;
    `letters_chosen`: the caret or the selection in the words is another."""

    framed = pyqtSignal()
    zoomed = pyqtSignal(float)
    pointed = pyqtSignal(float, float)
    letters_chosen = pyqtSignal()

    def __init__(self, document: Document, worker: Worker) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setAccessibleName("Board")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self.document, self.worker = document, worker
        self.frame: Frame | None = None
        self.hands: list[Hand] = []
        self._hand: Hand | None = None
        self._zoom: float | None = None
        self._middle = (0.5, 0.5)
        self._from = QPointF()
        self._panning = self._space = False
        worker.framed.connect(self._take)
        # handles are drawn with the picture they belong to, or without it when it takes longer
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(PATIENCE_MS)
        self._soon.timeout.connect(self.update)
        document.changed.connect(self._follow)
        document.chosen.connect(self.update)

    # where the board lies

    def transform_now(self) -> ViewTransform:
        board = self.document.shown
        fit = fitting(board.width, board.height, self.width(), self.height(), MARGIN)
        if self._zoom is None:
            return fit
        z = self._zoom
        mx, my = self._middle[0] * board.width, self._middle[1] * board.height
        return ViewTransform(z, self.width() / 2 - mx * z, self.height() / 2 - my * z)

    def set_zoom(self, zoom: float | None, around: QPointF | None = None) -> None:
        """A fixed zoom, or None to fit; the point under `around` stays where it is."""
        board = self.document.shown
        old = self.transform_now()
        spot = around or QPointF(self.width() / 2, self.height() / 2)
        x, y = old.to_board(spot)
        self._zoom = None if zoom is None else min(max(zoom, ZOOMS[0]), ZOOMS[1])
        if self._zoom is not None:
            mx = x + (self.width() / 2 - spot.x()) / self._zoom
            my = y + (self.height() / 2 - spot.y()) / self._zoom
            self._middle = (mx / board.width, my / board.height)
        self.refresh()

    def refresh(self) -> None:
        """Ask for a new picture of what can be seen, and draw the old one there till it comes."""
        self._ask()
        self.update()

    def _follow(self) -> None:
        self._ask()
        if not self._soon.isActive():
            self._soon.start()

    def _ask(self) -> None:
        request = self._request()
        if request is not None:
            self.worker.ask(request)
        self.zoomed.emit(self.transform_now().zoom)

    def _request(self) -> Request | None:
        board, now = self.document.shown, self.transform_now()
        scale = now.zoom * self.devicePixelRatioF()
        ratio = self.devicePixelRatioF()
        whole = Box(0, 0, max(1, round(board.width * scale)), max(1, round(board.height * scale)))
        seen = Box(
            math.floor(-now.x * ratio), math.floor(-now.y * ratio),
            math.ceil((self.width() - now.x) * ratio), math.ceil((self.height() - now.y) * ratio),
        )  # fmt: skip
        window = seen.meet(whole)
        return None if window.empty else Request(board, scale, window)

    def _take(self, frame: Frame) -> None:
        last, self.frame = self.frame, frame
        same_place = last is not None and (last.scale, last.box) == (frame.scale, frame.box)
        if same_place and not self._soon.isActive():
            self._update_part(frame)
        else:
            self.update()
        self._soon.stop()
        self.framed.emit()

    def _update_part(self, frame: Frame) -> None:
        """Draw again only what the new picture changed."""
        fresh, scale = frame.fresh, frame.scale
        if not fresh.empty:
            area = self.transform_now().rect(
                fresh.x0 / scale, fresh.y0 / scale, fresh.width / scale, fresh.height / scale
            )
            self.update(area.toAlignedRect().adjusted(-2, -2, 2, 2))

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self.refresh()

    # painting

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter, now = QPainter(self), self.transform_now()
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        board_paint.paint(
            painter, self.rect(), self.document.shown, self.frame, now, self.devicePixelRatioF()
        )
        for hand in reversed(self.hands):
            hand.paint(painter, now)

    # by hand

    def set_hands(self, hands: list[Hand]) -> None:
        """What can be done on the board from now on; the first is asked first."""
        for hand in self.hands:
            if hand not in hands:
                hand.leave()
        self.hands, self._hand = hands, None
        self.update()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        at = self._from = event.position()
        if event.button() == Qt.MouseButton.MiddleButton or self._space:
            self._panning = True
            self.setCursor(Qt.CursorShape.ClosedHandCursor)
            return
        if event.button() != Qt.MouseButton.LeftButton:
            return
        self.pointed.emit(*self.transform_now().to_board(at))
        self._hand = next((h for h in self.hands if h.press(at, event.modifiers())), None)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        at = event.position()
        if self._panning:
            self._pan(at - self._from)
            self._from = at
        elif self._hand is not None:
            self._hand.pull(at, event.modifiers())
        else:
            found = next((f for h in self.hands if (f := h.hover(at)) is not None), None)
            shape, hint = found or (Qt.CursorShape.ArrowCursor, "")
            self.setToolTip(hint)
            self.setCursor(shape)

    def _pan(self, by: QPointF) -> None:
        now, board = self.transform_now(), self.document.shown
        self._zoom = now.zoom
        mx = (self.width() / 2 - now.x - by.x()) / now.zoom / board.width
        my = (self.height() / 2 - now.y - by.y()) / now.zoom / board.height
        self._middle = (mx, my)
        self.refresh()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        hand, self._hand, self._panning = self._hand, None, False
        if hand is not None:
            hand.release()
        self.update()
        self.unsetCursor()

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and event.button() == Qt.MouseButton.LeftButton:
            if not any(hand.twice(event.position()) for hand in self.hands):
                self.mousePressEvent(event)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        if event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            factor = 1.0015 ** event.angleDelta().y()
            self.set_zoom(self.transform_now().zoom * factor, event.position())
        else:
            self._pan(QPointF(event.angleDelta()) / 3)

    # by key

    def event(self, event: QEvent | None) -> bool:
        """Keys that a hand wants (typing) come before the window's shortcuts."""
        if event is not None and event.type() == QEvent.Type.ShortcutOverride:
            if any(hand.wants(event) for hand in self.hands):  # type: ignore[arg-type]
                event.accept()
                return True
        return super().event(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if any(hand.key(event) for hand in self.hands):
            return
        if event.key() == Qt.Key.Key_Space:
            self._space = True
            self.setCursor(Qt.CursorShape.OpenHandCursor)
        else:
            super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Space:
            self._space = False
            self.unsetCursor()
        super().keyReleaseEvent(event)

    def inputMethodEvent(self, event: QInputMethodEvent | None) -> None:
        if event is not None and not any(hand.input_method(event) for hand in self.hands):
            super().inputMethodEvent(event)

    def inputMethodQuery(self, query: Qt.InputMethodQuery) -> Any:
        found = next((f for h in self.hands if (f := h.input_query(query)) is not None), None)
        return super().inputMethodQuery(query) if found is None else found

    def grab_image(self) -> QImage | None:
        return self.frame.image if self.frame else None
