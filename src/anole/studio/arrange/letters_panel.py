"""The letters chosen on the board: their own colour, baseline, turn and growth."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QPushButton, QVBoxLayout, QWidget

from ...core.edit.words import change_letters, free_letters
from ...core.lettering.shaping import drawable
from ...core.model import Colour, OwnLetter
from ...core.paint.frames import WHITE
from ..controls.base.fields import FieldPanel
from ..controls.colours.colour import ColourControl
from ..look.plain import Label
from ..shared.session import Session


class LettersPanel(QWidget):
    """Colour, baseline, turn and size of the letters that are chosen."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.document, self.selection = session.document, session.selection
        self.head = Label()
        self.head.setObjectName("group")
        self.fields = FieldPanel(OwnLetter)
        self.colour = ColourControl("Colour of the letters")
        self.free = QPushButton("Like the others")
        self.free.setToolTip("Take from these letters what they have for themselves")
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        for part in (self.head, self.fields, self.colour, self.free):
            column.addWidget(part)
        self.fields.edited.connect(lambda name, v, t: self._change(t, **{name: v}))
        self.colour.edited.connect(lambda colour, t: self._change(t, colour=colour))
        self.free.clicked.connect(self._free)
        self.selection.letters_changed.connect(self.show_letters)
        self.document.settled.connect(self.show_letters)
        self.show_letters()

    @property
    def places(self) -> list[int]:
        """Places of the chosen letters in the text; blanks are left out."""
        letters = self.selection.letters
        if letters is None:
            return []
        text = self._text
        return [at for at in range(*letters) if at < len(text) and not text[at].isspace()]

    @property
    def _text(self) -> str:
        piece = self.selection.lettering
        return drawable(piece.text) if piece is not None else ""

    def show_letters(self) -> None:
        """Show what the chosen letters have; hidden when none is chosen."""
        places, piece = self.places, self.selection.lettering
        self.setVisible(bool(places) and piece is not None)
        if not places or piece is None:
            return
        text = self._text
        shown = "".join(text[at] for at in places)[:16]
        self.head.setText(f"Letters chosen: {shown}")
        letters = piece.letters
        first = (letters.own_of(places[0]) if letters else None) or OwnLetter(at=places[0])
        self.fields.show_struct(first)
        self.colour.set_value(first.colour or self._turn_colour())

    def _turn_colour(self) -> Colour:
        letters = self.selection.lettering.letters if self.selection.lettering else None
        return letters.colours[0] if letters and letters.colours else WHITE

    def _change(self, token: object | None, **fields: Any) -> None:
        piece, places = self.selection.piece_id, self.places
        if piece is not None and places:
            self.document.apply(
                "Letters", lambda b: change_letters(b, piece, places, **fields), token
            )

    def _free(self) -> None:
        piece, places = self.selection.piece_id, self.places
        if piece is not None and places:
            self.document.apply("Letters", lambda b: free_letters(b, piece, places))
