"""A board as a card: its picture, its name, and what there is to know of it."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QImage, QKeyEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QPushButton, QSizePolicy

from ..look import icons, theme
from ..look.painting import painting
from ..look.plain import tip

HIGH, PICTURE = 54, QSize(76, 44)


class BoardCard(QAbstractButton):
    """Click or Enter opens it; with `removable` an x and Delete ask for it to go: `unwanted`."""

    unwanted = pyqtSignal()

    def __init__(self, title: str, about: str, where: str = "", removable: str = "") -> None:
        super().__init__()
        self.title, self.about = title, about
        self.image: QImage | None = None
        self.gone = False
        self.setFixedHeight(HIGH)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAccessibleName(f"{title}, {about}")
        self.setToolTip(tip(where or title))
        self.remove = QPushButton(self)
        self.remove.setObjectName("quiet")
        self.remove.setIcon(icons.icon("x"))
        self.remove.setIconSize(QSize(12, 12))
        self.remove.setFixedSize(22, 22)
        self.remove.setAccessibleName(f"{removable}: {title}")
        self.remove.setToolTip(tip(removable))
        self.remove.setVisible(bool(removable))
        self.remove.clicked.connect(self.unwanted)

    def sizeHint(self) -> QSize:
        return QSize(200, HIGH)

    def resizeEvent(self, event: object) -> None:
        self.remove.move(self.width() - 24, 3)

    def show_gone(self, about: str) -> None:
        """The file is not there now; the card stays."""
        self.gone, self.about = True, about
        self.setAccessibleName(f"{self.title}, {about}")
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Delete and not self.remove.isHidden():
            self.unwanted.emit()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.click()
        else:
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            lit = self.hasFocus() or self.underMouse()
            painter.setPen(QPen(theme.colour("leaf" if self.hasFocus() else "line"), 1.2))
            painter.setBrush(theme.colour("raised" if lit else "panel"))
            painter.drawRoundedRect(QRectF(self.rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6)
            self._paint_picture(painter)
            room = self.width() - PICTURE.width() - 24 - (20 if not self.remove.isHidden() else 0)
            right = Qt.TextElideMode.ElideRight
            for text, px, shade, y in ((self.title, 13, "text", 8), (self.about, 11, "dim", 27)):
                painter.setFont(theme.font(px))
                painter.setPen(theme.colour("dim" if self.gone else shade))
                short = painter.fontMetrics().elidedText(text, right, room)
                line = QRectF(PICTURE.width() + 14, y, room, 18)
                painter.drawText(line, Qt.AlignmentFlag.AlignVCenter, short)

    def _paint_picture(self, painter: QPainter) -> None:
        box = QRectF(5, 5, PICTURE.width(), PICTURE.height())
        painter.fillRect(box, theme.colour("sunk"))
        if self.image is None or self.image.isNull():
            return
        size = self.image.size().scaled(PICTURE, Qt.AspectRatioMode.KeepAspectRatio)
        picture = QRectF(0, 0, size.width(), size.height())
        picture.moveCenter(box.center())
        painter.setOpacity(0.4 if self.gone else 1.0)
        painter.drawImage(picture, self.image)
        painter.setOpacity(1.0)
