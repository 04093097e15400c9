"""The lantern over the board: round it turns the lamp, nearer to the middle it stands higher."""

from __future__ import annotations

import math

import msgspec
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter, QPen

from ...core.coats.registry import kind_of
from ...core.edit.boards import change_board
from ...core.edit.coats import change_coat
from ...core.model import Lamp
from ..board.board_tool import BoardTool
from ..board.canvas import Canvas
from ..look import theme
from ..look.view_transform import ViewTransform

REACH, NEAR = 0.46, 12.0
"""Of the board's shorter side: how far a lamp at the horizon hangs from the middle."""
HIGHEST = 80.0


class LanternTool(BoardTool):
    """Of the chosen coat's own lamp, or of the board's when the coat follows that."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._token: object | None = None

    @property
    def lamp(self) -> Lamp | None:
        """The lamp that lights the chosen coat; None for a coat without light."""
        coat = self.selection.coat
        if coat is None or not kind_of(coat).lit:
            return None
        return kind_of(coat).lamp(coat) or self.document.board.lamp

    def spot(self, now: ViewTransform) -> QPointF | None:
        """Where the lamp hangs over the board, in px of the view."""
        lamp, board = self.lamp, self.document.board
        if lamp is None:
            return None
        far = (90 - lamp.elevation) / 90 * REACH * min(board.width, board.height)
        turn = math.radians(lamp.bearing)
        x, y = board.width / 2 + math.sin(turn) * far, board.height / 2 - math.cos(turn) * far
        return now.to_widget(x, y)

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        spot, lamp, board = self.spot(now), self.lamp, self.document.board
        if spot is None or lamp is None:
            return
        middle = now.to_widget(board.width / 2, board.height / 2)
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(theme.colour("desk"), 3))
        painter.drawLine(spot, middle)
        painter.setPen(QPen(theme.colour("lamp", 0.9), 1.2, Qt.PenStyle.DotLine))
        painter.drawLine(spot, middle)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("lamp", 0.28))
        halo = 10 + lamp.size * 6
        painter.drawEllipse(spot, halo, halo)
        painter.setPen(QPen(theme.colour("desk"), 1.5))
        painter.setBrush(theme.colour("lamp"))
        painter.drawEllipse(spot, 7, 7)
        if self._token is not None:
            painter.setPen(theme.colour("text"))
            painter.setFont(theme.font(11))
            words = f"from {lamp.bearing:.0f}°, {lamp.elevation:.0f}° high"
            painter.drawText(spot + QPointF(14, -10), words)

    def _is_near(self, at: QPointF) -> bool:
        spot = self.spot(self.view.transform_now())
        return spot is not None and math.hypot(spot.x() - at.x(), spot.y() - at.y()) <= NEAR

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        words = "Drag the lantern: round the board it turns, toward the middle it rises"
        return (Qt.CursorShape.SizeAllCursor, words) if self._is_near(at) else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if self._is_near(at):
            self._token = object()
        return self._token is not None

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        board, lamp = self.document.board, self.lamp
        if lamp is None:
            return
        x, y = self.view.transform_now().to_board(at)
        dx, dy = x - board.width / 2, y - board.height / 2
        far = math.hypot(dx, dy) / (REACH * min(board.width, board.height))
        moved = msgspec.structs.replace(
            lamp,
            bearing=float(round(math.degrees(math.atan2(dx, -dy)) % 360)),
            elevation=float(round(min(max(90 * (1 - far), 1), HIGHEST))),
        )
        piece, coat = self.selection.piece_id or "", self.selection.coat
        if coat is not None and kind_of(coat).lamp(coat) is not None:
            self.document.apply(
                "Lamp of the coat",
                lambda b: change_coat(b, piece, coat.id, lamp=moved),
                self._token,
            )
        else:
            self.document.apply("Lamp", lambda b: change_board(b, lamp=moved), self._token)

    def release(self) -> None:
        self._token = None
        self.view.update()
