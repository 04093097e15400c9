"""Which letter a pixel belongs to: the one that covers it most, or else the nearest."""

from __future__ import annotations

from collections.abc import Sequence

import cv2
import numpy as np

from ..arrays import Chords, Numbers, Planes
from ..box import Box
from ..kernels import njit
from .coverage import rasterise
from .shape_fields import ink_box


def owners(parts: Sequence[Chords], box: Box) -> Numbers:
    """(H, W) int32 over `box`: the number of each pixel's letter; 0 when there are none.

    parts : the chords (m, 4) of each letter, px
    """
    owner = np.full((box.height, box.width), -1, np.int32)
    best = np.zeros((box.height, box.width), np.float32)
    for number, chords in enumerate(parts):
        where = ink_box(chords).meet(box)
        if where.empty:
            continue
        rows, columns = where.slices_in(box)
        cover, _ = rasterise(chords, where)
        more = cover > best[rows, columns]
        owner[rows, columns][more] = number
        best[rows, columns][more] = cover[more]
    return _spread(owner)


def _spread(owner: Numbers) -> Numbers:
    """Give every free pixel to the letter nearest to it."""
    taken = owner >= 0
    if not taken.any():
        return np.zeros_like(owner)
    free = (~taken).astype(np.uint8)
    _, labels = cv2.distanceTransformWithLabels(
        free, cv2.DIST_L2, cv2.DIST_MASK_5, labelType=cv2.DIST_LABEL_PIXEL
    )
    of_label = np.zeros(labels.max() + 1, np.int32)
    of_label[labels[taken]] = owner[taken]
    return of_label[labels]


@njit(nogil=True, cache=True)
def _soften(planes: Planes, owner: Numbers, out: Planes) -> None:
    height, width = owner.shape
    ninth = np.float32(1 / 9)
    for y in range(1, height - 1):
        for x in range(1, width - 1):
            k = owner[y, x]
            if (
                owner[y, x - 1] == k
                and owner[y, x + 1] == k
                and owner[y - 1, x] == k
                and owner[y + 1, x] == k
            ):
                continue
            for p in range(planes.shape[0]):
                total = np.float32(0)
                for j in range(-1, 2):
                    for i in range(-1, 2):
                        total += planes[p, y + j, x + i]
                out[p, y, x] = total * ninth


def soften_borders(planes: Planes, owner: Numbers) -> Planes:
    """Average over 3 x 3 px where two owners meet, so that colours change without steps.

    planes : (n, H, W) float32; owner : (H, W) int32
    """
    out = planes.copy()
    _soften(planes, owner, out)
    return out
