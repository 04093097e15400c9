"""Pieces chosen, moved and pulled by their handles on the board."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QPainter, QPen, QPolygonF

from ....core.edit.arranging import moved
from ....core.edit.pieces import change_piece
from ....core.edit.snapping import Guide, extent, guides, snap
from ....core.model import Board, Cluster, Placed
from ....core.model.nesting import every, holder_of
from ....core.pieces.registry import kind_of, placement
from ...board.board_tool import BoardTool
from ...board.canvas import Canvas
from ...documents.opening import open_up
from ...look import theme
from ...look.view_transform import ViewTransform
from .handle import Handle
from .handles import HINTS, handle_at, handles, pulled
from .handles import paint as paint_handles
from .under import below, box_of, under

SNAP = 7
STEPS = {
    "corner": "Size",
    "side": "Stretch",
    "turn": "Turn",
    "camber": "Bend a rail",
    "slope": "Tilt a rail",
}
ARROWS = {
    Qt.Key.Key_Left: (-1, 0),
    Qt.Key.Key_Right: (1, 0),
    Qt.Key.Key_Up: (0, -1),
    Qt.Key.Key_Down: (0, 1),
}


class PullingTool(BoardTool):
    """Chooses pieces by a click or a frame, moves them, and pulls them by their handles."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._grip: Handle | None = None
        self._start: Placed | None = None
        self._board: Board | None = None
        self._from = QPointF()
        self._token: object | None = None
        self._moving = self._dragged = self._below = False
        self._lines: list[Guide] = []
        self.guides: tuple[Guide, ...] = ()
        self._net: QRectF | None = None

    def handles(self) -> list[Handle]:
        """What the chosen piece can be pulled by, in widget px."""
        piece = self.selection.placed
        if (
            piece is None
            or piece.locked
            or not kind_of(piece).has_content(piece)
            or self.selection.together
        ):
            return []
        return handles(piece, self.document.board, self.view.transform_now())

    def hit(self, at: QPointF) -> Placed | None:
        """The topmost shown piece whose box lies under a point: of an open cluster's pieces, then of
        the board's."""
        return next(iter(under(self.document.board, self._point(at), self.selection.holder)), None)

    def _point(self, at: QPointF) -> QPointF:
        return QPointF(*self.view.transform_now().to_board(at))

    def twice(self, at: QPointF) -> bool:
        """Into the cluster under the pointer."""
        hit = self.hit(at)
        if not isinstance(hit, Cluster):
            return False
        open_up(self.document, hit)
        inner = under(self.document.board, self._point(at), self.document.board.piece(hit.id))
        own = [piece for piece in inner if holder_of((hit,), piece.id) is not None]
        self.selection.choose(own[0].id if own else hit.pieces[-1].id)
        return True

    # looking

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        piece, board = self.selection.placed, self.document.shown
        together = self.selection.together
        if piece is not None and piece.shown and kind_of(piece).has_content(piece) and not together:
            paint_handles(painter, piece, board, now)
            self._paint_holder(painter, now)
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(theme.colour("leaf"), 1.3))
        for other in every(board.pieces) if together else ():
            if isinstance(other, Placed) and other.id in self.selection.ids:
                corners = [now.to_widget(*corner) for corner in placement(other, board).quad]
                painter.drawPolygon(QPolygonF(corners))
        if self._net is not None:
            painter.setPen(QPen(theme.colour("leaf"), 1, Qt.PenStyle.DashLine))
            painter.drawRect(self._net)
        for guide in self.guides:
            self._paint_guide(painter, now, guide)

    def _paint_holder(self, painter: QPainter, now: ViewTransform) -> None:
        """The frame of the cluster that is open."""
        holder = self.selection.holder
        if holder is not None:
            quad = placement(holder, self.document.board).quad
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(theme.colour("leaf", 0.7), 1, Qt.PenStyle.DashLine))
            painter.drawPolygon(QPolygonF([now.to_widget(*corner) for corner in quad]))

    def _paint_guide(self, painter: QPainter, now: ViewTransform, guide: Guide) -> None:
        """A thin line that the moved piece lies on, with the distance from the board's border."""
        board = self.document.shown
        painter.setFont(theme.font(11))
        painter.setPen(QPen(theme.colour("coral"), 1))
        if guide.across:
            start, end = now.to_widget(guide.at, 0), now.to_widget(guide.at, board.height)
        else:
            start, end = now.to_widget(0, guide.at), now.to_widget(board.width, guide.at)
        painter.drawLine(start, end)
        painter.setPen(theme.colour("text"))
        word = f"{guide.name} {guide.at:.0f}"
        painter.drawText(start + (QPointF(4, -6) if guide.across else QPointF(4, -4)), word)

    def ask_menu(self, at: QPointF) -> str | None:
        hit = self.hit(at)
        if hit is None:
            return None
        if hit.id not in self.selection.ids:
            self.selection.choose(hit.id)
        return "piece"

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        grip = handle_at(self.handles(), at)
        return (Qt.CursorShape.SizeAllCursor, HINTS[grip.kind]) if grip else None

    # pulling

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._from, self._token = at, object()
        holder = self.selection.holder
        if holder is not None:
            open_up(self.document, holder)
        self._grip = handle_at(self.handles(), at)
        self._moving = self._dragged = False
        if self._grip is None:
            self._below = bool(keys & Qt.KeyboardModifier.ControlModifier)
            self._choose(self._pressed(at), bool(keys & Qt.KeyboardModifier.ShiftModifier))
        self._start = self.selection.placed if self._grip or self._moving else None
        self._board = self.document.board
        leaving_out = self.selection.ids
        self._lines = guides(self._board, leaving_out) if self._start else []
        return True

    def _pressed(self, at: QPointF) -> Placed | None:
        """What a press takes hold of: with Ctrl what is chosen, where it lies under the pointer."""
        chosen = self.selection.placed
        if self._below and chosen in below(self.document.board, self._point(at)):
            return chosen
        return self.hit(at)

    def _choose_beneath(self) -> None:
        """The next piece under the pointer, by turns."""
        found = [piece.id for piece in below(self.document.board, self._point(self._from))]
        if found:
            chosen = self.selection.piece_id
            at = found.index(chosen) + 1 if chosen in found else 0
            self.selection.choose(found[at % len(found)])

    def _choose(self, hit: Placed | None, also: bool) -> None:
        if hit is None:
            if not also:
                self.selection.choose(self.selection.piece_id)
            self._net = QRectF(self._from, self._from)
            return
        if also:
            self.selection.choose_also(hit.id)
        elif hit.id not in self.selection.ids:
            self.selection.choose(hit.id)
        self._moving = not hit.locked

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        if self._net is not None:
            self._net = QRectF(self._from, at).normalized()
            self.view.update()
        elif self._moving and self._start is not None:
            self._move(at, bool(keys & Qt.KeyboardModifier.ControlModifier))
        elif self._grip is not None and self._start is not None:
            self._pull_grip(self._start, self._grip, at, keys)

    def _pull_grip(
        self, start: Placed, grip: Handle, at: QPointF, keys: Qt.KeyboardModifier
    ) -> None:
        now = self.view.transform_now()
        fields = pulled(
            start, self.document.board, grip, now.to_board(self._from), now.to_board(at), keys
        )
        if fields:
            self.document.apply(
                STEPS[grip.kind], lambda b: change_piece(b, start.id, **fields), self._token
            )

    def _move(self, at: QPointF, free: bool) -> None:
        """Move all that is chosen, with snapping; Ctrl moves freely."""
        by = at - self._from
        if not self._dragged and by.manhattanLength() < 3:
            return
        self._dragged = True
        start, board = self._start, self._board
        assert start is not None and board is not None
        zoom = self.view.transform_now().zoom
        dx, dy = by.x() / zoom, by.y() / zoom
        x0, y0, x1, y1 = extent(start, board)
        snapped = snap(
            (x0 + dx, y0 + dy, x1 + dx, y1 + dy), [] if free else self._lines, SNAP / zoom
        )
        self.guides = snapped.guides
        ids = [p.id for p in every(board.pieces) if p.id in self.selection.ids]
        way = (dx + snapped.dx, dy + snapped.dy)
        ways = {i: way for i in ids if isinstance(board.piece(i), Placed)}
        self.document.apply("Move", lambda _: moved(board, ways), self._token)

    def release(self) -> None:
        if self._below and not self._dragged:
            self._choose_beneath()
        self._below = False
        if self._net is not None:
            self._catch(self._net)
        self._net = self._start = self._grip = self._token = self._board = None
        self._moving, self.guides = False, ()
        self.view.update()

    def _catch(self, net: QRectF) -> None:
        """Choose all that a net drawn over empty board touches."""
        if net.width() + net.height() < 6:
            return
        now, board = self.view.transform_now(), self.document.board
        low, high = now.to_board(net.topLeft()), now.to_board(net.bottomRight())
        area = QRectF(QPointF(*low), QPointF(*high))
        caught = [
            piece.id
            for piece in board.pieces
            if isinstance(piece, Placed)
            and piece.shown
            and not piece.locked
            and box_of(piece, board).boundingRect().intersects(area)
        ]
        self.selection.choose_all(tuple(caught))

    def key(self, event: QKeyEvent) -> bool:
        way = ARROWS.get(Qt.Key(event.key()))
        if way is None or self.selection.placed is None:
            return False
        by = 10 if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1
        ids = self.selection.ids
        ways = {
            p.id: (way[0] * by, way[1] * by)
            for p in every(self.document.board.pieces)
            if isinstance(p, Placed) and p.id in ids
        }
        self.document.apply("Nudge", lambda b: moved(b, ways), "nudge")
        return True
