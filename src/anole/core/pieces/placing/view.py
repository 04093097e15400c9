"""What a piece needs to know of the frame it is rendered for."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ...arrays import Planes
from ...box import Box
from ...cache import Cache
from ...model import Board, Piece
from ...units import Units


class View(NamedTuple):
    """A board at a render scale; `window` is in px of that scale.

    picture : a board rendered apart, at a scale and over a box of its px, with its grounds or
    without: (4, H, W) premultiplied
    transparent : whether grounds are left out of this picture
    bare : what the piece itself paints is there already: its coats alone are wanted
    depth : how many pieces that are painted apart the piece lies in
    is_ground : whether a piece counts as the board's ground
    """

    board: Board
    scale: float
    window: Box
    cache: Cache
    picture: Callable[[Board, float, Box, bool], Planes]
    is_ground: Callable[[Piece], bool]
    transparent: bool = False
    depth: int = 0
    bare: bool = False

    def finer(self, by: int) -> View:
        """The same part of the board `by` times as large."""
        return self._replace(scale=self.scale * by, window=self.window.times(by))

    @property
    def units(self) -> Units:
        """For what has no em of its own: the board's height."""
        return Units(self.board.height, self.board.dpi, self.scale)

    @property
    def frame(self) -> tuple[float, float, float, float]:
        """The whole board, px at the render scale."""
        return (0.0, 0.0, self.board.width * self.scale, self.board.height * self.scale)
