"""The gradient as a bar with its stops."""

from __future__ import annotations

from typing import Any

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QContextMenuEvent,
    QFocusEvent,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.model import Colour, Gradient, Stop
from ....core.paint.stops import STEPS, table, table_of
from ...look import theme
from ...look.painting import painting
from ...look.pixel_images import image_of
from ...shared.session import aim, ask_menu
from ..base.slider import key_factor
from .bar_marks import NOTCH, paint_checks, paint_notch, paint_upright

PAD, TOP, BAR, OFF = 9, 4, 26, 34

HINT_KEYS = {Qt.Key.Key_BracketLeft: -1, Qt.Key.Key_BracketRight: 1}


def bar_image(gradient: Gradient, width: int = 256, whole: bool = False) -> QImage:
    """One row of the gradient's colours from its start to its end; `whole`: over its frame."""
    t = (np.arange(width) + 0.5) / width
    if whole:
        t = (t - gradient.offset) / gradient.scale
        if gradient.spread == "reflect":
            t = np.abs(t - 2 * np.floor(t / 2 + 0.5))
        elif gradient.spread == "repeat":
            t = t - np.floor(t)
    row = table_of(gradient)[:, np.clip(t * STEPS, 0, STEPS - 1).astype(int)]
    pixels = np.ascontiguousarray((row.T * 255 + 0.5).astype(np.uint8))[None]
    return image_of(pixels)


class GradientBar(QWidget):
    """`edited(gradient, token)`; `chosen(index)`. Click to add a stop, pull it off to remove it."""

    edited = pyqtSignal(object, object)
    chosen = pyqtSignal(int)

    def __init__(self) -> None:
        super().__init__()
        self.gradient = Gradient()
        self.index = 0
        self._held = False
        self._token: object | None = None
        self._away: Stop | None = None
        self._hint: int | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Gradient stops")
        self.setToolTip(
            "Click to add a stop, drag to move it, drag it off or press Delete to delete it; "
            "Page Up and Page Down choose. The notch is where halfway lies: drag it, or press [ or ]"
        )
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(180, TOP + BAR + 5)

    def show_gradient(self, gradient: Gradient) -> None:
        """Show a gradient, its stops and its hints."""
        self.gradient = gradient
        self.index = min(self.index, len(gradient.stops) - 1)
        self.update()

    def _bar(self) -> QRectF:
        return QRectF(PAD, TOP, self.width() - 2 * PAD, BAR)

    def _shown_at(self, stop: Stop) -> float:
        return 1 - stop.at if self.gradient.reversed else stop.at

    def _x(self, stop: Stop) -> float:
        return PAD + self._shown_at(stop) * (self.width() - 2 * PAD)

    def _at(self, x: float) -> float:
        shown = min(max((x - PAD) / max(self.width() - 2 * PAD, 1), 0.0), 1.0)
        return round(1 - shown if self.gradient.reversed else shown, 3)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            bar, gradient = self._bar(), self.gradient
            paint_checks(painter, bar)
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.drawImage(bar, bar_image(gradient, max(int(bar.width()), 2)))
            painter.setPen(QPen(theme.colour("leaf" if self.hasFocus() else "line"), 1))
            painter.drawRect(bar.adjusted(-0.5, -0.5, 0.5, 0.5))
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            for number in range(len(gradient.stops) - 1):
                paint_notch(painter, bar, self.hint_x(number))
            last = (stop for number, stop in enumerate(gradient.stops) if number != self.index)
            for stop in last:
                paint_upright(painter, bar, self._x(stop), stop.colour, False)
            chosen = gradient.stops[self.index]
            paint_upright(painter, bar, self._x(chosen), chosen.colour, True)

    def hint_x(self, number: int) -> float:
        """Where the halfway colour between a stop and the next lies."""
        first, second = self.gradient.stops[number], self.gradient.stops[number + 1]
        at = first.at + (second.at - first.at) * first.hint
        return self._x(Stop(at, first.colour))

    def _hint_hit(self, at: QPointF) -> int | None:
        """The notch under a point of the bar's upper part; uprights go first."""
        if at.y() > TOP + NOTCH + 3 or self._hit(at.x()) is not None:
            return None
        wide = [n for n in range(len(self.gradient.stops) - 1) if abs(self.hint_x(n) - at.x()) <= 6]
        return wide[0] if wide else None

    def _pull_hint(self, number: int, x: float, token: object | None) -> None:
        stops = list(self.gradient.stops)
        first, second = stops[number], stops[number + 1]
        wide = second.at - first.at
        at = self._at(x)
        hint = min(max((at - first.at) / wide, 0.02), 0.98) if wide > 1e-6 else 0.5
        stops[number] = msgspec.structs.replace(first, hint=round(hint, 3))
        self._send(stops, token)

    def _hit(self, x: float) -> int | None:
        far = [abs(self._x(stop) - x) for stop in self.gradient.stops]
        nearest = min(range(len(far)), key=far.__getitem__)
        return nearest if far[nearest] <= 8 else None

    def _send(self, stops: list[Stop], token: object | None) -> None:
        gradient = msgspec.structs.replace(self.gradient, stops=tuple(stops))
        self.show_gradient(gradient)
        self.edited.emit(gradient, token)

    def _choose(self, index: int) -> None:
        self.index = index
        self.update()
        self.chosen.emit(index)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        hit = self._hit(event.position().x())
        if event.button() != Qt.MouseButton.LeftButton:
            if hit is not None:
                self._choose(hit)
            return
        self._held, self._token, self._away = True, object(), None
        self._hint = self._hint_hit(event.position())
        if self._hint is not None:
            return
        if hit is not None:
            self._choose(hit)
            return
        at = self._at(event.position().x())
        stops = list(self.gradient.stops)
        place = sum(stop.at <= at for stop in stops)
        stops.insert(place, Stop(at, self._colour_at(at)))
        self.index = place
        self._send(stops, self._token)
        self._choose(place)

    def _colour_at(self, at: float) -> Colour:
        lut = table(self.gradient.stops, self.gradient.space, path=self.gradient.hue)
        r, g, b, a = (round(float(v) * 255) for v in lut[:, min(int(at * STEPS), STEPS - 1)])
        return Colour(r, g, b, a)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or not self._held:
            return
        if self._hint is not None:
            self._pull_hint(self._hint, event.position().x(), self._token)
            return
        stops = list(self.gradient.stops)
        off = abs(event.position().y() - TOP - BAR / 2) > BAR / 2 + OFF
        if off and self._away is None and len(stops) > 1:
            self._away = stops.pop(self.index)
            self._send(stops, self._token)
            return
        if self._away is not None:
            if off:
                return
            stops.append(self._away)
            self.index, self._away = len(stops) - 1, None
        moved = msgspec.structs.replace(stops[self.index], at=self._at(event.position().x()))
        rest = [s for i, s in enumerate(stops) if i != self.index]
        place = sum(stop.at <= moved.at for stop in rest)
        rest.insert(place, moved)
        self.index = place
        self._send(rest, self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._held, self._token, self._away, self._hint = False, None, None, None
        self.chosen.emit(min(self.index, len(self.gradient.stops) - 1))

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        stops, key = list(self.gradient.stops), event.key()
        sign = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(key), 0)
        if key in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace):
            self.delete_stop()
        elif key in (Qt.Key.Key_PageDown, Qt.Key.Key_PageUp):
            step = 1 if key == Qt.Key.Key_PageDown else -1
            self._choose((self.index + step) % len(stops))
        elif key in HINT_KEYS:
            self._step_hint(HINT_KEYS[Qt.Key(key)])
        elif sign and event.modifiers() & Qt.KeyboardModifier.AltModifier:
            self._step_hint(sign)
        elif sign:
            low = stops[self.index - 1].at if self.index else 0.0
            high = stops[self.index + 1].at if self.index + 1 < len(stops) else 1.0
            at = stops[self.index].at + sign * 0.01 * key_factor(event.modifiers())
            self._set_stop(at=round(min(max(at, low), high), 4))
        else:
            super().keyPressEvent(event)

    def _set_stop(self, token: object | None = None, **fields: Any) -> None:
        """Set fields of the chosen stop."""
        stops = list(self.gradient.stops)
        stops[self.index] = msgspec.structs.replace(stops[self.index], **fields)
        self._send(stops, token)

    def _step_hint(self, sign: int) -> None:
        hint = self.gradient.stops[self.index].hint + sign * 0.02
        self._set_stop(hint=round(min(max(hint, 0.02), 0.98), 3))

    def set_colour(self, colour: Colour, token: object | None) -> None:
        """Colour the chosen stop."""
        self._set_stop(token, colour=colour)

    # what the menu does

    @property
    def can_delete_stop(self) -> bool:
        """One stop stays."""
        return len(self.gradient.stops) > 1

    def delete_stop(self) -> None:
        """Take the chosen stop out."""
        if self.can_delete_stop:
            stops = list(self.gradient.stops)
            del stops[self.index]
            self.index = max(self.index - 1, 0)
            self._send(stops, None)
            self._choose(self.index)

    def double_stop(self) -> None:
        """The same colour once more, halfway to the next stop."""
        stops = list(self.gradient.stops)
        stop = stops[self.index]
        other = stops[self.index + 1] if self.index + 1 < len(stops) else stops[self.index - 1]
        at = round((stop.at + other.at) / 2, 4) if len(stops) > 1 else 1.0
        place = self.index + (1 if at >= stop.at else 0)
        stops.insert(place, msgspec.structs.replace(stop, at=at))
        self.index = place
        self._send(stops, None)
        self._choose(place)

    def spread_stops(self) -> None:
        """Equal distances from the first to the last place."""
        stops = self.gradient.stops
        low, step = stops[0].at, (stops[-1].at - stops[0].at) / max(len(stops) - 1, 1)
        spread = [
            msgspec.structs.replace(s, at=round(low + n * step, 4)) for n, s in enumerate(stops)
        ]
        self._send(spread, None)

    def reverse_stops(self) -> None:
        """The last colour first; halfway places go with their colours."""
        stops = self.gradient.stops
        hints = [1 - stop.hint for stop in stops[:-1]][::-1] + [stops[-1].hint]
        turned = [
            msgspec.structs.replace(s, at=round(1 - s.at, 4), hint=round(hint, 4))
            for s, hint in zip(reversed(stops), hints, strict=True)
        ]
        self.index = len(stops) - 1 - self.index
        self._send(turned, None)

    def centre_hint(self) -> None:
        """Put the chosen hint back between its stops."""
        self._set_stop(hint=0.5)

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        if event is not None:
            ask_menu(self, "stop", event.globalPos())

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        aim(self)
        super().focusInEvent(event)
