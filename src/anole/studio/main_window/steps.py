"""Every undo step by name with a miniature; click to go there."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtGui import QIcon, QImage, QPixmap
from PyQt6.QtWidgets import QFrame, QListWidget, QListWidgetItem, QVBoxLayout, QWidget

from ..look.plain import Label
from ..shared.session import Session

MINI = QSize(96, 54)
MOST_SHOWN = 60


class Steps(QFrame):
    """The steps of the work, to go back to."""

    def __init__(self, session: Session, window: QWidget) -> None:
        super().__init__(window, Qt.WindowType.Popup)
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.setObjectName("panel")
        self.setFixedSize(300, 420)
        self.list = QListWidget()
        self.list.setAccessibleName("History, newest step first")
        self.list.setIconSize(MINI)
        self.list.setFrameShape(QListWidget.Shape.NoFrame)
        head = Label("History")
        head.setObjectName("head")
        column = QVBoxLayout(self)
        column.setContentsMargins(12, 10, 12, 12)
        column.addWidget(head)
        column.addWidget(self.list)
        self.list.itemClicked.connect(self._go)
        self.list.itemActivated.connect(self._go)
        self.worker.drawn.connect(self._take)

    def fill(self) -> None:
        """The newest steps, the one that holds chosen."""
        history = self.document.history
        self.list.clear()
        for number in reversed(range(len(history.steps))):
            if len(history.steps) - number > MOST_SHOWN:
                break
            step = history.steps[number]
            item = QListWidgetItem(step.name)
            item.setData(Qt.ItemDataRole.UserRole, number)
            blank = QPixmap(MINI)
            blank.fill(Qt.GlobalColor.transparent)
            item.setIcon(QIcon(blank))
            self.list.addItem(item)
            if number == history.at:
                self.list.setCurrentItem(item)
            scale = min(MINI.width() / step.board.width, MINI.height() / step.board.height)
            self.worker.ask_small(("step", number), step.board, scale, grounds=True)

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] != "step" or not self.isVisible():
            return
        for row in range(self.list.count()):
            item = self.list.item(row)
            if item is not None and item.data(Qt.ItemDataRole.UserRole) == key[1]:
                item.setIcon(QIcon(QPixmap.fromImage(image)))

    def _go(self, item: QListWidgetItem) -> None:
        self.document.go(item.data(Qt.ItemDataRole.UserRole))
        self.hide()
