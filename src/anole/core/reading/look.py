"""A look read off a picture: its face, its rims, what it throws, and how sure each of them is."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import cv2
import numpy as np

from ..arrays import Mask, Pixels, Plane
from ..box import Box
from ..field.shape_fields import bounds
from . import mixing, offered, paints, rims, throws
from .face import Face, edge_of
from .paints import FacePaint
from .parts import Parts, parts_of_face
from .rims import FoundRim
from .seen import Seen, Unreadable, apart, look_at, oklab
from .shadow_fit import shifted, within
from .throws import Throw

JUST_SEEN = 0.03
"""Unlikeness in OKLab that is hardly seen."""
TALL = 0.6
"""A letter as tall as this share of the tallest counts for how tall letters are."""

Line = tuple[float, float, float, float]
"""x0, y0, x1, y1 in px: from the ground over all rims into the middle of a stem."""


class Look(NamedTuple):
    """What was read. Lengths and places in px of the picture that was given.

    sure : 0 to 1 of each, the share of px that are hardly seen to differ; difference : mean in OKLab of
    what was found, drawn again, from the picture, where the lettering is; ink_height : from the top of all
    letters to their foot
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

    @property
    def sure(self) -> float:
        """How sure the least sure of it is."""
        thrown = () if self.thrown is None else (self.sure_throw,)
        return min(self.sure_face, *self.sure_rims, *thrown, 1.0)


def read(
    pixels: Pixels,
    box: Box | None = None,
    line: Line | None = None,
    told: Callable[[float], object] = lambda share: None,
) -> Look:
    """The look of lettering in a picture (H, W, 4) uint8, not premultiplied; without a line, along one of
    the program's own. Raises Unreadable."""
    whole = Box(0, 0, pixels.shape[1], pixels.shape[0])
    box = whole if box is None else box.meet(whole)
    seen = look_at(pixels, box)
    told(0.1)
    scale = seen.scale
    parts = Parts(seen)
    if line is None:
        at, core = offered.inner_end(parts)
    else:
        at = (line[2] - box.x0) * scale, (line[3] - box.y0) * scale
        _crosses(line, box)
        core = parts_of_face(parts, parts.at(*at))
    face = edge_of(seen, core)
    told(0.4)
    found = mixing.refined(seen, face, rims.find(seen, face))
    told(0.6)
    outer = found[-1].end if found else 0.0
    thrown = throws.find(seen, -face.distance - outer)
    told(0.9)
    paint = paints.read(seen, face)
    if line is None:
        line = offered.line_to(face, at, outer)
        line = tuple(v / scale + o for v, o in zip(line, (box.x0, box.y0) * 2, strict=True))  # type: ignore[assignment]
    again = _Again(seen, face, paint, found, thrown)
    told(1.0)
    return Look(
        box, line, paint,
        tuple(rim._replace(start=rim.start / scale, end=rim.end / scale) for rim in found),
        None if thrown is None else thrown._replace(dx=thrown.dx / scale, dy=thrown.dy / scale, blur=thrown.blur / scale),
        cap_height(face) / scale,
        again.sure(face.distance > 1),
        tuple(again.sure((-face.distance > rim.start + 0.7) & (-face.distance < rim.end - 0.7)) for rim in found),
        0.0 if thrown is None else min(1.0, max(0.0, thrown.gain)),
        again.difference(), ink_height(face) / scale,
    )  # fmt: skip


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

    def __init__(
        self,
        seen: Seen,
        face: Face,
        paint: FacePaint,
        found: list[FoundRim],
        thrown: Throw | None,
    ) -> None:
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
