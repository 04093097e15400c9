"""168 and 96 px wide on a dark and a light page, in true px."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QImage, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..look import theme
from ..look.painting import painting
from .proof_pictures import SMALL, ProofPictures

PAGES = (("on a dark page", "#121212", "#d8d8d8"), ("on a light page", "#f6f6f6", "#3a3a3a"))


class SmallProof(QWidget):
    """The board at thumbnail size."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.setAccessibleName("Proof at 168 and 96 px on a dark and a light page")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumHeight(300)
        self.pictures = pictures
        pictures.views.append(self)
        pictures.changed.connect(self.update)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
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
                    _picture(painter, self.pictures.images.get(width), page.x() + 14, y)
                    painter.setPen(QColor(ink))
                    painter.setFont(theme.font(11))
                    painter.drawText(QPointF(page.x() + 14 + width + 10, y + 12), f"{width} px")
                    y += width * ratio + 14
                painter.restore()


def _picture(painter: QPainter, image: QImage | None, x: float, y: float) -> None:
    if image is None:
        painter.setPen(QPen(theme.colour("dim"), 1))
        painter.drawText(QPointF(x, y + 14), "rendering")
        return
    painter.drawImage(QPointF(x, y), image)
