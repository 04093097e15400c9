"""A pattern's values 0..1 to colours: inks from its darkest to its brightest, mixed in sRGB."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from .. import bands
from ..arrays import Numbers, Plane, Planes, Reals, Table
from ..kernels import njit
from ..model import Ink

STEPS = 4096


def _shares(value: Plane, count: int) -> tuple[Numbers, Reals]:
    """For each px the lower of its two inks, and the share of the next."""
    at = value * np.float32(count - 1)
    lower = np.minimum(at.astype(np.int32), max(count - 2, 0))
    return lower, at - lower


def table(inks: Sequence[Ink]) -> Table:
    """(4, STEPS) float32: the inks that are colours, mixed along the values."""
    colours = np.array([ink.colour.floats for ink in inks if ink.colour])
    colours[:, :3] *= colours[:, 3:]  # mixed premultiplied: a clear ink has no colour of its own
    at, places = np.linspace(0, len(colours) - 1, STEPS), np.arange(len(colours))
    mixed = np.stack([np.interp(at, places, part) for part in colours.T])
    mixed[:3] /= np.maximum(mixed[3], 1e-6)
    return mixed.astype(np.float32)


@njit(nogil=True, cache=True)
def _rows(value: Plane, lut: Plane, out: Planes, y0: int, y1: int) -> None:
    index, most = np.empty(value.shape[1], np.int32), np.float32(lut.shape[1] - 1)
    for y in range(y0, y1):
        for x in range(index.size):
            index[x] = int(
                min(max(value[y, x], np.float32(0)), np.float32(1)) * most + np.float32(0.5)
            )
        for plane in range(4):
            for x in range(index.size):
                out[plane, y, x] = lut[plane, index[x]]


def looked_up(value: Plane, lut: Table) -> Planes:
    """(4, H, W): values 0..1 in a table of colours."""
    out = np.empty((4, *value.shape), np.float32)
    bands.run(lambda a, b: _rows(value, lut, out, a, b), bands.split(len(value)))
    return out


def coloured(value: Plane, inks: Sequence[Ink], planes_of: Callable[[str], Planes]) -> Planes:
    """(4, H, W) float32 straight sRGB.

    planes_of gives an ink that is no colour, ``letter`` or ``own``, over the same box.
    """
    if len(inks) == 1:
        value, inks = np.zeros_like(value), (*inks, *inks)
    if all(ink.colour is not None for ink in inks):
        return looked_up(value, table(inks))
    lower, share = _shares(value, len(inks))
    out = np.zeros((4, *value.shape), np.float32)
    for n, ink in enumerate(inks):
        weight = np.where(lower == n, 1 - share, np.where(lower == n - 1, share, 0))
        if ink.colour is not None:
            planes = np.array(ink.colour.floats, np.float32)[:, None, None]
        else:
            planes = planes_of(ink.name)
        weight = weight * planes[3]
        out[3] += weight
        out[:3] += planes[:3] * weight
    out[:3] /= np.maximum(out[3], 1e-6)
    return out
