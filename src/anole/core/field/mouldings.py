"""Mouldings as tables of heights."""

from __future__ import annotations

import functools

import cv2
import numpy as np

from ..arrays import Plane, Reals
from ..maths import monotone, smoothstep
from ..model.moulding import Moulding

STEPS = 2048
SHARPEST, REACH = 4.0, 33
"""Steps that a vertical wall is spread over, so that it has a slope; and four times that each way."""


def _bead(p: Reals) -> Reals:
    return np.sqrt(np.maximum(1 - (2 * p - 1) ** 2, 0))


def _round(p: Reals) -> Reals:
    return np.sqrt(np.maximum(1 - (1 - p) ** 2, 0))


def _step(p: Reals) -> Reals:
    return smoothstep(np.clip((p - 0.4) / 0.2, 0, 1))


def _flute(p: Reals) -> Reals:
    """A hollow between two flat fillets."""
    inside = np.clip((p - 0.12) / 0.76, 0, 1)
    return 1 - _bead(inside) * ((p > 0.12) & (p < 0.88))


def _drawn(moulding: Moulding, p: Reals) -> Reals:
    places: dict[float, float] = {}
    for x, y in sorted(moulding.points):
        places[round(x, 3)] = y  # nearer points would be a wall without a slope
    xs, ys = np.array(list(places)), np.array(list(places.values()))
    if len(xs) < 2:
        return np.full_like(p, ys[0])
    return np.clip(monotone(xs, ys, np.clip(p, xs[0], xs[-1])), 0, 1)


PROFILES = {
    "chamfer": lambda p: p,
    "hollow": lambda p: 1 - np.sqrt(np.maximum(1 - p**2, 0)),
    "round-over": _round,
    "ogee": lambda p: 0.5 - 0.5 * np.cos(np.pi * p),
    "scoop": lambda p: 1 - np.maximum(1 - p**3, 0) ** (1 / 3),
    "bead": _bead,
    "step": _step,
    "reeds": _bead,
    "flutes": _flute,
    "louvres": lambda p: p,
}


def height(moulding: Moulding, p: Reals) -> Reals:
    """Heights 0..1 at places 0..1 across the span, walls upright."""
    p = np.clip(np.asarray(p, float), 0, 1)
    if moulding.turned:
        p = 1 - p
    if moulding.profile == "drawn":
        return _drawn(moulding, p)
    if moulding.profile in ("reeds", "flutes", "louvres"):
        at = p * max(round(moulding.count), 1)
        p = np.where(p >= 1, 1.0, at - np.floor(at))
    return np.asarray(PROFILES[moulding.profile](p), float)


@functools.lru_cache(256)
def table(moulding: Moulding) -> Plane:
    """(STEPS + 1,) float32 heights for p = k / STEPS, walls given a slope."""
    p = np.linspace(0, 1, STEPS + 1)
    # turned about its ends it goes on beyond them, so that it ends where it should
    beyond = np.pad(height(moulding, p), REACH, "reflect", reflect_type="odd")
    soft = cv2.GaussianBlur(beyond[None], (REACH, 1), SHARPEST)[0, REACH:-REACH]
    return np.ascontiguousarray(np.clip(soft, 0, 1), np.float32)
