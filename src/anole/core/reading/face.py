"""The face of all letters: grown from one place, and found in the others by its colours."""

from __future__ import annotations

from typing import Any, NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from ..arrays import Chords, Mask, Plane
from ..box import Box
from ..field.closest import nearest
from ..field.coverage import rasterise
from ..field.raster import traced
from .seen import ALIKE, Seen, Unreadable, apart, oklab, share_of, smooth_px

SOME = 300
"""px of a part that are looked at."""
LEAST_PX = 24
"""A part of a face is at least so many px."""
MIXED = 0.06
"""How far in encoded values a mixture of two colours is off the line between them."""
NEAR_MODEL = 0.07
"""Faces of other letters look at most so unlike what the first says of them."""


class Face(NamedTuple):
    """alpha : (H, W) float32, how much of each px it covers; distance : px, + inside; normal : the way
    out, (H, W) float32 each; chords : its outlines"""

    alpha: Plane
    distance: Plane
    normal: tuple[Plane, Plane]
    chords: Chords


def _terms(x: NDArray[Any], y: NDArray[Any], order: int) -> NDArray[np.float64]:
    one = [np.ones_like(x)]
    if order > 0:
        one += [x, y]
    if order > 1:
        one += [x * x, x * y, y * y]
    return np.stack(one, -1).astype(float)


class ColourModel:
    """Colours over places, as polynomials of the least order that says them: (H, W, 3) sRGB."""

    def __init__(self, rgb: Plane, where: Mask) -> None:
        height, width = where.shape
        self._unit = float(max(height, width))
        ys, xs = np.nonzero(where)
        step = max(1, len(xs) // 20_000)
        ys, xs = ys[::step], xs[::step]
        values = rgb[ys, xs].astype(float)
        self.order, self._weights, self.residual = 0, np.zeros((1, 3)), 1e9
        for order in (0, 1, 2):
            terms = _terms(xs / self._unit, ys / self._unit, order)
            weights = _robust(terms, values)
            off = float(np.median(apart(oklab(np.clip(terms @ weights, 0, 1)), oklab(values))))
            # another order has to earn its place
            if off < 0.8 * self.residual and self.residual > 0.004:
                self.order, self._weights, self.residual = order, weights, off

    def over(self, height: int, width: int) -> Plane:
        """(H, W, 3) float32."""
        y, x = np.mgrid[0:height, 0:width] / self._unit
        return np.clip(_terms(x, y, self.order) @ self._weights, 0, 1).astype(np.float32)

    def at(self, xs: NDArray[np.int64], ys: NDArray[np.int64]) -> Plane:
        """(n, 3) float32 at places."""
        terms = _terms(xs / self._unit, ys / self._unit, self.order)
        return np.clip(terms @ self._weights, 0, 1).astype(np.float32)


def _robust(terms: NDArray[np.float64], values: NDArray[np.float64]) -> NDArray[np.float64]:
    """Least squares of what is not far off the rest."""
    keep = np.ones(len(values), bool)
    weights: NDArray[Any] = np.zeros((terms.shape[1], values.shape[1]))
    for _ in range(4):
        weights = np.linalg.lstsq(terms[keep], values[keep], rcond=None)[0]
        off = np.abs(terms @ weights - values).max(1)
        keep = off <= max(2.5 * float(np.median(off)), 0.01)
    return weights


def _first(smooth: Mask, x: float, y: float) -> tuple[int, int]:
    """The px without edge nearest to a place, a few px away at most."""
    ys, xs = np.nonzero(smooth)
    if not len(xs):
        raise Unreadable("Nothing in this picture is even enough to be a face.")
    far = (xs + 0.5 - x) ** 2 + (ys + 0.5 - y) ** 2
    best = int(far.argmin())
    if far[best] > 12**2:
        raise Unreadable("The line's inner end does not lie in the face of a letter.")
    return int(xs[best]), int(ys[best])


def _around(part: Mask, lab: Plane) -> Plane:
    """The colours about two px beyond a part's edge."""
    grown = cv2.dilate(part.astype(np.uint8), np.ones((7, 7))) > 0
    inner = cv2.dilate(part.astype(np.uint8), np.ones((5, 5))) > 0
    return lab[grown & ~inner]


class Parts:
    """The even parts of a picture, and how some px of each look."""

    def __init__(self, seen: Seen) -> None:
        self.seen, self.smooth = seen, smooth_px(seen.lab)
        self.count, self.labels, self.stats, _ = cv2.connectedComponentsWithStats(
            self.smooth.astype(np.uint8), connectivity=4
        )
        height, width = self.smooth.shape
        self.numbers = [
            n
            for n in range(1, self.count)
            if self.stats[n, cv2.CC_STAT_AREA] >= LEAST_PX
            and not at_border(self.stats[n], width, height)
        ]
        order = np.argsort(self.labels, axis=None, kind="stable")
        cuts = np.searchsorted(self.labels.ravel()[order], np.arange(self.count + 1))
        self._order, self._cuts = order, cuts

    def some_px(self, part: int) -> tuple[NDArray[np.int64], NDArray[np.int64]]:
        """x and y of some px of a part."""
        here = self._order[self._cuts[part] : self._cuts[part + 1]]
        here = here[:: max(1, len(here) // SOME)]
        return here % self.smooth.shape[1], here // self.smooth.shape[1]

    def ring(self, part: int) -> Plane:
        """(n, 3): the colours about two px beyond its edge."""
        left, top, wide, high = self.stats[part, :4]
        height, width = self.smooth.shape
        y0, y1 = max(0, top - 4), min(height, top + high + 4)
        x0, x1 = max(0, left - 4), min(width, left + wide + 4)
        return _around(self.labels[y0:y1, x0:x1] == part, self.seen.lab[y0:y1, x0:x1])

    def at(self, x: float, y: float) -> int:
        """The part at a place, or a few px beside it."""
        column, row = _first(self.smooth, x, y)
        part = int(self.labels[row, column])
        height, width = self.smooth.shape
        if at_border(self.stats[part], width, height):
            raise Unreadable("The line's inner end lies in the ground, not in a letter.")
        return part


def parts_of_face(parts: Parts, seed: int) -> Mask:
    """(H, W) bool: the px of the face that lie in no edge, of all letters that are like one part."""
    seen, around = parts.seen, parts.ring(seed)
    beyond = np.median(around, axis=0) if len(around) else np.zeros(3, np.float32)
    even = float((apart(around, beyond) < 2 * ALIKE).mean()) if len(around) else 0.0
    held = {seed}
    for _ in range(3):
        before = set(held)
        model = ColourModel(seen.rgb, np.isin(parts.labels, list(held)))
        for part in parts.numbers:
            xs, ys = parts.some_px(part)
            off = apart(oklab(model.at(xs, ys)), seen.lab[ys, xs])
            if part == seed or float(np.median(off)) > NEAR_MODEL:
                continue
            if (
                part in held
                or even <= 0.6
                or float((apart(parts.ring(part), beyond) < 2 * ALIKE).mean()) >= 0.35
            ):
                held.add(part)
        if held == before:
            break
    return np.isin(parts.labels, list(held))


def at_border(stat: NDArray[np.int32], width: int, height: int) -> bool:
    left, top, wide, high = map(int, stat[:4])
    return left == 0 or top == 0 or left + wide == width or top + high == height


def mode(lab: Plane, radius: float = ALIKE) -> tuple[Plane, float]:
    """The colour that most of (n, 3) are like, and the share that is."""
    some = lab[:: max(1, len(lab) // 1500)]
    cells = np.round(some / radius).astype(np.int64) + 512
    _, where, counts = np.unique(
        (cells[:, 0] << 20) + (cells[:, 1] << 10) + cells[:, 2],
        return_inverse=True,
        return_counts=True,
    )
    best, share = some[0], 0.0
    for cell in np.argsort(counts)[-3:]:
        centre = some[where.ravel() == cell].mean(0)
        for _ in range(4):
            near = some[apart(some, centre) < radius]
            centre = near.mean(0) if len(near) else centre
        held = float((apart(some, centre) < radius).mean())
        if held > share:
            best, share = centre, held
    return np.asarray(best, np.float32), share


def edge_of(seen: Seen, core: Mask) -> Face:
    """The face's own edge to parts of a px, from the share of its colour in what lies along it."""
    height, width = core.shape
    around = Box(0, 0, width, height)
    inner = spread(seen.rgb, core)
    crude = cv2.distanceTransform((~core).astype(np.uint8), cv2.DIST_L2, 5)
    near = crude < 5
    off = np.full(core.shape, 9.0, np.float32)
    off[near] = apart(seen.lab[near], oklab(inner[near]))
    contrast = float(np.median(off[(crude > 3.5) & (crude < 4.6)])) if core.any() else 0.0
    body = core | ((crude < 2.6) & (off < 0.4 * contrast))
    body = cv2.morphologyEx(body.astype(np.uint8), cv2.MORPH_CLOSE, np.ones((3, 3))) > 0
    far = cv2.distanceTransform((~body).astype(np.uint8), cv2.DIST_L2, 5)
    ring = (far > 1.2) & (far < 2.4)
    colour, share = mode(seen.lab[ring])
    if share > 0.6:
        rim = np.median(seen.rgb[ring & (apart(seen.lab, colour) < ALIKE)], axis=0)
        outer: Plane = np.broadcast_to(rim.astype(np.float32), seen.rgb.shape)
    else:
        outer = spread(seen.rgb, (far > 2.2) & (far < 4.5))
    near = (far < 2.0) & ~core
    if share > 0.6:
        near |= _hairlines(seen.rgb, inner, outer, body) & ~core
    alpha = core.astype(np.float32)
    alpha[near] = share_of(inner[near], outer[near], seen.rgb[near])
    alpha[alpha < 0.02] = 0
    chords = traced(alpha, around)
    if not len(chords):
        raise Unreadable("No edge of a face was found.")
    _, inside = rasterise(chords, around)
    distance = nearest(chords, inside, around).distance
    soft = cv2.GaussianBlur(distance, (0, 0), 1.0)
    gx, gy = cv2.Sobel(soft, cv2.CV_32F, 1, 0), cv2.Sobel(soft, cv2.CV_32F, 0, 1)
    length = np.maximum(np.hypot(gx, gy), 1e-6)
    return Face(alpha, distance, (-gx / length, -gy / length), chords)


def _hairlines(rgb: Plane, inner: Plane, outer: Plane, body: Mask) -> Mask:
    """The px of parts too thin to have any px of their own: mixtures of both colours in one piece with
    the body, and what is beside them."""
    share = share_of(inner, outer, rgb)
    mixed = np.abs(outer + share[..., None] * (inner - outer) - rgb).max(2) < MIXED
    thin = (mixed & (share > 0.3)) | body
    _, labels = cv2.connectedComponents(thin.astype(np.uint8), connectivity=8)
    held = np.unique(labels[body])
    joined = np.isin(labels, held[held > 0]) & ~body
    return np.asarray(cv2.dilate(joined.astype(np.uint8), np.ones((3, 3))) > 0)


def spread(rgb: Plane, known: Mask) -> Plane:
    """(H, W, 3): of each px the colour of the nearest that is known."""
    if not known.any():
        return rgb
    _, labels = cv2.distanceTransformWithLabels(
        (~known).astype(np.uint8), cv2.DIST_L2, 5, labelType=cv2.DIST_LABEL_PIXEL
    )
    ys, xs = np.nonzero(known)
    index = np.zeros(labels.max() + 1, np.int64)
    index[labels[ys, xs]] = np.arange(len(ys))
    flat = index[labels]
    return np.asarray(rgb[ys[flat], xs[flat]])
