"""Ramp: a bar from darkest over flat, which is marked, to brightest, and a half-round lit by it."""

from __future__ import annotations

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.coats.lighting import light_of, lit_heights
from ...core.model import Lamp, Relief, Stop
from .. import theme
from ..pixel_images import image_of
from .control import Context
from .gradient_bar import PAD
from .stops import StopsControl
from .table import CONTROLS

HIGH = 40


class HalfRound(QWidget):
    """A dome of one radius, lit by the lamp, in the ramp's colours; and the flat's mark above."""

    def __init__(self) -> None:
        super().__init__()
        self.stops: tuple[Stop, ...] = Relief(id="-").ramp
        self.lamp = Lamp()
        self.setAccessibleName("The ramp on a half-round")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(160, HIGH + 17)

    def minimumSizeHint(self) -> QSize:
        return self.sizeHint()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        middle = PAD + (self.width() - 2 * PAD) / 2
        painter.setPen(QPen(theme.colour("text"), 1))
        painter.drawLine(QPointF(middle, 0), QPointF(middle, 4))
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("dim"))
        painter.drawText(QRectF(0, 0, middle - 22, 12), Qt.AlignmentFlag.AlignLeft, "darkest")
        painter.drawText(QRectF(middle - 20, 3, 40, 12), Qt.AlignmentFlag.AlignCenter, "flat")
        painter.drawText(QRectF(middle, 0, middle, 12), Qt.AlignmentFlag.AlignRight, "brightest")
        wide = max(int(self.width()), 8)
        y, x = np.mgrid[:HIGH, :wide].astype(np.float32)
        radius = HIGH * 0.45
        # a rod with round ends: what lies between is a half-round, the ends are domes
        off = np.maximum(np.abs(x - wide / 2) - (wide / 2 - HIGH * 0.6), 0)
        far = np.hypot(off, y - HIGH / 2) / radius
        h = np.sqrt(np.clip(1 - far**2, 0, 1)) * radius
        planes = lit_heights(h.astype(np.float32), light_of(self.lamp, self.stops))
        pixels = np.ascontiguousarray((np.moveaxis(planes, 0, -1) * 255 + 0.5).astype(np.uint8))
        painter.fillRect(QRectF(0, 17, wide, HIGH), theme.colour("letter"))
        painter.drawImage(QPointF(0, 17), image_of(pixels))


class RampControl(StopsControl):
    def __init__(self, title: str, about: str) -> None:
        super().__init__(title, about)
        self.dome = HalfRound()
        layout = self.layout()
        assert layout is not None
        layout.insertWidget(1, self.dome)  # type: ignore[attr-defined]
        self.bar.edited.connect(lambda g, t: self._lit())

    def take(self, context: Context) -> None:
        self.dome.lamp = context.lamp

    def set_value(self, value: object) -> None:
        super().set_value(value)
        self._lit()

    def _lit(self) -> None:
        self.dome.stops = self.bar.gradient.stops
        self.dome.update()


CONTROLS.add("ramp", lambda info: RampControl(info.title, info.about))
