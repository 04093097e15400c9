"""Where a shadow is thrown and how soft it is: the most likely of all, by what the picture shows."""

from __future__ import annotations

import functools
from collections.abc import Callable
from typing import NamedTuple

import cv2
import numpy as np
from scipy.optimize import minimize

from ..arrays import Mask, Plane
from ..isolation.client import never
from .seen import GivenUp

FARTHEST = 0.16
"""How far a shadow may lie, of the picture's shorter side; a quarter of it is the most blur."""
MOST_PX = 50_000
UNLIKELY = 1e12
TAILS = 4.0
"""Degrees of freedom: the fewer, the less is made of what is far off."""
EIGHT_BITS = np.float32(0.012)
"""What is left where colours were rounded and edges are not quite where they are thought to be."""
ROUGH = 0.03
"""From so rough a ground on it is told how much of it a shadow lets through."""


class Ground(NamedTuple):
    """Where it is seen; its colours without anything on it; what is there beyond them; and how much of
    that there is anyway, as a deviation in encoded values."""

    where: Mask
    rgb: Plane
    rest: Plane
    rough: float


def within(outside: Plane) -> Plane:
    """The cover of what ends where `outside`, px, is 0."""
    return np.clip(0.5 - outside, 0, 1).astype(np.float32)


def shifted(shape: Plane, dx: float, dy: float, blur: float) -> Plane:
    """A coverage moved by px and made soft."""
    height, width = shape.shape
    way = np.array([[1, 0, dx], [0, 1, dy]], np.float32)
    moved = cv2.warpAffine(shape, way, (width, height), flags=cv2.INTER_LINEAR)
    return moved if blur < 0.25 else cv2.GaussianBlur(moved, (0, 0), blur)


class _Some(NamedTuple):
    """Some px of the ground: their places; what is there and what the ground is there, (3, n)."""

    places: np.ndarray
    rgb: Plane
    ground: Plane


class View:
    """A picture, the silhouette in it, and its ground. stop : says when nobody waits any more"""

    def __init__(
        self, rgb: Plane, shape: Plane, ground: Ground, stop: Callable[[], bool] = never
    ) -> None:
        self.rgb, self.shape, self.ground, self.stop = rgb, shape, ground, stop

    @functools.cached_property
    def some(self) -> _Some:
        """Of px by the silhouette, as only they can be shadow."""
        far = cv2.distanceTransform((self.shape < 0.5).astype(np.uint8), cv2.DIST_L2, 3)
        near = self.ground.where & (far < 2 * FARTHEST * min(self.shape.shape))
        places = np.nonzero(near.ravel())[0]
        # by chance, so that no pattern of the picture falls in with theirs
        if len(places) > MOST_PX:
            places = np.sort(np.random.default_rng(1).choice(places, MOST_PX, replace=False))
        flat = (-1, 3)
        return _Some(
            places,
            np.ascontiguousarray(self.rgb.reshape(flat)[places].T, np.float32),
            np.ascontiguousarray(self.ground.rgb.reshape(flat)[places].T, np.float32),
        )

    def halved(self) -> View:
        """The same at half the size."""
        ground = self.ground
        where = halved(ground.where.astype(np.float32)) > 0.99
        small = Ground(where, halved(ground.rgb), halved(ground.rest), ground.rough)
        return View(halved(self.rgb), halved(self.shape), small, self.stop)


def halved(plane: Plane) -> Plane:
    """Half as many px each way, each the mean of four."""
    height, width = plane.shape[:2]
    return np.asarray(cv2.resize(plane, (width // 2, height // 2), interpolation=cv2.INTER_AREA))


def unlikely(view: View, values: np.ndarray) -> float:
    """How unlikely the picture is with a shadow: minus the logarithm of the likelihood, where what is
    left of the ground's own roughness under a cover a is (1 - a) of it, spread as Student's t in three
    dimensions: a few px that are far off, as along an edge, do not decide."""
    if view.stop():
        raise GivenUp
    dx, dy, blur, opacity = values
    most = FARTHEST * min(view.shape.shape)
    if not (abs(blur) < most / 4 and np.hypot(dx, dy) < most and 0.2 <= opacity <= 1.0):
        return UNLIKELY
    some = view.some
    a = shifted(view.shape, dx, dy, abs(blur)).ravel()[some.places] * np.float32(opacity)
    variance = ((1 - a) * np.float32(view.ground.rough)) ** 2 + EIGHT_BITS**2
    here = some.rgb - some.ground * (1 - a)
    weight = a / variance
    colour = np.clip(here @ weight / max(float(weight @ a), 1e-6), 0, 1)
    off = ((here - a * colour[:, None]) ** 2).sum(0)
    far = (TAILS + 3) * np.log1p(off / (TAILS * variance))
    return float((far + 3 * np.log(variance)).sum())


def refined(view: View, start: np.ndarray) -> np.ndarray:
    """The most likely shift and blur, to some hundredths of a px, and of a rough ground the opacity."""
    free = 4 if view.ground.rough > ROUGH else 3
    first = np.array(start[:free])
    steps = np.diag([1.0, 1.0, 1.25, -0.2][:free])
    corners = np.concatenate([first[None], first + steps])

    def of(values: np.ndarray) -> float:
        return unlikely(view, np.array([*values, 1.0][:4]))

    got = minimize(of, first, method="Nelder-Mead", options={
        "initial_simplex": corners, "xatol": 0.02, "fatol": 1e-2, "maxfev": 35 * (free - 1)}).x  # fmt: skip
    return np.array([got[0], got[1], abs(got[2]), got[3] if free == 4 else 1.0])
