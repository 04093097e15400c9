"""What each column of a series sets on the board."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QScrollArea, QVBoxLayout, QWidget

from ...core.edit.series import bind, series_of
from ...core.model import Board
from ...core.series.rows import bindable
from ..controls.choices.picker import Picker
from ..look.plain import Label
from ..runtime.lifetimes import discard

NOTHING = "nothing"
WIDE = 250
WORDS = {
    "words": "words of",
    "picture": "picture of",
    "colour": "colour of",
    "style": "style of",
    "shown": "show or hide:",
}


class Bindings(QScrollArea):
    """`changed(name, board -> board)`: a column is to set something else."""

    changed = pyqtSignal(str, object)

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QScrollArea.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setFixedWidth(WIDE)
        inside = QWidget()
        inside.setObjectName("panel")
        self._column = QVBoxLayout(inside)
        self._column.setContentsMargins(14, 14, 14, 14)
        self._column.setSpacing(6)
        head = Label("What columns set")
        head.setObjectName("head")
        self._hint = Label(
            "Open a table, or paste one: its first row has the names of its columns."
        )
        self._hint.setObjectName("dim")
        self._hint.setWordWrap(True)
        self._column.addWidget(head)
        self._column.addWidget(self._hint)
        self._column.addStretch(1)
        self.setWidget(inside)
        self.pickers: dict[str, Picker] = {}
        self._targets: dict[str, tuple[str, str]] = {}

    def show_board(self, board: Board, columns: Sequence[str]) -> None:
        """A picker for each column, with all that can be set on the board."""
        self._targets = {
            f"{WORDS[sets]} {name[:24]}": (piece, sets) for piece, name, sets in bindable(board)
        }
        if list(self.pickers) != list(columns):
            self._make(columns)
        by_column = {one.column: (one.piece, one.sets) for one in series_of(board).bindings}
        titles = {target: title for title, target in self._targets.items()}
        for column, picker in self.pickers.items():
            picker.offer([NOTHING, *self._targets])
            picker.set_value(titles.get(by_column.get(column, ("", "")), NOTHING))
        self._hint.setVisible(not columns)

    def _make(self, columns: Sequence[str]) -> None:
        for picker in self.pickers.values():
            self._column.removeWidget(picker)
            discard(picker)
        self.pickers = {}
        for column in columns:
            picker = Picker(column, [NOTHING], f"What the column {column} sets")
            picker.picked.connect(lambda c=column: self._picked(c))
            self._column.insertWidget(self._column.count() - 1, picker)
            self.pickers[column] = picker

    def _picked(self, column: str) -> None:
        piece, sets = self._targets.get(self.pickers[column].value(), ("", "words"))
        self.changed.emit(f"Series: {column}", lambda b: bind(b, column, piece, sets))

    def bound_by_name(self, board: Board, columns: Sequence[str]) -> Board:
        """Columns that set nothing yet and are called like a piece set its words or its picture."""
        there = {one.column for one in series_of(board).bindings}
        for column in columns:
            for piece, name, sets in bindable(board):
                if column not in there and column.casefold() == name.casefold():
                    if sets in ("words", "picture"):
                        board = bind(board, column, piece, sets)
                        break
        return board
