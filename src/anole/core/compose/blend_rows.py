"""The blend formulas B(cb, cs) of W3C Compositing and Blending Level 1, row by row.

Separable modes: section 10.1; non-separable ones: section 10.2. `arithmetic` is that of SVG's
feComposite, applied to the straight colours.
"""

from __future__ import annotations

import numpy as np

from ..arrays import Plane, Real
from ..kernels import njit

ZERO, HALF, ONE, TWO = np.float32(0), np.float32(0.5), np.float32(1), np.float32(2)
QUARTER, FOUR = np.float32(0.25), np.float32(4)
TWELVE, SIXTEEN, TINY = np.float32(12), np.float32(16), np.float32(1e-7)
ROUNDED = np.float32(1e-5)
"""By how much a backdrop's colour may miss 1 after some steps of float32."""
RED, GREEN, BLUE = np.float32(0.3), np.float32(0.59), np.float32(0.11)


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _composited(dst: Real, s: Real, mixed: Real, alpha: Real, below: Real) -> Real:
    """The compositing formula for one premultiplied value, given B(cb, cs)."""
    return dst + alpha * (s + below * (mixed - s) - dst)


@njit(nogil=True, cache=True, error_model="numpy")
def _contrast(
    dst: Plane, src: Plane, alpha: Plane, below: Plane, inv_alpha: Plane, swapped: Plane
) -> None:
    """hard-light; overlay is the same with the layers exchanged."""
    for x in range(dst.shape[0]):
        b, s = dst[x] * inv_alpha[x], src[x]
        low = TWO * b * s
        high = ONE - TWO * (ONE - b) * (ONE - s)
        pick = b if swapped else s
        dst[x] = _composited(dst[x], s, low if pick <= HALF else high, alpha[x], below[x])


@njit(nogil=True, cache=True, error_model="numpy")
def _soft(
    dst: Plane, src: Plane, alpha: Plane, below: Plane, inv_alpha: Plane, roots: Plane
) -> None:
    """b + (2s - 1) (b - b^2 or D(b) - b); roots first: a root behind a choice is no vector."""
    for x in range(dst.shape[0]):
        roots[x] = np.sqrt(dst[x] * inv_alpha[x])
    for x in range(dst.shape[0]):
        b, s, root = dst[x] * inv_alpha[x], src[x], roots[x]
        near = ((SIXTEEN * b - TWELVE) * b + FOUR) * b
        light = (near if b <= QUARTER else root) - b
        dark = b - b * b
        mixed = b + (TWO * s - ONE) * (dark if s <= HALF else light)
        dst[x] = _composited(dst[x], s, mixed, alpha[x], below[x])


@njit(nogil=True, cache=True, error_model="numpy")
def _arithmetic(
    dst: Plane,
    src: Plane,
    alpha: Plane,
    below: Plane,
    inv_alpha: Plane,
    k1: Real,
    k2: Real,
    k3: Real,
    k4: Real,
) -> None:
    for x in range(dst.shape[0]):
        s = src[x]
        v = (k1 * s + k3) * (dst[x] * inv_alpha[x]) + (k2 * s + k4)
        dst[x] = _composited(dst[x], s, min(max(v, ZERO), ONE), alpha[x], below[x])


@njit(nogil=True, cache=True, error_model="numpy")
def mix_row(
    mode: int,
    dst: Plane,
    src: Plane,
    alpha: Plane,
    below: Plane,
    inv_alpha: Plane,
    k: Plane,
    scratch: Plane,
) -> None:
    """Blend one channel of a row in a separable mode, 1..12 as numbered in blend.MODES.

    dst : premultiplied, in place; src : straight; alpha : of the source; below : alpha of dst;
    inv_alpha : 1 / below; k : the arithmetic factors; scratch : room for one row. All float32.
    """
    n = dst.shape[0]
    if mode == 1:
        for x in range(n):
            m = dst[x] * inv_alpha[x] * src[x]
            dst[x] = _composited(dst[x], src[x], m, alpha[x], below[x])
    elif mode == 2:
        for x in range(n):
            b, s = dst[x] * inv_alpha[x], src[x]
            dst[x] = _composited(dst[x], s, b + s - b * s, alpha[x], below[x])
    elif mode == 3:
        _contrast(dst, src, alpha, below, inv_alpha, True)
    elif mode == 4:
        for x in range(n):
            b, s = dst[x] * inv_alpha[x], src[x]
            dst[x] = _composited(dst[x], s, b if b < s else s, alpha[x], below[x])
    elif mode == 5:
        for x in range(n):
            b, s = dst[x] * inv_alpha[x], src[x]
            dst[x] = _composited(dst[x], s, b if b > s else s, alpha[x], below[x])
    elif mode == 6:
        for x in range(n):
            s = src[x]
            m = dst[x] * inv_alpha[x] / max(ONE - s, TINY)
            dst[x] = _composited(dst[x], s, min(ONE, m), alpha[x], below[x])
    elif mode == 7:
        for x in range(n):
            s = src[x]
            # a translucent white rounds to just under its alpha, and must stay white
            short = ONE - dst[x] * inv_alpha[x]
            m = (ZERO if short < ROUNDED else short) / max(s, TINY)
            dst[x] = _composited(dst[x], s, ONE - min(ONE, m), alpha[x], below[x])
    elif mode == 8:
        _contrast(dst, src, alpha, below, inv_alpha, False)
    elif mode == 9:
        _soft(dst, src, alpha, below, inv_alpha, scratch)
    elif mode == 10:
        for x in range(n):
            s = src[x]
            dst[x] = _composited(dst[x], s, abs(dst[x] * inv_alpha[x] - s), alpha[x], below[x])
    elif mode == 11:
        for x in range(n):
            b, s = dst[x] * inv_alpha[x], src[x]
            dst[x] = _composited(dst[x], s, b + s - TWO * b * s, alpha[x], below[x])
    else:
        _arithmetic(dst, src, alpha, below, inv_alpha, k[0], k[1], k[2], k[3])


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _lum(r: Real, g: Real, b: Real) -> Real:
    return RED * r + GREEN * g + BLUE * b


@njit(nogil=True, cache=True, error_model="numpy")
def _set_lum(r: Real, g: Real, b: Real, lum: Real, out: Plane, x: int) -> None:
    """SetLum with ClipColor; one division by the farther end keeps it free of branches."""
    d = lum - _lum(r, g, b)
    r, g, b = r + d, g + d, b + d
    low, high = min(r, g, b), max(r, g, b)
    shrink = ONE
    if low < ZERO:
        shrink = min(shrink, lum / max(lum - low, TINY))
    if high > ONE:
        shrink = min(shrink, (ONE - lum) / max(high - lum, TINY))
    out[0, x] = lum + (r - lum) * shrink
    out[1, x] = lum + (g - lum) * shrink
    out[2, x] = lum + (b - lum) * shrink


@njit(nogil=True, cache=True, error_model="numpy")
def hue_row(mode: int, cb: Plane, red: Plane, green: Plane, blue: Plane, out: Plane) -> None:
    """Three channels of hue (0), saturation (1), color (2) or luminosity (3)."""
    for x in range(out.shape[1]):
        br, bg, bb = cb[0, x], cb[1, x], cb[2, x]
        sr, sg, sb = red[x], green[x], blue[x]
        if mode == 2:
            _set_lum(sr, sg, sb, _lum(br, bg, bb), out, x)
        elif mode == 3:
            _set_lum(br, bg, bb, _lum(sr, sg, sb), out, x)
        else:
            # SetSat stretches the colour that gives the hue to the saturation of the other
            hr, hg, hb = (sr, sg, sb) if mode == 0 else (br, bg, bb)
            tr, tg, tb = (br, bg, bb) if mode == 0 else (sr, sg, sb)
            low, high = min(hr, hg, hb), max(hr, hg, hb)
            wide = max(tr, tg, tb) - min(tr, tg, tb)
            gain = wide / max(high - low, TINY) if high > low else ZERO
            _set_lum(
                (hr - low) * gain, (hg - low) * gain, (hb - low) * gain, _lum(br, bg, bb), out, x
            )
