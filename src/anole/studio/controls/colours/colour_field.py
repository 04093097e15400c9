"""A perceptual colour field (OKLCH): lightness up, chroma across as a share of the greatest
that sRGB has there, and a bar of hues."""

from __future__ import annotations

import functools
import math

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QImage, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.arrays import Reals
from ....core.colour.spaces import from_oklab, to_oklab
from ....core.model import Colour
from ...look import theme
from ...look.painting import painting
from ...look.pixel_images import image_of
from ..base.slider import key_factor

MOST_CHROMA = 0.34
TOLERANCE, STEPS = 0.008, 128
BAR, GAP = 18, 8


def to_lch(colour: Colour) -> tuple[float, float, float]:
    """OKLCH lightness 0..1, chroma, hue in degrees."""
    lightness, a, b = to_oklab(np.array(colour.floats[:3]))
    return float(lightness), float(math.hypot(a, b)), math.degrees(math.atan2(b, a)) % 360


def _rgb(lightness: Reals, chroma: Reals, hue: float) -> Reals:
    angle = math.radians(hue)
    lightness, chroma = np.broadcast_arrays(lightness, chroma)
    return from_oklab(np.stack([lightness, chroma * math.cos(angle), chroma * math.sin(angle)]))


def _fits(rgb: Reals) -> Reals:
    return (rgb.min(0) >= -TOLERANCE) & (rgb.max(0) <= 1 + TOLERANCE)


def most_chroma(lightness: Reals, hue: float) -> Reals:
    """The greatest chroma of sRGB at each lightness for one hue.

    Along a blue hue sRGB has a dent, so the search starts from outside, then halves.
    """
    grid = np.linspace(0, MOST_CHROMA, STEPS)
    inside = _fits(_rgb(lightness[:, None], np.broadcast_to(grid, (len(lightness), STEPS)), hue))
    last = STEPS - 1 - inside[:, ::-1].argmax(1)
    low, high = grid[last], grid[np.minimum(last + 1, STEPS - 1)]
    for _ in range(10):
        middle = (low + high) / 2
        fits = _fits(_rgb(lightness, middle, hue))
        low, high = np.where(fits, middle, low), np.where(fits, high, middle)
    return np.where(inside.any(1), low, 0.0)


def from_share(lightness: float, share: float, hue: float, alpha: int = 255) -> Colour:
    """The colour at a share 0..1 of the greatest chroma for its lightness and hue."""
    light = np.array([lightness])
    rgb = np.clip(_rgb(light, most_chroma(light, hue) * share, hue)[:, 0], 0, 1)
    r, g, b = (round(float(v) * 255) for v in rgb)
    return Colour(r, g, b, alpha)


def share_of(colour: Colour) -> tuple[float, float, float]:
    """Lightness, share of the greatest chroma, hue in degrees."""
    lightness, chroma, hue = to_lch(colour)
    most = float(most_chroma(np.array([lightness]), hue)[0])
    return lightness, min(chroma / most, 1.0) if most > 1e-4 else 0.0, hue


def _image(rgb: Reals) -> QImage:
    pixels = np.full((*rgb.shape[1:], 4), 255, np.uint8)
    pixels[..., :3] = np.moveaxis(np.clip(rgb, 0, 1) * 255, 0, -1).round()
    return image_of(pixels)


@functools.lru_cache(64)
def _field(hue: int, width: int, height: int) -> QImage:
    light = np.linspace(1, 0, height)
    chroma = most_chroma(light, hue)[:, None] * np.linspace(0, 1, width)
    return _image(_rgb(light[:, None] * np.ones((1, width)), chroma, hue))


@functools.lru_cache(4)
def _hues(width: int) -> QImage:
    turn = np.radians(np.linspace(0, 360, width))[None]
    rgb = from_oklab(np.stack([np.full_like(turn, 0.74), 0.13 * np.cos(turn), 0.13 * np.sin(turn)]))
    return _image(rgb)


HUE_KEYS = {Qt.Key.Key_PageUp: 5.0, Qt.Key.Key_PageDown: -5.0}


class ColourField(QWidget):
    """`picked(colour, token)`. Arrow keys move in the field; Page Up and Page Down, or Alt
    with the arrows, go along the hues."""

    picked = pyqtSignal(object, object)

    def __init__(self) -> None:
        super().__init__()
        self._spot = (0.5, 0.1, 0.0)
        self._alpha = 255
        self._shown: Colour | None = None
        self._part: str | None = None
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Colour field: lightness up, chroma across; hues below")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.CrossCursor)

    def sizeHint(self) -> QSize:
        return QSize(200, 146)

    def minimumSizeHint(self) -> QSize:
        return QSize(120, 146)

    def show_colour(self, colour: Colour) -> None:
        """Stand at a colour."""
        if colour == self._shown:
            return
        self._shown, self._alpha = colour, colour.a
        lightness, share, hue = share_of(colour)
        # greys have no hue of their own: keep the one that was being looked at
        self._spot = (lightness, share, hue if share > 0.01 else self._spot[2])
        self.update()

    def _areas(self) -> tuple[QRectF, QRectF]:
        height, wide = self.height() - BAR - GAP - 12, self.width() - 12
        return QRectF(6, 6, wide, height), QRectF(6, height + GAP + 8, wide, BAR)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            field, bar = self._areas()
            image = _field(
                round(self._spot[2]) % 360,
                max(int(field.width() / 2), 2),
                max(int(field.height() / 2), 2),
            )
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.drawImage(field, image)
            painter.drawImage(bar, _hues(max(int(bar.width()), 2)))
            x = bar.x() + self._spot[2] / 360 * bar.width()
            spot = QPointF(
                field.x() + self._spot[1] * field.width(),
                field.y() + (1 - self._spot[0]) * field.height(),
            )
            painter.setBrush(Qt.BrushStyle.NoBrush)
            for colour, width in (("desk", 3.5), ("text", 1.6)):
                painter.setPen(QPen(theme.colour(colour), width))
                painter.drawEllipse(spot, 5, 5)
                painter.drawRect(QRectF(x - 3, bar.y() - 1, 6, bar.height() + 2))
            if self.hasFocus():
                painter.setPen(QPen(theme.colour("leaf"), 1))
                painter.drawRect(field.adjusted(-0.5, -0.5, 0.5, 0.5))

    def _emit(self) -> None:
        self.update()
        self._shown = from_share(*self._spot, self._alpha)
        self.picked.emit(self._shown, self._token)

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
        lightness, chroma, hue = self._spot
        if self._part == "hue":
            hue = min(max((at.x() - bar.x()) / bar.width(), 0), 0.9999) * 360
        else:
            chroma = min(max((at.x() - field.x()) / field.width(), 0), 1)
            lightness = 1 - min(max((at.y() - field.y()) / field.height(), 0), 1)
        self._spot = (lightness, chroma, hue)
        self._emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        moves = {
            Qt.Key.Key_Left: (-1, 0),
            Qt.Key.Key_Right: (1, 0),
            Qt.Key.Key_Down: (0, -1),
            Qt.Key.Key_Up: (0, 1),
        }
        lightness, chroma, hue = self._spot
        if event.key() in HUE_KEYS:
            self._spot = (lightness, chroma, (hue + HUE_KEYS[Qt.Key(event.key())]) % 360)
            self._emit()
            return
        move = moves.get(Qt.Key(event.key()))
        if move is None:
            super().keyPressEvent(event)
            return
        by = key_factor(event.modifiers())
        if event.modifiers() & Qt.KeyboardModifier.AltModifier:
            hue = (hue + (move[0] + move[1])) % 360
        else:
            chroma = min(max(chroma + move[0] * by * 0.01, 0), 1)
            lightness = min(max(lightness + move[1] * by * 0.01, 0), 1)
        self._spot = (lightness, chroma, hue)
        self._emit()
