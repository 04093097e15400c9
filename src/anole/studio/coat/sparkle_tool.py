"""The flares of a sparkle on the board: put on a letter, and every such letter carries it."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import QPointF
from PyQt6.QtGui import QPainter

from ...core.edit.coats import change_coat
from ...core.model import Coated, Flare, Lettering, Sparkle
from ...core.paint.frames import FrameBox
from ...core.pieces.shapes.letters import letter_boxes
from ..board.part_tool import ring
from ..board.placing_tool import PlacingTool
from ..look.view_transform import ViewTransform
from .ink_box import known_ink

HINTS = {"move": "Drag: moves the flare on every such letter. Delete deletes it"}
NAMES = {"move": "Move flare"}
NEAR = 0.25
"""Of a letter's height: how far beside its box it may still be put on it."""


class SparkleTool(PlacingTool):
    """Works while a sparkle is the chosen coat. A flare is held wherever it is seen."""

    struct, field, part_name, least = Coated, "flares", "flare", 0
    hints, names = HINTS, NAMES
    invites, grip = "Click a letter: puts a flare on every such letter. Esc ends it", "move"

    @property
    def chosen_id(self) -> str | None:
        return self.selection.coat_id

    @property
    def coat(self) -> Sparkle | None:
        """The chosen coat, where it sparkles."""
        coat = self.selection.coat
        return coat if isinstance(coat, Sparkle) and coat.on else None

    @property
    def piece(self) -> Any:
        return super().piece if self.coat is not None else None

    @property
    def parts(self) -> tuple[Flare, ...]:
        coat = self.coat if self.piece is not None else None
        return coat.flares if coat is not None else ()

    def _boxes(self) -> list[tuple[str, FrameBox]]:
        """The letters of the piece with their boxes, board px."""
        piece, board = self.piece, self.document.board
        return letter_boxes(piece, board) if isinstance(piece, Lettering) else []

    def _frames(self, letter: str) -> list[FrameBox]:
        """The boxes that a letter's flares lie in."""
        if letter:
            return [box for one, box in self._boxes() if one == letter]
        whole = known_ink(self.piece, self.document.board.dpi) if self.piece is not None else None
        return [whole] if whole is not None else []

    def grips(self, part: Flare, now: ViewTransform) -> dict[str, QPointF]:
        places = {}
        for n, (x0, y0, x1, y1) in enumerate(self._frames(part.letter)):
            place = now.to_widget(x0 + part.x * (x1 - x0), y0 + part.y * (y1 - y0))
            places["move" if n == 0 else f"move{n}"] = place
        return places

    def paint_part(self, painter: QPainter, part: Flare, now: ViewTransform) -> None:
        for place in self.grips(part, now).values():
            ring(painter, place, 11.0, dotted=True)

    def moved(self, kind: str, start: Flare, at: QPointF) -> dict[str, Any]:
        """Shares of the box of the letter that is pulled."""
        frames, number = self._frames(start.letter), int(kind.removeprefix("move") or 0)
        return _shares(frames[number], self.view.transform_now().to_board(at))

    def pulled(self, kind: str, start: Flare, at: QPointF) -> dict[str, Any]:
        return self.moved(kind, start, at)

    def place(self, at: QPointF) -> int | None:
        point = self.view.transform_now().to_board(at)
        letter, frame = self._under(point)
        if frame is None:
            return None
        flare = Flare(letter=letter, **_shares(frame, point))
        self._set("Put a flare on", (*self.parts, flare), None)
        return len(self.parts) - 1

    def _under(self, point: tuple[float, float]) -> tuple[str, FrameBox | None]:
        """The letter under a point of the board, or the piece where it has none."""
        if not isinstance(self.piece, Lettering):
            return "", next(iter(self._frames("")), None)
        best: tuple[float, str, FrameBox] | None = None
        for letter, box in self._boxes():
            x0, y0, x1, y1 = box
            dx = max(x0 - point[0], point[0] - x1, 0.0)
            dy = max(y0 - point[1], point[1] - y1, 0.0)
            far = dx + dy
            if far <= NEAR * (y1 - y0) and (best is None or far < best[0]):
                best = far, letter, box
        return (best[1], best[2]) if best is not None else ("", None)

    def change(self, name: str, number: int, fields: dict[str, Any], token: object | None) -> None:
        changed = msgspec.structs.replace(self.parts[number], **fields)
        self._set(name, (*self.parts[:number], changed, *self.parts[number + 1 :]), token)

    def remove(self, number: int) -> None:
        self._set("Delete flare", (*self.parts[:number], *self.parts[number + 1 :]), None)

    def _set(self, name: str, flares: tuple[Flare, ...], token: object | None) -> None:
        piece, coat = self.piece.id, self.selection.coat_id or ""
        self.document.apply(name, lambda b: change_coat(b, piece, coat, flares=flares), token)


def _shares(box: FrameBox, point: tuple[float, float]) -> dict[str, Any]:
    """Where a point lies in a box, as far as a flare may lie beside it."""
    x0, y0, x1, y1 = box
    x, y = (point[0] - x0) / max(x1 - x0, 1e-6), (point[1] - y0) / max(y1 - y0, 1e-6)
    return {"x": round(min(max(x, -4.0), 5.0), 3), "y": round(min(max(y, -4.0), 5.0), 3)}
