"""The colours of a picture: clusters in OKLab, with the share of the picture each takes."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ..arrays import DeepPixels
from ..colour.spaces import from_oklab, to_oklab
from ..model import Colour, Gradient, Stop

MOST_PIXELS = 20_000


class Found(NamedTuple):
    """A colour of a picture, and the share of its px that are nearest to it."""

    colour: Colour
    share: float


def colours_of(pixels: DeepPixels, count: int = 6) -> list[Found]:
    """k-means over a reduced picture, darkest first; clear pixels do not count.

    pixels : (H, W, 4) uint8 straight RGBA
    """
    height, width = pixels.shape[:2]
    factor = min(1.0, (MOST_PIXELS / max(height * width, 1)) ** 0.5)
    small = cv2.resize(
        pixels,
        (max(1, int(width * factor)), max(1, int(height * factor))),
        interpolation=cv2.INTER_AREA,
    )
    seen = small.reshape(-1, 4)
    seen = seen[seen[:, 3] > 127][:, :3]
    if not len(seen):
        return []
    lab = np.ascontiguousarray(to_oklab(seen.T / 255).T, np.float32)
    count = min(count, len(np.unique(seen, axis=0)))
    cv2.setRNGSeed(7)
    _, labels, centres = cv2.kmeans(
        lab,
        count,
        None,
        (cv2.TERM_CRITERIA_EPS + cv2.TERM_CRITERIA_MAX_ITER, 40, 1e-4),
        3,
        cv2.KMEANS_PP_CENTERS,
    )
    shares = np.bincount(labels.ravel(), minlength=count) / len(labels)
    order = np.argsort(centres[:, 0])
    rgb = np.clip(from_oklab(centres.T.astype(float)).T, 0, 1)
    return [
        Found(Colour(*(round(float(v) * 255) for v in rgb[n])), float(shares[n]))
        for n in order
        if shares[n] > 0
    ]


def gradient_of(found: list[Found]) -> Gradient:
    """From the darkest to the brightest, each as far along as its share of the picture."""
    if len(found) < 2:
        colour = found[0].colour if found else Colour(128, 128, 128)
        return Gradient(stops=(Stop(0, colour), Stop(1, colour)))
    ends = np.cumsum([f.share for f in found])
    middles = ends - np.array([f.share for f in found]) / 2
    at = (middles - middles[0]) / max(float(middles[-1] - middles[0]), 1e-6)
    stops = tuple(Stop(round(float(a), 3), f.colour) for a, f in zip(at, found, strict=True))
    return Gradient(stops=stops, angle=0.0)


def pair_of(colour: Colour) -> tuple[Colour, Colour]:
    """A light and a dark of one hue: where a gradient starts (moved in OKLCH)."""
    lab = to_oklab(np.array(colour.floats[:3]))
    pair = []
    for lift, chroma in ((0.14, 0.85), (-0.2, 1.0)):
        light = float(np.clip(lab[0] + lift, 0.08, 0.97))
        rgb = np.clip(from_oklab(np.array([light, lab[1] * chroma, lab[2] * chroma])), 0, 1)
        r, g, b = (round(float(v) * 255) for v in rgb)
        pair.append(Colour(r, g, b, colour.a))
    return pair[0], pair[1]
