"""Undo and redo: a list of boards with the name of the step that made each."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from .model import Board

MOST_STEPS = 500


class HistoryStep(NamedTuple):
    """A board, and the name of what led to it."""

    name: str
    board: Board


class History:
    """Boards share what did not change, so a step costs next to nothing."""

    def __init__(self, board: Board, name: str = "Open") -> None:
        self._steps = [HistoryStep(name, board)]
        self._at = 0
        self._drag: object | None = None

    @classmethod
    def of(cls, steps: Sequence[HistoryStep], at: int) -> History:
        """A history as it was. Raises IndexError when `at` is none of its steps."""
        history = cls(steps[0].board, steps[0].name)
        history._steps = list(steps)
        history.go(at)
        return history

    @property
    def board(self) -> Board:
        """The board as it stands now."""
        return self._steps[self._at].board

    @property
    def steps(self) -> list[HistoryStep]:
        """All steps, the oldest first, those that were undone among them."""
        return list(self._steps)

    @property
    def at(self) -> int:
        """Which of `steps` stands now."""
        return self._at

    @property
    def undo_name(self) -> str | None:
        """What `undo` would take back; None if nothing."""
        return self._steps[self._at].name if self._at > 0 else None

    @property
    def redo_name(self) -> str | None:
        """What `redo` would bring again; None if nothing."""
        return self._steps[self._at + 1].name if self._at + 1 < len(self._steps) else None

    def push(self, name: str, board: Board, drag: object | None = None) -> None:
        """A new step; those of one drag (the same token) become a single step."""
        if board == self.board:
            return
        if drag is not None and drag is self._drag and self._at > 0:
            self._steps[self._at] = HistoryStep(name, board)
            return
        del self._steps[self._at + 1 :]
        self._steps.append(HistoryStep(name, board))
        del self._steps[: max(0, len(self._steps) - MOST_STEPS)]
        self._at = len(self._steps) - 1
        self._drag = drag

    def go(self, to: int) -> None:
        """Any step by number. Raises IndexError."""
        if not 0 <= to < len(self._steps):
            raise IndexError(to)
        self._at, self._drag = to, None

    def undo(self) -> None:
        """Go one step back; nothing happens at the first."""
        if self._at > 0:
            self.go(self._at - 1)

    def redo(self) -> None:
        """Go one step on; nothing happens at the last."""
        if self._at + 1 < len(self._steps):
            self.go(self._at + 1)
