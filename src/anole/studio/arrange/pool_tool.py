"""The spots of a pool on the board: placed, sized and hardened by hand."""

from __future__ import annotations

import math

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QKeyEvent, QPainter, QPen

from ...core.edit.atmosphere import add_spot, change_spot, remove_spot
from ...core.model import Pool, Spot
from .. import theme
from ..board_tool import BoardTool
from ..canvas import Canvas
from ..view_transform import ViewTransform

REACH, DOT = 9.0, 5.5
HINTS = {
    "move": "Drag: moves the spot. Delete deletes it",
    "radius": "Drag: its size",
    "hardness": "Drag: how much of it is full",
}
NAMES = {"move": "Move spot", "radius": "Size of spot", "hardness": "Hardness of spot"}
Grip = tuple[int, str]


class PoolTool(BoardTool):
    """Works while a pool is chosen; the part that is worked on is the selection's."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._held: Grip | None = None
        self._from = QPointF()
        self._start: Spot | None = None
        self._token: object | None = None
        self.selection.part_changed.connect(view.update)

    @property
    def pool(self) -> Pool | None:
        piece = self.selection.piece
        if not isinstance(piece, Pool) or piece.locked or not piece.shown:
            return None
        return piece

    def _grips(self, spot: Spot, now: ViewTransform) -> dict[str, QPointF]:
        """Where a spot is held: its middle, its outer ring at the right, its full part at the left."""
        middle = now.to_widget(spot.x, spot.y)
        radius = spot.radius * now.zoom
        inner = max(spot.hardness * radius, 2.5 * DOT)
        return {
            "move": middle,
            "radius": middle + QPointF(radius, 0),
            "hardness": middle - QPointF(inner, 0),
        }

    def hit(self, at: QPointF) -> Grip | None:
        """What of which spot lies under a point; rings of the one that is worked on alone."""
        pool, now = self.pool, self.view.transform_now()
        if pool is None:
            return None
        best: tuple[float, Grip] | None = None
        for number, spot in enumerate(pool.spots):
            for kind, place in self._grips(spot, now).items():
                if kind != "move" and number != self.selection.part:
                    continue
                far = math.hypot(place.x() - at.x(), place.y() - at.y())
                if far <= REACH and (best is None or far < best[0]):
                    best = (far, (number, kind))
        return best[1] if best is not None else None

    # looking

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        pool = self.pool
        if pool is None:
            return
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for number, spot in enumerate(pool.spots):
            chosen = number == min(self.selection.part, len(pool.spots) - 1)
            self._paint_spot(painter, spot, now, chosen)

    def _paint_spot(self, painter: QPainter, spot: Spot, now: ViewTransform, chosen: bool) -> None:
        grips = self._grips(spot, now)
        middle, radius = grips["move"], spot.radius * now.zoom
        painter.setBrush(Qt.BrushStyle.NoBrush)
        if chosen:
            for shade, wide in ((theme.colour("desk", 0.6), 3.0), (theme.colour("leaf"), 1.4)):
                painter.setPen(QPen(shade, wide))
                painter.drawEllipse(middle, radius, radius)
                painter.setPen(QPen(shade, wide, Qt.PenStyle.DotLine))
                painter.drawEllipse(middle, spot.hardness * radius, spot.hardness * radius)
        for kind, place in grips.items():
            if chosen or kind == "move":
                painter.setPen(QPen(theme.colour("desk"), 1.5))
                painter.setBrush(theme.colour("leaf" if chosen else "text"))
                painter.drawEllipse(place, DOT, DOT)

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        grip = self.hit(at)
        return (Qt.CursorShape.SizeAllCursor, HINTS[grip[1]]) if grip is not None else None

    # pulling

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._held, pool = self.hit(at), self.pool
        if self._held is None or pool is None:
            return False
        self._from, self._token = at, object()
        self._start = pool.spots[self._held[0]]
        self.selection.choose_part(self._held[0])
        return True

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        pool, start = self.pool, self._start
        if self._held is None or start is None or pool is None:
            return
        number, kind = self._held
        zoom = self.view.transform_now().zoom
        by = (at - self._from) / zoom
        fields: dict[str, float]
        if kind == "move":
            fields = {"x": round(start.x + by.x()), "y": round(start.y + by.y())}
        elif kind == "radius":
            fields = {"radius": round(min(max(start.radius + by.x(), 1.0), 64_000.0))}
        else:
            share = start.hardness - by.x() / start.radius
            fields = {"hardness": round(min(max(share, 0.0), 0.98), 3)}
        self.document.apply(
            NAMES[kind], lambda b: change_spot(b, pool.id, number, **fields), self._token
        )

    def release(self) -> None:
        self._held = self._start = self._token = None

    def twice(self, at: QPointF) -> bool:
        """A double click beside all spots makes one there."""
        pool = self.pool
        if pool is None or self.hit(at) is not None:
            return False
        x, y = self.view.transform_now().to_board(at)
        number = self.document.make("Add spot", lambda b: add_spot(b, pool.id, round(x), round(y)))
        if number is not None:
            self.selection.choose_part(number)
        return True

    # by key

    def wants(self, event: QKeyEvent) -> bool:
        pool = self.pool
        return event.key() == Qt.Key.Key_Delete and pool is not None and len(pool.spots) > 1

    def key(self, event: QKeyEvent) -> bool:
        pool = self.pool
        if pool is None or not self.wants(event):
            return False
        number = min(self.selection.part, len(pool.spots) - 1)
        self.document.apply("Delete spot", lambda b: remove_spot(b, pool.id, number))
        self.selection.choose_part(max(number - 1, 0))
        return True
