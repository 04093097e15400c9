"""The words themselves, their letters, and their font."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtWidgets import QWidget

from ...core.model import Lettering
from ..controls.base.control import Context
from ..controls.base.words_field import WordsField
from ..shared.session import Session
from .fonts.font_details import FontDetails
from .fonts.font_picker import FontPicker
from .letters_panel import LettersPanel
from .section import SECTIONS, Section


class WordsSection(Section):
    """The chosen words, their font, and how their lines are set."""

    def __init__(self, session: Session, struct: type[msgspec.Struct]) -> None:
        super().__init__(session)
        self._typing: object = object()
        self.words = WordsField()
        self.words.setAccessibleName("Words")
        self.words.setPlaceholderText("Type the words")
        self.words.setFixedHeight(66)
        self.words.setTabChangesFocus(True)
        self.letters = LettersPanel(session)
        self.fonts = FontPicker(session)
        self.fonts.setFixedHeight(264)
        self.details = FontDetails()
        for part in (self.words, self.letters, self.fonts, self.details):
            self.column.addWidget(part)
        self.words.textChanged.connect(self._typed)
        self.words.said.connect(session.document.said)
        self.details.edited.connect(lambda font, t: self.apply("Font", t, font=font))
        self.selection.changed.connect(self._other)

    def _other(self) -> None:
        """What is typed into other words is another step."""
        self._typing = object()

    def show_piece(self, piece: Any, context: Context) -> None:
        assert isinstance(piece, Lettering)
        self.details.show_piece(piece)
        if self.words.toPlainText() != piece.text:
            self.words.blockSignals(True)
            self.words.setPlainText(piece.text)
            self.words.blockSignals(False)

    def control(self, name: str) -> QWidget | None:
        if name.startswith("font."):
            self.details.unfold(True)
            return self.details
        return {"text": self.words, "font": self.fonts}.get(name)

    def fonts_came(self) -> None:
        self.fonts.fonts_came()

    def dress(self) -> None:
        self.fonts.dress()

    def edit_words(self) -> None:
        self.words.setFocus()
        self.words.selectAll()

    def _typed(self) -> None:
        self.apply("Type", self._typing, text=self.words.toPlainText())


SECTIONS.add("words", WordsSection)
