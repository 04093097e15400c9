"""Colours by how deep inside the edge they lie: where the depth says more of them than the face's paint does."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Mask, Plane
from ..model import Colour, Gradient, Position, Span, Stop, Stroke
from .seen import apart

STEP = 0.75
"""px of depth that are looked at together."""
SAID = 0.6
"""Share of what the paint leaves unsaid that the depth may leave, at most."""
LEAST_DEEP, MOST_STOPS = 2.0, 24


class Profile(NamedTuple):
    """to : px inward that it goes; colours : (n, 3) sRGB-encoded at even steps from the edge to there"""

    to: float
    colours: Plane


def profile_of(rgb: Plane, lab: Plane, off: Plane, depth: Plane, inside: Mask) -> Profile | None:
    """The colours along the edge inward as far as they go by depth; None where they do not.

    rgb, lab : (H, W, 3) float32; off : (H, W), how far from the picture what was drawn so far is, OKLab;
    depth : (H, W), px inside the edge
    """
    d = depth[inside]
    if not len(d):
        return None
    colours, spread, unsaid = [], [], []
    for low in np.arange(0.0, float(np.quantile(d, 0.9)), STEP):
        here = (d >= low) & (d < low + STEP)
        if here.sum() < 60:
            break
        px = lab[inside][here]
        middle = np.median(px, axis=0)
        colours.append(np.median(rgb[inside][here], axis=0))
        spread.append(float(np.median(apart(px, middle))))
        unsaid.append(float(np.median(off[inside][here])))
    goes = [s < SAID * u and u > 0.02 for s, u in zip(spread, unsaid, strict=True)]
    # the outermost px are mixtures
    count = next((n for n, yes in enumerate(goes) if not yes and n > 1), len(goes))
    if count * STEP < LEAST_DEEP or not any(goes[:2]):
        return None
    return Profile(float(count * STEP), np.array(colours[:count], np.float32))


def coat_of(profile: Profile) -> Stroke:
    """A stroke along the edge inward whose colours go by depth; its lengths in px."""
    many = profile.colours
    keep = np.unique(
        np.round(np.linspace(0, len(many) - 1, min(len(many), MOST_STOPS))).astype(int)
    )
    stops = tuple(
        Stop(
            round(float(n + 0.5) / len(many), 4), Colour(*(int(v) for v in np.round(many[n] * 255)))
        )
        for n in keep
    )
    if len(stops) == 1:
        stops = (*stops, Stop(1.0, stops[0].colour))
    paint = Gradient(stops=stops, shape="edge", space="srgb")
    span = Span(Position(0.0, "px"), Position(round(float(profile.to), 2), "px"))
    return Stroke(id="edge", name="Edge", paint=paint, span=span)
