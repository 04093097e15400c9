"""A perceptual colour field: lightness over chroma for one hue, and a bar of hues (OKLCH)."""

from __future__ import annotations

import functools
import math

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QImage, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.model import Colour
from ...core.paint.spaces import from_oklab, to_oklab
from .. import theme
from .slider import key_factor

MOST_CHROMA = 0.34
BAR, GAP = 18, 8


def to_lch(colour: Colour) -> tuple[float, float, float]:
    """OKLCH lightness 0..1, chroma, hue in degrees."""
    lightness, a, b = to_oklab(np.array(colour.floats[:3]))
    return float(lightness), float(math.hypot(a, b)), math.degrees(math.atan2(b, a)) % 360


def from_lch(lightness: float, chroma: float, hue: float, alpha: int = 255) -> Colour:
    """The sRGB colour, chroma drawn in until it fits."""
    angle = math.radians(hue)

    def rgb_at(c: float) -> np.ndarray:
        return from_oklab(np.array([lightness, c * math.cos(angle), c * math.sin(angle)]))

    def fits(c: float) -> bool:
        rgb = rgb_at(c)
        return bool(rgb.min() >= -0.002 and rgb.max() <= 1.002)

    low, high = 0.0, chroma
    if fits(chroma):
        low = chroma
    else:
        for _ in range(12):
            middle = (low + high) / 2
            low, high = (middle, high) if fits(middle) else (low, middle)
    r, g, b = (round(float(v) * 255) for v in np.clip(rgb_at(low), 0, 1))
    return Colour(r, g, b, alpha)


def _image(rgb: np.ndarray, inside: np.ndarray) -> QImage:
    pixels = np.zeros((*rgb.shape[1:], 4), np.uint8)
    pixels[..., :3] = np.moveaxis(np.clip(rgb, 0, 1) * 255, 0, -1).round()
    pixels[..., 3] = np.where(inside, 255, 0)
    height, width = pixels.shape[:2]
    return QImage(pixels.data, width, height, width * 4, QImage.Format.Format_RGBA8888).copy()  # type: ignore[call-overload]


@functools.lru_cache(64)
def _field(hue: int, width: int, height: int) -> QImage:
    angle = math.radians(hue)
    light = np.linspace(1, 0, height)[:, None] * np.ones((1, width))
    chroma = np.linspace(0, MOST_CHROMA, width)[None] * np.ones((height, 1))
    rgb = from_oklab(np.stack([light, chroma * math.cos(angle), chroma * math.sin(angle)]))
    inside = (rgb.min(0) >= -0.004) & (rgb.max(0) <= 1.004)
    return _image(rgb, inside)


@functools.lru_cache(4)
def _hues(width: int) -> QImage:
    turn = np.radians(np.linspace(0, 360, width))[None]
    rgb = from_oklab(np.stack([np.full_like(turn, 0.74), 0.13 * np.cos(turn), 0.13 * np.sin(turn)]))
    return _image(rgb, np.ones(rgb.shape[1:], bool))


class ColourField(QWidget):
    """`picked(colour, token)`. Arrow keys move in the field, with Alt along the hues."""

    picked = pyqtSignal(object, object)

    def __init__(self) -> None:
        super().__init__()
        self._lch = (0.5, 0.1, 0.0)
        self._alpha = 255
        self._part: str | None = None
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Colour field: lightness up, chroma across; hues below")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.CrossCursor)

    def sizeHint(self) -> QSize:
        return QSize(200, 132)

    def show_colour(self, colour: Colour) -> None:
        lightness, chroma, hue = to_lch(colour)
        # a grey has no hue of its own: keep the one that was being looked at
        self._lch = (lightness, chroma, hue if chroma > 0.004 else self._lch[2])
        self._alpha = colour.a
        self.update()

    def _areas(self) -> tuple[QRectF, QRectF]:
        height = self.height() - BAR - GAP
        return (
            QRectF(0, 0, self.width(), height),
            QRectF(0, height + GAP, self.width(), BAR),
        )

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        field, bar = self._areas()
        painter.fillRect(field, theme.colour("sunk"))
        image = _field(round(self._lch[2]) % 360, max(int(field.width() / 2), 2),
                       max(int(field.height() / 2), 2))  # fmt: skip
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.drawImage(field, image)
        painter.drawImage(bar, _hues(max(int(bar.width()), 2)))
        x = bar.x() + self._lch[2] / 360 * bar.width()
        spot = QPointF(
            min(self._lch[1] / MOST_CHROMA, 1) * field.width(), (1 - self._lch[0]) * field.height()
        )
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for colour, width in (("desk", 3.5), ("text", 1.6)):
            painter.setPen(QPen(theme.colour(colour), width))
            painter.drawEllipse(spot, 5, 5)
            painter.drawRect(QRectF(x - 3, bar.y() - 1, 6, bar.height() + 2))
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("leaf"), 1))
            painter.drawRect(field.adjusted(0.5, 0.5, -0.5, -0.5))

    def _emit(self) -> None:
        self.update()
        self.picked.emit(from_lch(*self._lch, self._alpha), self._token)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._part = (
            "hue" if self._areas()[1].adjusted(0, -4, 0, 4).contains(event.position()) else "field"
        )
        self._token = object()
        self._pull(event.position())

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self._part is not None:
            self._pull(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._part = self._token = None

    def _pull(self, at: QPointF) -> None:
        field, bar = self._areas()
        lightness, chroma, hue = self._lch
        if self._part == "hue":
            hue = min(max((at.x() - bar.x()) / bar.width(), 0), 0.9999) * 360
        else:
            chroma = min(max(at.x() / field.width(), 0), 1) * MOST_CHROMA
            lightness = 1 - min(max(at.y() / field.height(), 0), 1)
        self._lch = (lightness, chroma, hue)
        self._emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        moves = {
            Qt.Key.Key_Left: (-1, 0), Qt.Key.Key_Right: (1, 0),
            Qt.Key.Key_Down: (0, -1), Qt.Key.Key_Up: (0, 1),
        }  # fmt: skip
        move = moves.get(Qt.Key(event.key()))
        if move is None:
            super().keyPressEvent(event)
            return
        by = key_factor(event.modifiers())
        lightness, chroma, hue = self._lch
        if event.modifiers() & Qt.KeyboardModifier.AltModifier:
            hue = (hue + (move[0] + move[1])) % 360
        else:
            chroma = min(max(chroma + move[0] * by * 0.004, 0), MOST_CHROMA)
            lightness = min(max(lightness + move[1] * by * 0.01, 0), 1)
        self._lch = (lightness, chroma, hue)
        self._emit()
