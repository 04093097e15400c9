"""A field for words; what is pasted into it is cut to what a title can hold."""

from __future__ import annotations

from PyQt6.QtCore import QMimeData, Qt, pyqtSignal
from PyQt6.QtGui import QMouseEvent
from PyQt6.QtWidgets import QApplication, QPlainTextEdit

from ...exchange.pasted_words import cut


class WordsField(QPlainTextEdit):
    """`said(str)`: what was pasted is too long, and was cut."""

    said = pyqtSignal(str)

    def mouseMoveEvent(self, e: QMouseEvent | None) -> None:
        # its own timer, which scrolls while letters are marked, may still tell of a held button that
        # is up: chosen words would be dragged along until the next click then
        if QApplication.mouseButtons() & Qt.MouseButton.LeftButton:
            super().mouseMoveEvent(e)

    def insertFromMimeData(self, source: QMimeData | None) -> None:
        if source is None or not source.hasText():
            return
        chosen = len(self.textCursor().selectedText())
        text, told = cut(source.text(), len(self.toPlainText()) - chosen)
        self.insertPlainText(text)
        if told:
            self.said.emit(told)
