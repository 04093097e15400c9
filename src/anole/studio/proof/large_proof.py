"""The middle of Proof: the board as it will be met, among others, as its file, or with its sheet
lifted."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QStackedWidget, QVBoxLayout, QWidget

from ...core.proof.sight import GLANCE, GREY, PLAIN
from ..controls.choices.picker import Picker
from ..look.plain import Label
from .among import Among
from .as_file import AsFile
from .lifted_sheet import LiftedSheet
from .proof_pictures import ProofPictures
from .sizes import Sizes

SIGHTS = {
    PLAIN: "as it is",
    GREY: "in grey",
    "protan": "red-blind (protan)",
    "deutan": "green-blind (deutan)",
    "tritan": "blue-blind (tritan)",
    GLANCE: "at a glance, blurred",
}
VIEWS = {
    "sizes": "at 640 and 320 px",
    "among": "among others",
    "file": "the file beside the board",
    "sheet": "lift the sheet",
}


class LargeProof(QWidget):
    """The middle of Proof."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setAccessibleName("Proof")
        self.pictures = pictures
        pictures.views.append(self)
        self.view = Picker("View", list(VIEWS), "How the board is shown", VIEWS, headed=False)
        self.sight = Picker("Seen", list(SIGHTS), "With whose eyes", SIGHTS, headed=False)
        self.page = QPushButton("Light page")
        self.page.setCheckable(True)
        self.page.setToolTip("On a light page, or on a dark one")
        self.sizes, self.among = Sizes(pictures), Among(pictures)
        self.file, self.sheet = AsFile(), LiftedSheet(pictures)
        self.stack = QStackedWidget()
        for part in (self.sizes, self.among, self.file, self.sheet):
            self.stack.addWidget(part)
        self._build()
        self.view.picked.connect(self._show)
        self.sight.picked.connect(lambda: pictures.see(self.sight.value()))
        self.page.toggled.connect(self._turn_page)

    def _build(self) -> None:
        bar = QHBoxLayout()
        bar.setContentsMargins(14, 10, 14, 0)
        bar.setSpacing(8)
        for title, picker in (("Shown", self.view), ("Seen", self.sight)):
            label = Label(title)
            label.setObjectName("dim")
            picker.setFixedWidth(196)
            bar.addWidget(label)
            bar.addWidget(picker)
        bar.addWidget(self.page)
        bar.addStretch(1)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(bar)
        column.addWidget(self.stack, 1)

    def show_view(self, name: str) -> None:
        """One of VIEWS."""
        self.view.set_value(name)
        self._show()

    def _show(self) -> None:
        self.stack.setCurrentIndex(list(VIEWS).index(self.view.value()))
        if self.view.value() == "among":
            self.pictures.ask_neighbours()
        if self.view.value() == "sheet":
            self.sheet.begin()

    def _turn_page(self, light: bool) -> None:
        for part in (self.sizes, self.among):
            part.turn_page(light)

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.pictures.ask()
        self._show()
