"""A pattern's values 0..1 to colours: inks from its darkest to its brightest, mixed in sRGB."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from ..model import Ink


def _shares(value: np.ndarray, count: int) -> tuple[np.ndarray, np.ndarray]:
    """For each px the lower of its two inks, and the share of the next."""
    at = value * np.float32(count - 1)
    lower = np.minimum(at.astype(np.int32), max(count - 2, 0))
    return lower, at - lower


def coloured(
    value: np.ndarray, inks: Sequence[Ink], planes_of: Callable[[str], np.ndarray]
) -> np.ndarray:
    """(4, H, W) float32 straight sRGB.

    planes_of gives an ink that is no colour, ``letter`` or ``own``, over the same box.
    """
    if len(inks) == 1:
        value, inks = np.zeros_like(value), (*inks, *inks)
    lower, share = _shares(value, len(inks))
    if all(ink.colour is not None for ink in inks):
        table = np.array([ink.colour.floats for ink in inks if ink.colour], np.float32)
        out = np.empty((4, *value.shape), np.float32)
        for plane in range(4):
            low, high = table[:-1, plane][lower], (table[1:, plane] - table[:-1, plane])[lower]
            np.multiply(high, share, out=out[plane])
            out[plane] += low
        return out
    out = np.zeros((4, *value.shape), np.float32)
    for n, ink in enumerate(inks):
        weight = np.where(lower == n, 1 - share, np.where(lower == n - 1, share, 0))
        if ink.colour is not None:
            out += np.array(ink.colour.floats, np.float32)[:, None, None] * weight
        else:
            out += planes_of(ink.name) * weight
    return out
