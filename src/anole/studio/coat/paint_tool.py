"""The chosen coat's paint, or a piece's own, moved, turned and sized by handles on the board."""

from __future__ import annotations

import math
from typing import Any, NamedTuple

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter

from ...core.coats.registry import kind_of as coat_kind
from ...core.edit.coats import change_coat
from ...core.edit.pieces import change_piece
from ...core.model import Board, Placed
from ...core.paint.frames import FrameBox
from ...core.paint.handles import Laying, PaintHandle
from ...core.paint.source import handles, over_board, pulled
from ...core.pieces.registry import kind_of, placement
from ..board.board_tool import BoardTool
from ..board.canvas import Canvas
from ..look.view_transform import ViewTransform
from .ink_box import ink_box
from .paint_marks import ENDS, WORDS, paint_grips

REACH = 9.0
APART = 36.0
"""Widget px between the two marks at least."""


class Held(NamedTuple):
    """A paint, and what it is laid over."""

    paint: Any
    laid: Laying


class PaintTool(BoardTool):
    """In Coat it holds the chosen coat's paint, in Arrange the chosen piece's own."""

    def __init__(self, view: Canvas, pieces: bool = False) -> None:
        super().__init__(view)
        self._pieces = pieces
        self._grip: PaintHandle | None = None
        self._start: Held | None = None
        self._token: object | None = None
        self._pulled_by = 1.0
        self._first = QPointF()

    def held(self) -> Held | None:
        """What has a paint with handles now."""
        return self._of_piece() if self._pieces else self._of_coat()

    @property
    def _board_box(self) -> FrameBox:
        board = self.document.board
        return (0.0, 0.0, float(board.width), float(board.height))

    def _of_piece(self) -> Held | None:
        piece = self.selection.piece
        if piece is None or piece.locked:
            return None
        paint = kind_of(piece).paint(piece)
        if paint is None:
            return None
        board = self.document.board
        if isinstance(piece, Placed):
            placed = placement(piece, board)
            return Held(paint, Laying(placed.extent, placed.em, board.dpi))
        return Held(paint, Laying(self._board_box, float(board.height), board.dpi))

    def _of_coat(self) -> Held | None:
        piece, coat, board = self.selection.coated, self.selection.coat, self.document.board
        if piece is None or coat is None or piece.locked:
            return None
        paint = coat_kind(coat).held(coat)
        if paint is None:
            return None
        frame = self._board_box if over_board(paint) else ink_box(piece, board.dpi)
        return Held(paint, Laying(frame, placement(piece, board).em, board.dpi))

    def _marks(self) -> tuple[list[tuple[PaintHandle, QPointF]], float]:
        """The grips where they are held, and by how much the second stands farther out than it
        means: where two marks would lie on each other."""
        held = self.held()
        if held is None:
            return [], 1.0
        now = self.view.transform_now()
        there = handles(held.paint, held.laid)
        placed = [(grip, now.to_widget(grip.x, grip.y)) for grip in there]
        if len(placed) < 2:
            return placed, 1.0
        (_, first), (last_grip, last) = placed
        way = last - first
        length = math.hypot(way.x(), way.y())
        if length < APART:
            unit = way / length if length > 1e-6 else QPointF(1, 0)
            placed[1] = (last_grip, first + unit * APART)
        return placed, max(APART / max(length, 1e-6), 1.0)

    def _grips(self) -> list[tuple[PaintHandle, QPointF]]:
        return self._marks()[0]

    def _hit(self, at: QPointF) -> PaintHandle | None:
        near = [
            ((spot - at).manhattanLength(), n, grip) for n, (grip, spot) in enumerate(self._grips())
        ]
        best = min(near, default=None)
        return best[2] if best is not None and best[0] <= REACH * 1.4 else None

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        held_grips = self._grips()
        if not held_grips:
            return
        paint_grips(painter, held_grips)

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        grip = self._hit(at)
        return (Qt.CursorShape.SizeAllCursor, WORDS[grip.kind]) if grip is not None else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._grip, self._start, self._token = self._hit(at), self.held(), object()
        placed, self._pulled_by = self._marks()
        if placed:
            self._first = placed[0][1]
        return self._grip is not None

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        if self._grip is None or self._start is None:
            return
        if self._grip.kind in ENDS:
            at = self._first + (at - self._first) / self._pulled_by
        x, y = self.view.transform_now().to_board(at)
        made = pulled(self._start.paint, self._start.laid, self._grip.kind, x, y)
        piece, coat = self.selection.piece_id, self.selection.coat_id

        def change(board: Board) -> Board:
            if self._pieces:
                return change_piece(board, piece or "", paint=made)
            return change_coat(board, piece or "", coat or "", paint=made)

        self.document.apply("Move the paint", change, self._token)

    def release(self) -> None:
        self._grip = self._start = self._token = None
