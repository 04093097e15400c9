"""The chosen coat's panel, made from the model."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.coats.registry import kind_of
from ...core.edit.coats import change_coat
from ...core.model import Coat
from ..controls.base.control import Context
from ..controls.base.fields import FieldPanel
from ..look.name_field import NameField
from ..look.plain import Label
from ..runtime.when_visible import WhenVisible
from ..shared.session import Session
from .measures import Measures


class CoatPanel(QScrollArea):
    """One panel for each kind of coat, made when it is first needed."""

    def __init__(self, session: Session, measures: Measures) -> None:
        super().__init__()
        self.document, self.selection = session.document, session.selection
        self.measures = measures
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        inside = QWidget()
        inside.setObjectName("panel")
        self._column = QVBoxLayout(inside)
        self._column.setContentsMargins(12, 12, 12, 12)
        self._column.setSpacing(8)
        self.head, self.name = Label(), NameField()
        self.head.setObjectName("head")
        self.name.setPlaceholderText("name")
        self.name.setAccessibleName("Name of the coat")
        top = QHBoxLayout()
        top.addWidget(self.head)
        top.addWidget(self.name, 1)
        self._column.addLayout(top)
        self.empty = Label("No coat is chosen. Add one with + coat, or put on a style below.")
        self.empty.setObjectName("dim")
        self.empty.setWordWrap(True)
        self._column.addWidget(self.empty)
        self.panels: dict[type[Coat], FieldPanel] = {}
        self._column.addStretch(1)
        self.setWidget(inside)
        self.name.editingFinished.connect(self._named)
        when_visible = WhenVisible(self, self.show_coat)
        self.document.settled.connect(when_visible)
        self.selection.changed.connect(when_visible)
        self.show_coat()

    def panel(self, struct: type[Coat]) -> FieldPanel:
        """The panel of a kind of coat."""
        if struct not in self.panels:
            panel = FieldPanel(struct, headed=True)
            panel.edited.connect(self._field)
            self.panels[struct] = panel
            self._column.insertWidget(self._column.count() - 1, panel)
        return self.panels[struct]

    def control(self, name: str) -> QWidget | None:
        """What edits a field of the chosen coat."""
        self.show_coat()
        coat = self.selection.coat
        return self.panel(type(coat)).controls.get(name) if coat is not None else None

    def show_coat(self) -> None:
        coat = self.selection.coat
        self.empty.setVisible(coat is None)
        self.name.setVisible(coat is not None)
        self.head.setText("" if coat is None else kind_of(coat).title)
        if coat is not None:
            panel = self.panel(type(coat))
            panel.take(self._context())
            panel.show_struct(coat)
            self.name.show_name(coat.name)
        for struct, panel in self.panels.items():
            panel.setVisible(type(coat) is struct)

    def _context(self) -> Context:
        board, piece = self.document.board, self.selection.coated
        section = self.measures.section()
        em = section.em if section is not None else 100.0
        core = section.core if section is not None else em / 10
        posed = piece is not None and piece.pose is not None
        return Context(em, board.dpi, core, board.lamp, posed)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        piece, coat = self.selection.piece_id, self.selection.coat
        if piece is not None and coat is not None:
            title = f"{kind_of(coat).title}: {name.replace('_', ' ')}"
            self.document.apply(
                title, lambda b: change_coat(b, piece, coat.id, **{name: value}), token
            )

    def _named(self) -> None:
        coat = self.selection.coat
        if coat is not None and self.name.text().strip() != coat.name:
            self._field("name", self.name.text().strip(), None)
