"""Moulding: its cross-section over the ground line, with points to pull, and the joiners' profiles
as a row of cut ends."""

from __future__ import annotations

from typing import Any, get_args

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.field.mouldings import height
from ...core.model import Moulding
from ...core.model.moulding import Profile
from .. import theme
from .control import Control
from .kept_mouldings import KeptMouldings
from .layouts import column
from .slider import key_factor

PROFILES = get_args(Profile)
PAD, REACH = 8.0, 9.0
PER_ROW = 6


def section(moulding: Moulding, box: QRectF, steps: int = 96) -> QPolygonF:
    """The cross-section as a closed form standing on the box's lower side."""
    p = np.linspace(0, 1, steps)
    h = height(moulding, p)
    tops = [QPointF(box.left() + box.width() * x, box.bottom() - box.height() * y)
            for x, y in zip(p.tolist(), h.tolist(), strict=True)]  # fmt: skip
    return QPolygonF([box.bottomLeft(), *tops, box.bottomRight()])


class CutEnds(QWidget):
    """`chosen(profile)`: a row of little blocks of wood, each cut to a profile."""

    chosen = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self.profile = "chamfer"
        self.setAccessibleName("Profiles: arrows choose")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setMouseTracking(True)

    def sizeHint(self) -> QSize:
        return QSize(220, 70)

    def minimumSizeHint(self) -> QSize:
        return self.sizeHint()

    def box(self, number: int) -> QRectF:
        down, across = divmod(number, PER_ROW)
        wide = (self.width() - 5 * (PER_ROW - 1)) / PER_ROW
        return QRectF(across * (wide + 5) + 0.5, down * 35 + 0.5, wide - 1, 30)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
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
        self.setToolTip((self._at(event.position()) or "") if event is not None else "")

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        name = self._at(event.position()) if event is not None else None
        if name is not None:
            self.chosen.emit(name)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        steps = {
            Qt.Key.Key_Left: -1,
            Qt.Key.Key_Right: 1,
            Qt.Key.Key_Up: -PER_ROW,
            Qt.Key.Key_Down: PER_ROW,
        }
        step = steps.get(Qt.Key(event.key()))
        if step is None:
            super().keyPressEvent(event)
            return
        at = min(max(PROFILES.index(self.profile) + step, 0), len(PROFILES) - 1)
        self.chosen.emit(PROFILES[at])


class SectionView(QWidget):
    """`edited(moulding, token)`: pulling anything draws a profile of one's own."""

    edited = pyqtSignal(object, object)

    def __init__(self) -> None:
        super().__init__()
        self.moulding = Moulding()
        self.index = 0
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Cross-section: Page Up and Down choose a point, arrows move it")
        self.setToolTip("Pull a point; click beside the points to add one; Delete takes one out")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(220, 104)

    def minimumSizeHint(self) -> QSize:
        return QSize(120, 104)

    def _area(self) -> QRectF:
        return QRectF(self.rect()).adjusted(PAD, PAD + 4, -PAD, -PAD - 8)

    def points(self) -> list[tuple[float, float]]:
        """Those of a drawn profile; of a joiner's, enough to start drawing from."""
        if self.moulding.profile == "drawn":
            return list(self.moulding.points)
        p = np.linspace(0, 1, 7)
        return [(round(float(a), 3), round(float(b), 3))
                for a, b in zip(p, height(self.moulding, p), strict=True)]  # fmt: skip

    def spot(self, point: tuple[float, float]) -> QPointF:
        area = self._area()
        return QPointF(
            area.left() + point[0] * area.width(), area.bottom() - point[1] * area.height()
        )

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        area = self._area()
        painter.fillRect(self.rect(), theme.colour("sunk"))
        painter.setPen(QPen(theme.colour("dim"), 1))
        low = area.bottom()
        painter.drawLine(QPointF(2, low), QPointF(self.width() - 2, low))
        painter.setPen(QPen(theme.colour("text"), 1.6))
        painter.setBrush(theme.colour("letter"))
        painter.drawPolygon(section(self.moulding, area, 240))
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("dim"))
        painter.drawText(QPointF(4, self.height() - 3), "outer end")
        wide = painter.fontMetrics().horizontalAdvance("inner end")
        painter.drawText(QPointF(self.width() - wide - 4, self.height() - 3), "inner end")
        for number, point in enumerate(self.points()):
            chosen = number == self.index and self.hasFocus()
            painter.setPen(QPen(theme.colour("desk"), 1))
            painter.setBrush(theme.colour("leaf" if chosen else "text"))
            painter.drawEllipse(self.spot(point), 4, 4)

    def _send(self, points: list[tuple[float, float]], token: object | None) -> None:
        made = msgspec.structs.replace(
            self.moulding, profile="drawn", turned=False, points=tuple(sorted(points))
        )
        self.moulding = made
        self.update()
        self.edited.emit(made, token)

    def _hit(self, at: QPointF) -> int | None:
        far = [(self.spot(p) - at).manhattanLength() for p in self.points()]
        best = min(range(len(far)), key=far.__getitem__)
        return best if far[best] <= REACH * 1.4 else None

    def _place(self, at: QPointF) -> tuple[float, float]:
        area = self._area()
        x = (at.x() - area.left()) / max(area.width(), 1)
        y = (area.bottom() - at.y()) / max(area.height(), 1)
        return round(min(max(x, 0), 1), 3), round(min(max(y, 0), 1), 3)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._token = object()
        hit, points = self._hit(event.position()), self.points()
        if hit is None:
            point = self._place(event.position())
            points = sorted([*points, point])
            hit = points.index(point)
            self._send(points, self._token)
        self.index = hit
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._token is None:
            return
        points = self.points()
        low = points[self.index - 1][0] + 0.002 if self.index else 0.0
        high = points[self.index + 1][0] - 0.002 if self.index + 1 < len(points) else 1.0
        x, y = self._place(event.position())
        points[self.index] = (min(max(x, low), high), y)
        self._send(points, self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._token = None

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        points, key = self.points(), Qt.Key(event.key())
        moves = {Qt.Key.Key_Left: (-1, 0), Qt.Key.Key_Right: (1, 0), Qt.Key.Key_Up: (0, 1),
                 Qt.Key.Key_Down: (0, -1)}  # fmt: skip
        if key in (Qt.Key.Key_PageUp, Qt.Key.Key_PageDown):
            self.index = (self.index + (1 if key == Qt.Key.Key_PageDown else -1)) % len(points)
            self.update()
        elif key in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace) and len(points) > 2:
            del points[self.index]
            self.index = max(self.index - 1, 0)
            self._send(points, None)
        elif key in moves:
            by = 0.01 * key_factor(event.modifiers())
            x, y = points[self.index]
            points[self.index] = (
                round(min(max(x + moves[key][0] * by, 0), 1), 3),
                round(min(max(y + moves[key][1] * by, 0), 1), 3),
            )
            self._send(points, None)
        else:
            super().keyPressEvent(event)


class MouldingControl(Control):
    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        from .fields import FieldPanel

        self._moulding = Moulding()
        self.view, self.ends = SectionView(), CutEnds()
        self.fields = FieldPanel(Moulding, skip=("profile",))
        self.kept = KeptMouldings()
        self.setToolTip(about)
        column(self, self.view, self.ends, self.kept, self.fields)
        self.kept.chosen.connect(lambda m: self._send(m, None))
        self.view.edited.connect(self._send)
        self.ends.chosen.connect(self._profile)
        self.fields.edited.connect(lambda name, v, t: self._set(t, **{name: v}))

    def value(self) -> Any:
        return self._moulding

    def set_value(self, value: Any) -> None:
        self._moulding = self.view.moulding = self.kept.moulding = value
        self.ends.profile = value.profile
        self.fields.show_struct(value)
        self.view.index = min(self.view.index, len(self.view.points()) - 1)
        self.view.update()
        self.ends.update()

    def _profile(self, name: str) -> None:
        self._set(None, profile=name)

    def _set(self, token: object | None, **fields: Any) -> None:
        self._send(msgspec.structs.replace(self._moulding, **fields), token)

    def _send(self, moulding: Moulding, token: object | None) -> None:
        self.set_value(moulding)
        self.edited.emit(moulding, token)
