"""The box of the chosen piece's outlines: tools ask for it each time they are drawn."""

from __future__ import annotations

from ...core import isolation
from ...core.cache import Cache
from ...core.model import Coated
from ...core.paint.frames import FrameBox
from ...core.pieces.registry import coated_kind

NOTHING = (0.0, 0.0, 1.0, 1.0)
_boxes = Cache(1 << 16)


def ink_box(piece: Coated, dpi: float) -> FrameBox:
    """x0, y0, x1, y1 of a piece's outlines, board px; NOTHING where it has none."""
    return known_ink(piece, dpi) or NOTHING


def known_ink(piece: Coated, dpi: float) -> FrameBox | None:
    """The same, None where it has none; of its frame while what its outlines are traced from is
    read."""
    kind = coated_kind(piece)
    key = ("box", kind.struct, kind.outline_key(piece, dpi), isolation.FETCHER.arrivals)
    try:
        return _boxes.get(key, lambda: kind.ink(piece, dpi))
    except isolation.NotYet:
        return kind.placement(piece, dpi).extent
