"""Counts what each operation of a tone list acts on, in the worker, while its line is seen."""

from __future__ import annotations

import itertools
from collections.abc import Callable, Sequence
from typing import Any, Protocol

from PyQt6.QtCore import QObject, QTimer
from PyQt6.QtGui import QImage

from ...shared.session import Session, session_of
from ..base.control import Control
from ..base.trying import Trying
from .histogram import WIDE, acted_on, counted
from .tone_line import ToneLine

WAIT_MS = 120
_NUMBERS = itertools.count()


class HasLine(Protocol):
    """A row of a tone list, with a line or without."""

    line: ToneLine | None


class ToneHistograms(QObject):
    """One for each list; nothing is counted for lines that nobody sees."""

    def __init__(self, control: Control, rows: Callable[[], Sequence[HasLine]]) -> None:
        super().__init__(control)
        self._control, self._rows = control, rows
        self._trying, self._number = Trying(control), next(_NUMBERS)
        self._session: Session | None = None
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(WAIT_MS)
        self._later.timeout.connect(self._ask)

    def ask(self) -> None:
        """Count soon."""
        session = session_of(self._control)
        if session is not None and self._session is None:
            self._session = session
            session.worker.drawn.connect(self._drawn)
            session.document.settled.connect(self._soon)
        self._soon()

    def _seen(self) -> list[tuple[int, ToneLine]]:
        lines = ((n, row.line) for n, row in enumerate(self._rows()))
        return [(n, line) for n, line in lines if line is not None and line.isVisible()]

    def _soon(self) -> None:
        if self._seen():
            self._later.start()

    def _ask(self) -> None:
        session, ops = self._session, tuple(self._control.value())
        if session is None:
            return
        for n, _ in self._seen():
            board = self._trying.board(ops[:n]) or session.document.board
            chosen = session.selection
            found = acted_on(board, chosen.piece_id, chosen.coat_id)
            if found is not None:
                small, grounds = found
                scale = min(1.0, WIDE / small.width)
                session.worker.ask_small(("heap", self._number, n), small, scale, grounds)

    def _drawn(self, key: Any, image: QImage) -> None:
        if key[:2] == ("heap", self._number):
            for n, line in self._seen():
                if n == key[2]:
                    line.show_bins(counted(image))
