"""Exports written in the background, one job at a time, with their progress at the foot."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path

import msgspec
from PyQt6.QtCore import QObject
from PyQt6.QtWidgets import QFileDialog, QWidget

from ...core.edit.exports import file_name, slots
from ...core.files.export_target import target_of
from ...core.files.formats import format_of
from ...core.model import Board, Export
from ..documents.file_names import ended, numbered
from ..look.status_bar import StatusBar, nothing
from ..runtime.troubles import Trouble
from ..shared.session import Session
from .export_job import ExportJob, Order

SIZES = {"width", "height"}
"""What names of files may have of what is painted."""


def name_of(board: Board, export: Export, title: str) -> str:
    """The name of an export's file; a board is called by its own file, once it has one."""
    size = (0, 0)
    if SIZES & set(slots(export.file)):
        box = target_of(board, export).box
        size = (box.width, box.height)
    return file_name(msgspec.structs.replace(board, name=title), export, size)


class Writing(QObject):
    """Writes exports in the background, and says how far it is."""

    def __init__(self, session: Session, foot: StatusBar, window: QWidget) -> None:
        super().__init__(window)
        self.session, self.document = session, session.document
        self.status, self._window = foot, window
        self.job: ExportJob | None = None
        self._misfits: list[Order] = []

    def _is_busy(self) -> bool:
        if self.job is not None:
            self.status.say("A picture is being exported; wait for it, or cancel it.")
        return self.job is not None

    def _named(
        self, exports: Sequence[Export], then: Callable[[list[tuple[Export, str]]], object]
    ) -> None:
        """The files' names, told to `then`: later where a name has the size of what is painted, which
        must be looked for."""
        board, title = self.document.board, self.document.title
        looked_for = [one for one in exports if one.trim and SIZES & set(slots(one.file))]

        def names(stop: object = None) -> list[tuple[Export, str]]:
            return [(one, name_of(board, one, title)) for one in exports]

        if looked_for:
            self.session.reading.read("what is painted", names, then)
        else:
            then(names())

    def ask(self, export: Export) -> None:
        """Ask where to, and write one export."""
        if self._is_busy():
            return
        self._named([export], lambda named: self._ask_where(*named[0]))

    def _ask_where(self, export: Export, name: str) -> None:
        endings = format_of(export.format).endings
        chosen, _ = QFileDialog.getSaveFileName(
            self._window, f"Export {export.name or format_of(export.format).title}", name,
            f"Pictures ({' '.join(f'*{one}' for one in endings)})",
        )  # fmt: skip
        if chosen:
            typed = Path(chosen).suffix.lower()
            path = Path(chosen) if typed in endings else ended(Path(chosen), endings[0])
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
        self._named(exports, lambda named: self._write_all(folder, named))

    def _write_all(self, folder: Path, named: Sequence[tuple[Export, str]]) -> None:
        orders: list[Order] = []
        taken: set[Path] = set()
        for export, name in named:
            path = folder / name
            path = numbered(path, taken) if path in taken else path
            taken.add(path)
            orders.append(Order(path, export))
        there = [order for order in orders if order.path.exists()]
        if not there:
            self.write(orders)
            return
        fresh = [o._replace(path=numbered(o.path)) if o in there else o for o in orders]
        what = "One of the files is" if len(there) == 1 else f"{len(there)} of the files are"
        self.status.ask(
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
            lambda s: self.status.show_progress(f"Exporting {job.name}", s, self.cancel)
        )
        job.misfit.connect(self._misfits.append)
        job.ended.connect(lambda trouble, _: self._ended(trouble))
        self.status.show_progress(f"Exporting {job.name}", 0.0, self.cancel)
        job.start()
        return job

    def _ended(self, trouble: Trouble) -> None:
        self.job = None
        self.status.say(*trouble)
        if self._misfits:
            orders = [order._replace(shrink=True) for order in self._misfits]
            self.status.ask(
                "No quality fits. Should the picture be smaller?",
                [("Make it smaller", lambda: self.write(orders)), ("Leave it", nothing)],
            )

    def cancel(self) -> None:
        """Give up what is being written."""
        if self.job is not None:
            self.job.cancel()

    def stop(self) -> None:
        """Give up what is being written and wait for its end."""
        if self.job is not None:
            self.job.cancel()
            self.job.wait()
