"""The build-up: one cut through a letter, on which coats are chosen, pulled and ordered."""

from __future__ import annotations

import time

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, QTimer
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPixmap, QResizeEvent
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.cache import Cache
from ...core.edit.coats import change_coat, duplicate_coat, move_coat, remove_coat
from ...core.lettering.outline import outline
from ...core.model import Coat, Position, Span
from ...core.pieces.lettering import core_of
from .. import theme
from ..board_view import BoardView
from ..controls.length import STEPS
from ..controls.slider import key_factor
from ..document import Document
from . import probe
from .axis import Axis, Cut, axis_for, cut_of, ends
from .build_up_paint import (
    FOOT,
    LABELS,
    RULER,
    STRIP,
    Scene,
    eye_box,
    handle_xs,
    paint,
    paint_strip,
    tip,
)

MOST_ROW, LEAST_ROW = 62.0, 15.0
GRAB, SNAP = 7.0, 6.0
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
        self._held: str | None = None
        self._token: object | None = None
        self._from = QPointF()
        self._start: Coat | None = None
        self._frozen: Axis | None = None
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
        if self._start is not None or now - self._pending > LATEST:
            self._later.stop()
            self._redraw()
        else:
            self._later.start()

    def _measured(self) -> Cut | None:
        """What the drawing is measured by, found out when it is first asked for."""
        piece, board = self.document.piece, self.document.board
        if self._cut is None and piece is not None:
            self._cut = cut_of(piece, core_of(piece, board.dpi, self._cache), board.dpi)
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
        self._clicked = None
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
        axis = self._frozen or axis_for(piece.style, cut, board, left, right)
        return Scene(
            piece.style, self._rows(len(piece.style)), axis, cut, board, self.document.coat_id,
            self.unit, None, self.hasFocus(),
        )  # fmt: skip

    def _strip(self, scene: Scene) -> np.ndarray | None:
        piece, frame = self.document.piece, self.view.frame
        if piece is None or frame is None:
            return None
        key = (outline(piece, scene.board.dpi).key, self._clicked)
        if key != self._probed:
            chords = probe.chords_of(piece, scene.board)
            self._probe = (
                probe.nearest(chords, *self._clicked)
                if self._clicked
                else probe.best(chords, scene.cut.core, scene.axis.outer)
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

    # by hand

    def _row_at(self, scene: Scene, y: float) -> int | None:
        for index, row in enumerate(scene.rows):
            if row.top() <= y < row.bottom():
                return index
        return None

    def _end_at(self, scene: Scene, coat: Coat, x: float) -> str | None:
        xs = handle_xs(scene, coat)
        if xs is None:
            return None
        far = (abs(xs[0] - x), abs(xs[1] - x))
        if min(far) > GRAB:
            return None
        return "from" if far[0] <= far[1] else "to"

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        scene = self.scene()
        self.setFocus()
        if scene is None:
            return
        at = event.position()
        index = self._row_at(scene, at.y())
        if index is None:
            return
        coat = scene.coats[index]
        if eye_box(scene.rows[index]).adjusted(-4, -4, 4, 4).contains(at):
            self.toggle(coat)
            return
        self.document.choose(self.document.piece_id, coat.id)
        self._held = self._end_at(scene, coat, at.x()) or "row"
        self._start, self._from, self._token = coat, at, object()
        self._frozen = scene.axis

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        scene, at = self.scene(), event.position()
        if scene is None:
            return
        if self._start is None:
            self._point_out(scene, at)
        elif self._held == "row":
            self._decide(at)
        if self._held in ("from", "to"):
            self._pull_end(scene, at.x())
        elif self._held == "order":
            self._order(scene, at.y())
        elif self._held == "shift":
            self._shift(scene, at.x())

    def _point_out(self, scene: Scene, at: QPointF) -> None:
        index = self._row_at(scene, at.y())
        coat = scene.coats[index] if index is not None else None
        self.setToolTip("" if coat is None else tip(scene, coat))
        on_end = coat is not None and self._end_at(scene, coat, at.x()) is not None
        self.setCursor(Qt.CursorShape.SizeHorCursor if on_end else Qt.CursorShape.ArrowCursor)

    def _decide(self, at: QPointF) -> None:
        """The first few px tell whether a band is ordered or moved across the edge."""
        by = at - self._from
        if abs(by.y()) > 5 and abs(by.y()) > abs(by.x()):
            self._held = "order"
        elif abs(by.x()) > 5 and self._start is not None and hasattr(self._start, "span"):
            self._held = "shift"

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._held = self._start = self._token = self._frozen = None
        self.refresh()

    def _snapped(self, scene: Scene, x: float, own: str) -> tuple[float, bool]:
        """A position in board px, drawn to the edge, the core and other bands' ends."""
        spots = [0.0, scene.cut.core]
        for coat in scene.coats:
            if coat.id != own:
                spots.extend(ends(coat, scene.cut) or ())
        best = min(spots, key=lambda spot: abs(scene.axis.x(spot) - x))
        if abs(scene.axis.x(best) - x) <= SNAP:
            return best, best == scene.cut.core
        return scene.axis.position(x), False

    def _position(self, px: float, like: Position, core: bool, cut: Cut) -> Position:
        """A position of `px` in the unit its user chose."""
        if core:
            return Position.parse("core")
        unit = "em" if like.is_core else like.unit
        value = Position(1.0, unit).like(px, cut.em, cut.dpi).value
        return Position(round(value, 4 if unit == "em" else 2), unit)

    def _pull_end(self, scene: Scene, x: float) -> None:
        coat = self._start
        assert coat is not None and hasattr(coat, "span")
        px, core = self._snapped(scene, x, coat.id)
        px += scene.cut.grown if getattr(coat, "silhouette", "") == "whole" else 0.0
        span: Span = coat.span
        old = span.from_ if self._held == "from" else span.to
        new = self._position(px, old, core, scene.cut)
        span = Span(new, span.to) if self._held == "from" else Span(span.from_, new)
        self._change("Span", span=span)

    def _shift(self, scene: Scene, x: float) -> None:
        coat, cut = self._start, scene.cut
        assert coat is not None and hasattr(coat, "span")
        by = scene.axis.position(x) - scene.axis.position(self._from.x())
        moved = [
            end if end.is_core else self._position(end.px(cut.em, cut.dpi) + by, end, False, cut)
            for end in (coat.span.from_, coat.span.to)
        ]
        self._change("Span", span=Span(*moved))

    def _change(self, name: str, **fields: object) -> None:
        piece, coat = self.document.piece_id, self._start
        if piece is not None and coat is not None:
            self.document.apply(
                name, lambda b: change_coat(b, piece, coat.id, **fields), self._token
            )

    def _order(self, scene: Scene, y: float) -> None:
        coat, piece = self._start, self.document.piece
        if coat is None or piece is None or not scene.rows:
            return
        low, height = scene.rows[0].bottom(), scene.rows[0].height()
        place = min(max(int((low - y) / height), 0), len(scene.rows) - 1)
        if piece.style[place].id != coat.id:
            self.document.apply(
                "Order coats", lambda b: move_coat(b, piece.id, coat.id, place), self._token
            )

    def toggle(self, coat: Coat) -> None:
        piece = self.document.piece_id
        if piece is not None:
            name = "Switch off" if coat.on else "Switch on"
            self.document.apply(name, lambda b: change_coat(b, piece, coat.id, on=not coat.on))

    # by key

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        piece, coat = self.document.piece, self.document.coat
        if piece is None or coat is None:
            super().keyPressEvent(event)
            return
        index, key = piece.style.index(coat), event.key()
        held = event.modifiers() & Qt.KeyboardModifier.AltModifier
        if key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
            to = min(max(index + (1 if key == Qt.Key.Key_Up else -1), 0), len(piece.style) - 1)
            if held:
                self.document.apply("Order coats", lambda b: move_coat(b, piece.id, coat.id, to))
            else:
                self.document.choose(piece.id, piece.style[to].id)
        elif key in (Qt.Key.Key_Left, Qt.Key.Key_Right) and hasattr(coat, "span"):
            sign = 1 if key == Qt.Key.Key_Right else -1
            self._step_end(coat, sign * key_factor(event.modifiers()), bool(held))
        elif key == Qt.Key.Key_Space:
            self.toggle(coat)
        elif key in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace):
            self.remove(piece.id, coat.id)
        elif key == Qt.Key.Key_D and event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            self.document.apply("Duplicate coat", lambda b: duplicate_coat(b, piece.id, coat.id)[0])
        else:
            super().keyPressEvent(event)

    def remove(self, piece_id: str, coat_id: str) -> None:
        """Take a coat off; its neighbour is chosen next."""
        coats = [c.id for c in self.document.piece.style] if self.document.piece else []
        at = coats.index(coat_id)
        rest = coats[:at] + coats[at + 1 :]
        self.document.apply("Remove coat", lambda b: remove_coat(b, piece_id, coat_id))
        if rest:
            self.document.choose(piece_id, rest[min(at, len(rest) - 1)])

    def _step_end(self, coat: Coat, by: float, first: bool) -> None:
        """Arrow keys move the far end of the span, with Alt the near one."""
        span: Span = coat.span  # type: ignore[union-attr]
        old = span.from_ if first else span.to
        if old.is_core:
            return
        value = round(old.value + by * STEPS[old.unit], 5)
        new = Position(value, old.unit)
        span = Span(new, span.to) if first else Span(span.from_, new)
        piece = self.document.piece_id
        assert piece is not None
        self.document.apply("Span", lambda b: change_coat(b, piece, coat.id, span=span))


def without(coat: Coat) -> Coat:
    """The coat switched off, for looking at the board without it."""
    return msgspec.structs.replace(coat, on=False)
