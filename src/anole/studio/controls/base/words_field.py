"""A field for words; what is pasted into it is cut to what a title can hold."""

from __future__ import annotations

from PyQt6.QtCore import QMimeData, pyqtSignal
from PyQt6.QtWidgets import QPlainTextEdit

from ...exchange.pasted_words import cut


class WordsField(QPlainTextEdit):
    """`said(str)`: what was pasted is too long, and was cut."""

    said = pyqtSignal(str)

    def insertFromMimeData(self, source: QMimeData | None) -> None:
        if source is None or not source.hasText():
            return
        chosen = len(self.textCursor().selectedText())
        text, told = cut(source.text(), len(self.toPlainText()) - chosen)
        self.insertPlainText(text)
        if told:
            self.said.emit(told)
