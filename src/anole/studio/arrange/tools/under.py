"""Which pieces lie under a point of the board."""

from __future__ import annotations

from collections.abc import Iterable

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPolygonF

from ....core.model import Board, Cluster, Piece, Placed
from ....core.model.nesting import every
from ....core.pieces.registry import kind_of, placement


def box_of(piece: Placed, board: Board) -> QPolygonF:
    """The corners of a piece's box, board px."""
    return QPolygonF([QPointF(*corner) for corner in placement(piece, board).quad])


def _lie_under(pieces: Iterable[Piece], board: Board, point: QPointF) -> list[Placed]:
    """Those that can be taken hold of, topmost first."""
    return [
        piece
        for piece in reversed(list(pieces))
        if isinstance(piece, Placed)
        and piece.shown
        and kind_of(piece).has_content(piece)
        and box_of(piece, board).containsPoint(point, Qt.FillRule.WindingFill)
    ]


def under(board: Board, point: QPointF, holder: Piece | None) -> list[Placed]:
    """The pieces of an open cluster, then the board's own."""
    inner = holder.pieces if isinstance(holder, Cluster) else ()
    return [*_lie_under(inner, board, point), *_lie_under(board.pieces, board, point)]


def below(board: Board, point: QPointF) -> list[Placed]:
    """All of them, those that clusters hold too."""
    return _lie_under(every(board.pieces), board, point)
