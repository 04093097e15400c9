"""The silhouette of a cluster: its pieces' outlines, with what their strokes add, united."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from ..arrays import Chords, Planes
from ..box import EMPTY
from ..cache import Cache
from ..coats.context import CoatContext
from ..coats.kind import CoatKind
from ..coats.registry import kind_of as coat_kind
from ..field import polygons
from ..field.polygons import NOTHING
from ..field.shape_fields import bounds
from ..model import Board, Coat, Coated
from .coated_kind import CoatedKind
from .contexts import context_of
from .placing.view import View
from .shapes.reshaped import shape_of


def growing(piece: object) -> tuple[Coat, ...]:
    """The coats that add to a piece's silhouette or change it."""
    style = piece.style if isinstance(piece, Coated) else ()
    return tuple(coat for coat in style if coat.on and _matters(coat))


def _matters(coat: Coat) -> bool:
    """Whether a coat changes the silhouette, whatever board the piece stands on."""
    kind = coat_kind(coat)
    strokes = type(kind).outset is not CoatKind.outset
    return strokes or kind.shapes(coat) or (kind.extends and kind.aim(coat) is None)


def _context(piece: Coated, kind: CoatedKind, dpi: float, scale: float) -> CoatContext:
    """The surroundings of its coats, as far as these say what they add."""
    board = Board(width=1, height=1, dpi=dpi)

    def none(*_: object) -> Planes:
        raise AssertionError("a silhouette needs no picture")

    view = View(board, scale, EMPTY, Cache(1 << 24), none, lambda _: False)
    return context_of(shape_of(kind, piece, view), growing(piece), view)


def _whole(piece: Coated, kind: CoatedKind, dpi: float, scale: float) -> Chords:
    """The outline of one piece with its strokes, walls and copies; no damage of its rim."""
    coats = growing(piece)
    if not coats:
        return kind.sound_chords(piece, dpi, scale)
    context = _context(piece, kind, dpi, scale)
    added = [coat_kind(coat).adds(coat, context) for coat in coats if coat_kind(coat).extends]
    whole = context.edge_chords(True)
    return polygons.united_outlines([whole, *added]) if added else whole


def _apart(parts: Sequence[Chords]) -> bool:
    """Whether no two of them touch, as far as their boxes tell."""
    boxes = np.array([bounds(part) for part in parts])
    order = np.argsort(boxes[:, 0])
    x0, y0, x1, y1 = boxes[order].T
    for n in range(len(boxes)):
        # only those that begin before this one ends can touch it
        last = int(np.searchsorted(x0, x1[n], "right"))
        if ((y0[n + 1 : last] <= y1[n]) & (y0[n] <= y1[n + 1 : last])).any():
            return False
    return True


def silhouette(pieces: Sequence[tuple[Coated, CoatedKind]], dpi: float, scale: float) -> Chords:
    """(m, 4) float64 px at a render scale: all that pieces and their strokes cover. Outlines that
    touch no other stay as they are, to the float."""
    return united_outlines([_whole(piece, kind, dpi, scale) for piece, kind in pieces])


def united_outlines(outlines: Sequence[Chords]) -> Chords:
    """(m, 4): all that several outlines cover. Those that touch no other stay to the float."""
    parts = [part for part in outlines if len(part)]
    if len(parts) < 2 or _apart(parts):
        return np.concatenate([NOTHING, *parts])
    return polygons.united_outlines(parts)
