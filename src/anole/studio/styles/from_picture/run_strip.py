"""What lies along the line, as a strip from the ground into the stem, and where the rims end on it."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import (
    QColor,
    QFontMetricsF,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QWidget

from ....core.arrays import AnyArray
from ...look import theme
from ...look.painting import painting

HIGH, BAR, TOP = 92, 46, 8
NEAR, STEP, FAR = 7.0, 0.25, 1.0
"""px of the widget within which a border is met; px of the picture that an arrow moves it by."""
APART = 1.0
"""px of the picture that borders stay from each other."""


class Run(NamedTuple):
    """One even stretch, named; from and to, px along the line; rgb : its colour as it was read"""

    name: str
    start: float
    end: float
    rgb: tuple[int, int, int]


class RunStrip(QWidget):
    """`moved(ends, rest)`: rims end elsewhere, px outward of the face's edge; rest: it is let go of.

    A double click parts a run in two; Delete joins a rim with what is outward of it.
    """

    moved = pyqtSignal(object, bool)

    def __init__(self) -> None:
        super().__init__()
        self.setFixedHeight(HIGH)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(
            "Along the line: Space takes the next border, arrows move it, Delete takes it away"
        )
        self.setToolTip(
            "Pull a border where a rim ends; a double click adds one, Delete takes it away"
        )
        self._image: QImage | None = None
        self._outward: AnyArray = np.zeros(2, np.float32)
        self.ends: tuple[float, ...] = ()
        self._colours: Sequence[tuple[int, int, int]] = ()
        self.chosen = 0
        self._held = False

    def show_line(
        self,
        colours: AnyArray,
        outward: AnyArray,
        ends: Sequence[float],
        read: Sequence[tuple[int, int, int]],
    ) -> None:
        """colours : (n, 4) uint8 at each px of the line; outward : (n,) px from the face's edge; ends : of
        the rims, from the face on; read : the colours of ground, rims from the outermost on, and face"""
        row = np.ascontiguousarray(colours[None])
        self._image = QImage(
            row.data, row.shape[1], 1, row.shape[1] * 4, QImage.Format.Format_RGBA8888
        ).copy()  # type: ignore[call-overload]
        self._outward, self._colours = outward, read
        if not self._held:
            self.ends = tuple(ends)
        self.chosen = min(self.chosen, max(len(self.ends) - 1, 0))
        self.update()

    def show_nothing(self) -> None:
        """There is no line."""
        self._image, self.ends = None, ()
        self.update()

    # where things lie

    @property
    def _long(self) -> float:
        return float(max(len(self._outward) - 1, 1))

    def place_of(self, outward: float) -> float:
        """Where along the line, px of it, such a distance is passed last on the way inward."""
        beyond = np.nonzero(self._outward >= outward)[0]
        if not len(beyond):
            return 0.0
        n = int(beyond[-1])
        if n + 1 >= len(self._outward):
            return self._long
        high, low = float(self._outward[n]), float(self._outward[n + 1])
        return n + (high - outward) / max(high - low, 1e-6)

    def outward_at(self, along: float) -> float:
        """The distance from the face's edge at a place along the line."""
        return float(np.interp(along, np.arange(len(self._outward)), self._outward))

    def _x(self, along: float) -> float:
        return 1 + along / self._long * (self.width() - 2)

    def _along(self, x: float) -> float:
        return min(max((x - 1) / (self.width() - 2), 0.0), 1.0) * self._long

    @property
    def runs(self) -> list[Run]:
        """From the ground inward: the ground, the rims from the outermost on, the face."""
        places = [
            0.0,
            *(self.place_of(end) for end in reversed(self.ends)),
            self.place_of(0.0),
            self._long,
        ]
        count = len(self.ends)
        names = ["ground", *(f"rim {count - n}" for n in range(count)), "face"]
        colours = [*self._colours, *[(128, 128, 128)] * (len(names) - len(self._colours))]
        return [
            Run(name, start, end, rgb)
            for name, start, end, rgb in zip(names, places[:-1], places[1:], colours, strict=False)
        ]

    # seen

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.fillRect(QRectF(0, TOP, self.width(), BAR), theme.colour("sunk"))
            if self._image is None:
                return
            painter.drawImage(QRectF(1, TOP, self.width() - 2, BAR), self._image)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setFont(theme.font(12))
            for run in self.runs:
                self._paint_run(painter, run)
            for number, end in enumerate(self.ends):
                self._paint_border(painter, self._x(self.place_of(end)), number)
            edge = self._x(self.place_of(0.0))
            painter.setPen(QPen(theme.colour("text"), 1, Qt.PenStyle.DotLine))
            painter.drawLine(QPointF(edge, TOP), QPointF(edge, TOP + BAR + 6))

    def _paint_run(self, painter: QPainter, run: Run) -> None:
        """What was read beneath what is there, and its name where there is room."""
        left, right = self._x(run.start), self._x(run.end)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor(*run.rgb))
        painter.drawRect(QRectF(left, TOP + BAR + 2, max(right - left, 1), 8))
        wide = QFontMetricsF(painter.font()).horizontalAdvance(run.name)
        if right - left > wide + 4:
            painter.setPen(theme.colour("dim"))
            painter.drawText(QPointF((left + right - wide) / 2, TOP + BAR + 26), run.name)

    def _paint_border(self, painter: QPainter, x: float, number: int) -> None:
        chosen = self.hasFocus() and number == self.chosen
        for pen in (
            QPen(theme.colour("desk"), 4),
            QPen(theme.colour("leaf" if chosen else "text"), 1.6),
        ):
            painter.setPen(pen)
            painter.drawLine(QPointF(x, 1), QPointF(x, TOP + BAR + 11))
        painter.setPen(QPen(theme.colour("desk"), 1.5))
        painter.setBrush(theme.colour("leaf"))
        painter.drawEllipse(QPointF(x, 6), 5, 5)

    # pulled

    def _near(self, x: float) -> int | None:
        found = [(abs(self._x(self.place_of(end)) - x), n) for n, end in enumerate(self.ends)]
        far, number = min(found, default=(NEAR + 1, -1))
        return number if far <= NEAR else None

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or event.button() != Qt.MouseButton.LeftButton or self._image is None:
            return
        near = self._near(event.position().x())
        if near is not None:
            self.chosen, self._held = near, True
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._image is None:
            return
        if self._held:
            self._move_to(self.outward_at(self._along(event.position().x())), rest=False)
            return
        near = self._near(event.position().x()) is not None
        self.setCursor(Qt.CursorShape.SizeHorCursor if near else Qt.CursorShape.ArrowCursor)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if self._held:
            self._held = False
            self.moved.emit(self.ends, True)

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._image is None or self._near(event.position().x()) is not None:
            return
        end = self.outward_at(self._along(event.position().x()))
        if end > APART and all(abs(end - other) > APART for other in self.ends):
            self.ends = tuple(sorted((*self.ends, end)))
            self.chosen = self.ends.index(end)
            self.update()
            self.moved.emit(self.ends, True)

    def _move_to(self, end: float, rest: bool) -> None:
        if not self.ends:
            return
        number = self.chosen
        low = self.ends[number - 1] if number else 0.0
        high = self.ends[number + 1] if number + 1 < len(self.ends) else float(self._outward.max())
        if high - low <= 2 * APART:
            return
        end = min(max(end, low + APART), high - APART)
        self.ends = (*self.ends[:number], end, *self.ends[number + 1 :])
        self.update()
        self.moved.emit(self.ends, rest)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        sign = {Qt.Key.Key_Left: 1, Qt.Key.Key_Right: -1}.get(Qt.Key(event.key()))
        if event.key() == Qt.Key.Key_Space and self.ends:
            self.chosen = (self.chosen + 1) % len(self.ends)
            self.update()
        elif event.key() in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace) and self.ends:
            self.ends = (*self.ends[: self.chosen], *self.ends[self.chosen + 1 :])
            self.chosen = max(self.chosen - 1, 0)
            self.update()
            self.moved.emit(self.ends, True)
        elif sign is not None and self.ends:
            step = FAR if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else STEP
            self._move_to(self.ends[self.chosen] + sign * step, rest=True)
        else:
            super().keyPressEvent(event)
