"""From board px to widget px and back."""

from __future__ import annotations

from typing import NamedTuple

from PyQt6.QtCore import QPointF, QRectF


class ViewTransform(NamedTuple):
    """widget = board * zoom + (x, y)."""

    zoom: float
    x: float
    y: float

    def to_widget(self, x: float, y: float) -> QPointF:
        """From board px to px of the view."""
        return QPointF(x * self.zoom + self.x, y * self.zoom + self.y)

    def to_board(self, point: QPointF) -> tuple[float, float]:
        """From px of the view to board px."""
        return (point.x() - self.x) / self.zoom, (point.y() - self.y) / self.zoom

    def rect(self, x: float, y: float, width: float, height: float) -> QRectF:
        """A rectangle of board px in px of the view."""
        return QRectF(self.to_widget(x, y), self.to_widget(x + width, y + height))


def fitting(
    board_width: float,
    board_height: float,
    width: float,
    height: float,
    margin: float,
    above: float,
) -> ViewTransform:
    """The whole board in the middle of a widget, never above its own size; `above`: the least room
    over it."""
    room_x, room_y = max(width - 2 * margin, 16), max(height - margin - above, 16)
    zoom = min(room_x / board_width, room_y / board_height, 1.0)
    y = max((height - board_height * zoom) / 2, above)
    return ViewTransform(zoom, (width - board_width * zoom) / 2, y)


def filling(board_width: float, board_height: float, width: float, height: float) -> ViewTransform:
    """The middle of the board over all of a widget."""
    zoom = max(width / board_width, height / board_height)
    return ViewTransform(zoom, (width - board_width * zoom) / 2, (height - board_height * zoom) / 2)
