"""The board: shown at any zoom, with pieces to choose, move and scale by hand."""

from __future__ import annotations

import functools
import math

import msgspec
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import (
    QBrush,
    QColor,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QPixmap,
    QPolygonF,
    QResizeEvent,
    QWheelEvent,
)  # fmt: skip
from PyQt6.QtWidgets import QWidget

from ..core.box import Box
from ..core.edit.pieces import change_piece
from ..core.model import Length, Lettering
from ..core.pieces.lettering import block_corners
from ..core.render.renderer import Request
from . import theme
from .document import Document
from .view_transform import ViewTransform, fitting
from .worker import Frame, Worker

MARGIN = 26
HANDLE = 9
ZOOMS = (0.02, 32.0)
ARROWS = {
    Qt.Key.Key_Left: (-1, 0), Qt.Key.Key_Right: (1, 0),
    Qt.Key.Key_Up: (0, -1), Qt.Key.Key_Down: (0, 1),
}  # fmt: skip


@functools.lru_cache(2)
def _checks(dark: str, light: str) -> QBrush:
    tile = QPixmap(24, 24)
    tile.fill(QColor(dark))
    painter = QPainter(tile)
    painter.fillRect(0, 0, 12, 12, QColor(light))
    painter.fillRect(12, 12, 12, 12, QColor(light))
    painter.end()
    return QBrush(tile)


def checks() -> QBrush:
    """What shows where nothing is painted."""
    return _checks(theme.theme().sunk, theme.theme().raised)


class BoardView(QWidget):
    """`framed`: a new picture is up; `pointed`: the board was clicked at (x, y) px."""

    framed = pyqtSignal()
    zoomed = pyqtSignal(float)
    pointed = pyqtSignal(float, float)
    opened = pyqtSignal()

    def __init__(self, document: Document, worker: Worker) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setAccessibleName("Board")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self.document, self.worker = document, worker
        self.frame: Frame | None = None
        self.arranging = True
        self._zoom: float | None = None
        self._middle = (0.5, 0.5)
        self._drag: object | None = None
        self._grip: str | None = None
        self._from = QPointF()
        self._start: Lettering | None = None
        self._panning = self._space = False
        worker.framed.connect(self._take)
        document.changed.connect(self.refresh)
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
        """Ask for a new picture of what can be seen."""
        request = self._request()
        if request is not None:
            self.worker.ask(request)
        self.zoomed.emit(self.transform_now().zoom)
        self.update()

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
        self.frame = frame
        self.update()
        self.framed.emit()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self.refresh()

    # painting

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.fillRect(self.rect(), theme.colour("desk"))
        board, now = self.document.shown, self.transform_now()
        area = now.rect(0, 0, board.width, board.height)
        painter.fillRect(area.intersected(QRectF(self.rect())), checks())
        if self.frame is not None:
            painter.drawImage(
                self._frame_rect(now), self.frame.image, QRectF(self.frame.image.rect())
            )
        painter.setPen(QPen(theme.colour("line"), 1))
        painter.drawRect(area.adjusted(-0.5, -0.5, 0.5, 0.5))
        painter.setPen(theme.colour("dim"))
        painter.setFont(theme.font(11))
        label = f"{board.width} × {board.height}"
        painter.drawText(QPointF(max(area.x(), 6), max(area.y() - 8, 14)), label)
        if self.arranging:
            self._paint_chosen(painter, now)

    def _frame_rect(self, now: ViewTransform) -> QRectF:
        assert self.frame is not None
        box, scale = self.frame.box, self.frame.scale
        return now.rect(box.x0 / scale, box.y0 / scale, box.width / scale, box.height / scale)

    def corners(self) -> list[QPointF]:
        """The chosen lettering's box in widget px, clockwise from the top left."""
        piece = self.document.piece
        if piece is None or not piece.text.strip():
            return []
        now = self.transform_now()
        return [now.to_widget(x, y) for x, y in block_corners(piece, self.document.board)]

    def _paint_chosen(self, painter: QPainter, now: ViewTransform) -> None:
        corners = self.corners()
        if not corners:
            return
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for pen in (QPen(theme.colour("desk", 0.6), 3), QPen(theme.colour("leaf"), 1.4)):
            painter.setPen(pen)
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawPolygon(QPolygonF(corners))
        painter.setBrush(theme.colour("leaf"))
        painter.setPen(QPen(theme.colour("desk"), 1))
        for corner in corners:
            painter.drawRect(QRectF(corner.x() - 4, corner.y() - 4, 8, 8))

    # by hand

    def _hit(self, at: QPointF) -> Lettering | None:
        """The topmost shown lettering whose box lies under a point."""
        x, y = self.transform_now().to_board(at)
        for piece in reversed(self.document.board.pieces):
            if isinstance(piece, Lettering) and piece.shown and piece.text.strip():
                box = QPolygonF([QPointF(*p) for p in block_corners(piece, self.document.board)])
                if box.containsPoint(QPointF(x, y), Qt.FillRule.WindingFill):
                    return piece
        return None

    def _grip_at(self, at: QPointF) -> str | None:
        for corner in self.corners():
            if (corner - at).manhattanLength() <= HANDLE:
                return "corner"
        return None

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._from = event.position()
        if event.button() == Qt.MouseButton.MiddleButton or self._space:
            self._panning = True
            self.setCursor(Qt.CursorShape.ClosedHandCursor)
            return
        if event.button() != Qt.MouseButton.LeftButton:
            return
        self.pointed.emit(*self.transform_now().to_board(event.position()))
        if not self.arranging:
            return
        self._grip = self._grip_at(event.position())
        if self._grip is None:
            hit = self._hit(event.position())
            if hit is not None:
                self.document.choose(hit.id)
                self._grip = None if hit.locked else "move"
        self._start = self.document.piece if self._grip else None
        self._drag = object()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        at = event.position()
        if self._panning:
            self._pan(at - self._from)
            self._from = at
        elif self._start is not None:
            self._pull(at)
        elif self.arranging:
            on_corner = self._grip_at(at) is not None
            shape = Qt.CursorShape.SizeFDiagCursor if on_corner else Qt.CursorShape.ArrowCursor
            self.setCursor(shape)

    def _pan(self, by: QPointF) -> None:
        now, board = self.transform_now(), self.document.shown
        self._zoom = now.zoom
        mx = (self.width() / 2 - now.x - by.x()) / now.zoom / board.width
        my = (self.height() / 2 - now.y - by.y()) / now.zoom / board.height
        self._middle = (mx, my)
        self.refresh()

    def _pull(self, at: QPointF) -> None:
        start = self._start
        assert start is not None
        now = self.transform_now()
        if self._grip == "move":
            if self._drag and (at - self._from).manhattanLength() < 3:
                return
            x = round(start.place.x + (at.x() - self._from.x()) / now.zoom, 1)
            y = round(start.place.y + (at.y() - self._from.y()) / now.zoom, 1)
            place = msgspec.structs.replace(start.place, x=x, y=y)
            self.document.apply(
                "Move", lambda b: change_piece(b, start.id, place=place), self._drag
            )
            return
        home = now.to_widget(start.place.x, start.place.y)
        before = max(math.hypot(self._from.x() - home.x(), self._from.y() - home.y()), 4.0)
        ratio = math.hypot(at.x() - home.x(), at.y() - home.y()) / before
        unit = start.size.unit
        size = Length(min(max(start.size.value * ratio, 1.0), 32_000), unit)
        size = Length(round(size.value, 1 if unit == "px" else 3), unit)
        self.document.apply("Size", lambda b: change_piece(b, start.id, size=size), self._drag)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._panning, self._start, self._grip, self._drag = False, None, None, None
        self.unsetCursor()

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self.arranging and self._hit(event.position()):
            self.opened.emit()

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        if event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            factor = 1.0015 ** event.angleDelta().y()
            self.set_zoom(self.transform_now().zoom * factor, event.position())
        else:
            self._pan(QPointF(event.angleDelta()) / 3)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        key = Qt.Key(event.key())
        if key == Qt.Key.Key_Space:
            self._space = True
            self.setCursor(Qt.CursorShape.OpenHandCursor)
        elif key in ARROWS and self.arranging and self.document.piece is not None:
            step = 10 if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1
            self._nudge(ARROWS[key][0] * step, ARROWS[key][1] * step)
        else:
            super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Space:
            self._space = False
            self.unsetCursor()
        super().keyReleaseEvent(event)

    def _nudge(self, dx: int, dy: int) -> None:
        piece = self.document.piece
        if piece is None or piece.locked:
            return
        place = msgspec.structs.replace(piece.place, x=piece.place.x + dx, y=piece.place.y + dy)
        self.document.apply("Nudge", lambda b: change_piece(b, piece.id, place=place), "nudge")

    def grab_image(self) -> QImage | None:
        return self.frame.image if self.frame else None
