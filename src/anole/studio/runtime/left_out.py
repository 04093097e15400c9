"""Coats and pieces that failed: they are left out of pictures until they are changed."""

from __future__ import annotations

import threading
from collections.abc import Callable
from typing import TypeVar

import msgspec
from PyQt6.QtCore import QObject, pyqtSignal

from ...core.coats import registry as coats
from ...core.failures import RenderError
from ...core.model import Board, Coat
from ...core.pieces import registry as pieces
from ...core.render.leaving_out import Part, failing, parts_of, without
from ...core.text import short
from .troubles import TROUBLES

T = TypeVar("T")


def title_of(part: Part) -> str:
    """What the window calls a coat or a piece."""
    kind = coats.kind_of(part) if isinstance(part, Coat) else pieces.kind_of(part)
    name = f" “{short(part.name)}”" if part.name else ""
    return f"{kind.title.capitalize()}{name}"


def told(part: Part, error: object) -> str:
    """What is said of a part that is left out."""
    return f"{title_of(part)} failed and is left out of the picture: {short(error)}"


class LeftOut(QObject):
    """`changed` when one more is left out, in whatever thread found it.

    Parts are values: one that was edited is another, and is tried again.
    """

    changed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._lock = threading.Lock()
        self._parts: frozenset[Part] = frozenset()

    def __contains__(self, part: Part) -> bool:
        return part in self._parts

    def of(self, board: Board) -> list[Part]:
        """Those that stand on a board."""
        return [part for part in parts_of(board) if part in self._parts]

    def sound(self, style: tuple[Coat, ...]) -> tuple[Coat, ...]:
        """The coats of a style that work."""
        return tuple(coat for coat in style if coat not in self._parts) if self._parts else style

    def tried(self, board: Board, render: Callable[[Board], T]) -> T:
        """What `render` makes of the board without the parts that fail.

        Raises RenderError when leaving a part out does not help.
        """
        while True:
            left_out = self._parts
            try:
                return render(without(board, left_out))
            except RenderError as error:
                if all(part in left_out for part in failing(board, error.part)):
                    raise
                for part in self.take(board, error.part):
                    TROUBLES.caught(error, told(part, error))

    def take(self, board: Board, part: msgspec.Struct) -> list[Part]:
        """Leave out what failed on a board; returns what of that is new."""
        with self._lock:
            news = [own for own in failing(board, part) if own not in self._parts]
            self._parts |= frozenset(news)
        if news:
            self.changed.emit()
        return news
