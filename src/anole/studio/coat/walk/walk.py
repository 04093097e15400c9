"""Goes through the coats of a piece one by one: the board shows the piece as far as it is built."""

from __future__ import annotations

import contextlib

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ....core.edit.building import built_to, steps_of
from ....core.model import Board, Coat
from ...shared.session import Session

EACH = 1800
"""Milliseconds that a step stands while it plays."""


class Walk(QObject):
    """`changed`: another step, or what it shows; `came(coat)`: a step was gone to; `over`: there is nothing
    to walk any more."""

    changed, over = pyqtSignal(), pyqtSignal()
    came = pyqtSignal(object)

    def __init__(self, session: Session, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.session, self.document = session, session.document
        self.piece_id: str | None = None
        self.coat_id = ""
        self._lent: Board | None = None
        """The board as it was dressed to be walked; taken back when it is left as it is."""
        self._clock = QTimer(self)
        self._clock.setInterval(EACH)
        self._clock.timeout.connect(self._tick)
        self.document.changed.connect(self._follow)
        session.selection.changed.connect(self._chosen)

    @property
    def steps(self) -> tuple[Coat, ...]:
        """The coats that are on, bottom first; none where nothing is walked."""
        if self.piece_id is None:
            return ()
        with contextlib.suppress(KeyError):
            return steps_of(self.document.board, self.piece_id)
        return ()

    @property
    def at(self) -> int:
        """The number of the step, from 0; -1 for none."""
        return next((n for n, coat in enumerate(self.steps) if coat.id == self.coat_id), -1)

    @property
    def coat(self) -> Coat | None:
        """The coat of the step."""
        return self.steps[self.at] if self.at >= 0 else None

    @property
    def plays(self) -> bool:
        """Whether it goes on by itself."""
        return self._clock.isActive()

    def begin(self, lent: bool = False) -> None:
        """Walk the chosen piece from its lowest coat. lent : it was dressed for this alone"""
        piece = self.session.selection.coated
        self.piece_id = piece.id if piece is not None else None
        self._lent = self.document.board if lent else None
        self.go(0)

    def go(self, number: int) -> None:
        """Go to a step."""
        steps = self.steps
        if not steps:
            self.over.emit()
            return
        coat = steps[min(max(number, 0), len(steps) - 1)]
        self.coat_id = coat.id
        self.session.selection.choose(self.piece_id, coat.id)
        self._show()
        self.came.emit(coat)
        self.changed.emit()

    def play(self, on: bool) -> None:
        """Go on by itself, from the start when all is built; or stand."""
        if not on:
            self._clock.stop()
        else:
            if self.at >= len(self.steps) - 1:
                self.go(0)
            self._clock.start()
        self.changed.emit()

    def take(self) -> None:
        """The piece as far as it is built, as one step of the history."""
        piece_id, coat_id = self.piece_id, self.coat_id
        if piece_id is None or self.coat is None:
            return
        self._let_go()
        self.document.apply("Take it from here", lambda board: built_to(board, piece_id, coat_id))
        self.over.emit()

    def leave(self) -> None:
        """All of it again; what was put on to be looked at is taken off unless it was worked on."""
        lent = self._lent
        self._let_go()
        if lent is not None and lent is self.document.board:
            self.document.undo()

    def _let_go(self) -> None:
        self._clock.stop()
        self.piece_id, self.coat_id, self._lent = None, "", None
        self.document.look_at(None)

    def _tick(self) -> None:
        self.go(self.at + 1)
        if self.at >= len(self.steps) - 1:
            self.play(False)

    def _show(self) -> None:
        if self.piece_id is not None and self.coat is not None:
            self.document.look_at(built_to(self.document.board, self.piece_id, self.coat_id))

    def _follow(self) -> None:
        """The board changed beneath it: fields of a step are worked on, or the coat is gone."""
        if self.piece_id is None:
            return
        if self.coat is None:
            self.over.emit()
            return
        self._show()
        self.changed.emit()

    def _chosen(self) -> None:
        """A coat that is chosen elsewhere is the step."""
        if self.piece_id is None:
            return
        selection = self.session.selection
        if selection.piece_id != self.piece_id:
            self.over.emit()
        elif selection.coat_id != self.coat_id:
            numbers = [n for n, coat in enumerate(self.steps) if coat.id == selection.coat_id]
            if numbers:
                self.go(numbers[0])
