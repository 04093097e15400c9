"""The picture that is read back from the file, at 100 %, beside the board as it was rendered."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QMouseEvent, QPaintEvent, QPen
from PyQt6.QtWidgets import QWidget

from ..look import theme
from ..look.painting import painting
from .file_size import MeasuredFile

HEAD = 30


class AsFile(QWidget):
    """Both move together under the pointer; px stay px."""

    def __init__(self) -> None:
        super().__init__()
        self.setAccessibleName("The file's picture at 100 % beside the board")
        self.setCursor(Qt.CursorShape.OpenHandCursor)
        self.found: MeasuredFile | None = None
        self._at = QPointF(0.5, 0.5)
        self._pressed: QPointF | None = None

    def show_file(self, found: MeasuredFile) -> None:
        """The true bytes are known."""
        self.found = found
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.fillRect(self.rect(), theme.colour("desk"))
            painter.setFont(theme.font(12))
            painter.setPen(theme.colour("dim"))
            if self.found is None:
                painter.drawText(self.rect(), Qt.AlignmentFlag.AlignCenter, "working out the file")
                return
            half = self.width() / 2
            read = self.found.read
            file = self.found.rendered if read is None else read
            what = "nothing is lost" if read is None else f"{self.found.size / 1000:,.0f} kB"
            for left, image, title in (
                (0.0, self.found.rendered, "the board"),
                (half, file, f"the file, {what}"),
            ):
                box = QRectF(left + 1, HEAD, half - 2, self.height() - HEAD)
                painter.setPen(theme.colour("dim"))
                painter.drawText(QPointF(left + 14, 20), f"{title}, 100 %")
                painter.save()
                painter.setClipRect(box)
                ratio = self.devicePixelRatioF()
                size = QPointF(image.width() / ratio, image.height() / ratio)
                spare = QPointF(box.width() - size.x(), box.height() - size.y())
                x = spare.x() / 2 if spare.x() > 0 else spare.x() * self._at.x()
                y = spare.y() / 2 if spare.y() > 0 else spare.y() * self._at.y()
                painter.drawImage(QRectF(box.x() + x, box.y() + y, size.x(), size.y()), image)
                painter.restore()
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.drawLine(QPointF(half, 0), QPointF(half, self.height()))

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None:
            self._pressed = event.position()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._pressed is None or self.found is None:
            return
        by, self._pressed = event.position() - self._pressed, event.position()
        wide = max(self.found.rendered.width() - self.width() / 2, 1.0)
        high = max(self.found.rendered.height() - self.height(), 1.0)
        x, y = self._at.x() - by.x() / wide, self._at.y() - by.y() / high
        self._at = QPointF(min(max(x, 0.0), 1.0), min(max(y, 0.0), 1.0))
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._pressed = None
