"""A look read off a picture: its face, its rims, what it throws, and how sure each of them is."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from ..arrays import Mask, Pixels, Plane
from ..box import Box
from ..field.shape_fields import bounds
from ..isolation.client import never
from . import mixing, offered, paints, rims, throws
from .face import Face, edge_of
from .paints import FacePaint
from .parts import Parts, parts_of_face
from .rims import FoundRim
from .seen import MOST_PIXELS, Seen, Unreadable, apart, look_at, oklab
from .shadow_fit import shifted, within
from .throws import Throw

JUST_SEEN = 0.03
"""Unlikeness in OKLab that is hardly seen."""
QUICK_PIXELS = 0.25e6
"""Of the smaller picture that a first answer is read from."""
TALL = 0.6
"""A letter as tall as this share of the tallest counts for how tall letters are."""

Line = tuple[float, float, float, float]
"""x0, y0, x1, y1 in px: from the ground over all rims into the middle of a stem."""


class Look(NamedTuple):
    """What was read. Lengths and places in px of the picture that was given.

    sure : 0 to 1 of each, the share of px that are hardly seen to differ; difference : mean in OKLab of
    what was found, drawn again, from the picture, where the lettering is; ink_height : from the top of all
    letters to their foot; outward : (n,) how far outward of the face's edge the line is at each px of it,
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

    @property
    def sure(self) -> float:
        """How sure the least sure of it is."""
        thrown = () if self.thrown is None else (self.sure_throw,)
        return min(self.sure_face, *self.sure_rims, *thrown, 1.0)


class GivenUp(Exception):
    """Nobody waits for this look any more."""


class Wanted(NamedTuple):
    """What is known of a look before it is read.

    box, line : where it is looked at, px of the picture; without them the program's own
    ends : where rims end, px outward of the face's edge, if somebody says so
    quick : from a smaller picture, and without what it throws: a first answer
    """

    box: Box | None = None
    line: Line | None = None
    ends: tuple[float, ...] = ()
    quick: bool = False


def read(
    pixels: Pixels,
    wanted: Wanted = Wanted(),
    told: Callable[[float], object] = lambda share: None,
    stop: Callable[[], bool] = never,
) -> Look:
    """The look of lettering in a picture (H, W, 4) uint8, not premultiplied. Raises Unreadable, and GivenUp
    when it is to stop."""

    def step(share: float) -> None:
        told(share)
        if stop():
            raise GivenUp

    box = _inside(wanted.box, pixels)
    seen = look_at(pixels, box, QUICK_PIXELS if wanted.quick else MOST_PIXELS)
    step(0.1)
    at, core = _face(seen, wanted.line, box)
    face = edge_of(seen, core)
    step(0.4)
    found = _rims(seen, face, wanted.ends)
    step(0.6)
    outer = found[-1].end if found else 0.0
    thrown = None if wanted.quick else throws.find(seen, -face.distance - outer)
    step(0.9)
    line = wanted.line or _in_picture(offered.line_to(face, at, outer), seen.scale, box)
    return _look(seen, face, _Read(found, thrown, paints.read(seen, face)), box, line)


class _Read(NamedTuple):
    """Parts of a look in px of the picture as it is read."""

    rims: list[FoundRim]
    thrown: Throw | None
    paint: FacePaint


def _look(seen: Seen, face: Face, parts: _Read, box: Box, line: Line) -> Look:
    found, thrown, scale = parts.rims, parts.thrown, seen.scale
    again, out = _Again(seen, face, parts), -face.distance
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
        outward=_outward(face, line, scale, box),
    )


def _inside(box: Box | None, pixels: Pixels) -> Box:
    whole = Box(0, 0, pixels.shape[1], pixels.shape[0])
    return whole if box is None else box.meet(whole)


def _face(seen: Seen, line: Line | None, box: Box) -> tuple[tuple[float, float], Mask]:
    """A place in the middle of a stem, and all px of the face that lie in no edge."""
    parts = Parts(seen)
    if line is None:
        return offered.inner_end(parts)
    at = (line[2] - box.x0) * seen.scale, (line[3] - box.y0) * seen.scale
    _crosses(line, box)
    return at, parts_of_face(parts, parts.at(*at))


def _rims(seen: Seen, face: Face, ends: tuple[float, ...]) -> list[FoundRim]:
    if ends:
        return rims.between(seen, face, [end * seen.scale for end in ends])
    return mixing.refined(seen, face, rims.find(seen, face))


def _in_picture(line: Line, scale: float, box: Box) -> Line:
    x0, y0, x1, y1 = (v / scale + o for v, o in zip(line, (box.x0, box.y0) * 2, strict=True))
    return x0, y0, x1, y1


def _outward(face: Face, line: Line, scale: float, box: Box) -> NDArray[np.float32]:
    """How far outward each px of a line is, px of the picture that was given."""
    long = max(2, math.ceil(math.hypot(line[2] - line[0], line[3] - line[1])) + 1)
    share = np.linspace(0, 1, long)
    x = (line[0] + (line[2] - line[0]) * share - box.x0) * scale - 0.5
    y = (line[1] + (line[3] - line[1]) * share - box.y0) * scale - 0.5
    return -rims.sampled(face.distance[..., None], x, y)[:, 0] / np.float32(scale)


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


class _Again:
    """What was found, drawn again over the picture's own ground."""

    def __init__(self, seen: Seen, face: Face, parts: _Read) -> None:
        found, thrown, paint = parts.rims, parts.thrown, parts.paint
        out = -face.distance
        outer = found[-1].end if found else 0.0
        rgb = seen.rgb.copy()
        if thrown is not None:
            cover = shifted(within(out - outer), thrown.dx, thrown.dy, thrown.blur)
            # where it is not seen through, the picture's ground says nothing of it
            share = (cover * thrown.opacity)[..., None]
            rgb = np.where(share > 0.5, rgb * (1 - share) + thrown.rgb * share, rgb)
        for rim in reversed(found):
            rgb = _over(rgb, rim.rgb, within(out - rim.end))
        rgb = _over(rgb, paints.over(paint, face, out.shape), face.alpha)
        self._off = apart(oklab(rgb.astype(np.float32)), seen.lab)
        self._where = out < outer + 0.5

    def sure(self, where: Mask) -> float:
        """The share of px there that hardly differ."""
        return float((self._off[where] < JUST_SEEN).mean()) if where.any() else 0.0

    def difference(self) -> float:
        """Mean unlikeness where the lettering is."""
        return float(self._off[self._where].mean())


def _over(below: Plane, colour: Plane, cover: Plane) -> Plane:
    return below * (1 - cover[..., None]) + colour * cover[..., None]
