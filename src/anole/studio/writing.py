"""Pictures written in the background, one at a time, with their progress at the foot."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QObject
from PyQt6.QtWidgets import QFileDialog, QWidget

from .export_job import ExportJob
from .file_names import ended
from .foot_bar import FootBar
from .session import Session
from .troubles import Trouble


class Writing(QObject):
    def __init__(self, session: Session, foot: FootBar, window: QWidget) -> None:
        super().__init__(window)
        self.session, self.document = session, session.document
        self.foot, self._window = foot, window
        self.job: ExportJob | None = None

    def ask(self, scale: float, transparent: bool) -> None:
        if self.job is not None:
            self.foot.say("A picture is being exported; wait for it, or cancel it.")
            return
        start = f"{self.document.title}.png"
        name, _ = QFileDialog.getSaveFileName(self._window, "Export PNG", start, "PNG (*.png)")
        if name:
            self.to(ended(Path(name), ".png"), scale, transparent)

    def to(self, path: Path, scale: float = 1.0, transparent: bool = False) -> ExportJob:
        """Write the board as a PNG."""
        board, left_out = self.document.board, self.session.left_out
        job = self.job = ExportJob(board, path, scale, transparent, left_out)
        job.progressed.connect(
            lambda s: self.foot.show_progress(f"Exporting {path.name}", s, self.cancel)
        )
        job.ended.connect(lambda trouble, _: self._ended(trouble))
        self.foot.show_progress(f"Exporting {path.name}", 0.0, self.cancel)
        job.start()
        return job

    def _ended(self, trouble: Trouble) -> None:
        self.job = None
        self.foot.say(*trouble)

    def cancel(self) -> None:
        if self.job is not None:
            self.job.cancel()

    def stop(self) -> None:
        """Give up what is being written and wait for its end."""
        if self.job is not None:
            self.job.cancel()
            self.job.wait()
