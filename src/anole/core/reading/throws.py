"""What the lettering throws on the ground: its silhouette moved, hard or soft."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import cv2
import numpy as np
from scipy import fft

from ..arrays import Mask, Plane
from ..isolation.client import never
from .colours import ColourModel
from .seen import Seen, apart, oklab
from .shadow_fit import FARTHEST, Ground, View, refined, shifted, unlikely, within

BLURS = (0.0, 3.0, 6.0, 10.0, 16.0)
"""Standard deviations that are tried first, px."""
LEAST_SEEN = 0.035
"""Unlikeness of a shadow's colour and its ground, in OKLab."""
LEAST_GAIN = 0.5
"""Share of what is unlike the even ground where it lies that a shadow has to account for."""
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

    def scaled(self, by: float) -> Throw:
        """The same in other px."""
        return self._replace(dx=self.dx * by, dy=self.dy * by, blur=self.blur * by)


def ground_of(seen: Seen, outside: Plane) -> Ground:
    """What lies round the lettering, as it would be without it."""
    where = outside > EDGE
    model = ColourModel(seen.rgb, where)
    far = where & (outside > np.quantile(outside[where], 0.5)) if where.any() else where
    if model.order > 0:
        # what lies near the lettering may be shadow: the ground is told by what lies far from it
        model = ColourModel(seen.rgb, far)
    rgb = model.over(*where.shape)
    rest = np.where(where[..., None], seen.rgb - rgb, 0).astype(np.float32)
    rough = 1.4826 * float(np.median(np.abs(rest[far]))) if far.any() else 0.0
    return Ground(where, rgb, rest, rough)


def _best_shift(ground: Ground, shape: Plane, blur: float, reach: int) -> tuple[float, int, int]:
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


def find(seen: Seen, outside: Plane, stop: Callable[[], bool] = never) -> Throw | None:
    """The shadow of what ends where `outside` is 0: (H, W) float32, px outward of the outermost edge.
    Raises GivenUp when it is to stop."""
    shape = within(outside)
    ground = ground_of(seen, outside)
    if ground.where.mean() < 0.02:
        return None
    whole = View(seen.rgb, shape, ground, stop)
    half = whole.halved()
    starts = [2 * start for start in _starts(half.halved())] + _correlated(half)
    starts = sorted(starts, key=lambda values: unlikely(half, values))[:2]
    fits = [refined(half, start) for start in starts]
    best = min(fits, key=lambda fit: unlikely(half, fit)) * (2, 2, 2, 1)
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


def _starts(view: View) -> list[np.ndarray]:
    """Shifts and blurs to begin with: the best of those to every side, (dx, dy, blur, opacity)."""
    tried = []
    for turn in np.arange(0, 2 * np.pi, np.pi / 6):
        for far in (1.5, 3, 5, 8, 12):
            for blur in (0.0, 2.0):
                values = np.array([far * np.cos(turn), far * np.sin(turn), blur, 1.0])
                tried.append((unlikely(view, values), values))
    return [values for _, values in sorted(tried, key=lambda one: one[0])[:3]]


def _correlated(view: View) -> list[np.ndarray]:
    """Where the silhouette accounts for most of what is unlike an even ground, however far."""
    reach = int(FARTHEST * min(view.shape.shape))
    tried = [(*_best_shift(view.ground, view.shape, blur / 2, reach), blur / 2) for blur in BLURS]
    _, dx, dy, blur = max(tried)
    return [np.array([dx, dy, blur, 1.0])]


def _gain(rgb: Plane, ground: Ground, cover: Plane, colour: Plane) -> float:
    """How much less unlike the picture is where the shadow lies, with it than without."""
    here = ground.where & (cover > 0.05)
    if not here.any():
        return 0.0
    a = cover[here][:, None]
    without = rgb[here] - ground.rgb[here]
    with_it = rgb[here] - ground.rgb[here] * (1 - a) - a * colour
    return 1 - float((a * with_it**2).sum()) / max(float((a * without**2).sum()), 1e-9)


def _colour(rgb: Plane, ground: Ground, cover: Plane) -> Plane:
    """The colour that leaves least: of what is hardly but shadow."""
    most = float(cover[ground.where].max(initial=0))
    here = ground.where & (cover > 0.7 * most)
    a = cover[here][:, None]
    over = rgb[here] - ground.rgb[here] * (1 - a)
    return np.clip((a * over).sum(0) / max(float((a * a).sum()), 1e-6), 0, 1).astype(np.float32)


def _own_colour(seen: Seen, where: Mask, cover: Plane, colour: Plane) -> tuple[Plane, float]:
    """Of a picture that lets something through, the colour itself and how strong it is."""
    here = where & (cover > 0.3) & (seen.straight[..., 3] > 0.1)
    if here.sum() < 20:
        return colour, 1.0
    weight = cover[here]
    strong = float((seen.straight[here][:, 3] * weight).sum() / (weight * weight).sum())
    own = np.median(seen.straight[here][:, :3], axis=0)
    return np.asarray(own, np.float32), min(1.0, strong)
