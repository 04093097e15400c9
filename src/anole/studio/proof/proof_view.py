"""The board as its audience meets it: at small sizes, on a dark and a light page."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QImage, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.model import Board
from .. import theme
from ..session import Session

LARGE = (640, 320)
SMALL = (168, 96)
PAGES = (("on a dark page", "#121212", "#d8d8d8"), ("on a light page", "#f6f6f6", "#3a3a3a"))


class ProofPictures:
    """The reduced pictures, shared by the views of the stage."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.images: dict[int, QImage] = {}
        self.asked: Board | None = None
        self.views: list[QWidget] = []
        self.worker.drawn.connect(self._take)
        self.document.settled.connect(self.ask)

    def ask(self) -> None:
        board = self.document.board
        if board != self.asked and any(view.isVisible() for view in self.views):
            self.asked = board
            self.worker.ask_reduced("proof", board, (*LARGE, *SMALL))

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "proof":
            self.images[key[1]] = image
            for view in self.views:
                view.update()


def _picture(painter: QPainter, image: QImage | None, x: float, y: float, width: int) -> None:
    if image is None:
        painter.setPen(QPen(theme.colour("dim"), 1))
        painter.drawText(QPointF(x, y + 14), "rendering")
        return
    painter.drawImage(QPointF(x, y), image)


class LargeProof(QWidget):
    """640 and 320 px wide, in the middle of the stage."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setAccessibleName("Proof at 640 and 320 px")
        self.pictures = pictures
        pictures.views.append(self)

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.pictures.ask()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.fillRect(self.rect(), theme.colour("desk"))
        board = self.pictures.document.board
        ratio = board.height / board.width
        # the 640 gives way when the stage is too low for both
        room = self.height() - 96
        widths = LARGE
        total = sum(w * ratio for w in widths)
        shrink = min(1.0, room / max(total, 1), (self.width() - 32) / widths[0])
        y = max((self.height() - total * shrink - 70) / 2, 8)
        for width in widths:
            image = self.pictures.images.get(width)
            shown = width * shrink
            x = (self.width() - shown) / 2
            painter.setFont(theme.font(12))
            painter.setPen(theme.colour("dim"))
            note = f"{width} px wide" + ("" if shrink == 1 else f", shown at {shrink:.0%}")
            painter.drawText(QPointF(x, y + 12), note)
            y += 20
            if image is not None:
                painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
                painter.drawImage(QRectF(x, y, shown, shown * ratio), image)
            y += shown * ratio + 18


class SmallProof(QWidget):
    """168 and 96 px wide on both pages, in true px."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.setAccessibleName("Proof at 168 and 96 px on a dark and a light page")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.pictures = pictures
        pictures.views.append(self)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        board = self.pictures.document.board
        ratio = board.height / board.width
        half = (self.height() - 8) / 2
        for number, (title, paper, ink) in enumerate(PAGES):
            page = QRectF(0, number * (half + 8), self.width(), half)
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(QColor(paper))
            painter.drawRoundedRect(page, 8, 8)
            painter.setPen(QColor(ink))
            painter.setFont(theme.font(12))
            painter.drawText(QPointF(page.x() + 14, page.y() + 22), title)
            y = page.y() + 34
            painter.save()
            painter.setClipRect(page)
            for width in SMALL:
                _picture(painter, self.pictures.images.get(width), page.x() + 14, y, width)
                painter.setPen(QColor(ink))
                painter.setFont(theme.font(11))
                painter.drawText(QPointF(page.x() + 14 + width + 10, y + 12), f"{width} px")
                y += width * ratio + 14
            painter.restore()
