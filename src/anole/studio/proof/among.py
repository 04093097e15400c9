"""The board among invented neighbours, as on a page of many."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QImage, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from ..look import theme
from ..look.painting import painting
from .pages import page_colours
from .proof_pictures import AMONG, ProofPictures

GAP, CAPTION = 16, 34
PLACE = 5
"""Where the board stands in the row of all."""


class Among(QWidget):
    """The board as one of many on a page."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.setAccessibleName("The board among invented neighbours")
        self.pictures, self.light = pictures, False
        pictures.changed.connect(self.update)

    def turn_page(self, light: bool) -> None:
        """A light page, or a dark one."""
        self.light = light
        self.update()

    @property
    def columns(self) -> int:
        """How many stand in a row."""
        return max((self.width() - 28 + GAP) // (AMONG + GAP), 1)

    def box(self, place: int, high: int) -> QRectF:
        """Where the picture at a place lies."""
        row, column = divmod(place, self.columns)
        wide = self.columns * (AMONG + GAP) - GAP
        left = (self.width() - wide) // 2
        y = 14 + row * (high + CAPTION + GAP)
        return QRectF(left + column * (AMONG + GAP), y, AMONG, high)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            paper, ink = page_colours(self.light)
            painter.fillRect(self.rect(), QColor(paper))
            high, pictures = round(AMONG * 9 / 16), self.pictures
            shown: list[QImage | None] = [pictures.others.get(n) for n in sorted(pictures.others)]
            shown.insert(min(PLACE, len(shown)), pictures.images.get(AMONG))
            for place, image in enumerate(shown):
                box = self.box(place, high)
                if box.bottom() > self.height():
                    break
                painter.fillRect(box, QColor(paper))
                if image is not None:
                    size = image.size().scaled(AMONG, high, Qt.AspectRatioMode.KeepAspectRatio)
                    fitted = QRectF(0, 0, size.width(), size.height())
                    fitted.moveCenter(box.center())
                    painter.drawImage(fitted, image)
                self._caption(painter, box, ink, place == min(PLACE, len(shown) - 1))

    def _caption(self, painter: QPainter, box: QRectF, ink: str, own: bool) -> None:
        """Lines where a page has its words; the board's own says its name."""
        painter.setPen(QColor(ink))
        if own:
            painter.setFont(theme.font(11))
            painter.drawText(QPointF(box.left(), box.bottom() + 15), self.pictures.document.title)
            return
        grey = QColor(ink)
        grey.setAlphaF(0.3)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(grey)
        for width, y in ((0.8, 7), (0.5, 18)):
            painter.drawRoundedRect(
                QRectF(box.left(), box.bottom() + y, box.width() * width, 6), 3, 3
            )
