"""Which silhouette a look stands on: the even face of the letters, or all that stands out from the ground."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Plane
from . import mixing, paints, rims
from .again import ReadParts, drawn_flat
from .body import body_face, ground_px, peeled
from .face import Face
from .parts import Parts
from .rims import FoundRim
from .seen import Seen, Unreadable, apart, oklab
from .throws import ground_of

GOOD, MOST_OF_IT = 0.025, 0.3
"""Unlikeness, mean in OKLab, of a face and its rims drawn again, up to which they are believed where they
are so large a share of what stands out: what is left may be thrown."""
BETTER = 0.97
"""Share of the unlikeness of the even face that the body must come down to."""


class Silhouette(NamedTuple):
    """The face, and the rims round it."""

    face: Face
    rims: list[FoundRim]


def of_face(seen: Seen, face: Face) -> Silhouette:
    """The face as it is, and its rims outward."""
    return Silhouette(face, mixing.refined(seen, face, rims.find(seen, face)))


def of_body(parts: Parts) -> Silhouette:
    """What stands out from the ground. Raises Unreadable."""
    return Silhouette(*peeled(parts.seen, body_face(parts)))


def better(parts: Parts, even: Silhouette) -> Silhouette:
    """The even face, unless it leaves much of what stands out unsaid, and the body says more of it."""
    if _is_said(parts, even):
        return even
    try:
        body = of_body(parts)
    except Unreadable:
        return even
    outside = np.minimum(_outside(even), _outside(body))
    ground, where = ground_of(parts.seen, outside).rgb, outside < 1.0
    off, said = (float(_offs(parts.seen, one, ground)[where].mean()) for one in (even, body))
    return body if said < BETTER * off else even


def _is_said(parts: Parts, even: Silhouette) -> bool:
    """Whether a face and its rims are like the picture, and much of all that stands out."""
    own = _outside(even) < 0.5
    if own.sum() < MOST_OF_IT * (~ground_px(parts)).sum():
        return False
    return float(_offs(parts.seen, even, parts.seen.rgb)[own].mean()) < GOOD


def _outside(one: Silhouette) -> Plane:
    return -one.face.distance - (one.rims[-1].end if one.rims else 0.0)


def _offs(seen: Seen, one: Silhouette, ground: Plane) -> Plane:
    """(H, W): how far a silhouette drawn again over the plain ground is from the picture, in OKLab."""
    parts = ReadParts(one.rims, None, paints.read(seen, one.face))
    return apart(oklab(drawn_flat(one.face, parts, ground)), seen.lab)
