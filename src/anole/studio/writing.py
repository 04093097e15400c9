"""Exports written in the background, one job at a time, with their progress at the foot."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from PyQt6.QtCore import QObject
from PyQt6.QtWidgets import QFileDialog, QWidget

from ..core.edit.exports import file_name
from ..core.files.export_target import target_of
from ..core.files.exporting import ending_of
from ..core.model import Export
from .export_job import ExportJob, Order
from .file_names import ended, numbered
from .foot_bar import FootBar, nothing
from .session import Session
from .troubles import Trouble


class Writing(QObject):
    def __init__(self, session: Session, foot: FootBar, window: QWidget) -> None:
        super().__init__(window)
        self.session, self.document = session, session.document
        self.foot, self._window = foot, window
        self.job: ExportJob | None = None
        self._misfits: list[Order] = []

    def _is_busy(self) -> bool:
        if self.job is not None:
            self.foot.say("A picture is being exported; wait for it, or cancel it.")
        return self.job is not None

    def _name(self, export: Export) -> str:
        board = self.document.board
        box = target_of(board, export).box
        named = file_name(board, export, (box.width, box.height))
        # a board is called by its file, once it has one
        return (
            named
            if "{board}" not in export.file
            else named.replace(board.name, self.document.title, 1)
        )

    def ask(self, export: Export) -> None:
        """Ask where to, and write one export."""
        if self._is_busy():
            return
        # what moves may be written as either
        moving = export.format == "coat by coat"
        endings = (".gif", ".webp") if moving else (ending_of(export),)
        name, _ = QFileDialog.getSaveFileName(
            self._window, f"Export {export.name or export.format}", self._name(export),
            f"Pictures ({' '.join(f'*{one}' for one in endings)})",
        )  # fmt: skip
        if name:
            typed = Path(name).suffix.lower()
            path = Path(name) if typed in endings else ended(Path(name), endings[0])
            self.write([Order(path, export)])

    def ask_all(self, exports: Sequence[Export]) -> None:
        """Ask for a folder, and write several exports into it by their names."""
        if self._is_busy() or not exports:
            return
        name = QFileDialog.getExistingDirectory(self._window, f"Export {len(exports)} files to")
        if name:
            self.all_to(Path(name), exports)

    def all_to(self, folder: Path, exports: Sequence[Export]) -> None:
        """The same without asking for the folder; files that are there already are asked about."""
        orders: list[Order] = []
        taken: set[Path] = set()
        for export in exports:
            path = folder / self._name(export)
            path = numbered(path, taken) if path in taken else path
            taken.add(path)
            orders.append(Order(path, export))
        there = [order for order in orders if order.path.exists()]
        if not there:
            self.write(orders)
            return
        fresh = [o._replace(path=numbered(o.path)) if o in there else o for o in orders]
        what = "One of the files is" if len(there) == 1 else f"{len(there)} of the files are"
        self.foot.ask(
            f"{what} in {folder.name} already.",
            [
                ("Number the new ones", lambda: self.write(fresh)),
                ("Write over", lambda: self.write(orders)),
                ("Do not export", nothing),
            ],
        )

    def to(self, path: Path, scale: float = 1.0, transparent: bool = False) -> ExportJob:
        """Write the board as a PNG."""
        return self.write([Order(path, Export(scale=scale, transparent=transparent))])

    def write(self, orders: Sequence[Order]) -> ExportJob:
        """Write files of the board as it is now."""
        self._misfits = []
        job = self.job = ExportJob(self.document.board, orders, self.session.left_out)
        job.progressed.connect(
            lambda s: self.foot.show_progress(f"Exporting {job.name}", s, self.cancel)
        )
        job.misfit.connect(self._misfits.append)
        job.ended.connect(lambda trouble, _: self._ended(trouble))
        self.foot.show_progress(f"Exporting {job.name}", 0.0, self.cancel)
        job.start()
        return job

    def _ended(self, trouble: Trouble) -> None:
        self.job = None
        self.foot.say(*trouble)
        if self._misfits:
            orders = [order._replace(shrink=True) for order in self._misfits]
            self.foot.ask(
                "No quality fits. Should the picture be smaller?",
                [("Make it smaller", lambda: self.write(orders)), ("Leave it", nothing)],
            )

    def cancel(self) -> None:
        if self.job is not None:
            self.job.cancel()

    def stop(self) -> None:
        """Give up what is being written and wait for its end."""
        if self.job is not None:
            self.job.cancel()
            self.job.wait()
