"""Light on the face's edge: how what is left over follows the way the edge faces, and how deep it goes."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ..arrays import Mask, Plane

BINS = 24
LEAST_LIT, LEAST_TOLD = 0.02, 0.18
"""Encoded values of light that are noticed, and the share of what is left over that they account for."""


class Lit(NamedTuple):
    """bearing : where the light comes from, degrees, 0 at the top; width : px inward that it goes; even :
    0 to 1, how little it fades on the way in; strength : in encoded values, where it is most"""

    bearing: float
    width: float
    even: float
    strength: float


def light_on(deep: Plane, normal: tuple[Plane, Plane], rest: Plane, where: Mask) -> Lit | None:
    """The light in what is left over, as sums of cos and sin of the way the edge faces, at each distance
    inward; None where there is none to speak of.

    deep : (H, W), px inside the edge; rest : (H, W), luma that is left over
    """
    if where.sum() < 400:
        return None
    d, values = deep[where], rest[where] - np.median(rest[where])
    nx, ny = normal[0][where], normal[1][where]
    edges = np.linspace(0.7, max(float(np.quantile(d, 0.995)), 4.0), BINS + 1)
    place = np.clip(np.digitize(d, edges) - 1, 0, BINS - 1)
    across, down, told = np.zeros(BINS), np.zeros(BINS), 0.0
    for n in range(BINS):
        one = place == n
        if one.sum() < 40:
            continue
        terms = np.stack([nx[one], ny[one], np.ones(int(one.sum()))], 1)
        weights = np.linalg.lstsq(terms, values[one], rcond=None)[0]
        across[n], down[n] = weights[0], weights[1]
        told += float(((terms[:, :2] @ weights[:2]) ** 2).sum())
    size = np.hypot(across, down)
    most = float(size.max())
    if most < LEAST_LIT or told < LEAST_TOLD * float((values**2).sum()):
        return None
    heavy = size > 0.3 * most
    turn = math.degrees(math.atan2(float(across[heavy].sum()), -float(down[heavy].sum()))) % 360
    last = int(np.nonzero(heavy)[0].max())
    even = float(size[: last + 1].min() / most) if last else 1.0
    return Lit(turn, float(edges[last + 1]), even, most)
