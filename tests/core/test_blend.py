"""Every blend mode against the standard's formulas, written out one value at a time."""

import numpy as np
import pytest

from anole.core.box import Box
from anole.core.compose import blend
from anole.core.compose.dirty_spans import whole

LUM = (0.3, 0.59, 0.11)
K = (0.2, 0.7, 0.9, -0.3)


def hard(b, s):
    return 2 * b * s if s <= 0.5 else b + (2 * s - 1) - b * (2 * s - 1)


def soft(b, s):
    d = ((16 * b - 12) * b + 4) * b if b <= 0.25 else b**0.5
    return b - (1 - 2 * s) * b * (1 - b) if s <= 0.5 else b + (2 * s - 1) * (d - b)


def dodge(b, s):
    return 0 if b == 0 else 1 if s == 1 else min(1, b / (1 - s))


def burn(b, s):
    return 1 if b == 1 else 0 if s == 0 else 1 - min(1, (1 - b) / s)


SEPARABLE = {
    "normal": lambda b, s: s,
    "multiply": lambda b, s: b * s,
    "screen": lambda b, s: b + s - b * s,
    "overlay": lambda b, s: hard(s, b),
    "darken": min,
    "lighten": max,
    "color-dodge": dodge,
    "color-burn": burn,
    "hard-light": hard,
    "soft-light": soft,
    "difference": lambda b, s: abs(b - s),
    "exclusion": lambda b, s: b + s - 2 * b * s,
    "arithmetic": lambda b, s: min(max(K[0] * s * b + K[1] * s + K[2] * b + K[3], 0), 1),
}


def lum(c):
    return sum(k * v for k, v in zip(LUM, c, strict=True))


def clip(c):
    mean, low, high = lum(c), min(c), max(c)
    if low < 0:
        c = [mean + (v - mean) * mean / (mean - low) for v in c]
    if high > 1:
        c = [mean + (v - mean) * (1 - mean) / (high - mean) for v in c]
    return c


def set_lum(c, wanted):
    return clip([v + wanted - lum(c) for v in c])


def set_sat(c, wanted):
    low, high = min(c), max(c)
    return [(v - low) * wanted / (high - low) if high > low else 0 for v in c]


def sat(c):
    return max(c) - min(c)


WHOLE = {
    "hue": lambda b, s: set_lum(set_sat(s, sat(b)), lum(b)),
    "saturation": lambda b, s: set_lum(set_sat(b, sat(s)), lum(b)),
    "color": lambda b, s: set_lum(s, lum(b)),
    "luminosity": lambda b, s: set_lum(b, lum(s)),
}


def expected(mode, backdrop, source, alpha):
    """W3C: co = cs as (1 - ab) + cb ab (1 - as) + as ab B(cb, cs); backdrop premultiplied."""
    ab = backdrop[3]
    if mode == "plus-lighter":
        mixed = [min(1, s * alpha + b) for s, b in zip(source, backdrop[:3], strict=True)]
        return [*mixed, min(1, alpha + ab)]
    cb = [v / ab if ab else 0.0 for v in backdrop[:3]]
    if mode in WHOLE:
        mixed = WHOLE[mode](cb, list(source))
    else:
        mixed = [SEPARABLE[mode](b, s) for b, s in zip(cb, source, strict=True)]
    colour = [
        s * alpha * (1 - ab) + b * ab * (1 - alpha) + alpha * ab * m
        for s, b, m in zip(source, cb, mixed, strict=True)
    ]
    return [*colour, alpha + ab - alpha * ab]


def values(count=400):
    rng = np.random.default_rng(11)
    corners = np.array([0, 0.25, 0.5, 0.75, 1.0])
    picks = rng.choice(corners, (8, count // 2))
    return np.hstack([picks, rng.random((8, count - count // 2))]).astype(np.float32)


@pytest.mark.parametrize("mode", blend.MODES)
def test_mode_against_the_standard(mode):
    sample = values()
    backdrop, source = sample[:4].copy(), sample[4:]
    backdrop[:3] *= backdrop[3]
    cover, opacity = np.full((1, sample.shape[1]), 0.8, np.float32), 0.75
    acc = backdrop[:, None].copy()
    window = Box(0, 0, sample.shape[1], 1)
    dirty_spans = whole(window).rows(window)
    blend.composite(
        acc,
        window,
        dirty_spans,
        np.ascontiguousarray(source[:, None]),
        (0, 0),
        cover,
        (0, 0),
        np.float32(opacity),
        blend.NUMBER[mode],
        np.array(K, np.float32),
    )
    for i in range(sample.shape[1]):
        want = expected(
            mode,
            backdrop[:, i].astype(float),
            source[:3, i].astype(float),
            float(source[3, i]) * 0.8 * opacity,
        )
        np.testing.assert_allclose(acc[:, 0, i], want, atol=2e-5, err_msg=f"{mode} at {i}")


@pytest.mark.parametrize("mode", [m for m in blend.MODES if m != "arithmetic"])
def test_translucent_black_and_white_survive_rounding(mode):
    """A backdrop's colour is found by dividing by its alpha, which may round to just under 1."""
    rng = np.random.default_rng(5)
    count = 2000
    alpha = rng.random(count).astype(np.float32)
    white = rng.integers(0, 2, (3, count)).astype(np.float32)
    backdrop = np.concatenate([white * alpha, alpha[None]]).astype(np.float32)
    # some steps of float32 on the way, each exact but for rounding
    for by in rng.random((3, count)).astype(np.float32) + np.float32(0.5):
        backdrop = (backdrop * by) / by
    source = np.concatenate([rng.integers(0, 2, (3, count)), np.ones((1, count))]).astype(
        np.float32
    )
    acc, window = backdrop[:, None].copy(), Box(0, 0, count, 1)
    blend.composite(
        acc,
        window,
        whole(window).rows(window),
        source[:, None].copy(),
        (0, 0),
        np.full((1, count), 0.6, np.float32),
        (0, 0),
        np.float32(1),
        blend.NUMBER[mode],
        np.array(K, np.float32),
    )
    for i in range(count):
        clean = [*(white[:, i] * alpha[i]), alpha[i]]
        want = expected(mode, [float(v) for v in clean], source[:3, i].astype(float), 0.6)
        np.testing.assert_allclose(acc[:, 0, i], want, atol=1e-3, err_msg=f"{mode} at {i}")


def test_a_window_is_all_that_changes():
    acc = np.full((4, 20, 30), 0.25, np.float32)
    source, cover = np.ones((4, 1, 10), np.float32), np.ones((5, 10), np.float32)
    factors = np.zeros(4, np.float32)
    window = Box(7, 3, 17, 8)
    dirty_spans = whole(window).rows(window)
    blend.composite(
        acc, window, dirty_spans, source, (0, 0), cover, (0, 0), np.float32(1), 0, factors
    )
    changed = acc != 0.25
    assert changed[:, 3:8, 7:17].all()
    assert changed.sum() == 4 * 50


def test_there_are_sixteen_modes_of_the_standard_and_two_more():
    assert len(blend.MODES) == 18
    assert set(blend.MODES) == {*SEPARABLE, *WHOLE, "plus-lighter"}
