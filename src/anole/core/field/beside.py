"""Shares of what is left of a px: of what lies beside a face, or within its edge."""

from __future__ import annotations

import numpy as np

from .. import bands
from ..arrays import Plane, Real
from ..kernels import njit

LEAST = 1e-3
"""Of a px: the least that a face leaves and that something covers of it; less is rounding."""


def beside(face: Plane, solid: Plane, full: float = 0.0) -> Plane:
    """(H, W) float32: the share that a solid, of which the face is a part, covers of what its face
    leaves of a px; `full` where the face leaves nothing."""
    out, rest = np.empty(face.shape, np.float32), np.float32(full)
    bands.run(lambda a, b: _beside(face, solid, rest, out, a, b), bands.split(len(out)))
    return out


@njit(nogil=True, cache=True, error_model="numpy")
def _beside(face: Plane, solid: Plane, full: Real, out: Plane, first: int, last: int) -> None:
    one, zero = np.float32(1), np.float32(0)
    for y in range(first, last):
        for x in range(face.shape[1]):
            left = one - face[y, x]
            if left <= LEAST:
                out[y, x] = full
                continue
            share = min((solid[y, x] - face[y, x]) / left, one)
            out[y, x] = share if share > LEAST else zero


def of_the_rest(plane: Plane, face: Plane, inward: bool) -> Plane:
    """(H, W) float32: a line along the edge of a face as a share of the part of each px that it lies
    in: of what the face leaves, or `inward` of the face.

    plane : 0..1, the line and all of the face, or inward all that is not deeper than it
    """
    return beside(1 - face if inward else face, plane, 1.0)
