"""The small picture kept inside a board's file."""

from __future__ import annotations

from ..model import Board
from ..render.export import rgba
from ..render.renderer import Renderer
from . import png

WIDTH = 480


def preview(board: Board, renderer: Renderer | None = None) -> bytes:
    """A PNG at most WIDTH px on its longer side."""
    scale = min(1.0, WIDTH / max(board.width, board.height))
    return png.encode(rgba(board, scale, renderer=renderer), quick=True)
