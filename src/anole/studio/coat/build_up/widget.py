"""The build-up: one cut through a letter, on which coats are chosen, pulled and ordered."""

from __future__ import annotations

import contextlib
import time

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, QTimer
from PyQt6.QtGui import (
    QContextMenuEvent,
    QKeyEvent,
    QMouseEvent,
    QPaintEvent,
    QPixmap,
    QResizeEvent,
)
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core import isolation
from ....core.arrays import AnyArray
from ....core.model import Coat, Coated
from ....core.model.nesting import path_to
from ....core.pieces.registry import coated_kind
from ...board.canvas import Canvas
from ...look import theme
from ...look.painting import painting
from ...look.plain import tip
from ...shared.session import Session
from ..measures import Measures
from . import probe, tags
from .axis import axis_for
from .band_tool import BandTool, end_at, row_at
from .keys import press_key
from .paint import paint, paint_lit, paint_strip
from .state import FOOT, LABELS, RULER, STRIP, BuildUpState

MOST_ROW, LEAST_ROW = 62.0, 15.0
WAIT_MS, LATEST = 80, 0.5
LIT_MS = 700
"""How long the coat that an undo changed is lit."""


class BuildUp(QWidget):
    """The cut through a letter, with a row for each coat."""

    def __init__(self, session: Session, view: Canvas, measures: Measures) -> None:
        super().__init__()
        self.session, self.view, self.measures = session, view, measures
        self.document, self.selection = session.document, session.selection
        self.unit = "px"
        self._drawn = QPixmap()
        self._drawn_for: object = None
        self._rows_for = -1
        self._pending = 0.0
        self._probe: probe.Probe | None = None
        self._probed: object = None
        self._clicked: tuple[float, float] | None = None
        self._tool = BandTool(session)
        self._lit: str | None = None
        self._dark = QTimer(self)
        self._dark.setSingleShot(True)
        self._dark.setInterval(LIT_MS)
        self._dark.timeout.connect(lambda: self.light(None))
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
        self.document.changed.connect(self.refresh)
        session.left_out.changed.connect(self.refresh)
        self.selection.changed.connect(self._other)
        view.pointed.connect(self._pointed)
        self.refresh()

    def sizeHint(self) -> QSize:
        return QSize(320, 420)

    def minimumSizeHint(self) -> QSize:
        coats = self.selection.coated.style if self.selection.coated else ()
        places = tags.placed(coats, 280 - 12)
        bands = LEAST_ROW * max(len(coats) - len(places), 4) + tags.height(places)
        return QSize(280, int(RULER + 14 + bands + FOOT + STRIP + 16))

    # what is drawn

    def refresh(self) -> None:
        """Draw what the chosen piece has now."""
        piece = self.selection.coated
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
        if self._tool.start is not None or now - self._pending > LATEST:
            self._later.stop()
            self._redraw()
        else:
            self._later.start()

    def _redraw(self) -> None:
        self._describe()
        self.update()

    def _framed(self) -> None:
        self._soon()

    def _describe(self) -> None:
        state, coat = self.state(), self.selection.coat
        if state is not None and coat is not None:
            self.setAccessibleDescription(state.tip(coat))

    def _other(self) -> None:
        self._clicked = None
        self.refresh()
        self.update()

    def light(self, coat: str | None) -> None:
        """Light a coat for a moment; None: no more."""
        self._lit = coat
        self._dark.start() if coat is not None else self._dark.stop()
        self.update()

    def set_unit(self, unit: str) -> None:
        """Figures of the ruler in px, em or core."""
        self.unit = unit
        self.update()

    def _rows(self, coats: tuple[Coat, ...]) -> tuple[QRectF, ...]:
        """Bands above each other, and below the strip the tags."""
        places = tags.placed(coats, self.width() - 12)
        count = len(coats) - len(places)
        room = self.height() - RULER - 14 - FOOT - STRIP - 16 - tags.height(places)
        height = min(max(room / max(count, 1), LEAST_ROW), MOST_ROW)
        low, width = RULER + 14 + height * max(count, 1), self.width() - LABELS - 14
        below, n, rows = low + FOOT + STRIP + 18, 0, []
        for coat in coats:
            if coat.id in places:
                rows.append(places[coat.id].translated(0, below))
            else:
                n += 1
                rows.append(QRectF(LABELS, low - height * n, width, height))
        return tuple(rows)

    def state(self) -> BuildUpState | None:
        """The drawing as it stands; None when nothing that wears coats is chosen."""
        piece, section = self.selection.coated, self.measures.section()
        if piece is None or section is None:
            return None
        left, right = LABELS, float(self.width() - 14)
        sound = self.session.left_out.sound(piece.style)
        failed = frozenset(coat.id for coat in piece.style if coat not in sound)
        axis = self._tool.frozen or axis_for(sound, section, left, right)
        return BuildUpState(
            piece.style,
            self._rows(piece.style),
            axis,
            section,
            self.selection.coat_id,
            self.unit,
            None,
            self.hasFocus(),
            failed,
            self._unbuilt(piece),
        )

    def _unbuilt(self, piece: Coated) -> frozenset[str]:
        """The coats that what is looked at has not, where that is not the board itself."""
        shown = self.document.shown
        path = path_to(shown.pieces, piece.id) if shown is not self.document.board else ()
        there = path[-1] if path else piece
        style = there.style if isinstance(there, Coated) else piece.style
        return frozenset(coat.id for coat in piece.style) - {coat.id for coat in style}

    def _strip(self, state: BuildUpState) -> AnyArray | None:
        piece, frame, board = self.selection.coated, self.view.frame, self.document.board
        if piece is None or frame is None:
            return None
        coat = self.selection.coat
        outline = coated_kind(piece).outline_key(piece, board.dpi)
        key = (outline, coat and coat.plane, self._clicked, isolation.FETCHER.arrivals)
        if key != self._probed:
            core, outer = state.section.core, state.axis.outer
            with contextlib.suppress(isolation.NotYet):
                self._probe = probe.find(piece, coat, board, self._clicked, core, outer)
                self._probed = key
        if self._probe is None:
            return None
        xs = np.arange(int(state.axis.left), int(state.axis.right)) + 0.5
        return probe.sample(frame, self._probe, state.axis.positions(xs))

    def paintEvent(self, event: QPaintEvent | None) -> None:
        state = self.state()
        if state is None:
            return
        with painting(self) as painter:
            painter.drawPixmap(0, 0, self._drawing(state))
            paint_strip(painter, state._replace(strip=self._strip(state)))
            paint_lit(painter, state, self._lit)

    def _drawing(self, state: BuildUpState) -> QPixmap:
        """The drawing without its strip: a new picture of the board changes only the strip."""
        key = (state, self.size(), self.devicePixelRatioF(), theme.theme().name)
        if key != self._drawn_for:
            ratio = self.devicePixelRatioF()
            self._drawn = QPixmap(self.size() * ratio)
            self._drawn.setDevicePixelRatio(ratio)
            self._drawn.fill(Qt.GlobalColor.transparent)
            with painting(self._drawn) as painter:
                paint(painter, state)
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
        state = self.state()
        self.setFocus()
        if state is not None and event.button() == Qt.MouseButton.LeftButton:
            self._tool.press(state, event.position())

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        state, at = self.state(), event.position()
        if state is None:
            return
        if self._tool.start is None:
            self._point_out(state, at)
        else:
            self._tool.pull(state, at)

    def _point_out(self, state: BuildUpState, at: QPointF) -> None:
        index = row_at(state, at)
        coat = state.coats[index] if index is not None else None
        self.setToolTip("" if coat is None else tip(state.tip(coat)))
        on_end = coat is not None and end_at(state, coat, at.x()) is not None
        self.setCursor(Qt.CursorShape.SizeHorCursor if on_end else Qt.CursorShape.ArrowCursor)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._tool.release()
        self.refresh()

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        state = self.state()
        if event is None or state is None:
            return
        index = row_at(state, QPointF(event.pos()))
        if index is not None:
            self.selection.choose(self.selection.piece_id, state.coats[index].id)
        self.session.shell.show_menu("coat", event.globalPos())

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if not press_key(self.session, event):
            super().keyPressEvent(event)
