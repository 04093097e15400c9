"""Side walls of a solid shape: each px looks back along its ray for the face that it hangs on."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np
from numba import njit

from .. import bands
from ..arrays import Plane, Planes
from ..box import Box

LEAST, TAPERED = 0.5, 0.2
"""px that a look goes on at the least; shapes that shrink on the way end in thin ridges."""


class Ray(NamedTuple):
    """The way on which a shape is thrown, px.

    x, y : where its back lies, or the point that its walls run toward
    share : of the way to that point; 0 for walls that all run the same way
    taper : px by which the back has shrunk
    """

    x: float
    y: float
    share: float = 0.0
    taper: float = 0.0


class Walls(NamedTuple):
    """Over a box: how much of a px is wall; how deep it lies, 0 at the face to 1; the unit way out
    of the wall; and where on the face it hangs, px.

    cover, depth : (H, W) float32; outward, foot : (2, H, W) float32
    """

    cover: Plane
    depth: Plane
    outward: Planes
    foot: Planes


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _between(plane: Plane, u: float, v: float) -> float:
    """Between four px, clamped to the plane; u, v count from the first px's middle."""
    u = min(max(u, 0.0), plane.shape[1] - 1.001)
    v = min(max(v, 0.0), plane.shape[0] - 1.001)
    x, y = int(u), int(v)
    a, b = u - x, v - y
    top = plane[y, x] * (1 - a) + plane[y, x + 1] * a
    low = plane[y + 1, x] * (1 - a) + plane[y + 1, x + 1] * a
    return top * (1 - b) + low * b


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _on_face(px: float, py: float, s: float, ray: np.ndarray) -> tuple[float, float, float, float]:
    """The point of the face that a px at depth s hangs on, px of the wall for one of the face
    there, and how many px of the face a step of all the depth goes."""
    share = ray[2]
    if share == 0.0:
        return px - s * ray[0], py - s * ray[1], 1.0, math.hypot(ray[0], ray[1])
    small = 1.0 - s * share
    fx, fy = (px - s * share * ray[0]) / small, (py - s * share * ray[1]) / small
    return fx, fy, small, share * math.hypot(fx - ray[0], fy - ray[1]) / small


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _farther(px: float, py: float, s: float, by: float, way: float, ray: np.ndarray) -> float:
    """The depth at which the point on the face has gone `by` px on; `way` is that of _on_face()."""
    share = ray[2]
    if share == 0.0 or ray[3] > 0.0:
        return s + by / max(way + ray[3], 1e-6)
    # toward a point it goes the faster the deeper
    far = math.hypot(px - ray[0], py - ray[1])
    return (1.0 - 1.0 / (1.0 / (1.0 - s * share) + by / max(far, 1e-6))) / share


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    d: Plane,
    n: Planes,
    ray: np.ndarray,
    off_x: int,
    off_y: int,
    cover: Plane,
    depth: Plane,
    outward: Planes,
    foot: Planes,
    first: int,
    last: int,
) -> None:
    """d, n : distance and inward normals, whose first px lies off_x, off_y px before the box's."""
    for y in range(first, last):
        for x in range(cover.shape[1]):
            px, py = float(x + off_x), float(y + off_y)
            s, best, at = 0.0, -1e9, 0.0
            before, before_s, met = -1e9, 0.0, False
            least = LEAST if ray[3] == 0.0 else TAPERED
            while True:
                fx, fy, small, way = _on_face(px, py, s, ray)
                here = (_between(d, fx, fy) - s * ray[3]) * small
                if here > best:
                    best = here
                    if not met:
                        at = s
                if here >= 0.0 and not met:
                    met = True
                    if before < 0.0 and before > -1e8:
                        at = before_s + (s - before_s) * (-before) / (here - before)
                # how deep it goes into the face says how much of the px is wall; where it only
                # grazed one, another may lie behind
                if s >= 1.0 or best >= 0.5:
                    break
                before, before_s = here, s
                s = min(_farther(px, py, s, max(-here / small, least), way, ray), 1.0)
            cover[y, x] = min(max(best + 0.5, 0.0), 1.0)
            depth[y, x] = at
            fx, fy, small, way = _on_face(px, py, at, ray)
            foot[0, y, x], foot[1, y, x] = fx, fy
            ox, oy = -_between(n[0], fx, fy), -_between(n[1], fx, fy)
            size = max(math.hypot(ox, oy), 1e-6)
            outward[0, y, x], outward[1, y, x] = ox / size, oy / size


def walls(distance: Plane, normals: Planes, over: Box, ray: Ray, box: Box) -> Walls:
    """The walls over a box of a shape that is known over another.

    distance : (h, w) float32 px, + inside; normals : (2, h, w) unit, inward; both over `over`
    """
    shape = (box.height, box.width)
    cover, depth = np.zeros(shape, np.float32), np.zeros(shape, np.float32)
    outward, foot = np.zeros((2, *shape), np.float32), np.zeros((2, *shape), np.float32)
    # points of rays count from the middle of the fields' first px
    x, y = (ray.x, ray.y) if ray.share == 0 else (ray.x - over.x0 - 0.5, ray.y - over.y0 - 0.5)
    numbers = np.array([x, y, ray.share, ray.taper], np.float64)

    def rows(first: int, last: int) -> None:
        _rows(
            distance, normals, numbers, box.x0 - over.x0, box.y0 - over.y0,
            cover, depth, outward, foot, first, last,
        )  # fmt: skip

    bands.run(rows, bands.split(box.height))
    foot += np.array([over.x0 + 0.5, over.y0 + 0.5], np.float32)[:, None, None]
    return Walls(cover, depth, outward, foot)
