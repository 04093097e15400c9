"""Typing in place: a caret and a selection in the words on the board."""

from __future__ import annotations

import itertools
from typing import Any

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, QTimer
from PyQt6.QtGui import (
    QInputMethodEvent,
    QKeyEvent,
    QPainter,
    QPen,
    QPolygonF,
)

from ....core.arrays import Chords
from ....core.edit.words import replace_text
from ....core.lettering.caret import Caret, caret_lines, carets, place_at, whole_clusters, word_at
from ....core.lettering.outline import outline
from ....core.lettering.shaping import drawable
from ....core.model import Lettering
from ...board.board_tool import BoardTool
from ...board.canvas import Canvas
from ...exchange.pasted_words import cut
from ...look import theme
from ...look.view_transform import ViewTransform
from .pulling import PullingTool
from .typing_keys import ENTER, press_key, wants

BLINK_MS, PAUSE_MS = 530, 1500
NEAR = 1.6
"""Of a caret's height: how far from the words a click still means them."""


class TypingTool(BoardTool):
    """Double-click or Enter starts it, Escape or a click elsewhere ends it."""

    def __init__(self, view: Canvas, pulling: PullingTool) -> None:
        super().__init__(view)
        self._pulling = pulling
        self.piece_id: str | None = None
        self.caret = self.anchor = 0
        self._pre = ""
        self._lit = True
        self._token: object = object()
        self._known: tuple[Any, list[Caret], Chords] | None = None
        self._blink, self._pause = QTimer(view), QTimer(view)
        self._blink.timeout.connect(self._toggle_caret)
        self._pause.setSingleShot(True)
        self._pause.timeout.connect(self.new_step)
        self.document.changed.connect(self._keep_in)
        self.selection.changed.connect(self._other)

    # state

    @property
    def on(self) -> bool:
        """Whether words are being typed."""
        return self.piece_id is not None

    @property
    def text(self) -> str:
        """The words, as they are set."""
        piece = self.selection.lettering
        return drawable(piece.text) if piece is not None else ""

    @property
    def marked(self) -> tuple[int, int]:
        """Where the marked letters start and end."""
        return min(self.caret, self.anchor), max(self.caret, self.anchor)

    def select(self, anchor: int, caret: int) -> None:
        """Mark letters, and put the caret at their end."""
        self.anchor, self.caret = anchor, caret
        self._show()

    def start(self, at: int | None = None, everything: bool = False) -> None:
        """Begin typing in the chosen words."""
        piece = self.selection.lettering
        if piece is None or piece.locked:
            return
        self.piece_id = piece.id
        self.caret = len(self.text) if at is None else at
        self.anchor = 0 if everything else self.caret
        self.new_step()
        self.view.setAttribute(Qt.WidgetAttribute.WA_InputMethodEnabled, True)
        self.view.setFocus()
        self._blink.start(BLINK_MS)
        self._show()

    def leave(self) -> None:
        if self.on:
            self.piece_id, self._pre = None, ""
            self._blink.stop()
            self.view.setAttribute(Qt.WidgetAttribute.WA_InputMethodEnabled, False)
            self.selection.choose_letters(None)
            self.view.update()

    def _other(self) -> None:
        if self.selection.piece_id != self.piece_id:
            self.leave()

    def _keep_in(self) -> None:
        if self.on:
            most = len(self.text)
            self.caret, self.anchor = min(self.caret, most), min(self.anchor, most)

    def new_step(self) -> None:
        """What is typed from now on is undone by itself."""
        self._token = object()

    def _toggle_caret(self) -> None:
        self._lit = not self._lit
        self.view.update()

    def _show(self) -> None:
        self._lit = True
        self.selection.choose_letters(self.marked)
        self.view.updateMicroFocus()
        self.view.update()

    def lines(self) -> tuple[list[Caret], Chords]:
        """The places of the words and their carets in board px."""
        piece, board = self.selection.lettering, self.document.board
        assert piece is not None
        line = outline(piece, board.dpi)
        if self._known is None or self._known[0] != line.key:
            places = carets(line.block, drawable(piece.text))
            self._known = (line.key, places, caret_lines(line, places))
        return self._known[1], self._known[2]

    # looking

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        if not self.on or self.selection.lettering is None:
            return
        _, lines = self.lines()
        start, end = self.marked
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("leaf", 0.35))
        rows = [c.row for c in self.lines()[0]]
        for a, b in itertools.pairwise(range(start, end + 1)):
            if rows[a] == rows[b]:
                quad = (lines[a, 0], lines[b, 0], lines[b, 1], lines[a, 1])
                painter.drawPolygon(QPolygonF([now.to_widget(*p) for p in quad]))
        if self._lit or start != end:
            ends = [now.to_widget(*p) for p in lines[min(self.caret, len(lines) - 1)]]
            for shade, width in (("desk", 4.0), ("leaf", 2.0)):
                painter.setPen(QPen(theme.colour(shade), width))
                painter.drawLine(*ends)
        if self._pre:
            foot = now.to_widget(*lines[min(self.caret, len(lines) - 1)][1])
            painter.setPen(theme.colour("text"))
            painter.setFont(theme.font(15))
            painter.drawText(foot + QPointF(2, 16), self._pre)

    # pointing

    def _place(self, at: QPointF) -> tuple[int, float]:
        """The nearest place, and how far the point is from it in heights of a caret."""
        _, lines = self.lines()
        x, y = self.view.transform_now().to_board(at)
        place = whole_clusters(self.text, place_at(lines, x, y))
        start, end = lines[place]
        height = max(float(np.hypot(*(end - start))), 1e-6)
        return place, float(np.hypot(*((start + end) / 2 - (x, y)))) / height

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if not self.on:
            return False
        place, far = self._place(at)
        if far > NEAR:
            self.leave()
            return False
        self.caret = place
        if not keys & Qt.KeyboardModifier.ShiftModifier:
            self.anchor = place
        self.new_step()
        self._show()
        return True

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        self.caret = self._place(at)[0]
        self._show()

    def twice(self, at: QPointF) -> bool:
        if self.on:
            self.select(*word_at(self.text, self._place(at)[0]))
            return True
        hit = self._pulling.hit(at)
        if not isinstance(hit, Lettering) or hit.locked:
            return False
        self.selection.choose(hit.id)
        self.start()
        place = self._place(at)[0]
        self.select(place, place)
        return True

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        return (Qt.CursorShape.IBeamCursor, "") if self.on and self._place(at)[1] < NEAR else None

    # typing

    def insert(self, text: str) -> None:
        """Put text in place of the selection."""
        start, end = self.marked
        piece_id, before = self.piece_id, self.text
        if piece_id is None or (start == end and not text):
            return
        self.document.apply(
            "Type", lambda b: replace_text(b, piece_id, start, end, text), self._token
        )
        self.caret = self.anchor = max(start + len(self.text) - len(before) + end - start, 0)
        self._pause.start(PAUSE_MS)
        self._show()

    def paste(self, text: str) -> None:
        """Put what was copied in place of the selection, as far as there is room, as one step."""
        start, end = self.marked
        text, told = cut(text, len(self.text) - (end - start))
        self.new_step()
        self.insert(text)
        if told:
            self.document.said.emit(told)

    def wants(self, event: QKeyEvent) -> bool:
        return self.on and wants(event)

    def key(self, event: QKeyEvent) -> bool:
        if self.on:
            return press_key(self, event)
        if event.key() in ENTER and not event.modifiers():
            self.start()
        return self.on

    # input methods

    def input_method(self, event: QInputMethodEvent) -> bool:
        if not self.on:
            return False
        self._pre = event.preeditString()
        if event.commitString():
            self.insert(event.commitString())
        self.view.update()
        return True

    def input_query(self, query: Qt.InputMethodQuery) -> Any:
        if not self.on:
            return None
        start, end = self.marked
        if query == Qt.InputMethodQuery.ImCursorRectangle:
            top, low = (
                self.view.transform_now().to_widget(*p) for p in self.lines()[1][self.caret]
            )
            return QRectF(top, low).normalized().toRect().adjusted(0, 0, 1, 1)
        return {
            Qt.InputMethodQuery.ImEnabled: True,
            Qt.InputMethodQuery.ImSurroundingText: self.text,
            Qt.InputMethodQuery.ImCursorPosition: self.caret,
            Qt.InputMethodQuery.ImAnchorPosition: self.anchor,
            Qt.InputMethodQuery.ImCurrentSelection: self.text[start:end],
        }.get(query)
