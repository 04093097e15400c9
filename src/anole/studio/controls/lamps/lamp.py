"""The lighting plan: the board from above, and the light's height from the side."""

from __future__ import annotations

import math
from typing import Any

import msgspec
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QVBoxLayout, QWidget

from ....core.model import Lamp
from ...look import theme
from ...look.painting import painting
from ..base.control import Control
from ..base.slider import key_factor
from ..numbers.number import Number


class LightingPlan(QWidget):
    """Left the plan, the lantern dragged round the board; right the side view of its height."""

    def __init__(self, owner: LampControl) -> None:
        super().__init__()
        self._owner = owner
        self._part: str | None = None
        self._token: object | None = None
        self.lamp = Lamp()
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Lighting plan: left and right turn the lamp, up and down raise it")
        self.setToolTip("Drag the lantern: round the board on the left, up and down on the right")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(200, 104)

    def _areas(self) -> tuple[QRectF, QRectF]:
        half = (self.width() - 8) / 2
        return QRectF(0, 0, half, 84), QRectF(half + 8, 0, half, 84)

    def _spots(self) -> tuple[QPointF, QPointF]:
        """The lantern on the plan and in the side view."""
        plan, side = self._areas()
        turn = math.radians(self.lamp.bearing)
        reach = QPointF(
            math.sin(turn) * (plan.width() / 2 - 10), -math.cos(turn) * (plan.height() / 2 - 9)
        )
        rise = math.radians(self.lamp.elevation)
        far = min(side.width() - 34, 66)
        foot = QPointF(side.right() - 26, side.bottom() - 16)
        return plan.center() + reach, foot + QPointF(-math.cos(rise) * far, -math.sin(rise) * 56)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            plan, side = self._areas()
            lantern, high = self._spots()
            painter.setPen(QPen(theme.colour("leaf" if self.hasFocus() else "line"), 1))
            painter.setBrush(theme.colour("sunk"))
            for area in (plan, side):
                painter.drawRoundedRect(area.adjusted(0.5, 0.5, -0.5, -0.5), 5, 5)
            painter.setPen(QPen(theme.colour("line"), 1.2))
            painter.drawRect(QRectF(plan.center().x() - 30, plan.center().y() - 17, 60, 34))
            painter.setPen(theme.colour("dim"))
            painter.setFont(theme.font(11))
            painter.drawText(plan, Qt.AlignmentFlag.AlignCenter, "board")
            ground = side.bottom() - 12
            painter.setPen(QPen(theme.colour("line"), 1.5))
            painter.drawLine(QPointF(side.left() + 8, ground), QPointF(side.right() - 8, ground))
            painter.fillRect(QRectF(side.right() - 36, ground - 8, 20, 8), theme.colour("dim"))
            dots = QPen(theme.colour("lamp", 0.9), 1.2, Qt.PenStyle.DotLine)
            painter.setPen(dots)
            painter.drawLine(lantern, plan.center())
            painter.drawLine(high, QPointF(side.right() - 26, ground - 8))
            painter.setPen(Qt.PenStyle.NoPen)
            for spot in (lantern, high):
                painter.setBrush(theme.colour("lamp", 0.25))
                halo = 7 + self.lamp.size * 4
                painter.drawEllipse(spot, halo, halo)
                painter.setBrush(theme.colour("lamp"))
                painter.drawEllipse(spot, 5.5, 5.5)
            painter.setPen(theme.colour("dim"))
            painter.drawText(QPointF(plan.left() + 2, 100), f"from {self.lamp.bearing:.0f}°")
            painter.drawText(QPointF(side.left() + 2, 100), f"{self.lamp.elevation:.0f}° high")

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._part = "plan" if event.position().x() < self._areas()[0].right() + 4 else "side"
        self._token = object()
        self._pull(event.position())

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self._part:
            self._pull(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._part = self._token = None

    def _pull(self, at: QPointF) -> None:
        plan, side = self._areas()
        if self._part == "plan":
            arm = at - plan.center()
            bearing = (
                math.degrees(math.atan2(arm.x() / plan.width(), -arm.y() / plan.height())) % 360
            )
            self._owner.send(self._token, bearing=round(bearing) % 360)
        else:
            arm = QPointF(side.right() - 26, side.bottom() - 16) - at
            rise = math.degrees(math.atan2(max(arm.y(), 0) / 56, max(arm.x(), 1) / 66))
            self._owner.send(self._token, elevation=float(min(max(round(rise), 1), 80)))

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        by = key_factor(event.modifiers())
        key = event.key()
        turn = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(key))
        rise = {Qt.Key.Key_Down: -1, Qt.Key.Key_Up: 1}.get(Qt.Key(key))
        if turn:
            self._owner.send(None, bearing=(self.lamp.bearing + turn * by) % 360)
        elif rise:
            high = min(max(self.lamp.elevation + rise * by, 1.0), 80.0)
            self._owner.send(None, elevation=high)
        else:
            super().keyPressEvent(event)


class LampControl(Control):
    """A lamp; `size` as a number beneath the plan."""

    def __init__(self) -> None:
        super().__init__()
        self._lamp = Lamp()
        self.plan = LightingPlan(self)
        self.size_of_lamp = Number(
            "Lamp width",
            0,
            4,
            soft=(0, 2),
            step=0.05,
            default=0.6,
            about="0 is a point, and shadows are hard",
        )
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.plan)
        column.addWidget(self.size_of_lamp)
        self.size_of_lamp.edited.connect(lambda v, t: self.send(t, size=v))

    def value(self) -> Any:
        return self._lamp

    def set_value(self, value: Any) -> None:
        self._lamp = self.plan.lamp = value
        self.plan.update()
        self.size_of_lamp.set_value(value.size)

    def send(self, token: object | None, **fields: float) -> None:
        """Change fields of the lamp; one token is one step to undo."""
        lamp = msgspec.structs.replace(self._lamp, **fields)
        self.set_value(lamp)
        self.edited.emit(lamp, token)
