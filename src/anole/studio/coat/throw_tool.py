"""The chosen coat's thrown picture pulled over the board: how far, and which way."""

from __future__ import annotations

import math

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter, QPen

from ...core.coats.context import CoatContext
from ...core.coats.kind import Throw
from ...core.coats.registry import kind_of
from ...core.coats.section import surroundings
from ...core.edit.coats import change_coat
from ...core.model import Coat, Coated
from .. import theme
from ..board_tool import BoardTool
from ..canvas import Canvas
from ..view_transform import ViewTransform
from .ink_box import ink_box
from .measures import Measures

NEAR, STEP = 12.0, 15.0
"""Widget px within which the grip is taken; degrees of the steps with Shift."""


class ThrowTool(BoardTool):
    """A grip where the middle of the piece falls, tied to the middle itself."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._token: object | None = None
        self._away = QPointF()
        self._measures = Measures(view.session)

    def held(self) -> tuple[Coated, Coat, CoatContext, Throw] | None:
        """The piece and the coat of it that can be thrown, and where it lies."""
        coat, piece = self.selection.coat, self.selection.coated
        if coat is None or piece is None or piece.locked or not coat.on:
            return None
        section = self._measures.section()
        assert section is not None
        context = surroundings(section)
        throw = kind_of(coat).throw(coat, context)
        return None if throw is None else (piece, coat, context, throw)

    def _middle(self, piece: Coated) -> tuple[float, float]:
        x0, y0, x1, y1 = ink_box(piece, self.document.board.dpi)
        return (x0 + x1) / 2, (y0 + y1) / 2

    def spots(self, now: ViewTransform) -> tuple[QPointF, QPointF] | None:
        """The middle of the piece and where it is thrown, widget px."""
        held = self.held()
        if held is None:
            return None
        x, y = self._middle(held[0])
        return now.to_widget(x, y), now.to_widget(x + held[3].dx, y + held[3].dy)

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
        words = "Drag: how far sets the lift, which way a lamp of its own; Shift in steps"
        return (Qt.CursorShape.SizeAllCursor, words) if self._is_near(at) else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if self._is_near(at):
            spots = self.spots(self.view.transform_now())
            assert spots is not None
            self._token, self._away = object(), spots[1] - at
        return self._token is not None

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        held = self.held()
        if held is None:
            return
        piece, coat, context, _ = held
        x, y = self.view.transform_now().to_board(at + self._away)
        mx, my = self._middle(piece)
        throw = Throw(x - mx, y - my)
        if keys & Qt.KeyboardModifier.ShiftModifier:
            throw = _in_steps(throw)
        fields = kind_of(coat).thrown_to(coat, context, throw)
        name = f"Throw the {kind_of(coat).title.lower()}"
        self.document.apply(
            name, lambda b: change_coat(b, piece.id, coat.id, **fields), self._token
        )

    def release(self) -> None:
        self._token = None
        self.view.update()


def _in_steps(throw: Throw) -> Throw:
    """As far, in the nearest of a few directions."""
    far = math.hypot(*throw)
    turn = round(math.degrees(math.atan2(throw.dy, throw.dx)) / STEP) * STEP
    return Throw(far * math.cos(math.radians(turn)), far * math.sin(math.radians(turn)))
