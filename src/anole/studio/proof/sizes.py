"""640 and 320 px wide, in the middle of the stage."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QColor, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from ..look import theme
from ..look.painting import painting
from .pages import page_colours
from .proof_pictures import LARGE, ProofPictures


class Sizes(QWidget):
    """The board in the sizes that people see it in."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.setAccessibleName("Proof at 640 and 320 px")
        self.pictures, self.light = pictures, False
        pictures.changed.connect(self.update)

    def turn_page(self, light: bool) -> None:
        """A light page, or a dark one."""
        self.light = light
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            paper, ink = page_colours(self.light)
            painter.fillRect(self.rect(), QColor(paper))
            board = self.pictures.document.board
            ratio = board.height / board.width
            # the 640 gives way when the stage is too low for both
            room = self.height() - 96
            total = sum(w * ratio for w in LARGE)
            shrink = min(1.0, room / max(total, 1), (self.width() - 32) / LARGE[0])
            y = max((self.height() - total * shrink - 70) / 2, 8)
            for width in LARGE:
                image = self.pictures.images.get(width)
                shown = width * shrink
                x = (self.width() - shown) / 2
                painter.setFont(theme.font(12))
                painter.setPen(QColor(ink))
                note = f"{width} px wide" + ("" if shrink == 1 else f", shown at {shrink:.0%}")
                painter.drawText(QPointF(x, y + 12), note)
                y += 20
                if image is not None:
                    painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
                    painter.drawImage(QRectF(x, y, shown, shown * ratio), image)
                y += shown * ratio + 18
