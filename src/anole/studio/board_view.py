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
from ..core.edit.snapping import Guide, extent, guides, snap
from ..core.model import Lettering
from ..core.pieces.lettering import block_corners
from ..core.render.renderer import Request
from . import theme
from .arrange.handles import HINTS, Handle, handle_at, handles, pulled
from .arrange.handles import paint as paint_handles
from .document import Document
from .view_transform import ViewTransform, fitting
from .worker import Frame, Worker

MARGIN = 26
SNAP = 7
STEPS = {
    "corner": "Size", "side": "Stretch", "turn": "Turn", "camber": "Bend a rail",
    "slope": "Tilt a rail",
}  # fmt: skip
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
        self._grip: Handle | None = None
        self._moving = False
        self._lines: list[Guide] = []
        self._guides: tuple[Guide, ...] = ()
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
        piece = self.document.piece
        if self.arranging and piece is not None and piece.shown and piece.text.strip():
            paint_handles(painter, piece, board, now)
        self._paint_guides(painter, now)

    def _frame_rect(self, now: ViewTransform) -> QRectF:
        assert self.frame is not None
        box, scale = self.frame.box, self.frame.scale
        return now.rect(box.x0 / scale, box.y0 / scale, box.width / scale, box.height / scale)

    def _paint_guides(self, painter: QPainter, now: ViewTransform) -> None:
        """Thin lines that the moved words lie on, with the distance to the board's border."""
        board = self.document.shown
        painter.setFont(theme.font(11))
        for guide in self._guides:
            painter.setPen(QPen(theme.colour("coral"), 1))
            if guide.across:
                start, end = now.to_widget(guide.at, 0), now.to_widget(guide.at, board.height)
            else:
                start, end = now.to_widget(0, guide.at), now.to_widget(board.width, guide.at)
            painter.drawLine(start, end)
            painter.setPen(theme.colour("text"))
            word = f"{guide.name} {guide.at:.0f}"
            painter.drawText(start + (QPointF(4, -6) if guide.across else QPointF(4, -4)), word)

    def handles(self) -> list[Handle]:
        """What the chosen words can be pulled by, in widget px."""
        piece = self.document.piece
        if piece is None or piece.locked or not piece.text.strip():
            return []
        return handles(piece, self.document.board, self.transform_now())

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
        self._grip = handle_at(self.handles(), event.position())
        self._moving = False
        if self._grip is None:
            hit = self._hit(event.position())
            if hit is not None:
                self.document.choose(hit.id)
                self._moving = not hit.locked
        self._start = self.document.piece if self._grip or self._moving else None
        self._lines = guides(self.document.board, self._start.id) if self._start else []
        self._drag = object()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        at = event.position()
        if self._panning:
            self._pan(at - self._from)
            self._from = at
        elif self._start is not None:
            self._pull(at, event.modifiers())
        elif self.arranging:
            grip = handle_at(self.handles(), at)
            self.setToolTip(HINTS[grip.kind] if grip else "")
            shape = Qt.CursorShape.SizeAllCursor if grip else Qt.CursorShape.ArrowCursor
            self.setCursor(shape)

    def _pan(self, by: QPointF) -> None:
        now, board = self.transform_now(), self.document.shown
        self._zoom = now.zoom
        mx = (self.width() / 2 - now.x - by.x()) / now.zoom / board.width
        my = (self.height() / 2 - now.y - by.y()) / now.zoom / board.height
        self._middle = (mx, my)
        self.refresh()

    def _pull(self, at: QPointF, modifiers: Qt.KeyboardModifier) -> None:
        start = self._start
        assert start is not None
        if self._moving:
            self._move(start, at, bool(modifiers & Qt.KeyboardModifier.ControlModifier))
            return
        assert self._grip is not None
        now = self.transform_now()
        fields = pulled(start, self.document.board, self._grip, now.to_board(self._from),
                        now.to_board(at), modifiers)  # fmt: skip
        if fields:
            name = STEPS[self._grip.kind]
            self.document.apply(name, lambda b: change_piece(b, start.id, **fields), self._drag)

    def _move(self, start: Lettering, at: QPointF, free: bool) -> None:
        """Move with snapping; Ctrl moves freely."""
        by = at - self._from
        if not self._guides and by.manhattanLength() < 3:
            return
        zoom = self.transform_now().zoom
        dx, dy = by.x() / zoom, by.y() / zoom
        x0, y0, x1, y1 = extent(start, self.document.board)
        found = snap((x0 + dx, y0 + dy, x1 + dx, y1 + dy), [] if free else self._lines, SNAP / zoom)
        self._guides = found.guides
        place = msgspec.structs.replace(
            start.place, x=round(start.place.x + dx + found.dx, 2),
            y=round(start.place.y + dy + found.dy, 2),
        )  # fmt: skip
        self.document.apply("Move", lambda b: change_piece(b, start.id, place=place), self._drag)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._panning, self._start, self._grip, self._drag = False, None, None, None
        self._guides = ()
        self.update()
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
