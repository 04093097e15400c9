"""Where a pattern is looked at: a place in its tile for each px, and how large a px is there."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ...arrays import Plane, Reals
from ...maths import smoothstep

F = np.float32


class Grid(NamedTuple):
    """u, v (H, W) float32 in 0..1 over the tile; `px` is the side of one px in tiles."""

    u: Plane
    v: Plane
    px: float


class PatternParams(NamedTuple):
    """A pattern's numbers: parts in a tile, share of the brighter inks, unevenness, seed."""

    parts: int
    weight: float
    rough: float
    seed: int


def smooth(low: float, high: float, x: Plane) -> Plane:
    """0 below low, 1 above high, a cubic between."""
    return smoothstep(np.clip((x - F(low)) / F(max(high - low, 1e-6)), 0, 1))


def _least(px: float | Reals) -> Reals:
    """A px never so small that something is divided by nothing."""
    return np.maximum(np.asarray(px, F), F(1e-6))


def over(x: Plane, edge: float | Reals, px: float | Reals) -> Plane:
    """1 where x lies above the edge, ramped over one px: a hard edge without steps."""
    return np.clip((x - np.asarray(edge, F)) / _least(px) + F(0.5), 0, 1)


def bars(x: Reals, share: float | Reals, px: float | Reals) -> Reals:
    """Square wave of period 1, `share` of it bright, averaged over a px: exact for straight bars.

    The average is the difference of the wave's integral at the px's two ends.
    """

    share, wide = np.asarray(share, F), _least(px)

    def area(at: Reals) -> Reals:
        whole = np.floor(at)
        return whole * share + np.minimum(at - whole, share)

    return (area(x + wide / 2) - area(x - wide / 2)) / wide


def wave(x: Plane) -> Plane:
    """0..1..0 over a period of 1, as a cosine."""
    return F(0.5) - F(0.5) * np.cos(x * F(2 * np.pi))


def tent(x: Plane) -> Plane:
    """0..1..0 over a period of 1, straight."""
    return 1 - np.abs(2 * (x - np.floor(x)) - 1)
