"""The joiners' profiles as a row of cut ends."""

from __future__ import annotations

from typing import get_args

from PyQt6.QtCore import QEvent, QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.model import Moulding
from ....core.model.moulding import Profile
from ...look import theme
from ...look.painting import painting
from ..base.section import section
from ..numbers.grid_steps import grid_steps

PROFILES = get_args(Profile)
PER_ROW = 6
STEPS = grid_steps(PER_ROW)


class CutEnds(QWidget):
    """`chosen(profile)`: a row of little blocks of wood, each cut to a profile."""

    chosen = pyqtSignal(str)
    pointed = pyqtSignal(str)
    left = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.profile = "chamfer"
        self._pointed: str | None = None
        self.setAccessibleName("Profiles: arrows choose")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setMouseTracking(True)

    def sizeHint(self) -> QSize:
        return QSize(220, 70)

    def minimumSizeHint(self) -> QSize:
        return self.sizeHint()

    def box(self, number: int) -> QRectF:
        """Where an end's picture lies."""
        down, across = divmod(number, PER_ROW)
        wide = (self.width() - 5 * (PER_ROW - 1)) / PER_ROW
        return QRectF(across * (wide + 5) + 0.5, down * 35 + 0.5, wide - 1, 30)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            for number, name in enumerate(PROFILES):
                box, lit = self.box(number), name == self.profile
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2 if lit else 1))
                painter.setBrush(theme.colour("sunk"))
                painter.drawRoundedRect(box, 4, 4)
                painter.setPen(QPen(theme.colour("text"), 1))
                painter.setBrush(theme.colour("letter"))
                if name == "drawn":
                    painter.setPen(theme.colour("text"))
                    painter.setFont(theme.font(11))
                    painter.drawText(box, Qt.AlignmentFlag.AlignCenter, "drawn")
                    continue
                painter.drawPolygon(section(Moulding(profile=name), box.adjusted(5, 6, -5, -4), 48))

    def _at(self, at: QPointF) -> str | None:
        return next((n for k, n in enumerate(PROFILES) if self.box(k).contains(at)), None)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        name = self._at(event.position()) if event is not None else None
        if name != self._pointed:
            self._pointed = name
            self.setToolTip(name or "")
            self.pointed.emit(name) if name else self.left.emit()

    def leaveEvent(self, event: QEvent | None) -> None:
        self._pointed = None
        self.left.emit()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        name = self._at(event.position()) if event is not None else None
        if name is not None:
            self.chosen.emit(name)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = STEPS.get(Qt.Key(event.key()))
        if step is None:
            super().keyPressEvent(event)
            return
        at = min(max(PROFILES.index(self.profile) + step, 0), len(PROFILES) - 1)
        self.chosen.emit(PROFILES[at])
