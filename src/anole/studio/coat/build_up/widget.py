"""The build-up: one cut through a letter, on which coats are chosen, pulled and ordered."""

from __future__ import annotations

import time

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, QTimer
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPixmap, QResizeEvent
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.cache import Cache
from ....core.lettering.outline import outline
from ....core.pieces.lettering import core_of
from ... import theme
from ...board_view import BoardView
from ...document import Document
from . import probe
from .axis import Axis, Cut, axis_for, cut_of
from .hand import BandHand, end_at, row_at
from .keys import press_key
from .paint import paint, paint_strip
from .scene import FOOT, LABELS, RULER, STRIP, Scene, tip

MOST_ROW, LEAST_ROW = 62.0, 15.0
WAIT_MS, LATEST = 80, 0.5


class BuildUp(QWidget):
    def __init__(self, document: Document, view: BoardView) -> None:
        super().__init__()
        self.document, self.view = document, view
        self.unit = "px"
        self._cache = Cache(32 * 2**20)
        self._drawn = QPixmap()
        self._drawn_for: object = None
        self._axis: Axis | None = None
        self._cut: Cut | None = None
        self._rows_for = -1
        self._pending = 0.0
        self._probe: probe.Probe | None = None
        self._probed: object = None
        self._clicked: tuple[float, float] | None = None
        self._hand = BandHand(document)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self.setAccessibleName("Build-up of the style")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        # the board's picture comes first: the drawing waits for it, but not long
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(WAIT_MS)
        self._later.timeout.connect(self._redraw)
        view.framed.connect(self._framed)
        document.changed.connect(self.refresh)
        document.chosen.connect(self._other)
        view.pointed.connect(self._pointed)
        self.refresh()

    def sizeHint(self) -> QSize:
        return QSize(320, 420)

    def minimumSizeHint(self) -> QSize:
        coats = self.document.piece.style if self.document.piece else ()
        return QSize(280, int(RULER + 14 + LEAST_ROW * max(len(coats), 4) + FOOT + STRIP + 16))

    # what is drawn

    def refresh(self) -> None:
        piece = self.document.piece
        self._cut = None
        if piece is None:
            self.update()
            return
        if len(piece.style) != self._rows_for:
            self._rows_for = len(piece.style)
            self.updateGeometry()
        self._soon()

    def _soon(self) -> None:
        """Draw when the hand rests, at the latest after a while; what is pulled here, at once."""
        now = time.monotonic()
        if not self._later.isActive():
            self._pending = now
        if self._hand.start is not None or now - self._pending > LATEST:
            self._later.stop()
            self._redraw()
        else:
            self._later.start()

    def _measured(self) -> Cut | None:
        """What the drawing is measured by, found out when it is first asked for."""
        piece, board = self.document.piece, self.document.board
        if self._cut is None and piece is not None:
            letters, _ = probe.measured_on(piece, self.document.coat, board)
            self._cut = cut_of(letters, core_of(letters, board.dpi, self._cache), board.dpi)
        return self._cut

    def _redraw(self) -> None:
        self._describe()
        self.update()

    def _framed(self) -> None:
        self._soon()

    def _describe(self) -> None:
        scene, coat = self.scene(), self.document.coat
        if scene is not None and coat is not None:
            self.setAccessibleDescription(tip(scene, coat))

    def _other(self) -> None:
        self._clicked = self._cut = None
        self.refresh()
        self.update()

    def set_unit(self, unit: str) -> None:
        self.unit = unit
        self.update()

    def _rows(self, count: int) -> tuple[QRectF, ...]:
        room = self.height() - RULER - 14 - FOOT - STRIP - 16
        height = min(max(room / max(count, 1), LEAST_ROW), MOST_ROW)
        low = RULER + 14 + height * count
        width = self.width() - LABELS - 14
        return tuple(QRectF(LABELS, low - height * (n + 1), width, height) for n in range(count))

    def scene(self) -> Scene | None:
        """The drawing as it stands; None when no lettering is chosen."""
        piece, cut = self.document.piece, self._measured()
        if piece is None or cut is None:
            return None
        board = self.document.board
        left, right = LABELS, float(self.width() - 14)
        axis = self._hand.frozen or axis_for(piece.style, cut, board, left, right)
        return Scene(
            piece.style, self._rows(len(piece.style)), axis, cut, board, self.document.coat_id,
            self.unit, None, self.hasFocus(),
        )  # fmt: skip

    def _strip(self, scene: Scene) -> np.ndarray | None:
        piece, frame = self.document.piece, self.view.frame
        if piece is None or frame is None:
            return None
        coat = self.document.coat
        key = (outline(piece, scene.board.dpi).key, coat and coat.plane, self._clicked)
        if key != self._probed:
            self._probe = probe.find(
                piece, coat, scene.board, self._clicked, scene.cut.core, scene.axis.outer
            )
            self._probed = key
        if self._probe is None:
            return None
        xs = np.arange(int(scene.axis.left), int(scene.axis.right)) + 0.5
        return probe.sample(frame, self._probe, scene.axis.positions(xs))

    def paintEvent(self, event: QPaintEvent | None) -> None:
        scene = self.scene()
        if scene is None:
            return
        painter = QPainter(self)
        painter.drawPixmap(0, 0, self._drawing(scene))
        paint_strip(painter, scene._replace(strip=self._strip(scene)))

    def _drawing(self, scene: Scene) -> QPixmap:
        """The drawing without its strip: a new picture of the board changes only the strip."""
        key = (scene, self.size(), self.devicePixelRatioF(), theme.theme().name)
        if key != self._drawn_for:
            ratio = self.devicePixelRatioF()
            self._drawn = QPixmap(self.size() * ratio)
            self._drawn.setDevicePixelRatio(ratio)
            self._drawn.fill(Qt.GlobalColor.transparent)
            painter = QPainter(self._drawn)
            paint(painter, scene)
            painter.end()
            self._drawn_for = key
        return self._drawn

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self.update()

    def _pointed(self, x: float, y: float) -> None:
        if self.isVisible():
            self._clicked = (x, y)
            self.update()

    # by hand and by key

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        scene = self.scene()
        self.setFocus()
        if scene is not None:
            self._hand.press(scene, event.position())

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        scene, at = self.scene(), event.position()
        if scene is None:
            return
        if self._hand.start is None:
            self._point_out(scene, at)
        else:
            self._hand.pull(scene, at)

    def _point_out(self, scene: Scene, at: QPointF) -> None:
        index = row_at(scene, at.y())
        coat = scene.coats[index] if index is not None else None
        self.setToolTip("" if coat is None else tip(scene, coat))
        on_end = coat is not None and end_at(scene, coat, at.x()) is not None
        self.setCursor(Qt.CursorShape.SizeHorCursor if on_end else Qt.CursorShape.ArrowCursor)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._hand.release()
        self.refresh()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if not press_key(self.document, event):
            super().keyPressEvent(event)
