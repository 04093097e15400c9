"""What can be done on the board by hand. Each stage gives the board view its tools, first asked
first."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QInputMethodEvent, QKeyEvent, QPainter

from ..look.view_transform import ViewTransform
from .canvas import Canvas


class BoardTool:
    """Points are widget px. press() says whether the tool takes the pull that starts there."""

    def __init__(self, view: Canvas) -> None:
        self.view = view
        self.document, self.selection = view.document, view.selection

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        """Draw over the board."""

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        """The button went down at a point of the view; whether the tool takes what follows."""
        return False

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        """The pointer moved with the button held."""

    def release(self) -> None:
        """The button was let go."""

    def twice(self, at: QPointF) -> bool:
        """A double click."""
        return False

    def wheel(self, at: QPointF, turned: int) -> bool:
        """A wheel turned by so many eighths of a degree, upward positive, with no key held."""
        return False

    def ask_menu(self, at: QPointF) -> str | None:
        """Choose what lies under a right click, and say what kind of thing it is."""
        return None

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        """The cursor's shape and a hint, where the tool would take a press."""
        return None

    def key(self, event: QKeyEvent) -> bool:
        """Whether the key was meant for this tool."""
        return False

    def wants(self, event: QKeyEvent) -> bool:
        """Whether the key is the tool's even where a shortcut of the window has it."""
        return False

    def input_method(self, event: QInputMethodEvent) -> bool:
        """Take what a keyboard's chooser hands over; whether it did."""
        return False

    def input_query(self, query: Qt.InputMethodQuery) -> Any:
        """What such a chooser wants to know; None for nothing."""
        return None

    def leave(self) -> None:
        """Another stage, piece or board: end what is going on."""
