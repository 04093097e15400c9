"""On what the words will stand: a colour, or a picture chosen, dropped or pasted."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QPoint, Qt, pyqtSignal
from PyQt6.QtWidgets import QFileDialog, QFrame, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core import assets
from ...core.atomic import read_bytes
from ...core.model import Asset, Colour
from ..controls.colours.colour import ColourControl
from ..exchange.pictures import MOST_BYTES, PICTURES, read_picture
from ..exchange.readable import Read
from ..look.plain import Label
from ..shared.session import Session
from .ground_swatches import GroundSwatches

HOLDER = "start page"
COLOURS = (
    Colour(24, 42, 60), Colour(12, 12, 16), Colour(246, 240, 226), Colour(196, 64, 52),
    Colour(236, 178, 48), Colour(38, 110, 92), Colour(92, 66, 148),
)  # fmt: skip
"""At hand; the first is that of new boards."""


class GroundRow(QWidget):
    """`changed`: another ground, which `ground` is; None for that of new boards."""

    changed = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.ground: Colour | Asset | None = None
        self.swatches = GroundSwatches(COLOURS)
        self.other, self.picture = QPushButton("Colour…"), QPushButton("Picture…")
        self.away = QPushButton("No picture")
        self.other.setToolTip("Any colour as the ground")
        self.picture.setToolTip("A picture as the ground; it may be dropped here, or pasted, too")
        self._popup = QFrame(self, Qt.WindowType.Popup)
        self._popup.setObjectName("panel")
        self.colour = ColourControl("Ground")
        self.colour.pick.hide()
        self.colour.save.hide()
        inside = QVBoxLayout(self._popup)
        inside.addWidget(self.colour)
        label = Label("Ground")
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(8)
        for part in (label, self.swatches, self.other, self.picture, self.away):
            row.addWidget(part)
        row.addStretch(1)
        self.away.hide()
        self.swatches.chosen.connect(lambda n: self._take(COLOURS[n] if n else None))
        self.colour.edited.connect(lambda colour, _: self._take(colour))
        self.other.clicked.connect(self._ask_colour)
        self.picture.clicked.connect(self._ask_picture)
        self.away.clicked.connect(lambda: self._take(None))

    def _ask_colour(self) -> None:
        self.colour.set_value(self.ground if isinstance(self.ground, Colour) else COLOURS[0])
        self._popup.setFixedWidth(270)
        self._popup.move(self.other.mapToGlobal(QPoint(0, self.other.height() + 4)))
        self._popup.show()

    def _ask_picture(self) -> None:
        name, _ = QFileDialog.getOpenFileName(self, "Picture of the ground", "", PICTURES)
        if name:
            self.take_file(Path(name))

    def take_file(self, path: Path) -> None:
        """A picture file, read in the background."""
        self.take_read((path.name, lambda: read_bytes(path, MOST_BYTES)))

    def take_read(self, read: Read) -> None:
        """A picture, by its name and what brings its bytes."""
        read_picture(self.session, *read, self._take)

    def _take(self, ground: Colour | Asset | None) -> None:
        self.ground = ground
        # no board carries it yet
        assets.hold(HOLDER, [ground.sha] if isinstance(ground, Asset) else [])
        pictured = isinstance(ground, Asset)
        self.picture.setText(_short(ground.name) if isinstance(ground, Asset) else "Picture…")
        self.away.setVisible(pictured)
        at = 0 if ground is None else COLOURS.index(ground) if ground in COLOURS else -1
        self.swatches.mark(-1 if pictured else at)
        self.changed.emit()


def _short(name: str) -> str:
    return name if len(name) <= 24 else f"{name[:21]}…"
