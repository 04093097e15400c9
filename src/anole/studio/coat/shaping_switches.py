"""At the foot of the build-up: what shapes the letters before any coat, switched off and on."""

from __future__ import annotations

from typing import get_args

from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QWidget

from ...core.edit.pieces import switch_shaping
from ...core.model.shaping import Shaping
from ...core.pieces.registry import placed_kind
from ..look.plain import Label
from ..shared.session import Session

KINDS = get_args(Shaping)
ROOM = 3
"""Switches that the words before them leave room for."""


class ShapingSwitches(QWidget):
    """A switch for each kind of shaping the chosen words have; gone where they have none."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.document, self.selection = session.document, session.selection
        line = QHBoxLayout(self)
        line.setContentsMargins(0, 0, 0, 0)
        line.setSpacing(4)
        self.head = Label("Shaped by")
        self.head.setObjectName("dim")
        line.addWidget(self.head)
        self.switches: dict[str, QPushButton] = {}
        for kind in KINDS:
            switch = QPushButton(kind)
            switch.setCheckable(True)
            switch.setAccessibleName(f"Letters are shaped by {kind}")
            switch.clicked.connect(lambda _, kind=kind: self._switch(kind))
            self.switches[kind] = switch
            line.addWidget(switch)
        line.addStretch(1)
        self.document.settled.connect(self.show_shaping)
        self.selection.changed.connect(self.show_shaping)
        self.show_shaping()

    def show_shaping(self) -> None:
        """Offer what the chosen piece can be bent by."""
        piece = self.selection.placed
        kinds = placed_kind(piece).shapings(piece) if piece is not None else ()
        self.setVisible(bool(kinds))
        self.head.setVisible(len(kinds) <= ROOM)
        for kind, switch in self.switches.items():
            on = piece is not None and kind not in piece.off
            switch.setVisible(kind in kinds)
            switch.setChecked(on)
            switch.setToolTip(f"Switch {kind} {'off' if on else 'on'}; it stays as it is set")

    def _switch(self, kind: str) -> None:
        piece = self.selection.placed
        if piece is not None:
            name = f"{kind.capitalize()} {'on' if kind in piece.off else 'off'}"
            self.document.apply(name, lambda b: switch_shaping(b, piece.id, kind))
