"""Parts that a press beside all others places, until Esc ends it."""

from __future__ import annotations

import math
from abc import abstractmethod

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QKeyEvent

from .canvas import Canvas
from .part_tool import PartTool

LEAST_DRAG = 4.0
"""px that a press must go before it pulls at what it has placed."""


class PlacingTool(PartTool):
    """Whoever chooses the piece or coat anew can place again.

    invites : what the pointer says where a click places one; grip : what a drag pulls then
    """

    invites: str
    grip: str

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._ended: str | None = None
        self._fresh = False
        self.selection.changed.connect(self._other)

    @property
    def chosen_id(self) -> str | None:
        """What must be chosen anew."""
        return self.selection.piece_id

    @abstractmethod
    def place(self, at: QPointF) -> int | None:
        """Place one at a point of the widget; returns its number, None where it cannot be."""

    def _other(self) -> None:
        if self.chosen_id != self._ended:
            self._ended = None

    @property
    def placing(self) -> bool:
        """Whether a click places one."""
        return self.piece is not None and self.chosen_id != self._ended

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        found = super().hover(at)
        if found is None and self.placing:
            return Qt.CursorShape.CrossCursor, self.invites
        return found

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._fresh = False
        if super().press(at, keys):
            return True
        number = self.place(at) if self.placing else None
        if number is None:
            return False
        self.hold(at, (number, self.grip))
        self._fresh = True
        return True

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        by = at - self.origin
        if self._fresh and math.hypot(by.x(), by.y()) < LEAST_DRAG:
            return
        self._fresh = False
        super().pull(at, keys)

    def wants(self, event: QKeyEvent) -> bool:
        if event.key() == Qt.Key.Key_Escape:
            return self.placing
        return super().wants(event)

    def key(self, event: QKeyEvent) -> bool:
        if event.key() == Qt.Key.Key_Escape and self.placing:
            self._ended = self.chosen_id
            self.view.update()
            return True
        return super().key(event)
