"""A strip of fonts, each in the user's own words."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QModelIndex, QRectF, QSize, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QImage, QPainter, QPen, QWheelEvent
from PyQt6.QtWidgets import (
    QListWidget,
    QListWidgetItem,
    QStyledItemDelegate,
    QStyleOptionViewItem,
)

from ...core.model import Font
from ..arrange.fonts.font_jobs import words_job
from ..arrange.fonts.font_rows import FontRow, all_rows
from ..look import theme
from ..shared.session import Session

WIDE, HIGH, GAP = 132, 52, 6
KIND = "start font"
PRIME = 120
"""ms that typing rests before the pictures follow."""


class _Tile(QStyledItemDelegate):
    """The words in the font over its name."""

    def __init__(self, strip: FontStrip) -> None:
        super().__init__(strip)
        self._strip = strip

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(WIDE + GAP, HIGH)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        assert painter is not None
        row: FontRow = index.data(Qt.ItemDataRole.UserRole)
        box = QRectF(option.rect).adjusted(1, 1, -GAP, -1)
        lit = self._strip.family == row.family
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2 if lit else 1))
        painter.setBrush(theme.colour("raised"))
        painter.drawRoundedRect(box, 5, 5)
        image = self._strip.images.get(row.family)
        if image is not None:
            painter.drawImage(QRectF(box.x() + 8, box.y() + 6, WIDE - 18, HIGH - 28), image)
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("text" if lit else "dim"))
        name = painter.fontMetrics().elidedText(
            row.family, Qt.TextElideMode.ElideRight, int(box.width() - 14)
        )
        low = QRectF(box.x() + 8, box.bottom() - 19, box.width() - 12, 16)
        painter.drawText(low, Qt.AlignmentFlag.AlignVCenter, name)


class FontStrip(QListWidget):
    """`changed`: another family was taken, which `font` is."""

    changed = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.worker = session.worker
        self.images: dict[str, QImage] = {}
        self._asked: dict[str, str] = {}
        self._words = ""
        self.family = Font().family
        self.setObjectName("strip")
        self.setAccessibleName("Fonts in your words")
        self.setFlow(QListWidget.Flow.LeftToRight)
        self.setWrapping(False)
        self.setFrameShape(QListWidget.Shape.NoFrame)
        self.setHorizontalScrollMode(QListWidget.ScrollMode.ScrollPerPixel)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setItemDelegate(_Tile(self))
        self.setFixedHeight(HIGH + 16)
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(PRIME)
        self._soon.timeout.connect(self._ask)
        bar = self.horizontalScrollBar()
        assert bar is not None
        bar.valueChanged.connect(lambda _: self._soon.start())
        self.itemClicked.connect(self._take)
        self.itemActivated.connect(self._take)
        self.currentItemChanged.connect(
            lambda item, _: self._take(item) if self.hasFocus() else None
        )
        self.worker.done.connect(self._drawn)

    @property
    def font_taken(self) -> Font | None:
        """The font that was taken; None for that of new words."""
        if self.family == Font().family:
            return None
        rows = (self.item(n).data(Qt.ItemDataRole.UserRole) for n in range(self.count()))  # type: ignore[union-attr]
        return next((row.font for row in rows if row.family == self.family), None)

    def fill(self) -> None:
        """All families; that of new words first."""
        rows = sorted(all_rows(), key=lambda row: row.family != Font().family)
        self.clear()
        for row in rows:
            item = QListWidgetItem()
            item.setData(Qt.ItemDataRole.UserRole, row)
            item.setData(Qt.ItemDataRole.AccessibleTextRole, row.family)
            self.addItem(item)

    def show_words(self, words: str) -> None:
        """Other words; their pictures follow when typing rests."""
        self._words = " ".join(words.split())[:24] or "Words"
        self._soon.start()

    def rest(self) -> None:
        """The page is left."""
        self._soon.stop()
        self.worker.forget(KIND)

    def _ask(self) -> None:
        if not self.isVisible():
            return
        seen = self.viewport().rect()  # type: ignore[union-attr]
        ratio = self.devicePixelRatioF()
        size = round((WIDE - 18) * ratio), round((HIGH - 28) * ratio)
        for number in range(self.count()):
            item = self.item(number)
            if item is None or not self.visualItemRect(item).intersects(seen):
                continue
            row: FontRow = item.data(Qt.ItemDataRole.UserRole)
            if self._asked.get(row.family) != self._words:
                self._asked[row.family] = self._words
                self.worker.ask((KIND, row.family), words_job(self._words, row.font, *size))

    def _drawn(self, key: Any, image: Any) -> None:
        if key[0] == KIND:
            self.images[key[1]] = image
            viewport = self.viewport()
            if viewport is not None:
                viewport.update()

    def _take(self, item: QListWidgetItem | None) -> None:
        if item is not None and item.data(Qt.ItemDataRole.UserRole).family != self.family:
            self.family = item.data(Qt.ItemDataRole.UserRole).family
            self.changed.emit()
            self.scrollToItem(item)
            self.viewport().update()  # type: ignore[union-attr]

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        """The strip goes sideways, whichever way the wheel turns."""
        bar = self.horizontalScrollBar()
        if event is not None and bar is not None:
            by = event.angleDelta().y() or event.angleDelta().x()
            bar.setValue(bar.value() - by)
            event.accept()
