"""The series: a table of words, pictures, colours and styles; one picture of the board for each row."""

from __future__ import annotations

import functools
from collections.abc import Callable
from pathlib import Path
from typing import Any

import msgspec
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QKeySequence
from PyQt6.QtWidgets import QApplication, QFileDialog

from ...core.atomic import FileError
from ...core.edit.series import add_column, change_series, remove_rows, series_of, set_cell
from ...core.model import Board, Export
from ...core.series import tables
from ...core.series.plan import planned, setup_of
from ...core.series.rows import bound
from ...core.series.tables import Table
from ..shared.session import Session
from .row_job import row_job
from .series_job import Plan, SeriesJob
from .series_layout import SeriesLayout
from .table_model import PICTURE

KINDS = "Tables (*.csv *.tsv *.txt *.ods *.xlsx *.xls)"
MOST_SAVED = 5000
"""Rows that a board carries; more stay in their file."""
AHEAD, CHECKED = 6, 200
"""Rows beyond those seen whose pictures are made, and rows that are looked through at most."""


class SeriesPage(SeriesLayout):
    """`left`: nothing is wanted of it any more."""

    left = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.document, self.worker = session, session.document, session.worker
        self.folder = Path.home()
        self.large: Table | None = None
        """A table that is too long for the board to carry."""
        self.job: SeriesJob | None = None
        self._asked: dict[int, Any] = {}
        self._pictured: Any = None
        self._connect()

    def _connect(self) -> None:
        self.model.edited.connect(self._edit)
        self.open.clicked.connect(self.ask_open)
        self.paste.clicked.connect(self.paste_rows)
        self.column.clicked.connect(
            lambda: self._apply("Add a column", lambda b: add_column(b, "Column"))
        )
        self.away.clicked.connect(self.delete_rows)
        self.write_all.clicked.connect(self.ask_render)
        self.file.editingFinished.connect(self._name_files)
        self.bindings.changed.connect(self._apply)
        self.document.settled.connect(self.refresh)
        self.worker.done.connect(self._take)
        bar = self.view.verticalScrollBar()
        if bar is not None:
            bar.valueChanged.connect(lambda _: self._ask_pictures())

    # what there is

    @property
    def table(self) -> Table:
        """The board's own, or the long one that was opened."""
        series = series_of(self.document.board)
        return self.large or Table(series.columns, series.rows)

    def begin(self) -> None:
        """The page comes up."""
        path = self.document.path
        self.folder = path.parent if path is not None else self.folder
        self.refresh()
        self.view.setFocus()

    def rest(self) -> None:
        """The page is left."""
        self.worker.forget("series row")
        self._asked.clear()

    def refresh(self) -> None:
        """The board has changed."""
        if not self.isVisible() and self.model.table.columns:
            return
        board = self.document.board
        series = series_of(board)
        pictured = (without_series(board), series.bindings)
        if pictured != self._pictured:
            self._pictured = pictured
            self.model.forget()
            self._asked.clear()
        self.model.show_table(self.table)
        self.bindings.show_board(board, self.table.columns)
        count = len(self.table.rows)
        self.title.setText(
            f"Series of {self.document.title}: {count:,} rows" if count else "Series"
        )
        if not self.file.hasFocus():
            self.file.setText(series.file)
        names = [one.name or one.format for one in self._exports]
        self.export.offer(list(dict.fromkeys(names)))
        self.write_all.setEnabled(count > 0)
        self._say_state()
        self._ask_pictures()

    @property
    def _exports(self) -> tuple[Export, ...]:
        return self.document.board.exports or (Export(name="PNG"),)

    @property
    def chosen_export(self) -> Export:
        """The export that each row is written by."""
        name = self.export.value()
        return next(one for one in self._exports if (one.name or one.format) == name)

    # pictures of rows

    def _ask_pictures(self) -> None:
        """Of the rows that are seen, and of some after them."""
        first = max(self.view.rowAt(0), 0)
        last = self.view.rowAt(self.view.height())
        last = len(self.table.rows) if last < 0 else min(last + AHEAD, len(self.table.rows))
        board, folder = self.document.board, self.folder
        bindings = series_of(board).bindings
        checked = range(min(len(self.table.rows), CHECKED))
        for number in dict.fromkeys((*range(first, last), *checked)):
            cells = self.table.cells(self.table.rows[number])
            if self._asked.get(number) == cells and number in self._asked:
                continue
            self._asked[number] = cells
            make = functools.partial(bound, board, bindings, cells, folder)
            self.worker.ask(("series row", number), row_job(make, PICTURE.width() * 2))

    def _take(self, key: Any, result: Any) -> None:
        if key[0] == "series row" and key[1] < len(self.table.rows):
            self.model.show_row(key[1], *result)
            self._say_state()

    def _say_state(self) -> None:
        wrong = sum(bool(lines) for lines in self.model.warnings.values())
        rows = "row has" if wrong == 1 else "rows have"
        self.state.setText(f"{wrong} {rows} something to look at" if wrong else "")

    # changing

    def _apply(self, name: str, change: Callable[[Board], Board]) -> None:
        self.document.apply(name, change)

    def _edit(self, row: int, column: int, text: str) -> None:
        if self.large is None:
            self._apply("Series: a cell", lambda b: set_cell(b, row, column, text))
            return
        rows = list(self.large.rows)
        cells = list(rows[row]) if row < len(rows) else [""] * len(self.large.columns)
        cells[column] = text
        rows[row : row + 1] = [tuple(cells)]
        self.large = self.large._replace(rows=tuple(rows))
        self.refresh()

    def _name_files(self) -> None:
        text = self.file.text().strip()
        if text and text != series_of(self.document.board).file:
            self._apply("Series: names of files", lambda b: change_series(b, file=text))

    def delete_rows(self) -> None:
        """The chosen ones."""
        model = self.view.selectionModel()
        chosen = {index.row() for index in model.selectedIndexes()} if model is not None else set()
        if chosen and self.large is None:
            self._apply("Delete rows", lambda b: remove_rows(b, chosen))

    def ask_open(self) -> None:
        """Ask for a table."""
        name, _ = QFileDialog.getOpenFileName(self, "A table", str(self.folder), KINDS)
        if name:
            self.open_table(Path(name))

    def open_table(self, path: Path) -> None:
        """Read a table; pictures that it names lie beside it."""

        def put_on(table: Table) -> None:
            self.take_table(table, path.parent)

        self.session.reading.read(path.name, lambda stop: tables.read(path), put_on)

    def take_table(self, table: Table, folder: Path) -> None:
        """A table that was read; pictures that it names lie in the folder."""
        self.folder = folder
        self.show_table(table)

    def show_table(self, table: Table) -> None:
        """Put a table in place of the one that is there; columns called like a piece are bound."""
        self.large = table if len(table.rows) > MOST_SAVED else None
        rows = () if self.large is not None else table.rows

        def changed(board: Board) -> Board:
            board = change_series(board, columns=table.columns, rows=rows)
            return self.bindings.bound_by_name(board, table.columns)

        self._apply("Series: a table", changed)
        self.refresh()

    def paste_rows(self) -> None:
        """What a spreadsheet put on the clipboard: a whole table, or rows for the one that is there."""
        clipboard = QApplication.clipboard()
        text = clipboard.text() if clipboard is not None else ""
        try:
            table = tables.from_text(text, "what was copied")
        except FileError as error:
            self.document.said.emit(str(error))
            return
        here = self.table
        if (
            here.columns
            and len(table.columns) == len(here.columns)
            and table.columns != here.columns
        ):
            rows = (*here.rows, table.columns, *table.rows)
            self._apply("Paste rows", lambda b: change_series(b, rows=rows))
        else:
            self.show_table(table)

    # writing

    def ask_render(self) -> None:
        """Ask for a folder, and write the series there."""
        name = QFileDialog.getExistingDirectory(self, "A folder for the series", str(self.folder))
        if name:
            self.render_to(Path(name))

    def render_to(self, out: Path, jobs: int = 0) -> None:
        """Write every row's file that is not there yet."""
        foot = self.session.reading.status
        if self.job is not None:
            foot.say("A series is being written; wait for it, or cancel it.")
            return
        job = self.job = SeriesJob(self._planning(out), out, jobs)
        job.progressed.connect(
            lambda share, words: foot.show_progress(f"Series: {words}", share, job.cancel)
        )
        job.ended.connect(self._ended)
        foot.show_progress(f"Series: {len(self.table.rows):,} files", 0.0, job.cancel)
        job.start()

    def _planning(self, out: Path) -> Callable[[], Plan]:
        """What is to be written, of the board and the table as they are now."""
        board, table, folder, export = (
            self.document.board, self.table, self.folder, self.chosen_export
        )  # fmt: skip
        series, plain = series_of(board), without_series(board)

        def plan() -> Plan:
            setup = setup_of(plain, series.bindings, folder, export)
            return setup, planned(setup, board, table, out, series.file)

        return plan

    def _ended(self, trouble: Any) -> None:
        self.job = None
        self.session.reading.status.say(*trouble)

    def stop(self) -> None:
        """Give up what is being written and wait for its end."""
        if self.job is not None:
            self.job.cancel()
            self.job.wait()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.matches(QKeySequence.StandardKey.Paste):
            self.paste_rows()
        elif event.key() == Qt.Key.Key_Delete:
            self.delete_rows()
        elif event.key() == Qt.Key.Key_Escape and not self.session.reading.status.asks:
            self.left.emit()
        else:
            super().keyPressEvent(event)


def without_series(board: Board) -> Board:
    """What the pictures of rows depend on: a board without its table."""
    return msgspec.structs.replace(board, series=None, exports=())
