"""The box of the chosen words on the board: hands ask for it each time they are drawn."""

from __future__ import annotations

from ...core.cache import Cache
from ...core.lettering.outline import chords, outline
from ...core.model import Lettering
from ...core.pieces.letters import bounds
from .paint_handles import FrameBox

_boxes = Cache(1 << 16)


def words_box(piece: Lettering, dpi: float) -> FrameBox:
    """x0, y0, x1, y1 of the letters' outlines, board px."""
    line = outline(piece, dpi)
    return _boxes.get(("box", *line.key), lambda: bounds(chords(line, 1.0)))
