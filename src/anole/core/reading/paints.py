"""What the face is painted with: one colour, or a gradient along its best direction."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from ..arrays import Plane
from ..field.shape_fields import bounds
from .colours import robust
from .face import Face
from .seen import Seen, apart, oklab

DEEP = 1.5
"""px inside the edge from which on px are the face's own."""
LEAST_CHANGE = 0.02
"""Ends of a gradient are at least so unlike in OKLab."""
BINS = 64
WITHIN = 0.012
"""How near in sRGB a run of stops keeps to the colours it stands for."""


class Stop(NamedTuple):
    """Where, 0 to 1 along the direction from end to end of the face; encoded sRGB."""

    at: float
    rgb: Plane


class FacePaint(NamedTuple):
    """Stops, one of them where it is one colour; degrees, 0 to the right and 90 down; how far px are from
    it at the median, in OKLab"""

    stops: tuple[Stop, ...]
    angle: float
    off: float


def read(seen: Seen, face: Face) -> FacePaint:
    """The face's paint."""
    ys, xs = np.nonzero(face.distance > DEEP)
    if len(xs) < 30:
        ys, xs = np.nonzero(face.alpha > 0.9)
    step = max(1, len(xs) // 60_000)
    ys, xs = ys[::step], xs[::step]
    rgb = seen.rgb[ys, xs]
    lab = seen.lab[ys, xs]
    flat = np.median(rgb, axis=0).astype(np.float32)
    off = float(np.median(apart(lab, oklab(flat))))
    one = FacePaint((Stop(0.0, flat),), 0.0, off)
    angle = _direction(xs, ys, rgb)
    if angle is None:
        return one
    graded = _along(xs, ys, rgb, lab, face, angle)
    ends = float(apart(oklab(graded.stops[0].rgb), oklab(graded.stops[-1].rgb)))
    changes = max(float(apart(oklab(stop.rgb), oklab(flat))) for stop in graded.stops)
    return graded if max(ends, changes) > LEAST_CHANGE and graded.off < 0.7 * off else one


def _direction(xs: NDArray[np.int64], ys: NDArray[np.int64], rgb: Plane) -> float | None:
    """Degrees along which the colours change most, by least squares in encoded values."""
    terms = np.stack([np.ones(len(xs)), xs, ys], 1).astype(float)
    slope = robust(terms, rgb.astype(float), far=3)[1:]
    if np.linalg.norm(slope) < 1e-6:
        return None
    u = np.linalg.svd(slope)[0]
    turn = math.degrees(math.atan2(u[1, 0], u[0, 0]))
    return turn % 180


def _along(
    xs: NDArray[np.int64], ys: NDArray[np.int64], rgb: Plane, lab: Plane, face: Face, angle: float
) -> FacePaint:
    """Stops along a direction, from end to end of the face."""
    c, s, low, high = _line(face, angle)
    t = ((xs + 0.5) * c + (ys + 0.5) * s - low) / max(high - low, 1e-6)
    place = np.clip((t * BINS).astype(int), 0, BINS - 1)
    at, colours = [], []
    for n in range(BINS):
        here = place == n
        if here.sum() >= 12:
            at.append(float(t[here].mean()))
            colours.append(np.median(rgb[here], axis=0))
    if len(at) < 4:
        return FacePaint((Stop(0.0, np.median(rgb, axis=0)),), angle, 1.0)
    stops = _stops(np.array(at), np.array(colours))
    said = np.stack(
        [np.interp(t, [p for p, _ in stops], [v[k] for _, v in stops]) for k in range(3)], 1
    )
    off = float(np.median(apart(lab, oklab(said.astype(np.float32)))))
    return FacePaint(tuple(Stop(p, v.astype(np.float32)) for p, v in stops), angle, off)


def _line(face: Face, angle: float) -> tuple[float, float, float, float]:
    """The way a gradient goes, and where on it the box of the face begins and ends, corner to corner."""
    c, s = math.cos(math.radians(angle)), math.sin(math.radians(angle))
    x0, y0, x1, y1 = bounds(face.chords)
    ends = np.array([[x0, y0], [x1, y0], [x0, y1], [x1, y1]]) @ (c, s)
    return c, s, float(ends.min()), float(ends.max())


def _stops(at: np.ndarray, colours: np.ndarray) -> list[tuple[float, np.ndarray]]:
    """The fewest stops that say the colours, from 0 to 1: the line is broken where it is farthest off."""
    knots = [0.0, 1.0]
    while True:
        values = _fit(at, colours, knots)
        said = np.stack([np.interp(at, knots, values[:, k]) for k in range(3)], 1)
        off = np.abs(said - colours).max(1)
        # a single place that is off is no stop
        off = np.minimum(off, np.maximum(np.roll(off, 1), np.roll(off, -1)))
        if off.max() < WITHIN or len(knots) >= 6:
            return list(zip(knots, np.clip(values, 0, 1), strict=True))
        new = float(at[int(off.argmax())])
        if min(abs(new - k) for k in knots) < 0.03:
            return list(zip(knots, np.clip(values, 0, 1), strict=True))
        knots = sorted([*knots, new])


def _fit(at: np.ndarray, colours: np.ndarray, knots: list[float]) -> np.ndarray:
    """Colours at knots that a line through them is nearest with, by least squares."""
    terms = np.stack([np.interp(at, knots, np.eye(len(knots))[k]) for k in range(len(knots))], 1)
    return robust(terms, colours, far=3, least=0.006, rounds=3)


def over(paint: FacePaint, face: Face, shape: tuple[int, ...]) -> Plane:
    """(H, W, 3) float32: the paint over all of the picture."""
    if len(paint.stops) == 1:
        return np.broadcast_to(paint.stops[0].rgb, (*shape, 3)).astype(np.float32)
    y, x = np.mgrid[0 : shape[0], 0 : shape[1]] + 0.5
    c, s, low, high = _line(face, paint.angle)
    t = (x * c + y * s - low) / max(high - low, 1e-6)
    at = [stop.at for stop in paint.stops]
    said = [np.interp(t, at, [float(stop.rgb[k]) for stop in paint.stops]) for k in range(3)]
    return np.stack(said, 2).astype(np.float32)
