"""Text that may come from a file, shown as it is and never as markup."""

from __future__ import annotations

import html

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QLabel, QWidget


class Label(QLabel):
    """A label of plain text; Qt's own guesses whether it is markup."""

    def __init__(self, text: str = "", parent: QWidget | None = None) -> None:
        super().__init__(text, parent)
        self.setTextFormat(Qt.TextFormat.PlainText)


def tip(text: str) -> str:
    """The text as a tooltip, which Qt would take for markup where it looks like some."""
    return f"<qt>{html.escape(text)}</qt>" if "<" in text or "&" in text else text
