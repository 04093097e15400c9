"""F1: the keys and gestures of the stage, from the one list of commands."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QGridLayout, QHBoxLayout, QLabel, QVBoxLayout, QWidget

from ..commands import MENUS
from ..commands.gestures import GESTURES
from ..look.plain import Label
from ..look.sheet import Sheet
from ..runtime.lifetimes import discard
from ..shared.session import Session

Line = tuple[str, str]


def _label(text: str, name: str = "") -> QLabel:
    label = Label(text)
    label.setObjectName(name)
    return label


HEADING = 2
"""Lines that a heading and the room round it take."""


class KeySheet(Sheet):
    """The keys of the stage that is open."""

    def __init__(self, session: Session, window: QWidget) -> None:
        super().__init__(window)
        self.session = session
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Keys and gestures")
        self._inside: QWidget | None = None

    def groups(self) -> list[tuple[str, list[Line]]]:
        """What is shown: a heading, and what each thing is done by."""
        stage = self.session.shell.stage
        lines = [(gesture.what, gesture.how) for gesture in GESTURES[stage]]
        groups: list[tuple[str, list[Line]]] = [(f"By hand in {stage.name.capitalize()}", lines)]
        for menu in MENUS:
            keyed = [(c.title, c.shown_keys) for c in menu.commands if c.keys]
            if keyed:
                groups.append((menu.title.replace("&", ""), keyed))
        return groups

    def unfold(self) -> None:
        if self._inside is not None:
            discard(self._inside)
        self._inside = QWidget()
        row = QHBoxLayout(self._inside)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(30)
        first, *rest = self.groups()
        columns: list[list[tuple[str, list[Line]]]] = [[first], [], []]
        filled = [len(first[1]) + HEADING, 0, 0]
        for group in rest:
            shortest = filled.index(min(filled))
            columns[shortest].append(group)
            filled[shortest] += len(group[1]) + HEADING
        for groups in columns:
            row.addLayout(_column(groups))
        self.column.addWidget(self._inside)
        super().unfold()
        self.setFocus()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() not in (Qt.Key.Key_Shift, Qt.Key.Key_Control):
            self.fold()


def _column(groups: list[tuple[str, list[Line]]]) -> QVBoxLayout:
    column = QVBoxLayout()
    column.setSpacing(4)
    for title, lines in groups:
        column.addWidget(_label(title, "head"))
        grid = QGridLayout()
        grid.setHorizontalSpacing(14)
        grid.setVerticalSpacing(2)
        for number, (what, how) in enumerate(lines):
            grid.addWidget(_label(what), number, 0)
            grid.addWidget(_label(how, "dim"), number, 1)
        grid.setColumnStretch(1, 1)
        column.addLayout(grid)
        column.addSpacing(8)
    column.addStretch(1)
    return column
