"""The name of a field at its left: all of one width, long ones in two lines."""

from __future__ import annotations

from ...look.plain import Label

LABEL = 76


class FieldLabel(Label):
    """A field's name, in at most two lines."""

    def __init__(self, text: str) -> None:
        super().__init__(text)
        self.setFixedWidth(LABEL)
        self.setWordWrap(True)
