"""The board: shown at any zoom; what can be done on it, each stage brings along as tools."""

from __future__ import annotations

import math
from typing import Any

from PyQt6.QtCore import QEvent, QPointF, QRectF, Qt, QTimer
from PyQt6.QtGui import (
    QContextMenuEvent,
    QInputMethodEvent,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QResizeEvent,
    QShowEvent,
    QWheelEvent,
)

from ...core.box import Box
from ...core.render.renderer import Request
from ..look.painting import painting
from ..look.plain import tip
from ..look.view_transform import ViewTransform, filling, fitting
from ..rendering.frames import Frame
from ..shared.session import Session
from . import board_paint
from .board_tool import BoardTool
from .canvas import Canvas

BOARD = "board"
MARGIN, ABOVE = 12, 26
"""Round the whole board, and above it for its size in words."""
ZOOMS = (0.02, 32.0)
STEP = 2**0.5
PATIENCE_MS, HIDDEN_MS = 40, 350
LIT_MS = 1100
"""How long what an undo changed is lit."""


class BoardView(Canvas):
    """Asks for the picture of what can be seen, shows it, and hands events to the tools."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.setObjectName("desk")
        self.setAccessibleName("Board")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self.worker = session.worker
        self.tools: list[BoardTool] = []
        self._tool: BoardTool | None = None
        self._zoom: float | None = None
        self._fills = False
        self._middle = (0.5, 0.5)
        self._from = QPointF()
        self._panning = self._space = False
        self._lit: QRectF | None = None
        self._words = ""
        self._dark = QTimer(self)
        self._dark.setSingleShot(True)
        self._dark.setInterval(LIT_MS)
        self._dark.timeout.connect(lambda: self.light(None))
        self.worker.framed.connect(self._take)
        # handles are drawn with the picture they belong to, or without it when it takes longer
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(PATIENCE_MS)
        self._soon.timeout.connect(self.update)
        # nobody sees it: what is looked at instead goes before
        self._hidden = QTimer(self)
        self._hidden.setSingleShot(True)
        self._hidden.setInterval(HIDDEN_MS)
        self._hidden.timeout.connect(self._ask)
        self.document.changed.connect(self._follow)
        self.selection.changed.connect(self.update)

    # where the board lies

    def transform_now(self) -> ViewTransform:
        board = self.document.shown
        if self._zoom is None:
            size = (board.width, board.height, self.width(), self.height())
            return filling(*size) if self._fills else fitting(*size, MARGIN, ABOVE)
        z = self._zoom
        mx, my = self._middle[0] * board.width, self._middle[1] * board.height
        return ViewTransform(z, self.width() / 2 - mx * z, self.height() / 2 - my * z)

    def set_zoom(self, zoom: float | None, around: QPointF | None = None) -> None:
        """A fixed zoom, or None to fit; the point under `around` stays where it is."""
        board = self.document.shown
        old = self.transform_now()
        spot = around or QPointF(self.width() / 2, self.height() / 2)
        x, y = old.to_board(spot)
        self._fills = False
        self._zoom = None if zoom is None else min(max(zoom, ZOOMS[0]), ZOOMS[1])
        if self._zoom is not None:
            mx = x + (self.width() / 2 - spot.x()) / self._zoom
            my = y + (self.height() / 2 - spot.y()) / self._zoom
            self._middle = (mx / board.width, my / board.height)
        self.refresh()

    def light(self, area: QRectF | None, words: str = "") -> None:
        """Light an area of the board, board px, for a moment, with words at the view's foot; None: no
        more."""
        self._lit, self._words = area, words
        self._dark.start() if area is not None else self._dark.stop()
        self.update()

    def fill(self) -> None:
        """As large as leaves nothing of the view empty."""
        self._zoom, self._fills = None, True
        self.refresh()

    def step_zoom(self, steps: float) -> None:
        """Nearer or farther by so many steps."""
        self.set_zoom(self.transform_now().zoom * STEP**steps)

    def refresh(self) -> None:
        """Ask for a new picture of what can be seen, and draw the old one there till it comes."""
        self._ask_when_seen()
        self.update()

    def _follow(self) -> None:
        self._ask_when_seen()
        if not self._soon.isActive():
            self._soon.start()

    def _ask_when_seen(self) -> None:
        if self.isVisible():
            self._ask()
        else:
            self._hidden.start()
        self.zoomed.emit(self.transform_now().zoom)

    def showEvent(self, event: QShowEvent | None) -> None:
        super().showEvent(event)
        self._hidden.stop()
        self.refresh()

    def _ask(self) -> None:
        request = self._request()
        if request is not None:
            self.worker.show(request)

    def _request(self) -> Request | None:
        board, now = self.document.shown, self.transform_now()
        scale = now.zoom * self.devicePixelRatioF()
        ratio = self.devicePixelRatioF()
        whole = Box(0, 0, max(1, round(board.width * scale)), max(1, round(board.height * scale)))
        seen = Box(
            math.floor(-now.x * ratio),
            math.floor(-now.y * ratio),
            math.ceil((self.width() - now.x) * ratio),
            math.ceil((self.height() - now.y) * ratio),
        )
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
        now = self.transform_now()
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            board_paint.paint(
                painter, self.rect(), self.document.shown, self.frame, now, self.devicePixelRatioF()
            )
            for tool in reversed(self.tools):
                tool.paint(painter, now)
            if self._lit is not None:
                board_paint.paint_lit(painter, now.rect(*self._lit.getRect()))
                board_paint.paint_words(painter, self.rect(), self._words)

    # by hand

    def set_tools(self, tools: list[BoardTool]) -> None:
        """What can be done on the board from now on; the first is asked first."""
        for tool in self.tools:
            if tool not in tools:
                tool.leave()
        self.tools, self._tool = tools, None
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
        self._tool = next((h for h in self.tools if h.press(at, event.modifiers())), None)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        at = event.position()
        if self._panning:
            self._pan(at - self._from)
            self._from = at
        elif self._tool is not None:
            self._tool.pull(at, event.modifiers())
        else:
            shown = next((f for h in self.tools if (f := h.hover(at)) is not None), None)
            shape, hint = shown or (Qt.CursorShape.ArrowCursor, "")
            self.setToolTip(tip(hint))
            self.setCursor(shape)

    def _pan(self, by: QPointF) -> None:
        now, board = self.transform_now(), self.document.shown
        self._zoom = now.zoom
        mx = (self.width() / 2 - now.x - by.x()) / now.zoom / board.width
        my = (self.height() / 2 - now.y - by.y()) / now.zoom / board.height
        self._middle = (mx, my)
        self.refresh()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        tool, self._tool, self._panning = self._tool, None, False
        if tool is not None:
            tool.release()
        self.update()
        self.unsetCursor()

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and event.button() == Qt.MouseButton.LeftButton:
            if not any(tool.twice(event.position()) for tool in self.tools):
                self.mousePressEvent(event)

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        """First choose what lies under the pointer; the menu is about that then."""
        if event is not None:
            at = QPointF(event.pos())
            kind = next((k for tool in self.tools if (k := tool.ask_menu(at)) is not None), BOARD)
            self.session.shell.show_menu(kind, event.globalPos())

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        if event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            factor = 1.0015 ** event.angleDelta().y()
            self.set_zoom(self.transform_now().zoom * factor, event.position())
        elif not any(t.wheel(event.position(), event.angleDelta().y()) for t in self.tools):
            self._pan(QPointF(event.angleDelta()) / 3)

    # by key

    def event(self, event: QEvent | None) -> bool:
        """Keys that a tool wants (typing) come before the window's shortcuts."""
        if event is not None and event.type() == QEvent.Type.ShortcutOverride:
            if any(tool.wants(event) for tool in self.tools):  # type: ignore[arg-type]
                event.accept()
                return True
        return super().event(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if any(tool.key(event) for tool in self.tools):
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
        if event is not None and not any(tool.input_method(event) for tool in self.tools):
            super().inputMethodEvent(event)

    def inputMethodQuery(self, query: Qt.InputMethodQuery) -> Any:
        answer = next((f for h in self.tools if (f := h.input_query(query)) is not None), None)
        return super().inputMethodQuery(query) if answer is None else answer
