"""What was found, drawn again over the picture, and how near it comes."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Mask, Plane
from . import paints
from .face import Face
from .paints import FacePaint
from .rims import FoundRim
from .seen import Seen, apart, oklab
from .shadow_fit import shifted, within
from .throws import Throw

JUST_SEEN = 0.03
"""Unlikeness in OKLab that is hardly seen."""


class ReadParts(NamedTuple):
    """Parts of a look in px of the picture as it is read."""

    rims: list[FoundRim]
    thrown: Throw | None
    paint: FacePaint


def drawn_flat(face: Face, parts: ReadParts, below: Plane) -> Plane:
    """The rims and the face over (H, W, 3) float32."""
    out, rgb = -face.distance, below
    for rim in reversed(parts.rims):
        rgb = _over(rgb, rim.rgb, within(out - rim.end))
    return _over(rgb, paints.over(parts.paint, face, out.shape), face.alpha)


class DrawnAgain:
    """What was found, drawn again over the picture's own ground."""

    def __init__(self, seen: Seen, face: Face, parts: ReadParts) -> None:
        found, thrown = parts.rims, parts.thrown
        out = -face.distance
        outer = found[-1].end if found else 0.0
        rgb = seen.rgb.copy()
        if thrown is not None:
            cover = shifted(within(out - outer), thrown.dx, thrown.dy, thrown.blur)
            # where it is not seen through, the picture's ground says nothing of it
            share = (cover * thrown.opacity)[..., None]
            rgb = np.where(share > 0.5, rgb * (1 - share) + thrown.rgb * share, rgb)
        rgb = drawn_flat(face, parts, rgb)
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
