"""Exports: the files that a board is written to, the chosen one's settings, and its true size."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QTimer, pyqtSignal
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.edit.exports import add_export, change_export, remove_export
from ...core.files.export_target import Target, target_of
from ...core.files.formats import format_of
from ...core.model import Export
from ..controls.base.fields import FieldPanel
from ..look.name_field import NameField
from ..look.plain import Label
from ..shared.session import Session
from .export_rows import ExportRows
from .file_size import FileMeasuring, MeasuredFile, target_job

REST_MS = 250
MOST_WEIGHED = 40_000_000
"""px beyond which the file's size is not worked out ahead of writing it."""


def size_words(count: int) -> str:
    """A count of bytes as people read it."""
    if count < 1000:
        return f"{count} bytes"
    return f"{count / 1000:,.0f} kB" if count < 10_000_000 else f"{count / 1e6:,.1f} MB"


class ExportPanel(QScrollArea):
    """`wanted(export)` and `all_wanted(exports)` when a button is pressed; `measured` when the true
    bytes of the chosen one are known."""

    wanted = pyqtSignal(object)
    all_wanted = pyqtSignal(object)
    measured = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.worker = session.document, session.worker
        self._chosen = ""
        self._asked: Any = None
        self._target: Target | None = None
        self._measuring = FileMeasuring()
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.timeout.connect(self._ask)
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.rows, self.fields = ExportRows(), FieldPanel(Export, skip=("file",), headed=True)
        self.file = NameField()
        self.pixels, self.bytes = Label(), Label()
        self.button, self.every = QPushButton("Export"), QPushButton("Export all")
        self._build()
        self._connect()

    def _build(self) -> None:
        inside = QWidget()
        inside.setObjectName("panel")
        column = QVBoxLayout(inside)
        column.setContentsMargins(12, 12, 12, 12)
        column.setSpacing(8)
        head, name = Label("Exports"), Label("File name")
        head.setObjectName("head")
        name.setObjectName("group")
        self.file.setAccessibleName("File name of the export")
        self.file.setToolTip("With {board}, {name}, {width}, {height}, {date} filled in")
        for label in (self.pixels, self.bytes):
            label.setObjectName("dim")
            label.setWordWrap(True)
        self.button.setObjectName("main")
        self.button.setToolTip("Export the chosen one (Ctrl+Enter)")
        self.every.setToolTip("Export all that are switched on into one folder (Ctrl+Shift+Enter)")
        buttons = QHBoxLayout()
        buttons.addWidget(self.button, 1)
        buttons.addWidget(self.every, 1)
        for part in (head, self.rows, self.pixels, self.bytes):
            column.addWidget(part)
        column.addLayout(buttons)
        column.addWidget(self.fields)
        column.addWidget(name)
        column.addWidget(self.file)
        column.addStretch(1)
        self.setWidget(inside)

    def _connect(self) -> None:
        self.rows.chosen.connect(self._choose)
        self.rows.switched.connect(lambda i, on: self._change(i, "on", on))
        self.rows.added.connect(self._add)
        self.rows.removed.connect(self._remove)
        self.fields.edited.connect(self._field)
        self.file.editingFinished.connect(self._named)
        self.button.clicked.connect(self.ask_export)
        self.every.clicked.connect(self.ask_all)
        self.worker.done.connect(self._done)
        self.document.settled.connect(self.refresh)

    def control(self, name: str) -> QWidget | None:
        """What edits a field of the chosen export."""
        self.fields.reveal(name)
        return self.file if name == "file" else self.fields.controls.get(name)

    def choose_format(self, form: str) -> None:
        """The first export of a format."""
        for export in self.exports:
            if export.format == form:
                self._choose(export.id)
                return

    # what there is

    @property
    def exports(self) -> tuple[Export, ...]:
        """Those of the board; a plain PNG where none is saved."""
        return self.document.board.exports or (Export(),)

    @property
    def export(self) -> Export:
        """The chosen one."""
        return next((one for one in self.exports if one.id == self._chosen), self.exports[0])

    # changing

    def _choose(self, export_id: str) -> None:
        self._chosen = export_id
        self.refresh()

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._change(self.export.id, name, value, token)

    def _change(self, export_id: str, name: str, value: Any, token: object | None = None) -> None:
        def changed(board: Any) -> Any:
            if not board.exports:
                board, _ = add_export(board, self.export)
            return change_export(board, export_id, **{name: value})

        self.document.apply(f"Export: {name}", changed, token)

    def _named(self) -> None:
        if self.file.text().strip() != self.export.file:
            self._change(self.export.id, "file", self.file.text().strip())

    def _add(self) -> None:
        """One more, like the chosen one."""
        like = self.export

        def added(board: Any) -> Any:
            if not board.exports:
                board, _ = add_export(board, like)
            return add_export(board, like)

        fresh = self.document.make("Add an export", added)
        if fresh is not None:
            self._choose(fresh)

    def _remove(self, export_id: str) -> None:
        if self.document.board.exports:
            self.document.apply("Delete an export", lambda b: remove_export(b, export_id))

    # writing

    def ask_export(self) -> None:
        """Ask for the shown export."""
        self.wanted.emit(self.export)

    def ask_all(self) -> None:
        """Ask for all that are switched on."""
        self.all_wanted.emit([one for one in self.exports if one.on])

    # showing

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.refresh()

    def refresh(self) -> None:
        """Show the board's exports."""
        export, board = self.export, self.document.board
        self.rows.show_exports(self.exports, export.id)
        self.fields.show_struct(export)
        self.file.show_name(export.file)
        on = sum(one.on for one in self.exports)
        self.every.setText(f"Export all ({on})")
        self.every.setEnabled(on > 1)
        if not self.isVisible():
            return
        wanted = (board, export)
        if wanted == self._asked:
            return
        # the picture of the board comes first; what only changes the file is told at once
        same = self._asked is not None and self._asked[0] == board
        self._asked = wanted
        if export.trim:
            self._target = None
            self.pixels.setText("Looking for what is painted")
        else:
            self._target = target_of(board, export)
            self._show_size(self._target)
        self._later.start(0 if same else REST_MS)

    def _show_size(self, target: Target) -> None:
        box = target.box
        self.pixels.setText(f"{box.width} × {box.height} px, {target.dpi:.0f} dots per inch")

    def _ask(self) -> None:
        if self._target is None:
            # where the painted ends is seen in a picture of it
            self.worker.ask(("target",), target_job(self._asked))
        else:
            self._measure(self._target)

    def _done(self, key: Any, result: Any) -> None:
        if key == ("target",):
            self._targeted(*result)
        elif key == ("file",):
            self._measured_file(*result)

    def _targeted(self, key: Any, target: Target) -> None:
        if key == self._asked:
            self._show_size(target)
            self._measure(target)

    def _measure(self, target: Target) -> None:
        px = target.box.width * target.box.height
        form = format_of(target.export.format)
        if px > MOST_WEIGHED or form.encode is None:
            self.bytes.setText("The file's size is known once it is exported.")
            return
        self.bytes.setText(f"{form.title}, working out its size")
        self.worker.ask(("file",), self._measuring.job(self._asked, target))

    def _measured_file(self, key: Any, found: MeasuredFile) -> None:
        if key != self._asked:
            return
        if found.trouble:
            self.bytes.setText(found.trouble + ". When it is exported a smaller one is offered.")
        else:
            quality = f", quality {found.quality}" if found.quality is not None else ""
            title = format_of(key[1].format).title
            self.bytes.setText(f"{title}, {size_words(found.size)}{quality}")
        self.measured.emit(found)
