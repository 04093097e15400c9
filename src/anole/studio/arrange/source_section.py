"""The file that a piece is made from: which of the board's, or one more."""

from __future__ import annotations

from typing import Any

import msgspec

from ..controls.base.control import Context
from ..controls.choices.asset_choice import AssetChoice
from ..shared.session import Session
from .section import SECTIONS, Section


class SourceSection(Section):
    """The file of the chosen picture or emblem."""

    def __init__(self, session: Session, struct: type[msgspec.Struct]) -> None:
        super().__init__(session)
        self.choice = AssetChoice("File")
        self.column.addWidget(self.choice)
        self.choice.edited.connect(lambda sha, token: self.apply("File", token, asset=sha))

    def show_piece(self, piece: Any, context: Context) -> None:
        self.choice.set_value(piece.asset)


SECTIONS.add("source", SourceSection)
