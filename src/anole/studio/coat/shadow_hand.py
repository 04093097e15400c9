"""The chosen shadow pulled over the board: how far sets its lift, which way a lamp of its own."""

from __future__ import annotations

import math

import msgspec
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter, QPen

from ...core.coats.shadow import offset
from ...core.edit.coats import change_coat
from ...core.lettering.outline import outline
from ...core.model import Lamp, Lettering, Shadow
from .. import theme
from ..board_view import BoardView
from ..hand import Hand
from ..view_transform import ViewTransform
from .words_box import words_box

NEAR, STEP = 12.0, 15.0
"""Widget px within which the grip is taken; degrees of the steps with Shift."""


def thrown_to(lamp: Lamp, x: float, y: float) -> tuple[float, Lamp]:
    """Lift in board px and the lamp that throw a shadow by (x, y) board px."""
    lift = math.hypot(x, y) * math.tan(math.radians(lamp.elevation))
    if lift < 0.5:
        return 0.0, lamp
    bearing = math.degrees(math.atan2(-x, y)) % 360
    return lift, msgspec.structs.replace(lamp, bearing=round(bearing, 1) % 360)


class ShadowHand(Hand):
    """A grip where the middle of the words falls, tied to the middle itself."""

    def __init__(self, view: BoardView) -> None:
        super().__init__(view)
        self._token: object | None = None
        self._away = QPointF()

    @property
    def coat(self) -> Shadow | None:
        coat = self.document.coat
        return coat if isinstance(coat, Shadow) and coat.on else None

    def _middle(self, piece: Lettering) -> tuple[float, float]:
        x0, y0, x1, y1 = words_box(piece, self.document.board.dpi)
        return (x0 + x1) / 2, (y0 + y1) / 2

    def spots(self, now: ViewTransform) -> tuple[QPointF, QPointF] | None:
        """The middle of the words and where it is thrown, widget px."""
        coat, piece, board = self.coat, self.document.piece, self.document.board
        if coat is None or piece is None or piece.locked:
            return None
        x, y = self._middle(piece)
        lift = coat.lift.px(outline(piece, board.dpi).em, board.dpi)
        dx, dy = offset(lift, coat.lamp or board.lamp)
        return now.to_widget(x, y), now.to_widget(x + dx, y + dy)

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        spots = self.spots(now)
        if spots is None:
            return
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for shade, width in (("desk", 4.0), ("text", 1.6)):
            painter.setPen(QPen(theme.colour(shade), width))
            painter.drawLine(*spots)
        for shade, radius in (("desk", 9.0), ("text", 7.5), ("desk", 5.0)):
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour(shade))
            painter.drawEllipse(spots[1], radius, radius)

    def _is_near(self, at: QPointF) -> bool:
        spots = self.spots(self.view.transform_now())
        if spots is None:
            return False
        away = at - spots[1]
        return math.hypot(away.x(), away.y()) <= NEAR

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        words = "Drag the shadow: how far sets its lift, which way its own lamp; Shift in steps"
        return (Qt.CursorShape.SizeAllCursor, words) if self._is_near(at) else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if self._is_near(at):
            spots = self.spots(self.view.transform_now())
            assert spots is not None
            self._token, self._away = object(), spots[1] - at
        return self._token is not None

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        coat, piece, board = self.coat, self.document.piece, self.document.board
        if coat is None or piece is None:
            return
        x, y = self.view.transform_now().to_board(at + self._away)
        mx, my = self._middle(piece)
        px, lamp = thrown_to(coat.lamp or board.lamp, x - mx, y - my)
        if keys & Qt.KeyboardModifier.ShiftModifier:
            lamp = msgspec.structs.replace(lamp, bearing=round(lamp.bearing / STEP) * STEP % 360)
        lift = coat.lift.like(round(px, 2), outline(piece, board.dpi).em, board.dpi)
        lift = type(lift)(round(lift.value, 4), lift.unit)
        self.document.apply(
            "Throw the shadow",
            lambda b: change_coat(b, piece.id, coat.id, lift=lift, lamp=lamp), self._token,
        )  # fmt: skip

    def release(self) -> None:
        self._token = None
        self.view.update()
