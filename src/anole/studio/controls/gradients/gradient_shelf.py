"""Gradients with names as a grid of little bars: the board's, the user's, and ready-made ones."""

from __future__ import annotations

from typing import NamedTuple

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QPainter,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QPushButton, QWidget

from ....core.atomic import FileError
from ....core.edit.swatches import delete_gradient, save_gradient
from ....core.library import gradients
from ....core.model import Gradient
from ....core.model.board import NamedGradient
from ...look import theme
from ...look.painting import painting
from ...shared.session import session_of
from ..base.keep_name import KeepName
from ..base.layouts import column, row
from ..colours.cells import Cells
from ..numbers.grid_steps import grid_steps
from .gradient_bar import bar_image

WIDE, HIGH, GAP, PER_ROW = 62, 26, 5, 4
STEPS = grid_steps(PER_ROW)


class Entry(NamedTuple):
    """`home` is board, own or ready."""

    name: str
    gradient: Gradient
    home: str


class GradientGrid(Cells):
    """`chosen(entry)`, `dropped(entry)`."""

    def __init__(self) -> None:
        super().__init__("Gradients: arrows choose, Enter takes, Delete deletes your own")
        self.entries: list[Entry] = []

    def show_entries(self, entries: list[Entry]) -> None:
        """Show these, in this order."""
        self.entries = entries
        self.index = min(self.index, max(len(entries) - 1, 0))
        self.updateGeometry()
        self.update()

    def sizeHint(self) -> QSize:
        rows = -(-len(self.entries) // PER_ROW)
        return QSize(WIDE * PER_ROW, max(rows, 1) * (HIGH + GAP))

    def box(self, number: int) -> QRectF:
        down, across = divmod(number, PER_ROW)
        wide = (self.width() - GAP * (PER_ROW - 1)) / PER_ROW
        return QRectF(across * (wide + GAP) + 0.5, down * (HIGH + GAP) + 0.5, wide - 1, HIGH - 1)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            for number, entry in enumerate(self.entries):
                box = self.box(number)
                painter.fillRect(box, theme.colour("sunk"))
                painter.drawImage(box, bar_image(entry.gradient, 96, whole=True))
                lit = self.hasFocus() and number == self.index
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2 if lit else 1))
                painter.drawRect(box)
                if entry.home != "ready":
                    painter.fillRect(
                        QRectF(box.x(), box.bottom() - 3, box.width(), 3), theme.colour("leaf")
                    )

    def count(self) -> int:
        return len(self.entries)

    def caption(self, number: int) -> str:
        return self.entries[number].name

    def given(self, number: int) -> Entry:
        return self.entries[number]

    taken_out = given

    @property
    def can_delete_swatch(self) -> bool:
        return super().can_delete_swatch and self.entries[self.index].home != "ready"

    def stepped(self, key: Qt.Key) -> int | None:
        step = STEPS.get(key)
        return None if step is None else min(max(self.index + step, 0), len(self.entries) - 1)


class GradientShelf(QWidget):
    """`chosen(gradient)`. Folded to its heading until it is wanted."""

    chosen = pyqtSignal(object)
    pointed = pyqtSignal(object)
    left = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._gradient = Gradient()
        self.head = QPushButton("▸  Gradients")
        self.head.setObjectName("quiet")
        self.head.setStyleSheet("text-align: left;")
        self.keep, self.keep_own = QPushButton("Save in board"), QPushButton("Save in library")
        self.keep.setToolTip("Save this gradient with the board, under a name")
        self.keep_own.setToolTip("Save this gradient in your library, under a name")
        self.name, self.grid, self.inside = (
            KeepName("Name of the gradient"),
            GradientGrid(),
            QWidget(),
        )
        layout = column(self.inside, self.name, self.grid)
        layout.insertLayout(0, row(self.keep, self.keep_own))
        column(self, self.head, self.inside)
        self.inside.hide()
        self._home = "board"
        self.head.clicked.connect(lambda: self.unfold(self.inside.isHidden()))
        self.keep.clicked.connect(lambda: self._ask("board"))
        self.keep_own.clicked.connect(lambda: self._ask("own"))
        self.name.named.connect(self._save)
        self.grid.chosen.connect(lambda e: self.chosen.emit(e.gradient))
        self.grid.pointed.connect(lambda e: self.pointed.emit(e.gradient))
        self.grid.left.connect(self.left)
        self.grid.dropped.connect(self._drop)

    def unfold(self, on: bool) -> None:
        """Show the gradients, or hide them."""
        self.inside.setVisible(on)
        self.head.setText(("▾" if on else "▸") + "  Gradients")
        if on:
            self.refresh()

    def show_gradient(self, gradient: Gradient) -> None:
        """Go by a gradient, which can be kept."""
        self._gradient = gradient

    def refresh(self) -> None:
        """Show what comes with Anole and what is the user's own."""
        session = session_of(self)
        entries = []
        if session is not None:
            entries += [
                Entry(g.name, g.gradient, "board") for g in session.document.board.gradients
            ]
        try:
            entries += [Entry(g.name, g.gradient, "own") for g in gradients.OWN.all()]
        except FileError as error:
            self._say(str(error))
        entries += [Entry(g.name, g.gradient, "ready") for g in gradients.ready_made()]
        self.grid.show_entries(entries)

    def _say(self, words: str) -> None:
        session = session_of(self)
        if session is not None:
            session.document.said.emit(words)

    def _ask(self, home: str) -> None:
        self._home = home
        self.name.ask("")

    def _save(self, name: str) -> None:
        session, gradient = session_of(self), self._gradient
        try:
            if self._home == "own":
                gradients.OWN.keep(NamedGradient(name, gradient))
            elif session is not None:
                session.document.apply(f"Save {name}", lambda b: save_gradient(b, name, gradient))
        except FileError as error:
            self._say(str(error))
        self.refresh()

    def _drop(self, entry: Entry) -> None:
        session = session_of(self)
        try:
            if entry.home == "own":
                gradients.OWN.remove(entry.name)
            elif entry.home == "board" and session is not None:
                session.document.apply(
                    f"Delete {entry.name}", lambda b: delete_gradient(b, entry.name)
                )
        except FileError as error:
            self._say(str(error))
        self.refresh()
