"""Walls of a solid that shrinks on its way back: each px looks back along its ray for the face that
it hangs on."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from .. import bands
from ..arrays import Plane, Planes
from ..box import Box
from ..kernels import njit
from .extrusion import Extrusion

LEAST = 0.2
"""px that a look goes on at the least: shapes that shrink on the way end in thin ridges."""


class Walls(NamedTuple):
    """Over a box: how much of a px is wall; how far back it lies, y = z (plane . p) / (1 + z plane .
    axis) for a depth z of 0..1; and the unit way out of the wall.

    cover, far : (H, W) float32; outward : (2, H, W) float32
    """

    cover: Plane
    far: Plane
    outward: Planes

    def foot(self, extrusion: Extrusion, box: Box) -> Planes:
        """(2, H, W) float32 px: where on the face each px hangs."""
        wx, wy, w = extrusion.axis
        x, y = _middles(box)
        near = 1 - self.far * np.float32(w)
        return np.stack(
            [(x - self.far * np.float32(wx)) / near, (y - self.far * np.float32(wy)) / near]
        )

    def depth(self, extrusion: Extrusion, box: Box) -> Plane:
        """(H, W) float32: how far along its way from the face to the back, 0..1."""
        plane, axis = np.array(extrusion.plane, np.float32), np.array(extrusion.axis, np.float32)
        x, y = _middles(box)
        z = self.far / (plane[0] * x + plane[1] * y + plane[2] - self.far * (plane @ axis))
        if not axis[2]:
            return np.asarray(z, np.float32)
        fx, fy = self.foot(extrusion, box)
        k = (plane[0] * fx + plane[1] * fy + plane[2]) * axis[2]
        return np.asarray(z * (1 + k) / (1 + z * k), np.float32)


def _middles(box: Box) -> tuple[Plane, Plane]:
    """x and y of a box's px, to be spread over it."""
    x, y = np.arange(box.x0, box.x1) + 0.5, np.arange(box.y0, box.y1) + 0.5
    return x.astype(np.float32)[None], y.astype(np.float32)[:, None]


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
def _on_face(
    px: float, py: float, z: float, way_back: Extrusion
) -> tuple[float, float, float, float, float]:
    """The point of the face that a px at depth z hangs on and how far back that is, px of the wall for one of the face
    there, and how many px of the face a step of all the depth goes."""
    (wx, wy, w), (mx, my, m) = way_back.axis, way_back.plane
    a, b = mx * px + my * py + m, mx * wx + my * wy + m * w
    y = z * a / (1.0 + z * b)
    near = max(1.0 - y * w, 1e-6)
    fx, fy = (px - y * wx) / near, (py - y * wy) / near
    way = math.hypot(fx * w - wx, fy * w - wy) / near * a / (1.0 + z * b) ** 2
    return fx, fy, y, near, abs(way)


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    d: Plane,
    n: Planes,
    way_back: Extrusion,
    off_x: int,
    off_y: int,
    reached: Plane,
    far: Plane,
    outward: Planes,
    first: int,
    last: int,
) -> None:
    """A ray from each px into the depth z, 0 at the face to 1 at the back, by sphere tracing: the wall
    there has the face's outline scaled toward the point and grown inward by taper z, so
    h(z) = (d(face point) - z taper) near is a bound of how far the wall is, and a step of -h over how fast
    the face point goes never passes it. The greatest h on the way is how deep the px lies in a wall,
    the first h = 0 where it is met.

    d, n : distance and inward normals, whose first px lies off_x, off_y px before the box's.
    """
    for y in range(first, last):
        for x in range(reached.shape[1]):
            px, py = float(x + off_x), float(y + off_y)
            z, best, at = 0.0, -1e9, 0.0
            before, before_z, met = -1e9, 0.0, False
            while True:
                fx, fy, back, near, way = _on_face(px, py, z, way_back)
                here = (_between(d, fx, fy) - z * way_back.taper) * near
                if here > best:
                    best = here
                    if not met:
                        at = z
                if here >= 0.0 and not met:
                    met = True
                    if before < 0.0 and before > -1e8:
                        at = before_z + (z - before_z) * (-before) / (here - before)
                # how deep it goes into the face says how much of the px is wall; where it only
                # grazed one, another may lie behind
                if z >= 1.0 or best >= 0.5:
                    break
                before, before_z = here, z
                z = min(z + max(-here / near, LEAST) / max(way + way_back.taper, 1e-6), 1.0)
            reached[y, x] = best
            fx, fy, back, near, way = _on_face(px, py, at, way_back)
            far[y, x] = back
            ox, oy = -_between(n[0], fx, fy), -_between(n[1], fx, fy)
            size = max(math.hypot(ox, oy), 1e-6)
            outward[0, y, x], outward[1, y, x] = ox / size, oy / size


def tapered_walls(
    distance: Plane, normals: Planes, over: Box, extrusion: Extrusion, box: Box
) -> Walls:
    """The walls over a box of a shape that shrinks on its way back and is known over another box.

    distance : (h, w) float32 px, + inside; normals : (2, h, w) unit, inward; both over `over`.
    In place of the cover: how deep a px got into the face at most, px.
    """
    shape = (box.height, box.width)
    reached, far = np.zeros(shape, np.float32), np.zeros(shape, np.float32)
    outward = np.zeros((2, *shape), np.float32)
    # ways count from the middle of the fields' first px
    way_back = extrusion.seen_from(over.x0 + 0.5, over.y0 + 0.5).as_floats

    def rows(first: int, last: int) -> None:
        _rows(
            distance, normals, way_back, box.x0 - over.x0, box.y0 - over.y0,
            reached, far, outward, first, last,
        )  # fmt: skip

    bands.run(rows, bands.split(box.height))
    return Walls(reached, far, outward)
