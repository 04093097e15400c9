"""The small picture kept inside a board's file."""

from __future__ import annotations

from pathlib import Path

import numpy as np

from ..atomic import FileError
from ..model import Board
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded
from ..render.export import rgba
from ..render.renderer import Renderer
from . import board_file, png
from .stored_preview import stored_preview

WIDTH = 480


def preview(board: Board, renderer: Renderer | None = None) -> bytes:
    """A PNG at most WIDTH px on its longer side."""
    scale = min(1.0, WIDTH / max(board.width, board.height))
    return png.encode(rgba(board, scale, renderer=renderer), quick=True)


def small_picture(path: Path, size: int) -> bytes:
    """A PNG of a board's file, `size` px at most on its longer side: the picture that it keeps,
    reduced, or where it keeps none the board rendered. Raises FileError."""
    from PIL import Image

    try:
        stored = stored_preview(path)
    except FileError as error:
        raise FileError(f"{path.name}: {error}") from error
    if stored is None:
        board = board_file.read(path).board
        return png.encode(rgba(board, min(1.0, size / max(board.width, board.height))))
    try:
        pixels = decoded(stored, path.name).pixels
    except ImageError as error:
        raise FileError(f"{path.name}: its picture cannot be read: {error}") from error
    image = Image.fromarray(pixels)
    image.thumbnail((size, size))
    return png.encode(np.asarray(image.convert("RGBA")))
