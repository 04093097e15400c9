"""A(o) - A(i): the anti-aliased region between two distances."""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands

ZERO, HALF, ONE = np.float32(0), np.float32(0.5), np.float32(1)


@njit(nogil=True, cache=True)
def _between(d, outer, inner, out):  # type: ignore[no-untyped-def]
    for y in range(out.shape[0]):
        row, line = out[y], d[y]
        for x in range(row.shape[0]):
            a = min(max(line[x] - outer + HALF, ZERO), ONE)
            b = min(max(line[x] - inner + HALF, ZERO), ONE)
            row[x] = a - b


def between(distance: np.ndarray, outer: float, inner: float) -> np.ndarray:
    """Coverage deeper than `outer` and not deeper than `inner`; either may be infinite.

    distance : (H, W) float32, px, + inside; returns (H, W) float32, 0..1
    """
    out = np.empty(distance.shape, np.float32)
    o, i = np.float32(max(outer, -1e9)), np.float32(min(inner, 1e9))
    bands.run(lambda a, b: _between(distance[a:b], o, i, out[a:b]), bands.split(len(out)))
    return out
