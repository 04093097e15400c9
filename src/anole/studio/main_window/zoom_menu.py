"""The zoom in the top bar: how large the board is shown, with its sizes, a slider, whole and fill."""

from __future__ import annotations

import math

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtWidgets import QFrame, QGridLayout, QPushButton, QVBoxLayout, QWidget

from ..commands.view import ZOOMS
from ..controls.base.slider import Slider
from ..shared.session import Session

LOW, HIGH = 0.05, 16.0
PER_ROW = 3


class ZoomMenu(QFrame):
    """A small sheet under its button, gone with a click elsewhere."""

    def __init__(self, session: Session, parent: QWidget) -> None:
        super().__init__(parent, Qt.WindowType.Popup)
        self.session = session
        self.setObjectName("sheet")
        self.slider = Slider()
        self.slider.setAccessibleName("Zoom")
        self.sizes = {zoom: QPushButton(f"{zoom:.0%}") for zoom in ZOOMS}
        self.fit, self.fill = QPushButton("Whole board"), QPushButton("Fill")
        column, grid = QVBoxLayout(self), QGridLayout()
        column.setContentsMargins(14, 12, 14, 14)
        column.addWidget(self.slider)
        column.addLayout(grid)
        for number, (zoom, button) in enumerate(self.sizes.items()):
            grid.addWidget(button, *divmod(number, PER_ROW))
            button.clicked.connect(lambda _, z=zoom: self._take(z))
        grid.addWidget(self.fit, 2, 0, 1, 2)
        grid.addWidget(self.fill, 2, 2)
        self.fit.setToolTip("The whole board (Ctrl+0)")
        self.fill.setToolTip("Fill the window with the board (Ctrl+9)")
        for button, name in ((self.fit, "fit board"), (self.fill, "fill board")):
            button.clicked.connect(lambda _, n=name: session.shell.do(n))
        self.slider.pulled.connect(lambda _, at, token: self._take(LOW * (HIGH / LOW) ** at))
        self.slider.stepped.connect(lambda _, by: session.shell.set_zoom(self._now * 1.1**by))

    @property
    def _now(self) -> float:
        return self.session.shell.zoom

    def _take(self, zoom: float) -> None:
        self.session.shell.set_zoom(zoom)
        self.follow(zoom)

    def follow(self, zoom: float) -> None:
        """Show the zoom as it is."""
        share = math.log(max(zoom, LOW) / LOW) / math.log(HIGH / LOW)
        self.slider.show_at([share])

    def unfold(self, button: QWidget) -> None:
        """Open beneath a button."""
        self.follow(self._now)
        size = self.sizeHint()
        corner = button.mapToGlobal(QPoint(button.width() - size.width(), button.height() + 4))
        self.move(corner)
        self.show()
        self.slider.setFocus()
