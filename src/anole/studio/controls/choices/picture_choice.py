"""Picture choice: what is better seen than read, chosen from small pictures of the user's words."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from typing import Any

import msgspec
from PyQt6.QtGui import QImage, QPaintEvent
from PyQt6.QtWidgets import QPushButton

from ....core.coats.kinds.fill import plain
from ....core.coats.registry import kind_of
from ....core.model import Board, Coat, Coated, Colour, Ink, Pattern
from ....core.model.nesting import path_to
from ....core.pieces.registry import is_ground
from ...look.plain import tip
from ...rendering.samples import sample, words_of
from ...shared.session import Session, session_of
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.layouts import row
from ..base.table import CONTROLS, options_of
from ..base.trying import Trying
from .combo_box import paint_chevron
from .picture_grid import PICTURE, PictureGrid, PictureSheet

MOST_LETTERS, LETTERS_ALONE = 6, 2
BASE = plain(Colour(214, 208, 196), "base")
"""Beneath a coat by itself: what it paints may be clear in parts."""
DARK = Colour(70, 62, 84)
_NUMBERS = itertools.count()


def _strong(coat: Coat) -> Coat:
    """The coat with the inks of its pattern as strong as they go, and dark where they are taken
    from the picture: a faint pattern shows no form."""
    paint = kind_of(coat).held(coat)
    if not isinstance(paint, Pattern):
        return coat
    most = max((ink.colour.a for ink in paint.inks if ink.colour), default=0)
    inks = tuple(
        Ink(ink.colour.with_alpha(ink.colour.a / max(most, 1)) if ink.colour else DARK)
        for ink in paint.inks
    )
    return msgspec.structs.replace(coat, paint=msgspec.structs.replace(paint, inks=inks, tone=()))


class ChoiceButton(QPushButton):
    """What is chosen, by name, with the mark of something that unfolds."""

    def __init__(self) -> None:
        super().__init__()
        self.setStyleSheet("text-align: left;")

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        paint_chevron(self)


class PictureChoice(Control):
    """The sheet is made when it is first wanted; its pictures each time. `alone`: they show the
    chosen coat by itself, and large."""

    def __init__(
        self,
        title: str,
        options: Sequence[str],
        about: str = "",
        words: Mapping[str, str] | None = None,
        alone: bool = False,
    ) -> None:
        super().__init__()
        self._alone = alone
        self._value = options[0]
        self._options, self._words = list(options), dict(words or {})
        self._number = next(_NUMBERS)
        self._trying = Trying(self)
        self._title = title
        self._connected = False
        self.sheet: PictureSheet | None = None
        self.button = ChoiceButton()
        self.button.setAccessibleName(title)
        self.setToolTip(about)
        self.setLayout(row(FieldLabel(title), self.button, stretch=1))
        self.button.clicked.connect(self.unfold)

    def value(self) -> Any:
        return self._value

    def set_value(self, value: Any) -> None:
        self._value = value
        word = self._words.get(value, value)
        self.button.setText(word)
        self.button.setToolTip(tip(f"{word} ({value})" if word != value else word))

    def unfold(self) -> None:
        """Show the pictures."""
        session = session_of(self)
        if session is None:
            return
        if self.sheet is None:
            grid = PictureGrid(self._options, self._words)
            grid.setAccessibleName(f"{self._title}: arrows look, Enter takes, Esc leaves")
            self.sheet = PictureSheet(grid, self)
            grid.pointed.connect(self._trying.look)
            grid.taken.connect(self._take)
            self.sheet.folded.connect(self._trying.leave)
        if not self._connected:
            self._connected = True
            session.worker.drawn.connect(self._drawn)
        self._ask(session)
        self.sheet.unfold(self.button, self._value)

    def _take(self, option: str) -> None:
        assert self.sheet is not None
        self.sheet.hide()
        if option != self._value:
            self.set_value(option)
            self.edited.emit(option, None)

    # pictures

    def _ask(self, session: Session) -> None:
        """Each option on the chosen piece, small."""
        ratio = self.devicePixelRatioF()
        for option in self._options:
            board = self._trying.board(option) or session.document.board
            key = ("option", self._number, option)
            small = self._sample(board, session)
            if small is None:
                scale = min(PICTURE.width() / board.width, PICTURE.height() / board.height)
                session.worker.ask_small(key, board, scale * ratio, True)
            else:
                session.worker.ask_small(key, small, ratio, True)

    def _sample(self, board: Board, session: Session) -> Board | None:
        """The chosen piece alone, small; None where it wears no style."""
        path = path_to(board.pieces, session.selection.piece_id or "")
        piece = path[-1] if path else None
        if not isinstance(piece, Coated):
            return None
        coat = next((c for c in piece.style if c.id == session.selection.coat_id), None)
        size, words = (PICTURE.width(), PICTURE.height()), words_of(piece)
        if self._alone and coat is not None:
            shown = _strong(msgspec.structs.replace(coat, opacity=1.0, blend="normal", on=True))
            return sample(piece, (BASE, shown), words[:LETTERS_ALONE], *size, board)
        small = sample(piece, piece.style, words[:MOST_LETTERS], *size, board)
        # a blend is seen only where something lies beneath
        grounds = tuple(p for p in board.pieces if is_ground(p) and p.shown)
        return msgspec.structs.replace(small, pieces=(*grounds, *small.pieces))

    def _drawn(self, key: Any, image: QImage) -> None:
        if self.sheet is not None and key[:2] == ("option", self._number):
            self.sheet.grid.images[key[2]] = image
            self.sheet.grid.update()


CONTROLS.add(
    "pictures",
    lambda info: PictureChoice(
        info.title,
        options_of(info),
        info.about,
        info.extra.get("words"),
        info.extra.get("alone", False),
    ),
)
