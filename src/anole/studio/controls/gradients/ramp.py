"""Ramp: a bar from darkest over flat, which is marked, to brightest, and a half-round lit by it."""

from __future__ import annotations

import cv2
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.arrays import Pixels
from ....core.coats.shading.lighting import light_of, lit_heights
from ....core.model import Lamp, Relief, Stop
from ...look import theme
from ...look.painting import painting
from ...look.pixel_images import image_of
from ..base.control import Context
from ..base.table import CONTROLS
from .gradient_bar import PAD
from .stops import StopsControl

HIGH, FINER = 40, 4


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
        with painting(self) as painter:
            middle = PAD + (self.width() - 2 * PAD) / 2
            painter.setPen(QPen(theme.colour("text"), 1))
            painter.drawLine(QPointF(middle, 0), QPointF(middle, 4))
            painter.setFont(theme.font(11))
            painter.setPen(theme.colour("dim"))
            painter.drawText(QRectF(0, 0, middle - 22, 12), Qt.AlignmentFlag.AlignLeft, "darkest")
            painter.drawText(QRectF(middle - 20, 3, 40, 12), Qt.AlignmentFlag.AlignCenter, "flat")
            painter.drawText(
                QRectF(middle, 0, middle, 12), Qt.AlignmentFlag.AlignRight, "brightest"
            )
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            box = QRectF(0, 17, self.width(), HIGH)
            painter.drawImage(box, image_of(self._lit(self.devicePixelRatioF())))

    def _lit(self, ratio: float) -> Pixels:
        """(h, w, 4) uint8: computed FINER times as fine, so that its rim and its ends are smooth."""
        wide, high = max(int(self.width() * ratio), 8), int(HIGH * ratio)
        y, x = (np.mgrid[: high * FINER, : wide * FINER] + 0.5).astype(np.float32) / FINER
        radius = high * 0.45
        # a rod with round ends: what lies between is a half-round, the ends are domes
        off = np.maximum(np.abs(x - wide / 2) - (wide / 2 - high * 0.6), 0)
        far = np.hypot(off, y - high / 2) / radius
        h = np.sqrt(np.clip(1 - far**2, 0, 1)) * radius * FINER
        planes = lit_heights(h.astype(np.float32), light_of(self.lamp, self.stops))
        # outside the rod lies bare wood
        alpha = planes[3] * (far < 1)
        letter = theme.colour("letter")
        wood = np.array([letter.redF(), letter.greenF(), letter.blueF()], np.float32)
        over = wood[:, None, None] + (planes[:3] - wood[:, None, None]) * alpha
        small = cv2.resize(
            np.ascontiguousarray(np.moveaxis(over, 0, -1)),
            (wide, high),
            interpolation=cv2.INTER_AREA,
        )
        pixels = np.full((high, wide, 4), 255, np.uint8)
        pixels[..., :3] = np.clip(small * 255 + 0.5, 0, 255)
        return pixels


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
