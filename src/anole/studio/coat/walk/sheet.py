"""How a look is built, beside the board: its steps, why each is there, and the numbers that make it."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QHBoxLayout, QLineEdit, QListWidget, QPushButton, QVBoxLayout, QWidget

from ....core.coats.registry import kind_named, kind_of
from ....core.edit.building import why
from ....core.edit.coats import change_coat
from ....core.model import Coat
from ....core.model.coats.base import MOST_NOTE
from ....core.model.field_info import field_info
from ....core.model.open_union import tag_of
from ...controls.base.fields import FieldPanel
from ...look.plain import Label
from ...shared.session import Session
from ..meant_field import Meant
from ..measures import Measures
from .walk import Walk

WIDE = 400
"""px of the sheet."""
KEYS = {Qt.Key.Key_Right: 1, Qt.Key.Key_Down: 1, Qt.Key.Key_Left: -1, Qt.Key.Key_Up: -1}


class WalkSheet(QWidget):
    """`left`: nothing is wanted of it any more."""

    left = pyqtSignal()

    def __init__(self, session: Session, measures: Measures) -> None:
        super().__init__()
        self.document, self.measures = session.document, measures
        self.walk = Walk(session, self)
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.title, self.count, self.why = Label(), Label(), Label()
        self.steps, self.note = QListWidget(), QLineEdit()
        self.panels: dict[type[Coat], FieldPanel] = {}
        self._meant: dict[type[Coat], Meant] = {}
        """Whose fields each panel showed last."""
        self.back, self.play, self.on = (
            QPushButton("Back"),
            QPushButton("Play"),
            QPushButton("Next"),
        )
        self.take, self.leave = QPushButton("Take it from here"), QPushButton("Leave it")
        self._arrange()
        self._connect()

    def _arrange(self) -> None:
        head, how = Label("How it is built"), Label("Right and left: the next coat and the one before. Space plays. Esc leaves all as it was.")  # fmt: skip
        head.setObjectName("head")
        self.title.setObjectName("head")
        self.steps.setAccessibleName("Steps")
        self.steps.setSpacing(1)
        self.steps.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.steps.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.note.setMaxLength(MOST_NOTE)
        self.note.setPlaceholderText("A note of your own: why it is there")
        self.note.setAccessibleName("Note of the coat")
        self.play.setCheckable(True)
        self.take.setObjectName("main")
        for label in (how, self.count):
            label.setObjectName("dim")
        for label in (how, self.why):
            label.setWordWrap(True)
        self.numbers = QVBoxLayout()
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 12, 14, 14)
        column.setSpacing(10)
        for part in (head, how):
            column.addWidget(part)
        column.addWidget(self.steps, 1)
        column.addLayout(_row(self.back, self.play, self.on))
        column.addLayout(_row(self.title, None, self.count))
        column.addWidget(self.why)
        column.addWidget(self.note)
        column.addLayout(self.numbers)
        column.addLayout(_row(self.take, self.leave))

    def _connect(self) -> None:
        self.steps.currentRowChanged.connect(self._pick)
        self.back.clicked.connect(lambda: self.walk.go(self.walk.at - 1))
        self.on.clicked.connect(lambda: self.walk.go(self.walk.at + 1))
        self.play.clicked.connect(self.walk.play)
        self.take.clicked.connect(self.walk.take)
        self.leave.clicked.connect(self.left)
        self.note.editingFinished.connect(self._noted)
        self.walk.changed.connect(self.show_step)
        self.walk.over.connect(self.left)

    def begin(self, lent: bool = False) -> None:
        """It comes up with the chosen piece's lowest coat."""
        self.walk.begin(lent)
        self.setFocus()

    def rest(self) -> None:
        """It is left."""
        self.walk.leave()

    def show_step(self) -> None:
        """The step as it is now."""
        coat, steps = self.walk.coat, self.walk.steps
        if coat is None:
            return
        names = [
            f"{number}   {step.name or kind_of(step).title}" for number, step in enumerate(steps, 1)
        ]
        if names != [
            item.text() for n in range(self.steps.count()) if (item := self.steps.item(n))
        ]:
            self.steps.blockSignals(True)
            self.steps.clear()
            self.steps.addItems(names)
            self.steps.blockSignals(False)
        self.steps.blockSignals(True)
        self.steps.setCurrentRow(self.walk.at)
        self.steps.blockSignals(False)
        for number in range(self.steps.count()):
            # what is not built yet is there to be chosen, and seen to be missing
            item = self.steps.item(number)
            font = item.font() if item is not None else self.font()
            font.setItalic(number > self.walk.at)
            if item is not None:
                item.setFont(font)
        self.title.setText(kind_of(coat).title)
        self.count.setText(f"{self.walk.at + 1} of {len(steps)}")
        self.why.setText(why(coat))
        if not self.note.hasFocus() or self.note.property("coat") != coat.id:
            self.note.setText(coat.note)
            self.note.setProperty("coat", coat.id)
        self.back.setEnabled(self.walk.at > 0)
        self.on.setEnabled(self.walk.at < len(steps) - 1)
        self.play.setChecked(self.walk.plays)
        self.play.setText("Pause" if self.walk.plays else "Play")
        self._show_numbers(coat)

    def _show_numbers(self, coat: Coat) -> None:
        panel = self._panel(type(coat))
        context = self.measures.context()
        panel.take(context)
        panel.show_struct(coat)
        self._meant[type(coat)] = Meant(self.walk.piece_id or "", coat.id)
        for struct, other in self.panels.items():
            other.setVisible(struct is type(coat))

    def _panel(self, struct: type[Coat]) -> FieldPanel:
        """The controls of the fields that make a kind of coat."""
        if struct not in self.panels:
            names = [info.name for info in field_info(struct)]
            tells = kind_named(tag_of(struct)).tells or tuple(names[:3])
            panel = FieldPanel(struct, skip=tuple(name for name in names if name not in tells))
            panel.edited.connect(lambda *edit, struct=struct: self._changed(struct, *edit))
            self.panels[struct] = panel
            self.numbers.addWidget(panel)
        return self.panels[struct]

    def _changed(self, struct: type[Coat], name: str, value: Any, token: object | None) -> None:
        meant = self._meant[struct]
        coat = meant.coat(self.document.board, struct)
        if coat is not None:
            meant.set_field(self.document, coat, name, value, token)

    def _noted(self) -> None:
        piece_id, coat_id = self.walk.piece_id, self.note.property("coat")
        noted = next((coat for coat in self.walk.steps if coat.id == coat_id), None)
        text = self.note.text().strip()
        if piece_id is None or noted is None or noted.note == text:
            return
        self.document.apply(
            f"{kind_of(noted).title}: note",
            lambda board: change_coat(board, piece_id, coat_id, note=text),
        )

    def _pick(self, row: int) -> None:
        if row >= 0:
            self.walk.go(row)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        key = Qt.Key(event.key())
        if key in KEYS:
            self.walk.go(self.walk.at + KEYS[key])
        elif key == Qt.Key.Key_Space:
            self.walk.play(not self.walk.plays)
        elif key == Qt.Key.Key_Escape:
            self.left.emit()
        else:
            super().keyPressEvent(event)


def _row(*parts: QWidget | None) -> QHBoxLayout:
    row = QHBoxLayout()
    row.setSpacing(8)
    for part in parts:
        if part is None:
            row.addStretch(1)
        else:
            row.addWidget(part)
    return row
