"""Laying a source onto an accumulator: W3C Compositing and Blending Level 1.

Premultiplied accumulator, straight source: co = cs as (1-ab) + cb ab (1-as) + as ab B(cb, cs).
A mode is chosen once a row, so that every inner loop is one formula over three rows, which
vectorises; a choice inside the loop costs five to ten times.
"""

from __future__ import annotations

import numpy as np

from ..arrays import Plane, Planes, Real
from ..kernels import njit
from .blend_rows import hue_row, mix_row
from .dirty_spans import RowSpans

MODES = (
    "normal",
    "multiply",
    "screen",
    "overlay",
    "darken",
    "lighten",
    "color-dodge",
    "color-burn",
    "hard-light",
    "soft-light",
    "difference",
    "exclusion",
    "arithmetic",
    "hue",
    "saturation",
    "color",
    "luminosity",
    "plus-lighter",
)
NUMBER = {name: number for number, name in enumerate(MODES)}
FIRST_HUE = NUMBER["hue"]
PLUS = NUMBER["plus-lighter"]

ONE = np.float32(1)
TINY = np.float32(1e-7)


@njit(nogil=True, cache=True, error_model="numpy")
def _over_row(dst: Plane, src: Plane, alpha: Plane) -> None:
    for x in range(dst.shape[0]):
        dst[x] = dst[x] + alpha[x] * (src[x] - dst[x])


@njit(nogil=True, cache=True, error_model="numpy")
def _cover_row(dst: Plane, alpha: Plane) -> None:
    for x in range(dst.shape[0]):
        dst[x] = dst[x] + alpha[x] * (ONE - dst[x])


@njit(nogil=True, cache=True, error_model="numpy")
def _plus_row(dst: Plane, src: Plane, alpha: Plane) -> None:
    for x in range(dst.shape[0]):
        dst[x] = min(ONE, dst[x] + src[x] * alpha[x])


@njit(nogil=True, cache=True, error_model="numpy")
def _alpha_row(src: Plane, cover: Plane, opacity: np.float32, out: Plane) -> None:
    for x in range(out.shape[0]):
        out[x] = src[x] * cover[x] * opacity


@njit(nogil=True, cache=True, error_model="numpy")
def _inv_alpha(below: Plane, out: Plane) -> None:
    for x in range(below.shape[0]):
        out[x] = ONE / max(below[x], TINY)


@njit(nogil=True, cache=True, error_model="numpy")
def _blended_row(dst: Plane, src: Plane, mixed: Plane, alpha: Plane, below: Plane) -> None:
    for x in range(dst.shape[0]):
        full = src[x] + below[x] * (mixed[x] - src[x])
        dst[x] = dst[x] + alpha[x] * (full - dst[x])


@njit(nogil=True, cache=True, error_model="numpy")
def _straight_row(src: Plane, inv_alpha: Plane, out: Plane) -> None:
    for x in range(out.shape[0]):
        out[x] = src[x] * inv_alpha[x]


@njit(nogil=True, cache=True, error_model="numpy")
def _held(spans: RowSpans, row: int, n: int, x0: int, x1: int) -> tuple[int, int]:
    """First px and end of the n-th run of a row, within x0..x1."""
    return max(x0, spans.ends[row, n, 0]), min(x1, spans.ends[row, n, 1])


@njit(nogil=True, cache=True, error_model="numpy")
def _hues(
    acc: Planes,
    src: Planes,
    alpha: Plane,
    inv_alpha: Plane,
    mode: int,
    y: int,
    x0: int,
    x1: int,
    sy: int,
    sx: int,
) -> None:
    """One row in a mode that needs all three channels at once."""
    width = x1 - x0
    below, mixed = np.empty((3, width), np.float32), np.empty((3, width), np.float32)
    for p in range(3):
        _straight_row(acc[p, y, x0:x1], inv_alpha, below[p])
    end = sx + width
    r, g, b = src[0, sy, sx:end], src[1, sy, sx:end], src[2, sy, sx:end]
    hue_row(mode - FIRST_HUE, below, r, g, b, mixed)
    for p in range(3):
        s = src[p, sy, sx : sx + width]
        _blended_row(acc[p, y, x0:x1], s, mixed[p], alpha, acc[3, y, x0:x1])


@njit(nogil=True, cache=True, error_model="numpy")
def composite(
    acc: Planes,
    window: tuple[int, int, int, int],
    spans: RowSpans,
    src: Planes,
    src_at: tuple[int, int],
    cover: Plane,
    cover_at: tuple[int, int],
    opacity: Real,
    mode: int,
    k: Plane,
) -> None:
    """Blend a source into the spans of a window of an accumulator, in place.

    acc : (4, H, W) float32, C order, premultiplied, sRGB-encoded
    window : x0, y0, x1, y1 in acc
    spans : RowSpans of the window's rows
    src : (4, h or 1, w or 1) float32, C order, straight alpha; src_at : x, y of the window in it
    cover : (h or 1, w) float32, C order, 0..1; cover_at : x, y of the window in it
    opacity : float32, 0..1; mode : number in MODES; k : (4,) float32, the arithmetic factors
    """
    x0, y0, x1, y1 = window
    width = x1 - x0
    scratch = np.empty((3, width), np.float32)
    one_column, given = src.shape[2] == 1, src
    if one_column:
        src = np.empty((4, 1, width), np.float32)
    for y in range(y0, y1):
        sy = src_at[1] + y - y0 if given.shape[1] > 1 else 0
        cy = cover_at[1] + y - y0 if cover.shape[0] > 1 else 0
        if one_column:
            # every px of a row has one colour: a row near the core instead of a plane far away
            for p in range(4):
                src[p, 0, :] = given[p, sy, 0]
            sy = 0
        for n in range(spans.many[y - y0]):
            a, b = _held(spans, y - y0, n, x0, x1)
            if a < b:
                sx = 0 if one_column else src_at[0] + a - x0
                share = cover[cy, cover_at[0] + a - x0 : cover_at[0] + b - x0]
                _composite_span(acc, y, a, b, src, sy, sx, share, opacity, mode, k, scratch)


@njit(nogil=True, cache=True, error_model="numpy")
def _composite_span(
    acc: Planes,
    y: int,
    x0: int,
    x1: int,
    src: Planes,
    sy: int,
    sx: int,
    share: Plane,
    opacity: Real,
    mode: int,
    k: Plane,
    scratch: Plane,
) -> None:
    """One span of a row of acc, (4, H, W) premultiplied; src straight, its px sy, sx above x0.

    With a = src alpha share opacity (W3C Compositing 1, section 5.1): source over is
    acc = acc (1 - a) + src a; a mode B mixes first, src = (1 - alpha below) src + alpha below B(below, src);
    plus adds, held at 1.
    """
    width = x1 - x0
    alpha, inv_alpha, free = scratch[0, :width], scratch[1, :width], scratch[2, :width]
    _alpha_row(src[3, sy, sx : sx + width], share, opacity, alpha)
    below = acc[3, y, x0:x1]
    if mode == PLUS:
        for p in range(3):
            _plus_row(acc[p, y, x0:x1], src[p, sy, sx : sx + width], alpha)
        for x in range(width):
            below[x] = min(ONE, below[x] + alpha[x])
        return
    if mode == 0:
        for p in range(3):
            _over_row(acc[p, y, x0:x1], src[p, sy, sx : sx + width], alpha)
    else:
        _inv_alpha(below, inv_alpha)
        if mode >= FIRST_HUE:
            _hues(acc, src, alpha, inv_alpha, mode, y, x0, x1, sy, sx)
        else:
            for p in range(3):
                row = src[p, sy, sx : sx + width]
                mix_row(mode, acc[p, y, x0:x1], row, alpha, below, inv_alpha, k, free)
    _cover_row(below, alpha)


@njit(nogil=True, cache=True, error_model="numpy")
def _copy_row(dst: Plane, src: Plane) -> None:
    # a slice set to another is first looked at for overlaps, which takes as long again
    for x in range(dst.shape[0]):
        dst[x] = src[x]


@njit(nogil=True, cache=True, error_model="numpy")
def merge(
    acc: Planes,
    other: Planes,
    window: tuple[int, int, int, int],
    spans: RowSpans,
    opacity: Real,
    mode: int,
    k: Plane,
) -> None:
    """Blend another accumulator into the spans of a window, in place; arguments as of composite()."""
    x0, y0, x1, y1 = window
    width = x1 - x0
    scratch, straight = np.empty((3, width), np.float32), np.empty((4, 1, width), np.float32)
    ones = np.ones(width, np.float32)
    for y in range(y0, y1):
        for n in range(spans.many[y - y0]):
            a, b = _held(spans, y - y0, n, x0, x1)
            if a < b:
                inv_alpha = scratch[0, : b - a]
                _inv_alpha(other[3, y, a:b], inv_alpha)
                for p in range(3):
                    _straight_row(other[p, y, a:b], inv_alpha, straight[p, 0, : b - a])
                _copy_row(straight[3, 0, : b - a], other[3, y, a:b])
                share = ones[: b - a]
                _composite_span(acc, y, a, b, straight, 0, 0, share, opacity, mode, k, scratch)


@njit(nogil=True, cache=True, error_model="numpy")
def lerp(
    acc: Planes,
    other: Planes,
    window: tuple[int, int, int, int],
    spans: RowSpans,
    share: Plane,
    share_at: tuple[int, int],
    gain: Real,
) -> None:
    """acc = acc (1 - share gain) + other share gain in the spans of a window, in place.

    acc, other : (4, H, W) float32, C order; share : (h or 1, w) float32, 0..1
    """
    x0, y0, x1, y1 = window
    scratch = np.empty(x1 - x0, np.float32)
    for y in range(y0, y1):
        cy = share_at[1] + y - y0 if share.shape[0] > 1 else 0
        for n in range(spans.many[y - y0]):
            a, b = _held(spans, y - y0, n, x0, x1)
            if a < b:
                row, alpha = (
                    share[cy, share_at[0] + a - x0 : share_at[0] + b - x0],
                    scratch[: b - a],
                )
                for x in range(b - a):
                    alpha[x] = row[x] * gain
                for p in range(4):
                    _over_row(acc[p, y, a:b], other[p, y, a:b], alpha)


@njit(nogil=True, cache=True, error_model="numpy")
def copy(acc: Planes, other: Planes, window: tuple[int, int, int, int], spans: RowSpans) -> None:
    """acc = other in the spans of a window, in place; both (4, H, W) float32, C order."""
    x0, y0, x1, y1 = window
    for p in range(4):
        for y in range(y0, y1):
            for n in range(spans.many[y - y0]):
                a, b = _held(spans, y - y0, n, x0, x1)
                if a < b:
                    _copy_row(acc[p, y, a:b], other[p, y, a:b])


@njit(nogil=True, cache=True, error_model="numpy")
def wipe(acc: Planes, window: tuple[int, int, int, int], spans: RowSpans) -> None:
    """acc = 0 in the spans of a window, in place; (4, H, W) float32, C order."""
    x0, y0, x1, y1 = window
    for p in range(4):
        for y in range(y0, y1):
            for n in range(spans.many[y - y0]):
                a, b = _held(spans, y - y0, n, x0, x1)
                acc[p, y, a:b] = 0
