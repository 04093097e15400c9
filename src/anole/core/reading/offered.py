"""Where to look, if nobody says: a place in the middle of a stem, and the line to it from the ground."""

from __future__ import annotations

import cv2
import numpy as np

from ..arrays import Mask, Plane
from .colours import mode
from .face import Face
from .parts import LEAST_PX, Parts, parts_of_face
from .seen import Seen, Unreadable

TRIED = 8
"""The largest even parts that may be a face."""
BESIDE = 12.0
"""px of ground that a line begins in."""


def inner_end(parts: Parts) -> tuple[tuple[float, float], Mask]:
    """A place in the face of a letter: of the even parts in the picture, those that most of the lettering
    is like, and that have one colour all round; and all that is like it."""
    large = sorted(parts.numbers, key=lambda n: -int(parts.stats[n, cv2.CC_STAT_AREA]))
    best, offer, known = 0.0, None, np.zeros(parts.smooth.shape, bool)
    for part in large[:TRIED]:
        if parts.stats[part, cv2.CC_STAT_AREA] < 4 * LEAST_PX:
            break
        x, y, deep = _deepest(parts.labels == part)
        if known[int(y), int(x)]:
            continue
        found = parts_of_face(parts, part)
        known |= found
        worth = float(found.sum()) * _evenly_bordered(parts.seen, found) * min(1.0, deep / 3)
        if worth > best:
            best, offer = worth, ((x, y), found)
    if offer is None:
        raise Unreadable(
            "No lettering was found here; draw a box round it, and a line across an edge."
        )
    return offer


def deepest(distance: Plane) -> tuple[float, float]:
    """The place farthest inside, px."""
    y, x = np.unravel_index(int(distance.argmax()), distance.shape)
    return x + 0.5, y + 0.5


def _deepest(part: Mask) -> tuple[float, float, float]:
    depth = cv2.distanceTransform(np.pad(part, 1).astype(np.uint8), cv2.DIST_L2, 5)[1:-1, 1:-1]
    y, x = np.unravel_index(int(depth.argmax()), depth.shape)
    return x + 0.5, y + 0.5, float(depth[y, x])


def _evenly_bordered(seen: Seen, part: Mask) -> float:
    """0.3 to 1.3: how alike what lies about three px beyond its edge is."""
    far = cv2.distanceTransform((~part).astype(np.uint8), cv2.DIST_L2, 5)
    ring = seen.lab[(far > 2.5) & (far < 4.0)]
    return 0.3 + (mode(ring)[1] if len(ring) else 0.0)


def line_to(face: Face, at: tuple[float, float], outer: float) -> tuple[float, float, float, float]:
    """From the ground beyond the outermost rim to a place in a stem, the shortest way, px."""
    height, width = face.distance.shape
    ends = []
    for turn in np.arange(0, 2 * np.pi, np.pi / 24):
        c, s = float(np.cos(turn)), float(np.sin(turn))
        far = np.arange(1.0, max(width, height))
        xs, ys = at[0] + c * far, at[1] + s * far
        inside = (xs >= 0) & (xs < width) & (ys >= 0) & (ys < height)
        xs, ys, far = xs[inside], ys[inside], far[inside]
        beyond = np.nonzero(-face.distance[ys.astype(int), xs.astype(int)] > outer + BESIDE)[0]
        if len(beyond):
            n = int(beyond[0])
            ends.append((float(far[n]), float(xs[n]), float(ys[n])))
    _, x, y = min(ends) if ends else (0.0, at[0], max(0.0, at[1] - outer - BESIDE))
    return x, y, at[0], at[1]
