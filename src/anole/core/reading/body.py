"""All that stands out from the ground as one body, and what lies along its edge inward: for lettering whose
face is no even colour."""

from __future__ import annotations

import cv2
import numpy as np

from ..arrays import Mask
from .colours import ColourModel
from .face import Face, edge_of, face_of
from .parts import Parts, at_border
from .rims import FoundRim, inward
from .seen import ALIKE, Seen, Unreadable, apart, oklab
from .shadow_fit import within

INSET = 5
"""px: the side of the square that the body is worn by, so that no px of it is mixed with the ground."""
MOST = 0.7
"""Share of the picture that lettering covers at most."""
SPECK = 0.2
"""What is less tall than this share of the tallest is no letter, unless it is wide."""


def ground_px(parts: Parts) -> Mask:
    """(H, W) bool: the even parts that reach the border, and holes that look like them."""
    height, width = parts.smooth.shape
    large = [n for n in range(1, parts.count) if parts.stats[n, cv2.CC_STAT_AREA] >= 16]
    outer = [n for n in large if at_border(parts.stats[n], width, height)]
    ground = np.isin(parts.labels, outer)
    if not ground.any():
        return ground
    model = ColourModel(parts.seen.rgb, ground)
    holes = []
    for n in large:
        if n in outer:
            continue
        xs, ys = parts.some_px(n)
        off = apart(oklab(model.at(xs, ys)), parts.seen.lab[ys, xs])
        if float(np.median(off)) < ALIKE:
            holes.append(n)
    return ground | np.isin(parts.labels, holes)


def body_face(parts: Parts) -> Face:
    """The body's own edge. Raises Unreadable where nothing stands out."""
    height, width = parts.smooth.shape
    solid = (~ground_px(parts)).astype(np.uint8)
    solid = cv2.erode(solid, np.ones((INSET, INSET)))
    count, labels, stats, _ = cv2.connectedComponentsWithStats(solid)
    inner = [n for n in range(1, count) if not at_border(stats[n], width, height)]
    if not inner:
        raise Unreadable("Nothing stands out from its ground here.")
    tallest = max(int(stats[n, cv2.CC_STAT_HEIGHT]) for n in inner)
    letters = [
        n
        for n in inner
        if max(stats[n, cv2.CC_STAT_HEIGHT], stats[n, cv2.CC_STAT_WIDTH]) > SPECK * tallest
    ]
    core = np.isin(labels, letters)
    if core.mean() > MOST:
        raise Unreadable("Nothing stands out from its ground here.")
    return edge_of(parts.seen, core)


def peeled(seen: Seen, face: Face) -> tuple[Face, list[FoundRim]]:
    """A face that is worn by the rims that lie along its edge inward, and those as rims outward of it."""
    found = inward(seen, face)
    if not found:
        return face, []
    wide = found[-1].end
    rims = [rim._replace(start=wide - rim.end, end=wide - rim.start) for rim in reversed(found)]
    return face_of(within(wide - face.distance)), rims
