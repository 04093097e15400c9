"""Float planes to 8-bit pixels with a blue-noise threshold, stable from frame to frame."""

from __future__ import annotations

import functools
from importlib.resources import files

import numpy as np

from ..arrays import Packed, Plane, Planes
from ..kernels import njit

BYTE = np.float32(255)
ZERO, ONE, TINY = np.float32(0), np.float32(1), np.float32(1e-6)
SHARE = 0.96
"""Of a step's width that the threshold covers: a value exact to 8 bit stays as it is."""


@functools.cache
def thresholds() -> Plane:
    """(64, 64) float32 in 0..1, mean 1/2, made by tools/make_noise.py."""
    with (files("anole") / "data" / "noise.npy").open("rb") as file:
        rank = np.load(file)
    return (0.5 + ((rank + 0.5) / rank.size - 0.5) * SHARE).astype(np.float32)


@njit(nogil=True, cache=True, error_model="numpy")
def _pack_row(
    r: Plane,
    g: Plane,
    b: Plane,
    a: Plane,
    grain: Plane,
    gain: Plane,
    red_first: bool,
    out: Packed,
) -> None:
    top, low = np.uint32(16), np.uint32(0)
    if red_first:
        top, low = low, top
    for x in range(out.shape[0]):
        k = gain[x]
        n = grain[x]
        red = np.uint32(min(max(r[x] * k, ZERO), ONE) * BYTE + n)
        green = np.uint32(min(max(g[x] * k, ZERO), ONE) * BYTE + n)
        blue = np.uint32(min(max(b[x] * k, ZERO), ONE) * BYTE + n)
        alpha = np.uint32(min(max(a[x], ZERO), ONE) * BYTE + n)
        out[x] = (red << top) | (green << np.uint32(8)) | (blue << low) | (alpha << np.uint32(24))


@njit(nogil=True, cache=True, error_model="numpy")
def _grain_row(noise: Plane, start: int, out: Plane) -> None:
    # run by run of the tile: a remainder for each pixel would cost more than all the rest
    side, x = noise.shape[0], 0
    while x < out.shape[0]:
        count = min(side - start, out.shape[0] - x)
        for k in range(count):
            out[x + k] = noise[start + k]
        x += count
        start = 0


@njit(nogil=True, cache=True, error_model="numpy")
def pack(
    acc: Planes,
    window: tuple[int, int, int, int],
    noise: Plane,
    off: tuple[int, int],
    straight: bool,
    out: Packed,
) -> None:
    """Round a window of planes to 8-bit pixels, four bytes packed in a uint32.

    acc : (4, H, W) float32, C order, premultiplied; out : (H, W) uint32, C order
    off : board px of acc's corner at the render scale, so that the noise stays in its place
    straight : True writes bytes r, g, b, a with colours divided by alpha; False writes
    b, g, r, a (a 32-bit ARGB word, little-endian) premultiplied
    """
    x0, y0, x1, y1 = window
    side = noise.shape[0]
    grain, gain = np.empty(x1 - x0, np.float32), np.empty(x1 - x0, np.float32)
    gain[:] = ONE
    for y in range(y0, y1):
        _grain_row(noise[(y + off[1]) % side], (x0 + off[0]) % side, grain)
        a = acc[3, y, x0:x1]
        if straight:
            for x in range(x1 - x0):
                gain[x] = ONE / max(a[x], TINY)
        r, g, b = acc[0, y, x0:x1], acc[1, y, x0:x1], acc[2, y, x0:x1]
        _pack_row(r, g, b, a, grain, gain, straight, out[y, x0:x1])
