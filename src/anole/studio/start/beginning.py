"""What a board begins with: its size, its ground, its words in a font and a style."""

from __future__ import annotations

import functools
from typing import Any, NamedTuple

from ...core.edit.pictures import carry_picture
from ...core.edit.pieces import change_piece
from ...core.edit.titles import add_title
from ...core.edit.wearing import put_style
from ...core.model import Asset, Board, Colour, ColourPaint, Font, ImagePaint, Paint, Style
from ...core.pieces.registry import is_ground
from ..documents.board_files import new_board
from ..documents.purposes import Purpose

PLAIN = Style(name="", coats=())


class Beginning(NamedTuple):
    """`ground`: a colour, or a picture that is carried along; None for the one that new boards have.
    `font`: None for the one that new words have."""

    purpose: Purpose
    ground: Colour | Asset | None = None
    font: Font | None = None

    @property
    def paint(self) -> Paint | None:
        """What its ground is painted with."""
        if isinstance(self.ground, Colour):
            return ColourPaint(colour=self.ground)
        return ImagePaint(asset=self.ground.sha, frame="board") if self.ground else None

    @property
    def fields(self) -> dict[str, Any]:
        """What its words have of their own."""
        return {} if self.font is None else {"font": self.font}


def on_ground(board: Board, start: Beginning) -> Board:
    """A new board with the ground it begins with."""
    paint = start.paint
    if isinstance(start.ground, Asset):
        board = carry_picture(board, start.ground)
    for piece in board.pieces if paint is not None else ():
        if is_ground(piece):
            board = change_piece(board, piece.id, paint=paint)
    return board


@functools.lru_cache(8)
def _titled(text: str, start: Beginning) -> tuple[Board, str]:
    """A board with words that wear nothing yet."""
    purpose = start.purpose
    board = on_ground(new_board(purpose.width, purpose.height, purpose.dpi), start)
    return add_title(board, text, PLAIN, **start.fields)


def dressed_board(text: str, start: Beginning, style: Style) -> Board:
    """The board that a click on a style opens."""
    board, fresh = _titled(text, start)
    return put_style(board, fresh, style)
