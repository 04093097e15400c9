"""How deep each place of a mark lies: looked up for many stamps of any size and turn."""

from __future__ import annotations

import numpy as np

from ..arrays import Curves, Plane
from ..box import Box
from ..cache import Cache
from ..field.closest import nearest
from ..field.coverage import rasterise
from ..lettering.bent import positive
from ..lettering.flatten import flatten

SIDES = (128, 512)
"""Values across a mark of size 1: for stamps up to SMALL px, and for larger ones."""
SMALL = 96.0
REACH = 1.5
"""Of its size: how much a table is wide, a mark's middle in its own middle."""
AREAS = (16, 32, 64, 128, 256)
"""px of a mark whose areas are kept, for crisp stamps half as large at the most."""
TABLES = Cache(32 << 20)


def coverage_table(key: object, curves: Curves, side: int) -> Plane:
    """(n, n) float32: the exact covered area of each px of a mark that is `side` px large.

    key : what the outline comes from; curves : (m, 4, 2), the mark's size 1, about its middle
    """

    def make() -> Plane:
        wide = round(side * REACH)
        chords = positive(flatten(curves * side + wide / 2, 0.01))
        return rasterise(chords, Box(0, 0, wide, wide))[0]

    return TABLES.get(("coverage", key, side), make)


def depth_table(key: object, curves: Curves, side: int) -> Plane:
    """(n, n) float32: the distance to the edge, + inside, in sizes of the mark.

    key : what the outline comes from; curves : (m, 4, 2), the mark's size 1, about its middle
    """

    def make() -> Plane:
        wide = round(side * REACH)
        chords = positive(flatten(curves * side + wide / 2, 0.01))
        if not len(chords):
            return np.full((wide, wide), -1.0, np.float32)
        box = Box(0, 0, wide, wide)
        inside = rasterise(chords, box)[1]
        return np.ascontiguousarray(nearest(chords, inside, box).distance / np.float32(side))

    return TABLES.get(("depth", key, side), make)
