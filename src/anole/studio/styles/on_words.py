"""What styles are shown on: the chosen words where they stand on their board, near enough to judge."""

from __future__ import annotations

import functools
from typing import Any, NamedTuple

from ...core.edit.titles import add_title
from ...core.library.styles import digest
from ...core.model import Board, Style
from ...core.pieces.registry import coated_kind
from ..commands.dressing import dressed_board
from ..documents.board_files import new_board
from ..rendering.worker import Area
from ..shared.session import Session

ROUND = 0.45
"""em round the words that is shown of the board, for their strokes, glows and shadows."""
ASPECT = 16 / 9
EXAMPLE, SIZE = "Your words", (1280, 720)


class OnWords(NamedTuple):
    """A board, the piece on it that is dressed, and the area of it that is shown, board px."""

    board: Board
    piece_id: str
    area: Area

    @property
    def aspect(self) -> float:
        """Width over height of what is shown."""
        x0, y0, x1, y1 = self.area
        return (x1 - x0) / (y1 - y0)

    @property
    def value(self) -> Any:
        """What pictures of it depend on."""
        return self.board, self.piece_id

    def dressed(self, style: Style, whose: str = "style") -> Board:
        """The board with a style on the piece, in any thread."""
        return dressed_board(self.board, self.piece_id, style, whose)


def on_words(session: Session) -> OnWords:
    """The chosen piece on its board; where none is chosen that wears a style, an example."""
    board, piece = session.document.board, session.selection.coated
    if piece is None:
        board, chosen = _example()
    else:
        chosen = piece.id
    return OnWords(board, chosen, area_round(board, chosen))


@functools.cache
def _example() -> tuple[Board, str]:
    plain = Style(name="", coats=())
    return add_title(new_board(*SIZE), EXAMPLE, plain, digest(()))


def area_round(board: Board, piece_id: str) -> Area:
    """The part of a board that a piece fills, in the shape of a thumbnail, and within the board as
    far as the board is large enough."""
    piece = board.coated(piece_id)
    kind = coated_kind(piece)
    x0, y0, x1, y1 = kind.extent(piece, board)
    room = ROUND * kind.placement(piece, board.dpi).em
    wide, high = x1 - x0 + 2 * room, y1 - y0 + 2 * room
    wide, high = max(wide, high * ASPECT), max(high, wide / ASPECT)
    if wide >= board.width or high >= board.height:
        return (0.0, 0.0, float(board.width), float(board.height))
    left = min(max((x0 + x1 - wide) / 2, 0.0), board.width - wide)
    top = min(max((y0 + y1 - high) / 2, 0.0), board.height - high)
    return (left, top, left + wide, top + high)
