"""A picture moved within its frame, by a four-way mark in its own middle."""

from __future__ import annotations

import math

import numpy as np
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter

from ....core.edit.pieces import change_piece
from ....core.model import Picture
from ....core.paint.pictures import size_of
from ....core.pieces.placing.picture_frame import PictureFrame, frame_of
from ....core.pieces.registry import kind_of
from ...board.board_tool import BoardTool
from ...board.canvas import Canvas
from ...look.four_ways import paint_four_ways
from ...look.view_transform import ViewTransform

REACH = 11.0
MOST = 10.0


class PictureTool(BoardTool):
    """Works while a picture is chosen that its frame cuts, or that leaves room in it."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._start: Picture | None = None
        self._from = QPointF()
        self._token: object | None = None

    @property
    def piece(self) -> Picture | None:
        """The chosen picture, where it can be changed."""
        piece = self.selection.piece
        if not isinstance(piece, Picture) or piece.locked or not piece.shown:
            return None
        return piece if kind_of(piece).has_content(piece) and piece.fit != "stretch" else None

    def frame(self, piece: Picture) -> PictureFrame:
        """How the picture lies within its piece."""
        return frame_of(piece, self.document.board.dpi, size_of(piece.asset) or (1, 1))

    def mark(self, now: ViewTransform) -> QPointF | None:
        """The picture's own middle, widget px."""
        piece = self.piece
        if piece is None:
            return None
        frame = self.frame(piece)
        x0, y0, x1, y1 = frame.content
        middle = frame.placement.on_board(np.array([[(x0 + x1) / 2, (y0 + y1) / 2]]))[0]
        return now.to_widget(*middle)

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        spot = self.mark(now)
        if spot is not None:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            paint_four_ways(painter, spot)

    def _hit(self, at: QPointF) -> bool:
        spot = self.mark(self.view.transform_now())
        return spot is not None and math.hypot(spot.x() - at.x(), spot.y() - at.y()) <= REACH

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        hint = "Drag: moves the picture within its frame"
        return (Qt.CursorShape.SizeAllCursor, hint) if self._hit(at) else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._start = self.piece if self._hit(at) else None
        self._from, self._token = at, object()
        return self._start is not None

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        start = self._start
        if start is None:
            return
        frame, now = self.frame(start), self.view.transform_now()
        # how the frame's own directions lie on the board, so that a turned one is followed too
        linear = np.linalg.pinv(frame.placement.matrix[:, :2])
        by = linear @ (np.array(now.to_board(at)) - now.to_board(self._from))
        x0, y0, x1, y1 = frame.placement.box
        fields = {
            "shift_x": start.shift_x + float(by[0]) / (x1 - x0),
            "shift_y": start.shift_y + float(by[1]) / (y1 - y0),
        }
        kept = {name: round(min(max(v, -MOST), MOST), 4) for name, v in fields.items()}
        self.document.apply(
            "Move within the frame", lambda b: change_piece(b, start.id, **kept), self._token
        )

    def release(self) -> None:
        self._start = self._token = None
