"""Little pictures in rows, chosen and taken out by pointer or key."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QContextMenuEvent, QFocusEvent, QHelpEvent, QKeyEvent, QMouseEvent
from PyQt6.QtWidgets import QSizePolicy, QToolTip, QWidget

from ...shared.session import aim, ask_menu


class Cells(QWidget):
    """`chosen(given(n))`, `dropped(taken_out(n))`; who builds on it draws cell n in box(n)."""

    chosen = pyqtSignal(object)
    dropped = pyqtSignal(object)
    pointed = pyqtSignal(object)
    left = pyqtSignal()

    def __init__(self, name: str) -> None:
        super().__init__()
        self.index = 0
        self.setAccessibleName(name)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self._pointed: int | None = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def count(self) -> int:
        """How many cells there are."""
        raise AssertionError(type(self).__name__)

    def box(self, number: int) -> QRectF:
        """Where a cell lies, in px."""
        raise AssertionError(type(self).__name__)

    def caption(self, number: int) -> str:
        """What its tip says."""
        raise AssertionError(type(self).__name__)

    def given(self, number: int) -> object:
        """What is told when it is chosen."""
        raise AssertionError(type(self).__name__)

    def taken_out(self, number: int) -> object:
        """What is told when it is taken out."""
        raise AssertionError(type(self).__name__)

    def stepped(self, key: Qt.Key) -> int | None:
        """The cell an arrow key leads to; None for other keys."""
        raise AssertionError(type(self).__name__)

    def at(self, point: QPointF) -> int | None:
        """The cell at a point; None beside all."""
        return next((n for n in range(self.count()) if self.box(n).contains(point)), None)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        number = self.at(event.position()) if event is not None else None
        if number is not None and event is not None and event.button() == Qt.MouseButton.LeftButton:
            self.index = number
            self.chosen.emit(self.given(number))

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        number = self.at(event.position()) if event is not None else None
        if number != self._pointed:
            self._pointed = number
            self.left.emit() if number is None else self.pointed.emit(self.given(number))

    def leaveEvent(self, event: QEvent | None) -> None:
        self._pointed = None
        self.left.emit()

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        number = self.at(QPointF(event.pos())) if event is not None else None
        if number is not None and event is not None:
            self.index = number
            self.update()
            ask_menu(self, "swatch", event.globalPos())

    # what the menu does

    @property
    def can_delete_swatch(self) -> bool:
        """Whether the pointed one may go; built-in ones stay."""
        return self.index < self.count()

    def use_swatch(self) -> None:
        """Choose the cell that has the focus."""
        if self.index < self.count():
            self.chosen.emit(self.given(self.index))

    def delete_swatch(self) -> None:
        """Take that one out."""
        if self.can_delete_swatch:
            self.dropped.emit(self.taken_out(self.index))

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        aim(self)
        super().focusInEvent(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        place = self.stepped(Qt.Key(event.key())) if self.count() else None
        if not self.count():
            super().keyPressEvent(event)
        elif place is not None:
            self.index = place
            self.update()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Space):
            self.use_swatch()
        elif event.key() == Qt.Key.Key_Delete:
            self.delete_swatch()
        else:
            super().keyPressEvent(event)

    def event(self, event: QEvent | None) -> bool:
        if isinstance(event, QHelpEvent):
            number = self.at(QPointF(event.pos()))
            words = self.caption(number) if number is not None else ""
            QToolTip.showText(event.globalPos(), words)
            return True
        return super().event(event)
