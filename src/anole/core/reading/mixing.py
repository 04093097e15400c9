"""Colours of thin rims, of px that are all mixtures: told by what each px is a mixture of."""

from __future__ import annotations

from collections.abc import Sequence

import cv2
import numpy as np

from ..arrays import Plane
from .colours import spread
from .face import Face
from .rims import FoundRim
from .seen import Seen
from .shadow_fit import within

SOFT = 4.0
"""px by which picture and mixtures are made soft alike: files that keep colours more coarsely than
lightness spread them by a px or two, and that makes no difference then."""
THIN, WHOLE = 4.0, 0.985
"""A rim is looked at so if it is thinner, px, and not nearly all of it has its colour."""

LUMA = np.array([0.299, 0.587, 0.114])


def refined(seen: Seen, face: Face, rims: Sequence[FoundRim]) -> list[FoundRim]:
    """The rims, the colours of thin ones in rough pictures as the mixtures say: least squares of
    picture = sum of covers x colours."""
    if not any(map(_is_thin, rims)):
        return list(rims)
    out = -face.distance
    covers = [within(out - rim.end) - within(out - rim.start) for rim in rims]
    ground = spread(seen.rgb, (out > rims[-1].end + 3) & (out < rims[-1].end + 9))
    inner = spread(seen.rgb, out < -3)
    rest = (1 - within(out - rims[-1].end))[..., None] * ground + within(out)[..., None] * inner
    left = cv2.GaussianBlur((seen.rgb - rest).astype(np.float32), (0, 0), SOFT)
    soft = [cv2.GaussianBlur(cover, (0, 0), SOFT) for cover in covers]
    here = (out > -2) & (out < rims[-1].end + 1)
    terms = np.stack([plane[here] for plane in soft], 1)
    colours = np.linalg.lstsq(terms, left[here], rcond=None)[0]
    return [
        rim._replace(rgb=_as_light(colours[n], rim.rgb)) if _is_thin(rim) else rim
        for n, rim in enumerate(rims)
    ]


def _is_thin(rim: FoundRim) -> bool:
    return rim.end - rim.start < THIN and rim.share < WHOLE


def _as_light(colour: Plane, as_light: Plane) -> Plane:
    """A colour with the luma of another (weights of Rec. 601): files keep that px by px."""
    return np.clip(colour + (as_light - colour) @ LUMA, 0, 1).astype(np.float32)
