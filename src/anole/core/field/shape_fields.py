"""A shape at a render scale and the fields made from it, lazily and once."""

from __future__ import annotations

import math

import numpy as np

from ..arrays import Chords, Mask, Plane, Planes
from ..box import EMPTY, Box
from ..cache import Cache
from .closest import Nearest, nearest
from .contour import contour
from .coverage import rasterise
from .joins import TurnedDistance, joined, longest_mitre
from .normals import joints, normals
from .outset import Outset, StrokeOutset
from .raster import Raster
from .ridge_samples import RidgeSamples, ridge_samples

CORE_SIDE = 512
"""The core is measured on the outline scaled to about this many px a side..."""
CORE_SCALES = (0.25, 8.0)
"""...within these factors, so that it is the same at every render scale."""


def ink_box(chords: Chords) -> Box:
    """The least whole-pixel box around chords."""
    if not len(chords):
        return EMPTY
    xs, ys = chords[:, 0::2], chords[:, 1::2]
    return Box(math.floor(xs.min()), math.floor(ys.min()), math.ceil(xs.max()), math.ceil(ys.max()))


def bounds(chords: Chords) -> tuple[float, float, float, float]:
    """x0, y0, x1, y1 of chords (m, 4); a unit square where there are none."""
    if not len(chords):
        return (0.0, 0.0, 1.0, 1.0)
    xs, ys = chords[:, 0::2], chords[:, 1::2]
    return (float(xs.min()), float(ys.min()), float(xs.max()), float(ys.max()))


def greatest_inside(chords: Chords, wide: int = CORE_SIDE) -> float:
    """The greatest inside distance of an outline, in its own px; the same wherever it stands.

    wide : px of its longer side at which it is measured
    """
    if ink_box(chords).empty:
        return 0.0
    # rounded, so that other sums on the way to an outline give it no other core
    x0, y0, x1, y1 = np.round(bounds(chords), 6)
    side = max(x1 - x0, y1 - y0, 1.0)
    zoom = min(max(wide / side, CORE_SCALES[0]), CORE_SCALES[1], 4096 / side)
    scaled = np.round((chords - (x0, y0, x0, y0)) * zoom, 6)
    box = ink_box(scaled).grown(2)
    _, inside = rasterise(scaled, box)
    if not inside.any():
        return 0.0
    # the pixel nearest to the ridge may miss it by up to a quarter of a pixel's diagonal
    return float(nearest(scaled, inside, box).distance.max() + 0.25) / float(zoom)


class ShapeFields:
    """A piece's shape at the render scale, and the fields made from it.

    `key` is the value the outline came from; `box` covers the fields; `core` in px; `raster` a
    coverage of its own, where the outline was traced from one.
    """

    def __init__(
        self,
        key: tuple,
        chords: Chords,
        ink: Box,
        box: Box,
        core: float,
        cache: Cache,
        smooth: bool = True,
        raster: Raster | None = None,
    ) -> None:
        self.key, self.chords, self.ink, self.box, self.core = key, chords, ink, box, core
        self.smooth, self._own = smooth, raster
        self._cache = cache

    def _raster(self) -> tuple[Plane, Mask]:
        return self._cache.get(
            ("coverage", self.key, self.box), lambda: rasterise(self.chords, self.box)
        )

    @property
    def coverage(self) -> Plane:
        """(H, W) float32 over `box`, 0..1; 0 or 1 without smoothing."""
        cover, inside = self._raster()
        if not self.smooth:
            return inside.astype(np.float32)
        if self._own is None:
            return cover
        return self._cache.get(("alpha", self.key, self.box), self._alpha)

    def _alpha(self) -> Plane:
        assert self._own is not None
        return self._own.over(self.box)

    def covered(self) -> tuple[Plane, Box]:
        """Its coverage, and the box that it is over."""
        return self.coverage, self.box

    @property
    def distance(self) -> Plane:
        """(H, W) float32 over `box`, px, + inside."""
        return self.nearest.distance

    @property
    def nearest(self) -> Nearest:
        """Over `box`: the distance, and the nearest chord of each px."""
        return self._cache.get(
            ("distance", self.key, self.box),
            lambda: nearest(self.chords, self._raster()[1], self.box),
        )

    def joined(self, join: str, limit: float, at: float) -> TurnedDistance:
        """The distance, right about `at` px with corners turned as `join` says."""
        return self._cache.get(
            ("joined", self.key, self.box, join, limit, at),
            lambda: joined(self.chords, self.nearest, self.box, join, limit, at),
            ("joined", self.key, join, at < 0),
        )

    def _end(self, stroke: StrokeOutset) -> Plane:
        """Distance from where a stroke ends."""
        turned = stroke.join != "round"
        field = (
            self.joined(stroke.join, stroke.limit, -stroke.by).distance if turned else self.distance
        )
        return field + np.float32(stroke.by)

    def longest_mitre(self, limit: float) -> float:
        """How many widths of a stroke the corners that point out stick out beyond it."""
        return self._cache.get(
            ("mitre", self.key, limit), lambda: longest_mitre(self.chords, limit, 1.0)
        )

    @property
    def normals(self) -> Planes:
        """(2, H, W) float32 over `box`: the unit direction in which the distance grows."""
        return self._cache.get(
            ("normals", self.key, self.box),
            lambda: normals(self.chords, self.nearest, self.joints, self.box),
        )

    @property
    def joints(self) -> Plane:
        """(m, 8) float32: the normals of each chord and of its ends, as of normals.joints()."""
        return self._cache.get(("joints", self.key), lambda: joints(self.chords))

    def ridge_samples(self, outer: float) -> RidgeSamples:
        """The px where normals part, looked at closely, from `outer` px inwards."""
        return self._cache.get(
            ("ridge samples", self.key, self.box, outer),
            lambda: ridge_samples(self.nearest, self.joints, self.normals, outer),
            ("ridge samples", self.key),
        )

    def shifted(self, dx: float, dy: float, box: Box) -> Plane:
        """Coverage of the silhouette moved by (dx, dy) px, over `box`."""
        return rasterise(self.chords + (dx, dy, dx, dy), box)[0]

    def grown(self, outset: Outset) -> Nearest:
        """The edge of the whole over `box`: what strokes on the letters lead to."""

        def make() -> Nearest:
            edge = np.maximum.reduce([self._end(stroke) for stroke in outset.strokes])
            chords = contour(edge, 0.0, self.box)
            if not len(chords):
                return self.nearest._replace(distance=edge)
            return nearest(chords, edge > 0, self.box)

        return self._cache.get(("grown", self.key, self.box, outset), make)
