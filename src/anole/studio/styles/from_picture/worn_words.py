"""The user's words where they stand on their board, wearing what was read."""

from __future__ import annotations

import functools
from typing import Any

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QImage, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from ....core.model import Board, Style
from ...look import theme
from ...look.painting import painting
from ...shared.session import Session
from ..on_words import OnWords

KEY, ASPECT = "look of a picture", 16 / 9


class WornWords(QWidget):
    """A small picture, made when there is time."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.image: QImage | None = None
        self.setAccessibleName("Your words in this style")
        session.worker.drawn.connect(self._take)

    def resizeEvent(self, event: Any) -> None:
        self.setFixedHeight(round(self.width() / ASPECT))

    def show_style(self, style: Style, on: OnWords) -> None:
        """Another style."""
        wide = max(self.width(), 16) * self.devicePixelRatioF()
        self.session.worker.forget(KEY)
        self.session.worker.ask_small(
            (KEY,),
            functools.partial(on.dressed, style),
            functools.partial(_scale, wide, on),
            True,
            on.area,
        )

    def clear(self) -> None:
        """There is no style."""
        self.session.worker.forget(KEY)
        self.image = None
        self.update()

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == KEY:
            self.image = image
            self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.fillRect(self.rect(), theme.colour("sunk"))
            if self.image is None or self.image.isNull():
                return
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            ratio = min(self.width() / self.image.width(), self.height() / self.image.height())
            wide, high = self.image.width() * ratio, self.image.height() * ratio
            painter.drawImage(
                QRectF((self.width() - wide) / 2, (self.height() - high) / 2, wide, high),
                self.image,
            )


def _scale(wide: float, on: OnWords, board: Board) -> float:
    return wide / (on.area[2] - on.area[0])
