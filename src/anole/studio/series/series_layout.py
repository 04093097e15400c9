"""How the page of a series is laid out: the table, its buttons, and what is bound to it."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QTableView,
    QVBoxLayout,
    QWidget,
)

from ..controls.choices.picker import Picker
from ..look.plain import Label
from .bindings import Bindings
from .table_model import PICTURE, TableModel


class SeriesLayout(QWidget):
    """All that is seen of the page; what it does is SeriesPage's."""

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.model, self.view, self.bindings = TableModel(), QTableView(), Bindings()
        self.title, self.state = Label(), Label()
        self.file = QLineEdit()
        self.export = Picker("Written as", ["PNG"], "Which of the board's exports", headed=False)
        self.open, self.paste, self.column, self.away, self.write_all = (
            QPushButton(text)
            for text in ("Open a table…", "Paste", "+  Column", "Delete rows", "Export all rows…")
        )
        self._dress()
        self._lay_out()

    def _dress(self) -> None:
        self.title.setObjectName("head")
        self.state.setObjectName("dim")
        self.write_all.setObjectName("main")
        self.file.setAccessibleName("Names of the files")
        self.file.setToolTip(
            "Columns in braces: {number} {title}; {row} counts, {board} is the board"
        )
        for button, about in (
            (self.open, "CSV, ODS or XLSX; its first row has the names of the columns"),
            (self.paste, "Rows from a spreadsheet (Ctrl+V)"),
            (self.column, "One more column"),
            (self.away, "Delete the chosen rows (Delete)"),
            (self.write_all, "Write a file for each row; what is finished is not done again"),
        ):
            button.setToolTip(about)
        self.view.setModel(self.model)
        self.view.setIconSize(PICTURE)
        self.view.setAlternatingRowColors(False)
        self.view.setWordWrap(True)
        self.view.setAccessibleName("The table of the series")
        for header, size in (
            (self.view.verticalHeader(), PICTURE.height() + 8),
            (self.view.horizontalHeader(), 190),
        ):
            if header is not None:
                header.setDefaultSectionSize(size)
                header.setHighlightSections(False)
        across = self.view.horizontalHeader()
        if across is not None:
            across.setStretchLastSection(True)
        self.view.setColumnWidth(0, PICTURE.width() + 34)

    def _lay_out(self) -> None:
        top, foot = QHBoxLayout(), QHBoxLayout()
        top.addWidget(self.title, 1)
        for button in (self.open, self.paste, self.column, self.away):
            top.addWidget(button)
        named, written = Label("Files"), Label("Written as")
        self.export.setFixedWidth(180)
        for part in (named, self.file, written, self.export):
            foot.addWidget(part, 1 if part is self.file else 0)
        foot.addWidget(self.state)
        foot.addWidget(self.write_all)
        column = QVBoxLayout()
        column.setContentsMargins(16, 12, 12, 10)
        column.setSpacing(10)
        column.addLayout(top)
        column.addWidget(self.view, 1)
        column.addLayout(foot)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(1)
        row.addLayout(column, 1)
        row.addWidget(self.bindings)
