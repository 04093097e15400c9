"""Periodic noise over a tile: u and v run from 0 to 1 and everything repeats there.

Gradient noise: K. Perlin, 2002 (quintic fade). Cell noise: S. Worley, 1996. Lattice numbers are
kept while neighbouring px stay in one cell, which most do.
"""

from __future__ import annotations

import numpy as np

from .arrays import Plane, Real, Reals
from .kernels import njit

F = np.float32
_TURNS = np.arange(16) * (np.pi / 8)
WAYS = np.stack([np.cos(_TURNS), np.sin(_TURNS)], 1).astype(F)
"""Sixteen directions."""


@njit(nogil=True, cache=True)
def _hash(x: int, y: int, seed: int) -> int:
    """32 mixed bits of a lattice point."""
    h = (x * 0x9E3779B1 + y * 0x85EBCA77 + seed * 0x2B2AE3D) & 0xFFFFFFFF
    h = ((h ^ (h >> 15)) * 0x2C1B3C6D) & 0xFFFFFFFF
    h = ((h ^ (h >> 12)) * 0x297A2D39) & 0xFFFFFFFF
    return h ^ (h >> 15)


@njit(nogil=True, cache=True)
def _wrapped(i: int, n: int) -> int:
    """i modulo n; mostly it is within, and a division takes as long as all the rest."""
    return i if 0 <= i < n else i % n


@njit(nogil=True, cache=True)
def lattice_share(x: int, y: int, seed: int) -> np.float32:
    """0..1 of a lattice point."""
    return np.float32((_hash(x, y, seed) >> 8) * (1 / 16777216))


@njit(nogil=True, cache=True)
def lattice_slope(h: int, slopes: Plane, at: int) -> None:
    """One of sixteen directions as x and y."""
    slopes[at], slopes[at + 1] = WAYS[h & 15, 0], WAYS[h & 15, 1]


@njit(nogil=True, cache=True)
def _slope(x: int, y: int, seed: int) -> tuple[np.float32, np.float32]:
    h = _hash(x, y, seed) & 15
    return WAYS[h, 0], WAYS[h, 1]


@njit(nogil=True, cache=True)
def _fade(f: np.float32) -> np.float32:
    six, fifteen, ten = np.float32(6), np.float32(15), np.float32(10)
    return f * f * f * (f * (f * six - fifteen) + ten)


@njit(nogil=True, cache=True)
def _octave(
    u: Plane, v: Plane, nx: int, ny: int, seed: int, strength: Real, ridged: bool, out: Plane
) -> None:
    """One octave's noise, so strong, added to `out`."""
    wide, high, one = np.float32(nx), np.float32(ny), np.float32(1)
    cell_x = cell_y = -(1 << 40)
    ax = ay = bx = by = cx = cy = dx = dy = np.float32(0)
    for i in range(u.size):
        x, y = u[i] * wide, v[i] * high
        gx, gy = np.floor(x), np.floor(y)
        ix, iy = int(gx), int(gy)
        if ix != cell_x or iy != cell_y:
            cell_x, cell_y = ix, iy
            x0, y0 = _wrapped(ix, nx), _wrapped(iy, ny)
            x1, y1 = _wrapped(x0 + 1, nx), _wrapped(y0 + 1, ny)
            ax, ay = _slope(x0, y0, seed)
            bx, by = _slope(x1, y0, seed)
            cx, cy = _slope(x0, y1, seed)
            dx, dy = _slope(x1, y1, seed)
        fx, fy = x - gx, y - gy
        sx = _fade(fx)
        a, b = ax * fx + ay * fy, bx * (fx - one) + by * fy
        c, d = cx * fx + cy * (fy - one), dx * (fx - one) + dy * (fy - one)
        top, low = a + (b - a) * sx, c + (d - c) * sx
        n = top + (low - top) * _fade(fy)
        out[i] += strength * (one - abs(n + n) if ridged else n)


@njit(nogil=True, cache=True)
def _fbm(
    u: Plane, v: Plane, nx: int, ny: int, octaves: int, seed: int, ridged: bool, out: Plane
) -> None:
    """Octaves of noise, each twice as fine and half as strong; out 0..1."""
    zero, one, half = np.float32(0), np.float32(1), np.float32(0.5)
    norm = half * np.float32(1.0 if ridged else 1.44) / np.float32(2 - 0.5 ** (octaves - 1))
    out[:] = zero
    strength = one
    for k in range(octaves):
        _octave(u, v, nx << k, ny << k, seed + 31 * k, strength, ridged, out)
        strength *= half
    for i in range(u.size):
        out[i] = min(max(half + out[i] * norm, zero), one)


def fbm(
    u: Reals, v: Reals, nx: int, ny: int, octaves: int, seed: int, ridged: bool = False
) -> Plane:
    """float32 0..1, about 1/2 in the mean; nx, ny cells of the coarsest octave over the tile."""
    out = np.empty(u.shape, F)
    flat_u, flat_v = np.ravel(np.asarray(u, F)), np.ravel(np.asarray(v, F))
    _fbm(flat_u, flat_v, max(nx, 1), max(ny, 1), octaves, seed, ridged, out.ravel())
    return out


@njit(nogil=True, cache=True)
def _points(ix: int, iy: int, nx: int, ny: int, jitter: Real, seed: int, points: Plane) -> None:
    """The nine points round a cell: x, y, and a number of their own."""
    half, at = np.float32(0.5), 0
    for dy in range(-1, 2):
        for dx in range(-1, 2):
            cx, cy = _wrapped(ix + dx, nx), _wrapped(iy + dy, ny)
            points[at, 0] = dx + half + jitter * (lattice_share(cx, cy, seed) - half)
            points[at, 1] = dy + half + jitter * (lattice_share(cx, cy, seed + 7919) - half)
            points[at, 2] = lattice_share(cx, cy, seed + 104729)
            at += 1


@njit(nogil=True, cache=True)
def _cells(
    u: Plane,
    v: Plane,
    nx: int,
    ny: int,
    jitter: Real,
    seed: int,
    first: Plane,
    second: Plane,
    own: Plane,
) -> None:
    points = np.empty((9, 3), np.float32)
    lx = ly = -(1 << 40)
    for i in range(u.size):
        x, y = u[i] * np.float32(nx), v[i] * np.float32(ny)
        gx, gy = np.floor(x), np.floor(y)
        if int(gx) != lx or int(gy) != ly:
            lx, ly = int(gx), int(gy)
            _points(lx, ly, nx, ny, jitter, seed, points)
        x, y = x - gx, y - gy
        near, further, whose = np.float32(9), np.float32(9), np.float32(0)
        for k in range(9):
            dx, dy = points[k, 0] - x, points[k, 1] - y
            far = dx * dx + dy * dy
            if far < near:
                further, near, whose = near, far, points[k, 2]
            elif far < further:
                further = far
        first[i], second[i], own[i] = np.sqrt(near), np.sqrt(further), whose


def cells(
    u: Reals, v: Reals, nx: int, ny: int, jitter: float, seed: int
) -> tuple[Plane, Plane, Plane]:
    """Distance to the nearest and second point, in cells, and a number 0..1 of the nearest."""
    first, second, own = (np.empty(u.shape, F) for _ in range(3))
    flat_u, flat_v = np.ravel(np.asarray(u, F)), np.ravel(np.asarray(v, F))
    _cells(
        flat_u,
        flat_v,
        max(nx, 1),
        max(ny, 1),
        F(jitter),
        seed,
        first.ravel(),
        second.ravel(),
        own.ravel(),
    )
    return first, second, own


@njit(nogil=True, cache=True)
def _chance(x: Plane, y: Plane, nx: int, ny: int, seed: int, out: Plane) -> None:
    for i in range(x.size):
        out[i] = lattice_share(int(x[i]) % nx, int(y[i]) % ny, seed)


def chance(x: Plane, y: Plane, nx: int, ny: int, seed: int) -> Plane:
    """A number 0..1 for each whole cell (x, y), the same again after nx and ny cells."""
    x, y = np.broadcast_arrays(x, y)
    out = np.empty(x.shape, F)
    _chance(np.ravel(x), np.ravel(y), max(nx, 1), max(ny, 1), seed, out.ravel())
    return out
