"""The chosen coat's panel, made from the model."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QLabel,
    QLineEdit,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.coats.registry import KINDS, kind_of
from ...core.edit.coats import change_coat
from ..controls.control import Context
from ..controls.fields import FieldPanel
from ..document import Document
from ..seen import WhenSeen
from .build_up.widget import BuildUp


class CoatPanel(QScrollArea):
    """One panel for each kind of coat, made when it is first needed."""

    def __init__(self, document: Document, build_up: BuildUp) -> None:
        super().__init__()
        self.document, self.build_up = document, build_up
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        inside = QWidget()
        inside.setObjectName("panel")
        self._column = QVBoxLayout(inside)
        self._column.setContentsMargins(16, 12, 16, 12)
        self._column.setSpacing(8)
        self.head, self.name = QLabel(), QLineEdit()
        self.head.setObjectName("head")
        self.name.setPlaceholderText("name")
        self.name.setAccessibleName("Name of the coat")
        top = QHBoxLayout()
        top.addWidget(self.head)
        top.addWidget(self.name, 1)
        self._column.addLayout(top)
        self.empty = QLabel("No coat is chosen. Add one with + coat, or put on a style below.")
        self.empty.setObjectName("dim")
        self.empty.setWordWrap(True)
        self._column.addWidget(self.empty)
        self.panels: dict[str, FieldPanel] = {}
        self._column.addStretch(1)
        self.setWidget(inside)
        self.name.editingFinished.connect(self._named)
        when_seen = WhenSeen(self, self.show_coat)
        document.settled.connect(when_seen)
        document.chosen.connect(when_seen)
        self.show_coat()

    def panel(self, tag: str) -> FieldPanel:
        if tag not in self.panels:
            panel = FieldPanel(KINDS[tag].struct, headed=True)
            panel.edited.connect(self._field)
            self.panels[tag] = panel
            self._column.insertWidget(self._column.count() - 1, panel)
        return self.panels[tag]

    def show_coat(self) -> None:
        coat, piece, board = self.document.coat, self.document.piece, self.document.board
        tag = "" if coat is None else str(coat.__struct_config__.tag)
        self.empty.setVisible(coat is None)
        self.name.setVisible(coat is not None)
        self.head.setText("" if coat is None else kind_of(coat).title)
        if coat is not None and piece is not None:
            panel = self.panel(tag)
            scene = self.build_up.scene()
            em = scene.cut.em if scene else 100.0
            core = scene.cut.core if scene else em / 10
            panel.take(Context(em, board.dpi, core, board.lamp))
            panel.show_struct(coat)
            # only a pose tells the face from the board
            panel.controls["plane"].setVisible(piece.pose is not None)
            if not self.name.hasFocus():
                self.name.setText(coat.name)
        for other, panel in self.panels.items():
            panel.setVisible(other == tag)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        piece, coat = self.document.piece_id, self.document.coat
        if piece is not None and coat is not None:
            title = f"{kind_of(coat).title}: {name.replace('_', ' ')}"
            self.document.apply(
                title, lambda b: change_coat(b, piece, coat.id, **{name: value}), token
            )

    def _named(self) -> None:
        coat = self.document.coat
        if coat is not None and self.name.text().strip() != coat.name:
            self._field("name", self.name.text().strip(), None)
