"""Which of the board's pictures: its miniature, the others, and one more from a file."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from PyQt6.QtCore import QRectF, QSize, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QFileDialog, QPushButton, QSizePolicy, QWidget

from ....core.arrays import Pixels
from ...board.sampling import average
from ...exchange.pictures import PICTURES, take_picture
from ...look import theme
from ...look.painting import painting
from ...look.pixel_images import image_of
from ...look.plain import Label
from ...rendering.small_pictures import small_picture
from ...shared.session import session_of
from ..base.control import Control
from ..base.layouts import column, row
from .combo_box import ComboBox


class PictureView(QWidget):
    """A picture to take colours from: `picked(colour)`."""

    picked = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self.pixels: Pixels | None = None
        self.setAccessibleName("Picture: click to take a colour from it")
        self.setToolTip("Click to take a colour: Shift averages 3 px, Ctrl 9 px")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def sizeHint(self) -> QSize:
        return QSize(160, 96)

    def show_pixels(self, pixels: Pixels | None) -> None:
        """Show a picture as large as there is room; None hides it."""
        self.pixels = pixels
        self.setVisible(pixels is not None)
        self.update()

    def _box(self) -> QRectF:
        assert self.pixels is not None
        high, wide = self.pixels.shape[:2]
        factor = min(self.width() / wide, self.height() / high)
        return QRectF(0, (self.height() - high * factor) / 2, wide * factor, high * factor)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        if self.pixels is None:
            return
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.drawImage(self._box(), image_of(self.pixels))
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.drawRect(self._box().adjusted(0, 0, -1, -1))

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self.pixels is None or not self._box().contains(event.position()):
            return
        at = event.position() - self._box().topLeft()
        high, wide = self.pixels.shape[:2]
        x, y = at.x() / self._box().width() * wide, at.y() / self._box().height() * high
        self.picked.emit(average(self.pixels, int(x), int(y), event.modifiers()))


class AssetChoice(Control):
    """`coloured(colour)`: one was taken from the picture; `pictured`: it has been read."""

    coloured = pyqtSignal(object)
    pictured = pyqtSignal()

    def __init__(self, title: str = "Picture", empty: str = "") -> None:
        super().__init__()
        self._asset = ""
        self._empty = empty
        self._listed: list[str] = []
        self._asked = False
        self.view, self.box, self.open = PictureView(), ComboBox(), QPushButton("+ File")
        self.box.setAccessibleName(title)
        self.open.setToolTip("Take a picture file in; the board carries it from then on")
        column(self, self.view).insertLayout(
            0, row(Label(title), self.box, self.open, gap=4, stretch=1)
        )
        self.box.activated.connect(self._chosen)
        self.open.clicked.connect(self.ask_file)
        self.view.picked.connect(lambda c: self.coloured.emit(c))
        self.view.hide()

    def value(self) -> Any:
        return self._asset

    def set_value(self, value: Any) -> None:
        if value != self._asset or (value and self.view.pixels is None):
            self._asset = value
            self.view.show_pixels(None)
            self._ask()
        self._list()

    def _ask(self) -> None:
        """The picture is read in the worker's thread; it comes when it is there."""
        session = session_of(self)
        if session is None or not self._asset:
            return
        if not self._asked:
            self._asked = True
            session.worker.done.connect(self._take)
        sha = self._asset
        session.worker.ask(("picture", sha), lambda worker: small_picture(sha))

    def _take(self, key: tuple[Any, ...], pixels: Pixels | None) -> None:
        if key == ("picture", self._asset):
            self.view.show_pixels(pixels)
            self.pictured.emit()

    def _list(self) -> None:
        session = session_of(self)
        pictures = session.document.board.assets if session else ()
        self._listed = [a.sha for a in pictures]
        names = [a.name for a in pictures]
        head = [self._empty] if self._empty else ["none yet" if not names else "choose"]
        if [self.box.itemText(n) for n in range(self.box.count())] != head + names:
            self.box.clear()
            self.box.addItems(head + names)
        place = self._listed.index(self._asset) + 1 if self._asset in self._listed else 0
        self.box.setCurrentIndex(place)

    def _chosen(self, index: int) -> None:
        if index or self._empty:
            self._send(self._listed[index - 1] if index else "")

    def _send(self, sha: str) -> None:
        self.set_value(sha)
        self.edited.emit(sha, None)

    def ask_file(self) -> None:
        """Ask for a picture's file."""
        name, _ = QFileDialog.getOpenFileName(self, "Add a picture", "", PICTURES)
        if name:
            self.add_file(Path(name))

    def add_file(self, path: Path) -> None:
        """Take a picture's file into the board, and choose it."""
        session = session_of(self)
        if session is not None:
            take_picture(session, path, self._send)
