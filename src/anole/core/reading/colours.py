"""Colours over places: the one that most px have, one that changes evenly, and the nearest known."""

from __future__ import annotations

from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from ..arrays import Mask, Plane
from .seen import ALIKE, apart, oklab


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
        step = max(1, len(xs) // 8_000)
        ys, xs = ys[::step], xs[::step]
        values = rgb[ys, xs].astype(float)
        self.order, self._weights, self.residual = 0, np.zeros((1, 3)), 1e9
        for order in (0, 1, 2):
            terms = _terms(xs / self._unit, ys / self._unit, order)
            weights = robust(terms, values)
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


def robust(
    terms: NDArray[Any],
    values: NDArray[Any],
    far: float = 2.5,
    least: float = 0.01,
    rounds: int = 4,
) -> NDArray[Any]:
    """(k, c) weights of (n, k) terms for (n, c) values: least squares of what is not farther off than
    `far` times the median, or `least`."""
    keep = np.ones(len(values), bool)
    weights: NDArray[Any] = np.zeros((terms.shape[1], values.shape[1]))
    for _ in range(rounds):
        weights = np.linalg.lstsq(terms[keep], values[keep], rcond=None)[0]
        off = np.abs(terms @ weights - values).max(1)
        keep = off <= max(far * float(np.median(off)), least)
    return weights


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
