"""Rims: bands of one colour outward of the face's edge, and where each ends to a part of a px."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any, NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from ..arrays import Mask, Plane
from .colours import mode
from .face import Face
from .seen import ALIKE, Seen, apart, share_of

BIN = 0.5
"""px of distance whose colours are looked at together."""
ALL_ROUND, SECTORS = 0.6, 8
"""A rim has its colour at so large a share of the places it goes by, to nearly every side."""
NEARLY_ALL = 0.93
"""Where so many have the colour no other is looked for."""
SOME = 2500
"""px of a ring that are looked at."""
MOST_RIMS = 6
STEADY = 0.01
"""Unlikeness of rings BIN px apart within one colour."""
LEAST_WIDE = 0.8
"""px; what is thinner is an edge between two colours."""


class FoundRim(NamedTuple):
    """From and to, px outward of the face's edge; its colour, encoded sRGB; the share of the places it
    goes by that have the colour."""

    start: float
    end: float
    rgb: Plane
    share: float


class _Ring(NamedTuple):
    """The most common colour at a distance, the share that has it, and of the side that has it least
    but one."""

    colour: Plane
    share: float
    least: float


def _ring(lab: Plane, sector: NDArray[np.int8], colour: Plane | None = None) -> _Ring:
    if colour is None:
        colour, _ = mode(lab)
    like = apart(lab, colour) < ALIKE
    sides = [float(like[sector == n].mean()) for n in range(SECTORS) if (sector == n).sum() > 12]
    return _Ring(colour, float(like.mean()), sorted(sides)[1] if len(sides) > 2 else 0.0)


def _sectors(face: Face) -> NDArray[np.int8]:
    turn = np.arctan2(face.normal[1], face.normal[0])
    return np.floor((turn + np.pi) / (2 * np.pi) * SECTORS).astype(np.int8) % SECTORS


def rings(seen: Seen, face: Face, reach: float) -> list[_Ring]:
    """What is seen at each distance outward, BIN px apart."""
    out, sector = -face.distance, _sectors(face)
    found: list[_Ring] = []
    step = np.floor(out / BIN).astype(np.int32)
    order = np.argsort(step, axis=None, kind="stable")
    cuts = np.searchsorted(step.ravel()[order], np.arange(0, int(reach / BIN) + 2))
    lab, sides = seen.lab.reshape(-1, 3), sector.ravel()
    for first, end in zip(cuts[:-1], cuts[1:], strict=True):
        here = order[first:end]
        here = here[:: max(1, len(here) // SOME)]
        if len(here) < 40:
            break
        found.append(_next_ring(lab[here], sides[here], found[-1] if found else None))
    return found


def _next_ring(lab: Plane, sides: NDArray[np.int8], before: _Ring | None) -> _Ring:
    """A colour that goes on is not given up for one that is a little more common."""
    same = None if before is None else _ring(lab, sides, before.colour)
    if same is not None and same.share > NEARLY_ALL:
        return same
    ring = _ring(lab, sides)
    if same is not None and same.share > 0.9 * ring.share and same.least > 0.8 * ring.least:
        return same
    return ring


def find(seen: Seen, face: Face) -> list[FoundRim]:
    """The rims from the face's edge outward; what goes on to the picture's end is ground."""
    height, width = face.alpha.shape
    reach = 0.3 * min(height, width)
    seen_rings = rings(seen, face, reach)
    return _found(
        seen, face, seen_rings, lambda first, end: _is_ground(seen, face, seen_rings, first, end)
    )


def _found(
    seen: Seen, face: Face, seen_rings: list[_Ring], is_last: Callable[[int, int], bool]
) -> list[FoundRim]:
    """The rims in what is seen at each distance, till a run is the last or there is none."""
    found: list[FoundRim] = []
    start, at = 0.0, 0
    while len(found) < MOST_RIMS:
        run = _next_run(seen_rings, at)
        if run is None or run[0] * BIN - start > 3.0:
            break
        first, end = run
        if end >= len(seen_rings) or is_last(first, end):
            break
        middle = slice(first, end)
        lab = np.median([ring.colour for ring in seen_rings[middle]], axis=0)
        share = max(ring.share for ring in seen_rings[middle])
        rgb = _colour(seen, face, lab, first * BIN, end * BIN)
        border = _border(seen, face, rgb, (first + end) / 2 * BIN, end * BIN)
        if border is None or border - start < LEAST_WIDE:
            at = end
            continue
        found.append(FoundRim(start, border, rgb, share))
        start, at = border, end
    return found


def inward(seen: Seen, face: Face) -> list[FoundRim]:
    """The rims from a face's edge inward, from and to px inward; what goes on to the innermost is the face."""
    turned = face._replace(distance=-face.distance, normal=(-face.normal[0], -face.normal[1]))
    seen_rings = rings(seen, turned, 0.5 * float(face.distance.max()))
    return _found(seen, turned, seen_rings, lambda first, end: False)


def between(seen: Seen, face: Face, ends: Sequence[float]) -> list[FoundRim]:
    """The rims that end where somebody says, px outward; ends that lie too near to others are none."""
    found: list[FoundRim] = []
    start, out = 0.0, -face.distance
    for end in sorted(ends):
        if end - start < LEAST_WIDE:
            continue
        inset = min(1.0, (end - start) / 3)
        here = (out > start + inset) & (out < end - inset)
        if here.sum() < 12:
            break
        colour, share = mode(seen.lab[here])
        like = here & (apart(seen.lab, colour) < ALIKE)
        rgb = np.asarray(np.median(seen.rgb[like], axis=0), np.float32)
        found.append(FoundRim(start, end, rgb, share))
        start = end
    return found


def _next_run(rings: list[_Ring], at: int) -> tuple[int, int] | None:
    """From and to of the next run of one colour that goes all round, and stays as it is somewhere: between
    two colours there are others all round too, but each for a moment."""
    for n in range(at, len(rings) - 1):
        colour = rings[n].colour
        if not _goes_on(rings[n], colour) or float(apart(rings[n + 1].colour, colour)) > STEADY:
            continue
        first = end = n
        while first > at and _goes_on(rings[first - 1], colour):
            first -= 1
        while end < len(rings) and _goes_on(rings[end], colour):
            end += 1
        if end - first >= 2:
            return first, end
    return None


def _goes_on(ring: _Ring, colour: Plane) -> bool:
    return (
        ring.share > ALL_ROUND
        and ring.least > 0.5 * ALL_ROUND
        and float(apart(ring.colour, colour)) < ALIKE
    )


def _is_ground(seen: Seen, face: Face, rings: list[_Ring], first: int, end: int) -> bool:
    """Whether a run is what lies all round the lettering too."""
    border = np.concatenate([seen.lab[:3].reshape(-1, 3), seen.lab[-3:].reshape(-1, 3),
                             seen.lab[:, :3].reshape(-1, 3), seen.lab[:, -3:].reshape(-1, 3)])  # fmt: skip
    colour = rings[end - 1].colour
    far = -face.distance > end * BIN + 4
    if not far.any():
        return True
    same = float((apart(seen.lab[far], colour) < 1.5 * ALIKE).mean())
    return bool((apart(border, colour) < 1.5 * ALIKE).mean() > 0.5 and same > 0.4)


def _colour(seen: Seen, face: Face, lab: Plane, start: float, end: float) -> Plane:
    """The rim's own colour, of px that lie whole in it."""
    out = -face.distance
    inset = min(1.0, (end - start) / 3)
    here = (out > start + inset) & (out < end - inset) & (apart(seen.lab, lab) < ALIKE)
    if here.sum() < 12:
        here = (out > start) & (out < end) & (apart(seen.lab, lab) < ALIKE)
    return np.asarray(np.median(seen.rgb[here], axis=0), np.float32)


def _border(seen: Seen, face: Face, rgb: Plane, inner: float, guess: float) -> float | None:
    """Where a rim ends: where half of what lies there is of its colour. What it is mixed with is looked
    for further out along the way outward, as it may be anything."""
    out = -face.distance
    near: Mask = (out > max(inner - 0.5, guess - 3.0)) & (out < guess + 3.0)
    ys, xs = np.nonzero(near)
    if len(xs) < 40:
        return None
    if len(xs) > 60_000:
        ys, xs = ys[:: len(xs) // 60_000 + 1], xs[:: len(xs) // 60_000 + 1]
    here = out[ys, xs]
    on = guess + 3.2 - here
    beyond = sampled(seen.rgb, xs + face.normal[0][ys, xs] * on, ys + face.normal[1][ys, xs] * on)
    differs = np.abs(beyond - rgb).max(1) > 0.08
    # normals do not lead outward where letters are near each other
    led = sampled(
        out[..., None], xs + face.normal[0][ys, xs] * on, ys + face.normal[1][ys, xs] * on
    )[:, 0]
    use = differs & (np.abs(led - (here + on)) < 0.7)
    if use.sum() < 40:
        return None
    share = share_of(np.broadcast_to(rgb, (int(use.sum()), 3)), beyond[use], seen.rgb[ys, xs][use])
    here = here[use]
    edges = np.arange(here.min(), here.max() + 0.25, 0.25)
    place = np.digitize(here, edges)
    curve = [
        (float(here[place == n].mean()), float(np.median(share[place == n])))
        for n in range(1, len(edges))
        if (place == n).sum() > 8
    ]
    for (a, high), (b, low) in zip(curve[:-1], curve[1:], strict=True):
        if high >= 0.5 > low:
            return a + (high - 0.5) / (high - low) * (b - a)
    return None


def sampled(plane: Plane, x: NDArray[Any], y: NDArray[Any]) -> Plane:
    """(n, C) between px, at px places (a px's own is its number)."""
    shape = (len(x), 1, plane.shape[2])
    parts = []
    for first in range(0, len(x), 30_000):
        xs, ys = x[first : first + 30_000], y[first : first + 30_000]
        parts.append(
            cv2.remap(plane, xs.astype(np.float32)[:, None], ys.astype(np.float32)[:, None], cv2.INTER_LINEAR,
                      borderMode=cv2.BORDER_REPLICATE).reshape(len(xs), 1, -1)
        )  # fmt: skip
    return np.concatenate(parts).reshape(shape)[:, 0]
