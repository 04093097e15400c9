"""Colours found in a picture, each as wide as its share, and a gradient of them with one click."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPaintEvent, QPen
from PyQt6.QtWidgets import QPushButton, QSizePolicy, QWidget

from ....core.paint.clusters import Found, colours_of, gradient_of
from ...board.sampling import pixels_of
from ...look import theme
from ...look.painting import painting
from ...look.qt_colour import to_qt
from ...shared.session import session_of
from ..base.layouts import column, row
from ..choices.asset_choice import AssetChoice

BOARD = "the board as it is"
LEAST = 10.0


class ShareBar(QWidget):
    """`chosen(colour)`."""

    chosen = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self.found: list[Found] = []
        self.setAccessibleName("Colours found, each as wide as its share")
        self.setToolTip("Click to take a colour")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self) -> QSize:
        return QSize(160, 28)

    def boxes(self) -> list[QRectF]:
        """A stretch for each colour, as long as its share."""
        spare = max(self.width() - LEAST * len(self.found), 0.0)
        x, made = 0.0, []
        for found in self.found:
            wide = LEAST + spare * found.share
            made.append(QRectF(x, 0, wide, self.height()))
            x += wide
        return made

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            for box, found in zip(self.boxes(), self.found, strict=True):
                painter.fillRect(box, to_qt(found.colour))
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.drawRect(self.rect().adjusted(0, 0, -1, -1))

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        at = event.position() if event is not None else QPointF(-1, -1)
        for box, found in zip(self.boxes(), self.found, strict=True):
            if box.contains(at):
                self.chosen.emit(found.colour)


class FoundColours(QWidget):
    """`coloured(colour)` and `made(gradient)`. Looks when it is asked to, not before."""

    coloured = pyqtSignal(object)
    made = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self.head = QPushButton("▸  Colours from a picture")
        self.head.setObjectName("quiet")
        self.head.setStyleSheet("text-align: left;")
        self.inside, self.bar = QWidget(), ShareBar()
        self.picture = AssetChoice("From", empty=BOARD)
        self.look, self.take = QPushButton("Look again"), QPushButton("Make a gradient")
        column(self.inside, self.picture, self.bar).addLayout(row(self.look, self.take))
        column(self, self.head, self.inside)
        self.inside.hide()
        self.head.clicked.connect(self._unfold)
        self.picture.edited.connect(lambda v, t: self.refresh())
        self.picture.pictured.connect(self.refresh)
        self.picture.coloured.connect(lambda c: self.coloured.emit(c))
        self.bar.chosen.connect(lambda c: self.coloured.emit(c))
        self.look.clicked.connect(self.refresh)
        self.take.clicked.connect(self._take)

    def _unfold(self) -> None:
        on = self.inside.isHidden()
        self.inside.setVisible(on)
        self.head.setText(("▾" if on else "▸") + "  Colours from a picture")
        if on:
            self.picture.set_value(self.picture.value())
            self.refresh()

    def refresh(self) -> None:
        """Look for the colours of the picture."""
        sha, session = self.picture.value(), session_of(self)
        pixels = self.picture.view.pixels if sha else None
        image = session.shell.board_image() if session is not None and not sha else None
        if image is not None:
            pixels = pixels_of(image)
        self.bar.found = colours_of(pixels) if pixels is not None else []
        self.take.setEnabled(bool(self.bar.found))
        self.bar.update()

    def _take(self) -> None:
        self.made.emit(gradient_of(self.bar.found))
