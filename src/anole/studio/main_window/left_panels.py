"""The left panels of the three stages."""

from __future__ import annotations

from collections.abc import Mapping

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import (
    QGridLayout,
    QHBoxLayout,
    QLabel,
    QLineEdit,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from ...core.pieces.registry import kind_of
from ..arrange.pieces_list import PiecesList
from ..coat.build_up.widget import BuildUp
from ..coat.shaping_switches import ShapingSwitches
from ..commands.pieces import ADDING
from ..look.plain import Label
from ..shared.session import Session

UNIT_WIDTH = 48
MOST_LETTERS = 24


def panel(*parts: QWidget, stretch: int = 0) -> QWidget:
    """Parts one under the other; the one numbered `stretch` takes what room there is."""
    widget = QWidget()
    widget.setObjectName("panel")
    widget.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
    column = QVBoxLayout(widget)
    column.setContentsMargins(12, 12, 12, 12)
    column.setSpacing(8)
    for number, part in enumerate(parts):
        column.addWidget(part, 1 if number == stretch else 0)
    return widget


def head(text: str) -> QLabel:
    """The head of a panel."""
    label = Label(text)
    label.setObjectName("head")
    return label


def pieces_panel(pieces: PiecesList, actions: Mapping[str, QAction]) -> QWidget:
    """The list of pieces, and the keys that add, copy and remove."""
    add, more = QPushButton("+  Words"), QPushButton("+  More")
    add.setToolTip("Add words to the board (Ctrl+T)")
    titles = [command.title.removeprefix("Add ").rstrip("…") for command in ADDING]
    more.setToolTip(f"Add {', '.join(titles)} (Shift+Ins)")
    copy, remove = QPushButton("Duplicate"), QPushButton("Delete")
    copy.setToolTip("Duplicate the piece (Ctrl+D)")
    remove.setToolTip("Delete the piece (Delete)")
    buttons = QWidget()
    grid = QGridLayout(buttons)
    grid.setContentsMargins(0, 0, 0, 0)
    grid.setSpacing(6)
    for number, (button, name) in enumerate(
        ((add, "words"), (more, "add piece"), (copy, "duplicate"), (remove, "delete"))
    ):
        grid.addWidget(button, *divmod(number, 2))
        button.clicked.connect(actions[name].trigger)
    search = QLineEdit()
    search.setPlaceholderText("Find a piece")
    search.setAccessibleName("Find a piece")
    search.setClearButtonEnabled(True)
    search.textChanged.connect(pieces.search)
    return panel(head("Pieces"), search, pieces, buttons, stretch=2)


class BuildUpPanel(QWidget):
    """The build-up under its head, the switches of what shapes the piece, and + coat."""

    def __init__(self, session: Session, build_up: BuildUp, actions: Mapping[str, QAction]) -> None:
        super().__init__()
        self.selection, self.build_up = session.selection, build_up
        self.shaping, self.add = ShapingSwitches(session), QPushButton("+  Coat")
        self.add.setToolTip("Add a coat: each is shown on your words (Ins)")
        self.add.clicked.connect(actions["coat"].trigger)
        self.name, self.unit = Label(), QPushButton("px")
        self.name.setObjectName("dim")
        self.unit.setToolTip("Scale of the drawing: board px, or em of the lettering")
        self.unit.setFixedWidth(UNIT_WIDTH)
        top = QWidget()
        line = QHBoxLayout(top)
        line.setContentsMargins(0, 0, 0, 0)
        line.addWidget(head("Build-up"))
        line.addWidget(self.name, 1)
        line.addWidget(self.unit)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(panel(top, build_up, self.shaping, self.add, stretch=1))
        self.unit.clicked.connect(self._switch_unit)
        session.document.settled.connect(self.refresh)
        session.selection.changed.connect(self.refresh)
        self.refresh()

    def refresh(self) -> None:
        """Whose build-up it is."""
        piece = self.selection.coated
        words = " ".join(kind_of(piece).text(piece).split())[:MOST_LETTERS] if piece else ""
        self.name.setText(f"of {words}" if words else "choose words in Arrange")

    def _switch_unit(self) -> None:
        unit = "em" if self.build_up.unit == "px" else "px"
        self.build_up.set_unit(unit)
        self.unit.setText(unit)


def proof_panel(proof: QWidget, report: QWidget) -> QWidget:
    """The left side of Proof."""
    return panel(head("At a glance"), proof, report, stretch=1)
