"""Where on each row a frame changes: spans of px, so that what stays between letters is not redone."""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from .. import bands
from ..arrays import Mask, Numbers, Plane
from ..box import Box
from ..kernels import njit

STEP = 16
"""px that are looked at together: spans begin and end on such steps."""
GAP = 4
"""Steps between two spans from which on it is quicker to leave them out than to do them too."""
MOST = 24
"""Spans of a row; what would be one more widens the last."""


class RowSpans(NamedTuple):
    """For each of some rows how many spans, (h,) int32, and their first px and end, (h, n, 2) int32."""

    many: NDArray[np.int32]
    ends: NDArray[np.int32]


class DirtySpans(NamedTuple):
    """Spans on the rows of `box`.

    many : (H,) int32; ends : (H, n, 2) int32, first px and end of each, px of the planes
    """

    box: Box
    many: NDArray[np.int32]
    ends: NDArray[np.int32]

    def rows(self, part: Box) -> RowSpans:
        """Those on the rows of a part."""
        rows = slice(part.y0 - self.box.y0, part.y1 - self.box.y0)
        return RowSpans(self.many[rows], self.ends[rows])


def whole(box: Box, left: int = 0) -> DirtySpans:
    """Every px of the box; `left` is where the planes begin."""
    ends = np.empty((box.height, 1, 2), np.int32)
    ends[:] = (box.x0 - left, box.x1 - left)
    return DirtySpans(box, np.ones(box.height, np.int32), ends)


@njit(nogil=True, cache=True)
def _mark(bits: Numbers, down: int, right: int, mask: Mask, first: int, last: int) -> None:
    """mask's steps become 1 where a bit is set; the mask's corner lies at (right, down) in bits."""
    width = bits.shape[1]
    for y in range(first, last):
        row = bits[y + down if bits.shape[0] > 1 else 0]
        for n in range(mask.shape[1]):
            start, some = n * STEP + right, np.int32(0)
            if start >= 0 and start + STEP <= width:
                full = row[start : start + STEP]
                for x in range(STEP):
                    some |= full[np.uint32(x)]
            else:
                for x in range(max(start, 0), min(start + STEP, width)):
                    some |= row[x]
            if some != 0:
                mask[y, n] = 1


@njit(nogil=True, cache=True)
def _collect(
    mask: Mask, left: int, right: int, count: Numbers, ends: Numbers, first: int, last: int
) -> None:
    for y in range(first, last):
        spans, end = 0, -1
        for n in range(mask.shape[1]):
            if mask[y, n]:
                if spans == 0 or (n - end >= GAP and spans < MOST):
                    ends[y, spans, 0] = left + n * STEP
                    spans += 1
                end = n + 1
                ends[y, spans - 1, 1] = min(left + end * STEP, right)
        count[y] = spans


def of(changed_masks: Iterable[tuple[Plane, Box]], box: Box, left: int = 0) -> DirtySpans:
    """Spans over every px of `box` where one of (H or 1, W) float32 over boxes of their own is not 0."""
    mask = np.zeros((box.height, -(-box.width // STEP)), np.uint8)
    for plane, over in changed_masks:
        rows, _ = box.meet(over).slices_in(box)
        bits, down, right = plane.view(np.int32), box.y0 - over.y0, box.x0 - over.x0
        bands.run(
            lambda a, b: _mark(bits, down, right, mask, rows.start + a, rows.start + b),  # noqa: B023
            bands.split(rows.stop - rows.start),
        )
    count = np.empty(box.height, np.int32)
    ends = np.empty((box.height, MOST, 2), np.int32)
    bounds = (box.x0 - left, box.x1 - left)
    bands.run(lambda a, b: _collect(mask, *bounds, count, ends, a, b), bands.split(box.height))
    return DirtySpans(box, count, ends)
