"""What the lettering throws on the ground: its silhouette moved, hard or soft."""

from __future__ import annotations

import functools
from typing import NamedTuple

import cv2
import numpy as np
from scipy import fft
from scipy.optimize import minimize

from ..arrays import Mask, Plane
from .face import ColourModel
from .seen import Seen, apart, oklab

FARTHEST = 0.16
"""How far a shadow may lie, of the picture's shorter side; a quarter of it is the most blur."""
BLURS = (0.0, 3.0, 6.0, 10.0, 16.0)
"""Standard deviations that are tried first, px."""
LEAST_SEEN = 0.035
"""Unlikeness of a shadow's colour and its ground, in OKLab."""
LEAST_GAIN = 0.5
"""Share of what is unlike the even ground where it lies that a shadow has to account for."""
MOST_PX = 50_000
UNLIKELY = 1e12
TAILS = 4.0
"""Degrees of freedom: the fewer, the less is made of what is far off."""
EIGHT_BITS = np.float32(0.012)
"""What is left where colours were rounded and edges are not quite where they are thought to be."""
ROUGH = 0.03
"""From so rough a ground on it is told how much of it a shadow lets through."""
EDGE = 1.5
"""px beside the outermost edge that are a mixture."""


class Throw(NamedTuple):
    """px it is moved by; the standard deviation of its blur, px; its colour where it is whole, and how much
    of what was beside the lettering it accounts for"""

    dx: float
    dy: float
    blur: float
    rgb: Plane
    opacity: float
    gain: float


class _Ground(NamedTuple):
    """Where it is seen; its colours without anything on it; what is there beyond them; and how much of
    that there is anyway, as a deviation in encoded values."""

    where: Mask
    rgb: Plane
    rest: Plane
    rough: float


def _ground(seen: Seen, outside: Plane) -> _Ground:
    where = outside > EDGE
    model = ColourModel(seen.rgb, where)
    if model.order > 0:
        # what lies near the lettering may be shadow: the ground is told by what lies far from it
        far = where & (outside > np.quantile(outside[where], 0.5))
        model = ColourModel(seen.rgb, far)
    rgb = model.over(*where.shape)
    rest = np.where(where[..., None], seen.rgb - rgb, 0).astype(np.float32)
    far = where & (outside > np.quantile(outside[where], 0.5))
    rough = 1.4826 * float(np.median(np.abs(rest[far]))) if far.any() else 0.0
    return _Ground(where, rgb, rest, rough)


def _best_shift(ground: _Ground, shape: Plane, blur: float, reach: int) -> tuple[float, int, int]:
    """How much a shadow so soft accounts for where it does best, and where that is."""
    height, width = shape.shape
    size = (fft.next_fast_len(height + reach), fft.next_fast_len(width + reach))
    soft = shape if blur <= 0 else cv2.GaussianBlur(shape, (0, 0), blur)
    other = np.conj(fft.rfft2(soft, size))
    squares = np.conj(fft.rfft2(soft * soft, size))

    def correlated(plane: Plane, by: Plane) -> Plane:
        got = fft.irfft2(fft.rfft2(plane, size) * by, size)
        got = np.roll(got, (reach, reach), (0, 1))
        return np.asarray(got[: 2 * reach + 1, : 2 * reach + 1], np.float32)

    room = correlated(ground.where.astype(np.float32), squares)
    told = sum(correlated(ground.rest[..., c], other) ** 2 for c in range(3))
    gain = told / np.maximum(room, 0.002 * float(soft.sum()) + 20)
    y, x = np.unravel_index(int(gain.argmax()), gain.shape)
    return float(gain[y, x]), int(x) - reach, int(y) - reach


def shifted(shape: Plane, dx: float, dy: float, blur: float) -> Plane:
    """A coverage moved by px and made soft."""
    height, width = shape.shape
    way = np.array([[1, 0, dx], [0, 1, dy]], np.float32)
    moved = cv2.warpAffine(shape, way, (width, height), flags=cv2.INTER_LINEAR)
    return moved if blur < 0.25 else cv2.GaussianBlur(moved, (0, 0), blur)


def find(seen: Seen, outside: Plane) -> Throw | None:
    """The shadow of what ends where `outside` is 0: (H, W) float32, px outward of the outermost edge."""
    shape = np.clip(0.5 - outside, 0, 1).astype(np.float32)
    ground = _ground(seen, outside)
    if ground.where.mean() < 0.02:
        return None
    whole = _View(seen.rgb, shape, ground)
    half = whole.halved()
    starts = [2 * start for start in _starts(half.halved())] + _correlated(half)
    starts = sorted(starts, key=lambda values: _unlikely(half, values))[:2]
    fits = [_refined(half, start) for start in starts]
    best = min(fits, key=lambda fit: _unlikely(half, fit)) * (2, 2, 2, 1)
    cover = shifted(shape, *best[:3]) * np.float32(best[3])
    colour = _colour(seen.rgb, ground, cover)
    gain = _gain(seen.rgb, ground, cover, colour)
    behind = float((cover[ground.where] > 0.3).sum())
    unlike = float(np.median(apart(oklab(ground.rgb[ground.where][::50]), oklab(colour))))
    if gain < LEAST_GAIN or unlike < LEAST_SEEN or behind < 40 or np.hypot(*best[:2]) < 1:
        return None
    if seen.clear:
        colour, opacity = _own_colour(seen, ground.where, cover, colour)
    else:
        opacity = float(best[3])
    dx, dy, blur = (float(value) for value in best[:3])
    return Throw(dx, dy, blur, colour, opacity, gain)


def _starts(view: _View) -> list[np.ndarray]:
    """Shifts and blurs to begin with: the best of those to every side, (dx, dy, blur, opacity)."""
    tried = []
    for turn in np.arange(0, 2 * np.pi, np.pi / 6):
        for far in (1.5, 3, 5, 8, 12):
            for blur in (0.0, 2.0):
                values = np.array([far * np.cos(turn), far * np.sin(turn), blur, 1.0])
                tried.append((_unlikely(view, values), values))
    return [values for _, values in sorted(tried, key=lambda one: one[0])[:3]]


def _correlated(view: _View) -> list[np.ndarray]:
    """Where the silhouette accounts for most of what is unlike an even ground, however far."""
    reach = int(FARTHEST * min(view.shape.shape))
    tried = [(*_best_shift(view.ground, view.shape, blur / 2, reach), blur / 2) for blur in BLURS]
    _, dx, dy, blur = max(tried)
    return [np.array([dx, dy, blur, 1.0])]


class _Some(NamedTuple):
    """Some px of the ground: their places; what is there and what the ground is there, (3, n)."""

    places: np.ndarray
    rgb: Plane
    ground: Plane


class _View:
    """A picture, the silhouette in it, and its ground."""

    def __init__(self, rgb: Plane, shape: Plane, ground: _Ground) -> None:
        self.rgb, self.shape, self.ground = rgb, shape, ground

    @functools.cached_property
    def some(self) -> _Some:
        """Of px by the silhouette, as only they can be shadow."""
        far = cv2.distanceTransform((self.shape < 0.5).astype(np.uint8), cv2.DIST_L2, 3)
        near = self.ground.where & (far < 2 * FARTHEST * min(self.shape.shape))
        places = np.nonzero(near.ravel())[0]
        # by chance, so that no pattern of the picture falls in with theirs
        if len(places) > MOST_PX:
            places = np.sort(np.random.default_rng(1).choice(places, MOST_PX, replace=False))
        flat = (-1, 3)
        return _Some(
            places,
            np.ascontiguousarray(self.rgb.reshape(flat)[places].T, np.float32),
            np.ascontiguousarray(self.ground.rgb.reshape(flat)[places].T, np.float32),
        )

    def halved(self) -> _View:
        """The same at half the size."""
        ground = self.ground
        where = _halved(ground.where.astype(np.float32)) > 0.99
        small = _Ground(where, _halved(ground.rgb), _halved(ground.rest), ground.rough)
        return _View(_halved(self.rgb), _halved(self.shape), small)


def _halved(plane: Plane) -> Plane:
    height, width = plane.shape[:2]
    return np.asarray(cv2.resize(plane, (width // 2, height // 2), interpolation=cv2.INTER_AREA))


def _gain(rgb: Plane, ground: _Ground, cover: Plane, colour: Plane) -> float:
    """How much less unlike the picture is where the shadow lies, with it than without."""
    here = ground.where & (cover > 0.05)
    if not here.any():
        return 0.0
    a = cover[here][:, None]
    without = rgb[here] - ground.rgb[here]
    with_it = rgb[here] - ground.rgb[here] * (1 - a) - a * colour
    return 1 - float((a * with_it**2).sum()) / max(float((a * without**2).sum()), 1e-9)


def _unlikely(view: _View, values: np.ndarray) -> float:
    """How unlikely the picture is with a shadow: minus the logarithm of the likelihood, where what is
    left of the ground's own roughness under a cover a is (1 - a) of it, spread as Student's t in three
    dimensions: a few px that are far off, as along an edge, do not decide."""
    dx, dy, blur, opacity = values
    most = FARTHEST * min(view.shape.shape)
    if not (abs(blur) < most / 4 and np.hypot(dx, dy) < most and 0.2 <= opacity <= 1.0):
        return UNLIKELY
    some = view.some
    a = shifted(view.shape, dx, dy, abs(blur)).ravel()[some.places] * np.float32(opacity)
    variance = ((1 - a) * np.float32(view.ground.rough)) ** 2 + EIGHT_BITS**2
    here = some.rgb - some.ground * (1 - a)
    weight = a / variance
    colour = np.clip(here @ weight / max(float(weight @ a), 1e-6), 0, 1)
    off = ((here - a * colour[:, None]) ** 2).sum(0)
    far = (TAILS + 3) * np.log1p(off / (TAILS * variance))
    return float((far + 3 * np.log(variance)).sum())


def _refined(view: _View, start: np.ndarray) -> np.ndarray:
    """The most likely shift and blur, to some hundredths of a px, and of a rough ground the opacity."""
    free = 4 if view.ground.rough > ROUGH else 3
    first = np.array(start[:free])
    steps = np.diag([1.0, 1.0, 1.25, -0.2][:free])
    corners = np.concatenate([first[None], first + steps])

    def unlikely(values: np.ndarray) -> float:
        return _unlikely(view, np.array([*values, 1.0][:4]))

    got = minimize(unlikely, first, method="Nelder-Mead", options={
        "initial_simplex": corners, "xatol": 0.02, "fatol": 1e-2, "maxfev": 35 * (free - 1)}).x  # fmt: skip
    return np.array([got[0], got[1], abs(got[2]), got[3] if free == 4 else 1.0])


def _colour(rgb: Plane, ground: _Ground, cover: Plane) -> Plane:
    """The colour that leaves least: of what is hardly but shadow."""
    most = float(cover[ground.where].max(initial=0))
    here = ground.where & (cover > 0.7 * most)
    a = cover[here][:, None]
    over = rgb[here] - ground.rgb[here] * (1 - a)
    return np.clip((a * over).sum(0) / max(float((a * a).sum()), 1e-6), 0, 1).astype(np.float32)


def _own_colour(seen: Seen, where: Mask, cover: Plane, colour: Plane) -> tuple[Plane, float]:
    """Of a picture that lets something through, the colour itself and how strong it is; of others the two
    cannot be told from each other."""
    if not seen.clear:
        return colour, 1.0
    here = where & (cover > 0.3) & (seen.straight[..., 3] > 0.1)
    if here.sum() < 20:
        return colour, 1.0
    weight = cover[here]
    strong = float((seen.straight[here][:, 3] * weight).sum() / (weight * weight).sum())
    own = np.median(seen.straight[here][:, :3], axis=0)
    return np.asarray(own, np.float32), min(1.0, strong)
