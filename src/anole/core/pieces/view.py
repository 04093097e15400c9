"""What a piece needs to know of the frame it is rendered for."""

from __future__ import annotations

from typing import NamedTuple

from ..box import Box
from ..cache import Cache
from ..model import Board


class View(NamedTuple):
    """A board at a render scale; `window` is in px of that scale."""

    board: Board
    scale: float
    window: Box
    cache: Cache

    @property
    def frame(self) -> tuple[float, float, float, float]:
        """The whole board, px at the render scale."""
        return (0.0, 0.0, self.board.width * self.scale, self.board.height * self.scale)
