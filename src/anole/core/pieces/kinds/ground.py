"""Ground: a paint over the whole board."""

from __future__ import annotations

from typing import Any

from ...compose.cover import full
from ...compose.steps import Step
from ...model import Ground, ImagePaint, Paint
from ...paint.source import opaque
from ..fresh import Fresh
from ..kind import PieceKind
from ..placing.view import View
from ..whole_board import painted


class GroundKind(PieceKind[Ground]):
    """A paint over the whole board, or a rectangle of it."""

    struct = Ground
    title = "ground"
    ground = True

    def fresh(self) -> tuple[Fresh, ...]:
        """None: every board has one."""
        return ()

    def steps(self, piece: Ground, view: View) -> list[Step]:
        box = view.window
        return [painted("ground", piece, piece.paint, view, box, lambda: full(box))]

    def opaque(self, piece: Ground) -> bool:
        return piece.opacity == 1 and opaque(piece.paint)

    def paint(self, piece: Ground) -> Paint:
        return piece.paint

    def dropped(self, piece: Ground, asset: str) -> dict[str, Any]:
        return {"paint": ImagePaint(asset=asset, frame="board")}
