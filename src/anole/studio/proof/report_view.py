"""What there is to say of the words: contrast along their rim, size at a thumbnail's width, advice."""

from __future__ import annotations

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from ...core.proof.report import ENOUGH, LOW, SMALL, WordsReport
from ..look.plain import Label
from ..runtime.lifetimes import discard
from .proof_pictures import ProofPictures

MOST = 3


class ReportView(QWidget):
    """The largest words first."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.pictures = pictures
        pictures.views.append(self)
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(4)
        self.lines: list[Label] = []
        pictures.reported.connect(self.refresh)

    def refresh(self) -> None:
        """The report of the board as it is now."""
        for line in self.lines:
            self._column.removeWidget(line)
            discard(line)
        self.lines = []
        for report in self.pictures.reports[:MOST]:
            self._say(_head(report), "group")
            for advice in report.advice or ("It reads well.",):
                self._say(advice, "dim")
        if not self.pictures.reports:
            self._say("There are no words on the board.", "dim")

    def _say(self, text: str, name: str) -> None:
        line = Label(text)
        line.setObjectName(name)
        line.setWordWrap(True)
        self._column.addWidget(line)
        self.lines.append(line)


def _head(report: WordsReport) -> str:
    how = "clear" if report.contrast >= ENOUGH else "fair" if report.contrast >= LOW else "low"
    return (
        f"{report.name[:24]}: contrast {report.contrast:.1f} to 1 ({how}), "
        f"{report.height:.0f} px high at {SMALL} px"
    )
