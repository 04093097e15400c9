"""A look read off a picture: its face, its rims, what it throws, and how sure each of them is."""

from __future__ import annotations

import math
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from ..box import Box
from ..field.shape_fields import bounds
from .again import DrawnAgain, ReadParts
from .extras import Extra
from .face import Face
from .paints import FacePaint
from .rims import FoundRim, sampled
from .seen import Seen, Unreadable
from .throws import Throw

TALL = 0.6
"""A letter as tall as this share of the tallest counts for how tall letters are."""

Line = tuple[float, float, float, float]
"""x0, y0, x1, y1 in px: from the ground over all rims into the middle of a stem."""


class Look(NamedTuple):
    """What was read. Lengths and places in px of the picture that was given.

    sure : 0 to 1 of each, the share of px that are hardly seen to differ; difference : mean in OKLab of
    what was found, drawn again, from the picture, where the lettering is; ink_height : from the top of all
    letters to their foot; extras : what was found beside that by being drawn, bottom first; flat_difference :
    the difference without them; outward : (n,) how far outward of the face's edge the line is at each px of it,
    from its outer end on
    """

    box: Box
    line: Line
    face: FacePaint
    rims: tuple[FoundRim, ...]
    thrown: Throw | None
    cap_height: float
    sure_face: float
    sure_rims: tuple[float, ...]
    sure_throw: float
    difference: float
    ink_height: float
    outward: NDArray[np.float32]
    extras: tuple[Extra, ...] = ()
    flat_difference: float = 0.0

    @property
    def sure(self) -> float:
        """How sure the least sure of it is."""
        thrown = () if self.thrown is None else (self.sure_throw,)
        return min(self.sure_face, *self.sure_rims, *thrown, 1.0)


def look_from(seen: Seen, face: Face, parts: ReadParts, box: Box, line: Line) -> Look:
    """A look of what was read, in px of the picture that was given, and how sure each part of it is."""
    found, thrown, scale = parts.rims, parts.thrown, seen.scale
    again, out = DrawnAgain(seen, face, parts), -face.distance
    return Look(
        box=box,
        line=line,
        face=parts.paint,
        rims=tuple(rim._replace(start=rim.start / scale, end=rim.end / scale) for rim in found),
        thrown=None if thrown is None else thrown.scaled(1 / scale),
        cap_height=cap_height(face) / scale,
        sure_face=again.sure(face.distance > 1),
        sure_rims=tuple(again.sure((out > r.start + 0.7) & (out < r.end - 0.7)) for r in found),
        sure_throw=0.0 if thrown is None else min(1.0, max(0.0, thrown.gain)),
        difference=again.difference(),
        ink_height=ink_height(face) / scale,
        outward=outward_along(face, line, scale, box),
    )


def outward_along(face: Face, line: Line, scale: float, box: Box) -> NDArray[np.float32]:
    """How far outward each px of a line is, px of the picture that was given."""
    long = max(2, math.ceil(math.hypot(line[2] - line[0], line[3] - line[1])) + 1)
    share = np.linspace(0, 1, long)
    x = (line[0] + (line[2] - line[0]) * share - box.x0) * scale - 0.5
    y = (line[1] + (line[3] - line[1]) * share - box.y0) * scale - 0.5
    height, width = face.distance.shape
    inside_x, inside_y = np.clip(x, 0, width - 1), np.clip(y, 0, height - 1)
    # beside the box nothing was read: from there on the line goes straight outward
    beyond = np.hypot(x - inside_x, y - inside_y)
    out = beyond - sampled(face.distance[..., None], inside_x, inside_y)[:, 0]
    return np.asarray(out / scale, np.float32)


def _crosses(line: Line, box: Box) -> None:
    if not all(np.isfinite(line)) or np.hypot(line[2] - line[0], line[3] - line[1]) < 2:
        raise Unreadable("The line is too short to cross anything.")
    if not (box.x0 <= line[2] < box.x1 and box.y0 <= line[3] < box.y1):
        raise Unreadable("The line's inner end lies beside the box.")


def cap_height(face: Face) -> float:
    """How tall letters are, px: the middle of those that are not small."""
    count, _, stats, _ = cv2.connectedComponentsWithStats((face.alpha > 0.5).astype(np.uint8))
    if count < 2:
        raise Unreadable("No letter was found.")
    tall = stats[1:, cv2.CC_STAT_HEIGHT].astype(float)
    return float(np.median(tall[tall >= TALL * tall.max()]))


def ink_height(face: Face) -> float:
    """From the top of all letters to their foot, px."""
    box = bounds(face.chords)
    return box[3] - box[1]
