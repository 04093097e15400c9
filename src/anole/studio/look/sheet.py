"""A sheet over the window: light work beside the board, gone with Esc or a click beside it."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtGui import QColor, QKeyEvent, QMouseEvent, QPaintEvent
from PyQt6.QtWidgets import QFrame, QVBoxLayout, QWidget

from ..runtime.lifetimes import Remembered
from .painting import painting

VEIL = 70


class Sheet(QWidget):
    """Covers its window with a veil; what it shows stands in `frame`."""

    def __init__(self, window: QWidget) -> None:
        super().__init__(window)
        self._before: Remembered[QWidget] = Remembered()
        self.frame = QFrame(self)
        self.frame.setObjectName("sheet")
        self.column = QVBoxLayout(self.frame)
        self.column.setContentsMargins(18, 16, 18, 16)
        self.column.setSpacing(10)
        self.hide()
        window.installEventFilter(self)

    def unfold(self) -> None:
        """Show it over the whole window."""
        window = self.parentWidget()
        assert window is not None
        self._before = Remembered(window.focusWidget())
        self.setGeometry(window.rect())
        self.place()
        self.show()
        self.raise_()

    def fold(self) -> None:
        """Take it away; who had the focus gets it back."""
        if self.isVisible():
            self.hide()
            before = self._before.get()
            if before is not None and before.isVisible():
                before.setFocus()

    def place(self) -> None:
        """Where the frame stands: in the middle, as large as it wants."""
        size = self.frame.sizeHint().boundedTo(self.size())
        self.frame.setGeometry(
            (self.width() - size.width()) // 2,
            max((self.height() - size.height()) // 2, 0),
            size.width(),
            size.height(),
        )

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if event is not None and event.type() == QEvent.Type.Resize and self.isVisible():
            window = self.parentWidget()
            assert window is not None
            self.setGeometry(window.rect())
            self.place()
        return False

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.fillRect(self.rect(), QColor(0, 0, 0, VEIL))

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and not self.frame.geometry().contains(event.position().toPoint()):
            self.fold()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Escape:
            self.fold()
