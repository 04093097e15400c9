"""Pieces that leave the board say so under it; a click fits them."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QFontMetricsF, QPainter, QPen

from ....core import isolation
from ....core.edit.fitting import fit_to_board, leaves
from ....core.model import Board, Coated
from ....core.pieces.registry import coated_kind
from ...board.board_tool import BoardTool
from ...board.canvas import Canvas
from ...look import theme
from ...look.view_transform import ViewTransform

HEIGHT, PAD, GAP = 22.0, 9.0, 4.0
MOST_LETTERS = 24
FIT = "Fit to board"


class LeavingTool(BoardTool):
    """A tag below the board for the first piece that crosses its border."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._told: tuple[Board, Coated | None] | None = None
        self._known: dict[str, tuple[tuple, tuple[int, int], bool]] = {}
        self._button = QRectF()

    def piece(self) -> Coated | None:
        """Chosen ones before others; locked and hidden ones are left alone."""
        board = self.document.shown
        if self._told is None or self._told[0] is not board:
            pieces = [p for p in board.pieces if isinstance(p, Coated) and p.shown and not p.locked]
            pieces.sort(key=lambda p: p.id not in self.selection.ids)
            self._told = board, next((p for p in pieces if self._leaves(p, board)), None)
        return self._told[1]

    def _leaves(self, piece: Coated, board: Board) -> bool:
        """Asked again at every step of a drag; its letters seldom changed."""
        key = coated_kind(piece).outline_key(piece, board.dpi)
        size = (board.width, board.height)
        known = self._known.get(piece.id)
        if known is None or known[0] != key or known[1] != size:
            try:
                known = self._known[piece.id] = key, size, leaves(piece, board)
            except isolation.NotYet:  # what its outlines are traced from is read meanwhile
                return False
        return known[2]

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        self._button = QRectF()
        piece, board = self.piece(), self.document.shown
        if piece is None:
            return
        name = piece.name if len(piece.name) <= MOST_LETTERS else piece.name[:MOST_LETTERS] + "…"
        text, font = f"{name} leaves the board", theme.font(12)
        metrics = QFontMetricsF(font)
        wide = metrics.horizontalAdvance(text) + 2 * PAD
        button = metrics.horizontalAdvance(FIT) + 2 * PAD
        foot = now.to_widget(board.width / 2, board.height)
        left = foot.x() - (wide + button) / 2
        top = min(foot.y() + GAP, self.view.height() - HEIGHT - GAP)
        self._tag(painter, QRectF(left, top, wide + button, HEIGHT), wide, text)

    def _tag(self, painter: QPainter, box: QRectF, split: float, text: str) -> None:
        self._button = QRectF(box.x() + split, box.y(), box.width() - split, box.height())
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setFont(theme.font(12))
        painter.setPen(QPen(theme.colour("line"), 1))
        painter.setBrush(theme.colour("panel"))
        painter.drawRoundedRect(box, 5, 5)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("raised"))
        painter.drawRoundedRect(self._button.adjusted(2, 2, -2, -2), 4, 4)
        middle = Qt.AlignmentFlag.AlignCenter
        painter.setPen(theme.colour("text"))
        painter.drawText(QRectF(box.x(), box.y(), split, box.height()), middle, text)
        painter.setPen(theme.colour("leaf"))
        painter.drawText(self._button, middle, FIT)

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        piece = self.piece()
        if piece is None or not self._button.contains(at):
            return False
        self.document.apply("Fit to board", lambda b: fit_to_board(b, piece.id))
        return True

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        if self._button.contains(at):
            return (
                Qt.CursorShape.PointingHandCursor,
                "Makes it small enough; words get room for longer ones too",
            )
        return None
