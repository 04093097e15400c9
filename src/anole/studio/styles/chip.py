"""One style on the user's words, as it lies on the shelf."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QContextMenuEvent,
    QEnterEvent,
    QFocusEvent,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QPolygonF,
)
from PyQt6.QtWidgets import QAbstractButton

from ...core.library.styles import StoredStyle
from ..look import theme
from ..look.painting import painting
from ..look.plain import tip
from ..shared.session import aim, ask_menu

CHIP = QSize(148, 84)
PICTURE = QSize(144, 56)
PULLED, EDGE = 6.0, 8.0
"""px from which on a press is a pull; px at a chip's sides that are nothing and all of it."""


class Chip(QAbstractButton):
    """One style on the user's words. `pointed(True)` while it is looked at; pulled across, so much
    of it as lies left of the pointer is mixed in: `mixing(share)`, and `mixed(share)` at the end."""

    pointed = pyqtSignal(bool)
    mixing = pyqtSignal(float)
    mixed = pyqtSignal(float)

    def __init__(self, stored: StoredStyle) -> None:
        super().__init__()
        self.stored = stored
        self.image: QImage | None = None
        self.worn = False
        self.favourite = False
        self.share: float | None = None
        self._pressed: QPointF | None = None
        self.setFixedSize(CHIP)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        origin = "your own style" if stored.own else "built-in style"
        self.setAccessibleName(f"{stored.style.name}, {origin}")
        self.setToolTip(
            tip(
                f"{stored.style.name} ({origin}): hover to look, click to put it on, pull across to mix some of it in"
            )
        )

    def mark(self, favourite: bool) -> None:
        """A favourite, or none."""
        if favourite != self.favourite:
            self.favourite = favourite
            self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            box = QRectF(0.5, 0.5, CHIP.width() - 1, CHIP.height() - 23)
            lit = self.worn or self.hasFocus()
            edge = "leaf" if lit else "dim" if self.underMouse() else "line"
            painter.setPen(QPen(theme.colour(edge), 1.6 if lit else 1))
            painter.setBrush(theme.colour("raised"))
            painter.drawRoundedRect(box, 7, 7)
            if self.image is not None:
                painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
                painter.drawImage(QRectF(2, 3, PICTURE.width(), PICTURE.height()), self.image)
            if self.share is not None:
                _paint_share(painter, box, self.share)
            if self.favourite:
                paint_mark(painter, QPointF(box.right() - 11, box.top() + 11))
            painter.setFont(theme.font(12))
            painter.setPen(theme.colour("text" if self.worn else "dim"))
            words = self.stored.style.name
            if self.share is not None:
                words = f"{round(self.share * 100)} % {words}"
            name = painter.fontMetrics().elidedText(
                words, Qt.TextElideMode.ElideRight, CHIP.width() - 8
            )
            line = QRectF(0, CHIP.height() - 21, CHIP.width(), 18)
            painter.drawText(line, Qt.AlignmentFlag.AlignCenter, name)

    def enterEvent(self, event: QEnterEvent | None) -> None:
        self.pointed.emit(True)
        self.update()

    def leaveEvent(self, event: QEvent | None) -> None:
        self.pointed.emit(False)
        self.update()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and event.button() == Qt.MouseButton.LeftButton:
            self._pressed = event.position()
        super().mousePressEvent(event)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._pressed is None:
            return
        if self.share is None and abs(event.position().x() - self._pressed.x()) < PULLED:
            return
        share = (event.position().x() - EDGE) / (CHIP.width() - 2 * EDGE)
        self._show_share(round(min(max(share, 0.0), 1.0), 2))

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        share, self._pressed = self.share, None
        if share is None:
            super().mouseReleaseEvent(event)
            return
        self.setDown(False)
        self.share = None
        self.update()
        self.mixed.emit(share)

    def _show_share(self, share: float) -> None:
        self.share = share
        self.update()
        self.mixing.emit(share)

    @property
    def stored_style(self) -> StoredStyle:
        """For commands on styles."""
        return self.stored

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        if event is not None:
            ask_menu(self, "style", event.globalPos())

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.click()
        elif event is not None and event.key() == Qt.Key.Key_Escape:
            self.share = self._pressed = None
            self.update()
            self.pointed.emit(False)
        else:
            super().keyPressEvent(event)

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        aim(self)
        by_key = (Qt.FocusReason.TabFocusReason, Qt.FocusReason.BacktabFocusReason)
        if event is not None and event.reason() in by_key:
            self.pointed.emit(True)
        super().focusInEvent(event)

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        self.pointed.emit(False)
        super().focusOutEvent(event)


def paint_mark(painter: QPainter, at: QPointF) -> None:
    """The mark of a favourite: a ribbon tied to the picture's corner."""
    ribbon = QPolygonF([at + QPointF(*p) for p in ((-4, -7), (4, -7), (4, 7), (0, 3), (-4, 7))])
    painter.setPen(QPen(theme.colour("desk"), 1.2))
    painter.setBrush(theme.colour("leaf"))
    painter.drawPolygon(ribbon)


def _paint_share(painter: QPainter, box: QRectF, share: float) -> None:
    """How much of the style is mixed in: what is not is veiled."""
    left = box.left() + box.width() * share
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(theme.colour("desk", 0.72))
    painter.drawRect(QRectF(left, box.top() + 1, box.right() - left - 1, box.height() - 2))
    painter.setPen(QPen(theme.colour("leaf"), 2))
    painter.drawLine(QPointF(left, box.top() + 1), QPointF(left, box.bottom() - 1))
