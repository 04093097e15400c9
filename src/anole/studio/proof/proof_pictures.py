"""The board's pictures in Proof, reduced and as they are seen, shared by the views of the stage."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import QWidget

from ...core.model import Board
from ...core.proof.report import WordsReport
from ...core.proof.sight import PLAIN
from ..shared.session import Session
from .neighbours import neighbours
from .proof_jobs import reduced_job, report_job

LARGE = (640, 320)
SMALL = (168, 96)
REST_MS = 350
"""After the last change the words are looked at."""
AMONG = 196
"""px wide that the board and its neighbours stand among each other."""


class ProofPictures(QObject):
    """`changed`: a picture came, or others are wanted; `reported`: what there is to say of the words."""

    changed = pyqtSignal()
    reported = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__(session.document)
        self.session, self.document, self.worker = session, session.document, session.worker
        self.images: dict[int, QImage] = {}
        self.others: dict[int, QImage] = {}
        self.reports: list[WordsReport] = []
        self.sight = PLAIN
        self.asked: tuple[Board, str] | None = None
        self._reported: Board | None = None
        self.views: list[QWidget] = []
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(REST_MS)
        self._soon.timeout.connect(self._ask_report)
        self.worker.done.connect(self._take)
        self.document.settled.connect(self.ask)

    @property
    def is_seen(self) -> bool:
        """Whether any view of the stage is shown."""
        return any(view.isVisible() for view in self.views)

    def see(self, sight: str) -> None:
        """Show all as it is seen with other eyes."""
        self.sight = sight
        self.others.clear()
        self.ask()

    def ask(self) -> None:
        """Pictures and a report of the board as it is now."""
        board = self.document.board
        if not self.is_seen:
            return
        if (board, self.sight) != self.asked:
            self.asked = (board, self.sight)
            job = reduced_job(board, (*LARGE, AMONG, *SMALL), self.sight)
            self.worker.ask(("proof",), job)
        if board != self._reported:
            self._soon.start()

    def _ask_report(self) -> None:
        """Looking along the rims takes longer than a picture: it waits for a rest."""
        board = self.document.board
        if self.is_seen and board != self._reported:
            self._reported = board
            self.worker.ask(("report",), report_job(board))

    def ask_neighbours(self) -> None:
        """The invented ones, seen the same way; once."""
        if not self.others:
            for number, board in enumerate(neighbours()):
                job = reduced_job(board, (AMONG,), self.sight)
                self.worker.ask(("neighbour", number), job)

    def _take(self, key: Any, result: Any) -> None:
        if key == ("proof",):
            width, image = result
            self.images[width] = image
            self.changed.emit()
        elif key[0] == "neighbour":
            self.others[key[1]] = result[1]
            self.changed.emit()
        elif key == ("report",):
            self._told(*result)

    def _told(self, board: Board, found: list[WordsReport]) -> None:
        if board == self._reported:
            self.reports = found
            self.reported.emit()
