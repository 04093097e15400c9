"""The whole board in the marked style, as small as a thumbnail is met."""

from __future__ import annotations

import functools
from typing import Any

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QImage, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from ...core.library.styles import StoredStyle
from ...core.model import Board
from ..look import theme
from ..look.painting import painting
from ..shared.session import Session
from .on_words import OnWords

WIDE, MOST_HIGH, HEAD = 168, 220, 20


class SmallBoard(QWidget):
    """168 px wide, whatever the screen's scale."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self._image: QImage | None = None
        self._high = 0
        self.setAccessibleName("The board in this style, 168 px wide")
        session.worker.drawn.connect(self._take)
        self.setFixedHeight(HEAD)

    def show_style(self, stored: StoredStyle | None, on: OnWords | None) -> None:
        """Another style is marked."""
        if stored is None or on is None:
            return
        board = on.board
        self._high = min(round(WIDE * board.height / board.width), MOST_HIGH)
        self.setFixedHeight(HEAD + self._high + 4)
        whose = self.session.styles.colours
        self.session.worker.forget("small board")
        self.session.worker.ask_small(
            ("small board",), functools.partial(on.dressed, stored.style, whose), _scale, True
        )

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "small board":
            self._image = image
            self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setFont(theme.font(12))
            painter.setPen(theme.colour("dim"))
            painter.drawText(0, 13, "The board at 168 px")
            if self._image is not None and self._high:
                wide = self._high * self._image.width() / max(self._image.height(), 1)
                painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
                painter.drawImage(QRectF(0, HEAD, wide, self._high), self._image)


def _scale(board: Board) -> float:
    return WIDE / board.width
