"""The bar at the foot: what happened, what went wrong, and long work with its Cancel."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QProgressBar, QPushButton, QWidget


class FootBar(QWidget):
    cancelled = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("bar")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.text, self.progress = QLabel(), QProgressBar()
        self.text.setTextFormat(Qt.TextFormat.PlainText)
        self.text.setWordWrap(True)
        self.text.setAccessibleName("Message")
        self.progress.setFixedWidth(220)
        self.progress.setRange(0, 1000)
        self.stop, self.shut = QPushButton("Cancel"), QPushButton("Close")
        row = QHBoxLayout(self)
        row.setContentsMargins(16, 5, 14, 5)
        row.addWidget(self.text, 1)
        for part in (self.progress, self.stop, self.shut):
            row.addWidget(part)
        self.stop.clicked.connect(self.cancelled)
        self.shut.clicked.connect(self.hide)
        self.hide()

    def say(self, message: str) -> None:
        self.text.setText(message)
        self.progress.hide()
        self.stop.hide()
        self.shut.show()
        self.show()

    def show_progress(self, message: str, share: float, can_cancel: bool = True) -> None:
        self.text.setText(message)
        self.progress.setValue(round(share * 1000))
        self.progress.show()
        self.stop.setVisible(can_cancel)
        self.shut.hide()
        self.show()
