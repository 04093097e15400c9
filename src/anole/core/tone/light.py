"""Light of whole pictures, by tables: sRGB to linear and back, luminance, and OKLab."""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..arrays import Plane, Planes, Real, Table
from ..colour.spaces import _FROM_LAB, _FROM_LMS, _LAB, _LMS, to_encoded, to_linear

STEPS = 4096
_AT = np.linspace(0, 1, STEPS + 1)
LINEAR = to_linear(_AT).astype(np.float32)
# encoding is steep near black: its table is spaced by the square root of the light
ENCODED = to_encoded(_AT**2).astype(np.float32)
RED, GREEN, BLUE = (np.float32(k) for k in (0.2126, 0.7152, 0.0722))


@njit(nogil=True, cache=True)
def _looked_up(x: Real, table: Table) -> Real:
    """Linear interpolation in a table over 0..1; x is held to it."""
    at = min(max(x, np.float32(0)), np.float32(1)) * np.float32(table.shape[0] - 1)
    k = min(int(at), table.shape[0] - 2)
    return table[k] + (table[k + 1] - table[k]) * (at - np.float32(k))


@njit(nogil=True, cache=True)
def _mapped(source: Plane, table: Table, root: bool, out: np.ndarray) -> None:
    for i in range(source.size):
        x = source[i]
        out[i] = _looked_up(np.sqrt(max(x, np.float32(0))) if root else x, table)


def mapped(planes: Planes, table: np.ndarray, root: bool = False) -> np.ndarray:
    """Every value through a table over 0..1 (over 0..1 of its square root)."""
    source = np.ascontiguousarray(planes, np.float32)
    out = np.empty_like(source)
    flat, into = source.reshape(-1), out.reshape(-1)
    bands.run(
        lambda a, b: _mapped(flat[a:b], table, root, into[a:b]), bands.split(flat.size, least=4096)
    )
    return out


def linear(planes: Planes) -> np.ndarray:
    """sRGB-encoded 0..1 to linear light."""
    return mapped(planes, LINEAR)


def encoded(planes: Planes) -> np.ndarray:
    """Linear light 0..1 to sRGB-encoded."""
    return mapped(planes, ENCODED, root=True)


def luminance(planes: Planes) -> Plane:
    """(H, W) linear luminance of sRGB-encoded planes (Y of IEC 61966-2-1)."""
    light = linear(planes[:3])
    return RED * light[0] + GREEN * light[1] + BLUE * light[2]


@njit(nogil=True, cache=True)
def _oklab(planes: Planes, lms: np.ndarray, lab: np.ndarray, y0: int, y1: int, out: Planes) -> None:
    for y in range(y0, y1):
        for x in range(planes.shape[2]):
            r = _looked_up(planes[0, y, x], LINEAR)
            g = _looked_up(planes[1, y, x], LINEAR)
            b = _looked_up(planes[2, y, x], LINEAR)
            for k in range(3):
                out[k, y, x] = 0
            for k in range(3):
                root = np.cbrt(lms[k, 0] * r + lms[k, 1] * g + lms[k, 2] * b)
                for n in range(3):
                    out[n, y, x] += lab[n, k] * root


@njit(nogil=True, cache=True)
def _encode(
    lab: Planes, from_lab: np.ndarray, from_lms: np.ndarray, y0: int, y1: int, out: Planes
) -> None:
    for y in range(y0, y1):
        for x in range(lab.shape[2]):
            r = g = b = np.float32(0)
            for k in range(3):
                root = (
                    from_lab[k, 0] * lab[0, y, x]
                    + from_lab[k, 1] * lab[1, y, x]
                    + from_lab[k, 2] * lab[2, y, x]
                )
                cone = root * root * root
                r += from_lms[0, k] * cone
                g += from_lms[1, k] * cone
                b += from_lms[2, k] * cone
            out[0, y, x] = _looked_up(np.float32(np.sqrt(max(r, np.float32(0)))), ENCODED)
            out[1, y, x] = _looked_up(np.float32(np.sqrt(max(g, np.float32(0)))), ENCODED)
            out[2, y, x] = _looked_up(np.float32(np.sqrt(max(b, np.float32(0)))), ENCODED)


def oklab(planes: Planes) -> np.ndarray:
    """(3, H, W) OKLab of sRGB-encoded planes."""
    out = np.empty((3, *planes.shape[1:]), np.float32)
    lms, lab = _LMS.astype(np.float32), _LAB.astype(np.float32)
    bands.run(lambda a, b: _oklab(planes, lms, lab, a, b, out), bands.split(planes.shape[1]))
    return out


def from_oklab(lab: np.ndarray) -> np.ndarray:
    """The way back, held to sRGB."""
    out = np.empty_like(lab)
    back, cones = _FROM_LAB.astype(np.float32), _FROM_LMS.astype(np.float32)
    bands.run(lambda a, b: _encode(lab, back, cones, a, b, out), bands.split(lab.shape[1]))
    return out
