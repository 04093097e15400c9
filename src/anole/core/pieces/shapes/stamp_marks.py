"""The mark that stamps are made of, and whether it brings its own colours."""

from __future__ import annotations

from ...arrays import Curves
from ...marks import shapes
from ...model import Stamps
from ...paint.pictures import size_of
from .stamp_pictures import file_of


def mark_curves(piece: Stamps) -> Curves:
    """(n, 4, 2): the mark's outline, its size 1, about its middle."""
    file = file_of(piece)
    if file is not None:
        return (file.curves - (file.aspect / 2, 0.5)) / max(file.aspect, 1.0)
    return shapes.curves(piece.mark)


def in_colours(piece: Stamps) -> bool:
    """Whether a picture of its own is stamped, with its own colours."""
    has_picture = bool(piece.asset) and size_of(piece.asset) is not None
    return has_picture and (piece.own or file_of(piece) is None)
