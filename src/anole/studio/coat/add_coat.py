"""+ coat: the kinds of coat, each drawn on the user's own first letter."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QRectF, QSize, Qt
from PyQt6.QtGui import QImage, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QGridLayout, QPushButton, QVBoxLayout, QWidget

from ...core.coats.kind import CoatKind
from ...core.coats.kinds.fill import plain
from ...core.coats.registry import KINDS
from ...core.edit.coats import natural_place
from ...core.model import Colour
from ..commands.coats import add
from ..look import theme
from ..look.painting import painting
from ..rendering.samples import sample, words_of
from ..shared.session import Session

PICTURE = QSize(64, 44)
BASE = plain(Colour(150, 164, 156), "base")


class KindButton(QAbstractButton):
    """One kind of coat with its picture."""

    def __init__(self, kind: CoatKind[Any]) -> None:
        super().__init__()
        self.kind = kind
        self.image: QImage | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAccessibleName(f"Add {kind.title}: {kind.about}")
        self.setToolTip(f"{kind.title} {kind.about}")

    def sizeHint(self) -> QSize:
        return QSize(68, 72)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            lit = self.hasFocus() or self.underMouse()
            painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 1))
            painter.setBrush(theme.colour("raised"))
            painter.drawRoundedRect(QRectF(self.rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6)
            if self.image is not None:
                box = QRectF(
                    (self.width() - PICTURE.width()) / 2, 4, PICTURE.width(), PICTURE.height()
                )
                painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
                painter.drawImage(box, self.image)
            painter.setPen(theme.colour("text"))
            painter.setFont(theme.font(12))
            text = QRectF(0, self.height() - 22, self.width(), 18)
            painter.drawText(text, Qt.AlignmentFlag.AlignCenter, self.kind.title)


class AddCoat(QWidget):
    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.open = QPushButton("+  coat")
        self.open.setCheckable(True)
        self.open.setToolTip("Add a coat to the style (Ins)")
        self.kinds = QWidget()
        self.buttons = {kind.tag: KindButton(kind) for kind in KINDS.values()}
        column, grid = QVBoxLayout(self), QGridLayout(self.kinds)
        for layout in (column, grid):
            layout.setContentsMargins(0, 0, 0, 0)
            layout.setSpacing(6)
        for number, (tag, button) in enumerate(self.buttons.items()):
            grid.addWidget(button, number // 4, number % 4)
            button.clicked.connect(lambda _, t=tag: self.add(t))
        column.addWidget(self.open)
        column.addWidget(self.kinds)
        self.kinds.hide()
        self.open.toggled.connect(self._unfold)
        self.worker.drawn.connect(self._take)

    def _unfold(self, on: bool) -> None:
        self.kinds.setVisible(on)
        if on:
            self._ask()

    def _ask(self) -> None:
        piece, board = self.selection.coated, self.document.board
        letter = words_of(piece)[0]
        for tag, button in self.buttons.items():
            coat, at = button.kind.struct(id="sample"), natural_place((BASE,), button.kind)
            stack = (coat, BASE) if at == 0 else (BASE, coat)
            small = sample(piece, stack, letter, PICTURE.width(), PICTURE.height(), board)
            self.worker.ask_small(("kind", tag), small, 2.0)

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "kind":
            self.buttons[key[1]].image = image
            self.buttons[key[1]].update()

    def add(self, tag: str) -> None:
        """Add a coat where it naturally goes, and choose it."""
        add(self.session, tag)
        self.open.setChecked(False)
