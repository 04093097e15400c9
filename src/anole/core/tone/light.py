"""Light of whole pictures, by tables: sRGB to linear and back, luminance, and OKLab."""

from __future__ import annotations

import numpy as np

from .. import bands
from ..arrays import Colours, Plane, Planes, Real, Table
from ..colour.spaces import _FROM_LAB, _FROM_LMS, LAB, LMS, to_encoded, to_linear
from ..kernels import njit

STEPS = 4096
_AT = np.linspace(0, 1, STEPS + 1)
LINEAR = to_linear(_AT).astype(np.float32)
# encoding is steep near black: its table is spaced by the square root of the light
ENCODED = to_encoded(_AT**2).astype(np.float32)
EDGE, SEEN, CLOSE = np.float32(1e-4), np.float32(0.02), np.float32(1e-4)
"""Of linear light, what still counts as inside sRGB; of OKLab, what is just seen, and how near to
that is near enough."""
BISECTIONS = 13
RED, GREEN, BLUE = (np.float32(k) for k in (0.2126, 0.7152, 0.0722))


@njit(nogil=True, cache=True)
def _looked_up(x: Real, table: Table) -> Real:
    """Linear interpolation in a table over 0..1; x is held to it."""
    at = min(max(x, np.float32(0)), np.float32(1)) * np.float32(table.shape[0] - 1)
    k = min(int(at), table.shape[0] - 2)
    return table[k] + (table[k + 1] - table[k]) * (at - np.float32(k))


@njit(nogil=True, cache=True)
def _mapped(source: Plane, table: Table, root: bool, out: Plane) -> None:
    for i in range(source.size):
        x = source[i]
        out[i] = _looked_up(np.sqrt(max(x, np.float32(0))) if root else x, table)


def mapped(planes: Planes, table: Plane, root: bool = False) -> Planes:
    """Every value through a table over 0..1 (over 0..1 of its square root)."""
    source = np.ascontiguousarray(planes, np.float32)
    out = np.empty_like(source)
    flat, into = source.reshape(-1), out.reshape(-1)
    bands.run(
        lambda a, b: _mapped(flat[a:b], table, root, into[a:b]), bands.split(flat.size, least=4096)
    )
    return out


def linear(planes: Planes) -> Colours:
    """sRGB-encoded 0..1 to linear light."""
    return mapped(planes, LINEAR)


def encoded(planes: Planes) -> Planes:
    """Linear light 0..1 to sRGB-encoded."""
    return mapped(planes, ENCODED, root=True)


def luminance(planes: Planes) -> Plane:
    """(H, W) linear luminance of sRGB-encoded planes (Y of IEC 61966-2-1)."""
    light = linear(planes[:3])
    return RED * light[0] + GREEN * light[1] + BLUE * light[2]


@njit(nogil=True, cache=True)
def _oklab(planes: Planes, lms: Plane, lab: Plane, y0: int, y1: int, out: Planes) -> None:
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


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _linear_of(
    lightness: Real, a: Real, b: Real, from_lab: Table, from_lms: Table
) -> tuple[Real, Real, Real]:
    """Linear light of an OKLab colour; may lie outside 0 to 1."""
    red = green = blue = np.float32(0)
    for k in range(3):
        root = from_lab[k, 0] * lightness + from_lab[k, 1] * a + from_lab[k, 2] * b
        cone = root * root * root
        red += from_lms[0, k] * cone
        green += from_lms[1, k] * cone
        blue += from_lms[2, k] * cone
    return red, green, blue


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _clipped(r: Real, g: Real, b: Real) -> tuple[Real, Real, Real]:
    zero, one = np.float32(0), np.float32(1)
    return min(max(r, zero), one), min(max(g, zero), one), min(max(b, zero), one)


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _inside(r: Real, g: Real, b: Real) -> bool:
    low, high = -EDGE, np.float32(1) + EDGE
    return bool(low <= r <= high and low <= g <= high and low <= b <= high)


@njit(nogil=True, cache=True, error_model="numpy")
def _reduced(
    lightness: Real,
    a: Real,
    b: Real,
    lms: Plane,
    lab: Plane,
    from_lab: Plane,
    from_lms: Plane,
) -> tuple[Real, Real, Real]:
    """Linear light 0..1 of a colour outside sRGB, its chroma taken away until what clipping still
    changes cannot be seen (CSS Color 4, section 13.2; as colour.gamut for arrays)."""
    zero, one, half = np.float32(0), np.float32(1), np.float32(0.5)
    if lightness >= one or lightness <= zero:
        grey = one if lightness >= one else zero
        return grey, grey, grey
    low, high, share, low_inside = zero, one, one, True
    red = green = blue = zero
    # the first look is at the colour as it is
    for _ in range(BISECTIONS):
        red, green, blue = _linear_of(lightness, share * a, share * b, from_lab, from_lms)
        inside = _inside(red, green, blue)
        red, green, blue = _clipped(red, green, blue)
        if low_inside and inside:
            low = share
        else:
            off_l, off_a, off_b = -lightness, -share * a, -share * b
            for k in range(3):
                root = np.cbrt(lms[k, 0] * red + lms[k, 1] * green + lms[k, 2] * blue)
                off_l += lab[0, k] * root
                off_a += lab[1, k] * root
                off_b += lab[2, k] * root
            far = np.sqrt(off_l * off_l + off_a * off_a + off_b * off_b)
            if far < SEEN:
                if share == one or SEEN - far < CLOSE:
                    break
                low, low_inside = share, False
            else:
                high = share
        share = (low + high) * half
    return red, green, blue


@njit(nogil=True, cache=True)
def _encode(
    planes: Planes,
    lms: Plane,
    lab: Plane,
    from_lab: Plane,
    from_lms: Plane,
    y0: int,
    y1: int,
    out: Planes,
) -> None:
    zero = np.float32(0)
    for y in range(y0, y1):
        for x in range(planes.shape[2]):
            lightness, a, b = planes[0, y, x], planes[1, y, x], planes[2, y, x]
            red, green, blue = _linear_of(lightness, a, b, from_lab, from_lms)
            if not _inside(red, green, blue):
                red, green, blue = _reduced(lightness, a, b, lms, lab, from_lab, from_lms)
            out[0, y, x] = _looked_up(np.float32(np.sqrt(max(red, zero))), ENCODED)
            out[1, y, x] = _looked_up(np.float32(np.sqrt(max(green, zero))), ENCODED)
            out[2, y, x] = _looked_up(np.float32(np.sqrt(max(blue, zero))), ENCODED)


def oklab(planes: Planes) -> Colours:
    """(3, H, W) OKLab of sRGB-encoded planes."""
    out = np.empty((3, *planes.shape[1:]), np.float32)
    lms, lab = LMS.astype(np.float32), LAB.astype(np.float32)
    bands.run(lambda a, b: _oklab(planes, lms, lab, a, b, out), bands.split(planes.shape[1]))
    return out


def from_oklab(lab: Colours) -> Colours:
    """The way back; colours outside sRGB keep their hue and lightness and lose chroma."""
    out = np.empty_like(lab)
    matrices = tuple(m.astype(np.float32) for m in (LMS, LAB, _FROM_LAB, _FROM_LMS))
    bands.run(lambda a, b: _encode(lab, *matrices, a, b, out), bands.split(lab.shape[1]))
    return out
