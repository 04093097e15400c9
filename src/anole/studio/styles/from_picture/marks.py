"""The box round the lettering and the line across an edge, in px of the picture, and how they are moved."""

from __future__ import annotations

from enum import Enum

from PyQt6.QtCore import Qt

from ....core.box import Box

LEAST_BOX = 16
"""px a side."""
CURSORS = {
    (-1, -1): Qt.CursorShape.SizeFDiagCursor,
    (1, 1): Qt.CursorShape.SizeFDiagCursor,
    (1, -1): Qt.CursorShape.SizeBDiagCursor,
    (-1, 1): Qt.CursorShape.SizeBDiagCursor,
    (0, -1): Qt.CursorShape.SizeVerCursor,
    (0, 1): Qt.CursorShape.SizeVerCursor,
    (-1, 0): Qt.CursorShape.SizeHorCursor,
    (1, 0): Qt.CursorShape.SizeHorCursor,
}


class Mark(Enum):
    """What can be pulled: the ends of the line, and the box by its sides (across, down)."""

    INNER = (0, "inner")
    OUTER = (0, "outer")
    TOP_LEFT = (-1, -1)
    TOP = (0, -1)
    TOP_RIGHT = (1, -1)
    RIGHT = (1, 0)
    BOTTOM_RIGHT = (1, 1)
    BOTTOM = (0, 1)
    BOTTOM_LEFT = (-1, 1)
    LEFT = (-1, 0)

    @property
    def of_box(self) -> bool:
        """Whether it moves a side of the box, not an end of the line."""
        return self not in (Mark.INNER, Mark.OUTER)

    @property
    def next(self) -> Mark:
        """The one after it."""
        every = list(Mark)
        return every[(every.index(self) + 1) % len(every)]

    @property
    def cursor(self) -> Qt.CursorShape:
        """How the pointer looks over it."""
        return CURSORS[self.value] if self.of_box else Qt.CursorShape.CrossCursor


class Marks:
    """`line` is None until there is one: x0, y0, x1, y1, from the ground into the middle of a stem."""

    def __init__(self) -> None:
        self.begin(1, 1)

    def begin(self, width: int, height: int) -> None:
        """Of another picture, so large: all of it, and no line yet."""
        self.size = (width, height)
        self.box = Box(0, 0, width, height)
        self.line: tuple[float, float, float, float] | None = None

    def place(self, mark: Mark) -> tuple[float, float]:
        """Where it lies, px of the picture."""
        if mark.of_box:
            across, down = mark.value
            middle = ((self.box.x0 + self.box.x1) / 2, (self.box.y0 + self.box.y1) / 2)
            x = {-1: self.box.x0, 0: middle[0], 1: self.box.x1}[across]
            y = {-1: self.box.y0, 0: middle[1], 1: self.box.y1}[down]
            return float(x), float(y)
        x0, y0, x1, y1 = self.line or (0.0, 0.0, 0.0, 0.0)
        return (x1, y1) if mark is Mark.INNER else (x0, y0)

    def move(self, mark: Mark, x: float, y: float) -> None:
        """Bring it to a place, within the picture; a box stays at least LEAST_BOX px a side."""
        wide, high = self.size
        x, y = min(max(x, 0.0), float(wide)), min(max(y, 0.0), float(high))
        if mark.of_box:
            self._move_side(mark, round(x), round(y))
        elif self.line is not None:
            x0, y0, x1, y1 = self.line
            self.line = (x0, y0, x, y) if mark is Mark.INNER else (x, y, x1, y1)

    def _move_side(self, mark: Mark, x: int, y: int) -> None:
        across, down = mark.value
        x0, y0, x1, y1 = self.box
        if across < 0:
            x0 = max(min(x, x1 - LEAST_BOX), 0)
        if across > 0:
            x1 = min(max(x, x0 + LEAST_BOX), self.size[0])
        if down == -1:
            y0 = max(min(y, y1 - LEAST_BOX), 0)
        if down == 1:
            y1 = min(max(y, y0 + LEAST_BOX), self.size[1])
        self.box = Box(x0, y0, x1, y1)
