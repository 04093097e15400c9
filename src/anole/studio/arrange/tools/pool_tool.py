"""The spots of a pool on the board: placed, sized and hardened by hand."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import QPointF
from PyQt6.QtGui import QPainter

from ....core.edit.parts import add_part
from ....core.edit.spots import next_spot
from ....core.model import Board, Pool, Spot
from ...board.part_tool import DOT, PartTool, ring
from ...look.view_transform import ViewTransform

HINTS = {
    "move": "Drag: moves the spot. Delete deletes it",
    "radius": "Drag: its size",
    "hardness": "Drag: how much of it is full",
}
NAMES = {"move": "Move spot", "radius": "Size of spot", "hardness": "Hardness of spot"}


class PoolTool(PartTool):
    """A spot is held by its middle, its outer ring at the right and its full part at the left."""

    struct, field, part_name = Pool, "spots", "spot"
    hints, names = HINTS, NAMES

    def grips(self, part: Spot, now: ViewTransform) -> dict[str, QPointF]:
        middle = now.to_widget(part.x, part.y)
        radius = part.radius * now.zoom
        inner = max(part.hardness * radius, 2.5 * DOT)
        return {
            "move": middle,
            "radius": middle + QPointF(radius, 0),
            "hardness": middle - QPointF(inner, 0),
        }

    def paint_part(self, painter: QPainter, part: Spot, now: ViewTransform) -> None:
        middle, radius = now.to_widget(part.x, part.y), part.radius * now.zoom
        ring(painter, middle, radius)
        ring(painter, middle, part.hardness * radius, dotted=True)

    def pulled(self, kind: str, start: Spot, at: QPointF) -> dict[str, Any]:
        by = (at - self.origin).x() / self.view.transform_now().zoom
        if kind == "radius":
            return {"radius": round(min(max(start.radius + by, 1.0), 64_000.0))}
        share = start.hardness - by / start.radius
        return {"hardness": round(min(max(share, 0.0), 0.98), 3)}

    def twice(self, at: QPointF) -> bool:
        """A double click beside all spots makes one there."""
        pool = self.piece
        if pool is None or self.hit(at) is not None:
            return False
        x, y = self.view.transform_now().to_board(at)

        def added(board: Board) -> tuple[Board, int]:
            spot = next_spot(board, pool.spots)
            spot = msgspec.structs.replace(spot, x=round(x), y=round(y))
            return add_part(board, pool.id, "spots", spot)

        number = self.document.make("Add spot", added)
        if number is not None:
            self.selection.choose_part(number)
        return True
