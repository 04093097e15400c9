"""The edge of the face of all letters, to parts of a px."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ..arrays import Chords, Mask, Plane
from ..box import Box
from ..field.closest import nearest
from ..field.coverage import rasterise
from ..field.raster import traced
from .colours import mode, spread
from .seen import ALIKE, Seen, Unreadable, apart, oklab, share_of

MIXED = 0.06
"""How far in encoded values a mixture of two colours is off the line between them."""


class Face(NamedTuple):
    """alpha : (H, W) float32, how much of each px it covers; distance : px, + inside; normal : the way
    out, (H, W) float32 each; chords : its outlines"""

    alpha: Plane
    distance: Plane
    normal: tuple[Plane, Plane]
    chords: Chords


def edge_of(seen: Seen, core: Mask) -> Face:
    """The face's own edge to parts of a px, from the share of its colour in what lies along it."""
    inner = spread(seen.rgb, core)
    crude = cv2.distanceTransform((~core).astype(np.uint8), cv2.DIST_L2, 5)
    near = crude < 5
    off = np.full(core.shape, 9.0, np.float32)
    off[near] = apart(seen.lab[near], oklab(inner[near]))
    contrast = float(np.median(off[(crude > 3.5) & (crude < 4.6)])) if core.any() else 0.0
    body = core | ((crude < 2.6) & (off < 0.4 * contrast))
    body = cv2.morphologyEx(body.astype(np.uint8), cv2.MORPH_CLOSE, np.ones((3, 3))) > 0
    far = cv2.distanceTransform((~body).astype(np.uint8), cv2.DIST_L2, 5)
    ring = (far > 1.2) & (far < 2.4)
    colour, share = mode(seen.lab[ring])
    near = far < 2.0
    if share > 0.6:
        rim = np.median(seen.rgb[ring & (apart(seen.lab, colour) < ALIKE)], axis=0)
        outer: Plane = np.broadcast_to(rim.astype(np.float32), seen.rgb.shape)
        near |= _hairlines(seen.rgb, inner, outer, body)
    else:
        outer = spread(seen.rgb, (far > 2.2) & (far < 4.5))
    near &= ~core
    alpha = core.astype(np.float32)
    alpha[near] = share_of(inner[near], outer[near], seen.rgb[near])
    alpha[alpha < 0.02] = 0
    return face_of(alpha)


def face_of(alpha: Plane) -> Face:
    """A face of its coverage, (H, W) float32. Raises Unreadable where that has no edge."""
    around = Box(0, 0, alpha.shape[1], alpha.shape[0])
    chords = traced(alpha, around)
    if not len(chords):
        raise Unreadable("No edge of a face was found.")
    _, inside = rasterise(chords, around)
    distance = nearest(chords, inside, around).distance
    soft = cv2.GaussianBlur(distance, (0, 0), 1.0)
    gx, gy = cv2.Sobel(soft, cv2.CV_32F, 1, 0), cv2.Sobel(soft, cv2.CV_32F, 0, 1)
    length = np.maximum(np.hypot(gx, gy), 1e-6)
    return Face(alpha, distance, (-gx / length, -gy / length), chords)


def _hairlines(rgb: Plane, inner: Plane, outer: Plane, body: Mask) -> Mask:
    """The px of parts too thin to have any px of their own: mixtures of both colours in one piece with
    the body, and what is beside them."""
    share = share_of(inner, outer, rgb)
    mixed = np.abs(outer + share[..., None] * (inner - outer) - rgb).max(2) < MIXED
    thin = (mixed & (share > 0.3)) | body
    _, labels = cv2.connectedComponents(thin.astype(np.uint8), connectivity=8)
    held = np.unique(labels[body])
    joined = np.isin(labels, held[held > 0]) & ~body
    return np.asarray(cv2.dilate(joined.astype(np.uint8), np.ones((3, 3))) > 0)
