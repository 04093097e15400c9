"""Several pieces chosen at once: lined up and spread out. A single one is lined up to the board."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QGridLayout, QVBoxLayout, QWidget

from ..look import theme
from ..look.painting import painting
from ..look.plain import Label
from ..shared.line_ups import TITLES

SHARE = {"left": 0.0, "middle": 0.5, "right": 1.0, "top": 0.0, "centre": 0.5, "bottom": 1.0}


class LineUp(QAbstractButton):
    """A small drawing of two blocks against a rule."""

    def __init__(self, what: str) -> None:
        super().__init__()
        self.what = what
        self.setAccessibleName(TITLES[what])
        self.setToolTip(TITLES[what])
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self) -> QSize:
        return QSize(30, 28)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            lit = self.hasFocus() or self.underMouse()
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 1))
            painter.setBrush(theme.colour("raised"))
            painter.drawRoundedRect(QRectF(self.rect()).adjusted(0.5, 0.5, -0.5, -0.5), 5, 5)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing, False)
            shade = theme.colour("text" if self.isEnabled() else "line")
            painter.translate(self.width() / 2 - 9, self.height() / 2 - 8)
            self._blocks(painter, shade)

    def _blocks(self, painter: QPainter, shade: QColor) -> None:
        upright = self.what in ("top", "centre", "bottom", "down")

        def block(x: float, y: float, w: float, h: float) -> None:
            box = QRectF(y, x, h, w) if upright else QRectF(x, y, w, h)
            painter.fillRect(box, shade)

        if self.what in ("across", "down"):
            for n in range(3):
                block(n * 7, 3, 4, 10)
            return
        share = SHARE[self.what]
        block(share * 17, 0, 1, 16)
        for y, width in ((2, 15), (9, 9)):
            block(1 + share * (16 - width), y, width, 5)


class Several(QWidget):
    """`wanted(what)`: one of the six sides, across or down."""

    wanted = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self.head = Label()
        self.head.setObjectName("group")
        self.buttons = {what: LineUp(what) for what in TITLES}
        grid, column = QGridLayout(), QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        grid.setSpacing(4)
        for number, (what, button) in enumerate(self.buttons.items()):
            grid.addWidget(button, *divmod(number, 4))
            button.clicked.connect(lambda _, w=what: self.wanted.emit(w))
        column.addWidget(self.head)
        column.addLayout(grid)
        column.addStretch(1)

    def show_count(self, count: int) -> None:
        """Offer what can be done with so many chosen pieces."""
        self.head.setText("Line up with the board" if count < 2 else f"Line up {count} pieces")
        for what in ("across", "down"):
            self.buttons[what].setEnabled(count > 2)
