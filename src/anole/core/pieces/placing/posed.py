"""Coats that lie on the face of a posed piece: made on the flat piece and projected with them."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple

import cv2
import msgspec
import numpy as np

from ...arrays import Matrix, Plane, Planes, Points
from ...box import EMPTY, Box
from ...cache import Cache
from ...compose.cover import Cover
from ...compose.steps import CompositeStep
from ...lettering.matrix import apply
from ...lettering.warp import projected
from ...model import Coated
from .placement import Placement
from .view import View

FINENESS = (1.0, 1.5, 2.0, 3.0)
"""Px of the flat piece for one of the frame where the pose brings them nearest."""
MOST_FLAT = 32e6
"""Px of a flat piece that are made for a frame."""
GRID, NEAREST = 33, 0.05
"""Points across a window that are followed back, and the least depth of those that count."""


class Flat(NamedTuple):
    """A piece without its pose, and the frame it is made in.

    matrix : 3 x 3 from px of that frame to px of the posed one
    """

    piece: Coated
    view: View
    matrix: Matrix


def without_pose(piece: Coated) -> Coated:
    """The piece laid flat, its pose still in the file."""
    return msgspec.structs.replace(piece, off=(*piece.off, "pose"))


def _nearness(matrix: Matrix, points: Points) -> float:
    """How much the pose enlarges, where it does so most; points (m, 2)."""
    steps = [projected(points + by, matrix) for by in ((0, 0), (1, 0), (0, 1))]
    (ax, ay), (bx, by) = (steps[1] - steps[0]).T, (steps[2] - steps[0]).T
    return float(np.sqrt(np.abs(ax * by - ay * bx)).max(initial=1.0))


def _seen(matrix: Matrix, window: Box) -> Box:
    """The part of the flat frame that a window of the posed one looks at."""
    xs, ys = (np.linspace(a, b, GRID) for a, b in (window[::2], window[1::2]))
    points = np.stack(np.meshgrid(xs, ys), -1).reshape(-1, 2)
    lifted = np.column_stack([points, np.ones(len(points))]) @ np.linalg.inv(matrix).T
    # depth of the flat point: 1 / the last part, as the matrix' own last part is 1 in its middle
    kept = lifted[lifted[:, 2] > 1e-9]
    flat = kept[:, :2] / kept[:, 2:]
    depth = flat @ matrix[2, :2] + matrix[2, 2]
    flat = flat[depth > NEAREST]
    if not len(flat):
        return EMPTY
    (x0, y0), (x1, y1) = flat.min(0), flat.max(0)
    most = 1e6
    return Box(
        *(
            int(min(max(v, -most), most))
            for v in (math.floor(x0) - 2, math.floor(y0) - 2, math.ceil(x1) + 2, math.ceil(y1) + 2)
        )
    )


def frame_of_flat(board: Matrix, view: View, fine: float) -> tuple[Matrix, Box]:
    """3 x 3 from px of a flat frame at scale `fine`, and the part of that frame that is seen."""
    matrix = np.diag([view.scale, view.scale, 1]) @ board @ np.diag([1 / fine, 1 / fine, 1])
    return matrix, _seen(matrix, view.window)


def flat_of(placement: Placement, piece: Coated, view: View) -> Flat | None:
    """The flat piece; None where no pose is on."""
    if placement.pose is None:
        return None
    board = placement.pose_on_board()
    x0, y0, x1, y1 = placement.box
    middle = np.array([[x0, y0], [x1, y0], [x1, y1], [x0, y1], [(x0 + x1) / 2, (y0 + y1) / 2]])
    near = _nearness(board, apply(placement.matrix, middle))
    fine = view.scale * next((f for f in FINENESS if f >= near - 0.1), FINENESS[-1])
    matrix, seen = frame_of_flat(board, view, fine)
    if seen.width * seen.height > MOST_FLAT:
        # seen nearly from its edge, a piece is long and thin on the board: less fine does as well
        fine *= math.sqrt(MOST_FLAT / (seen.width * seen.height))
        matrix, seen = frame_of_flat(board, view, fine)
    return Flat(without_pose(piece), view._replace(scale=fine, window=seen), matrix)


def landing(matrix: Matrix, box: Box, window: Box) -> Box:
    """The part of a window that a box of the flat frame may come to lie in."""
    corners = np.array([[box.x0, box.y0], [box.x1, box.y0], [box.x1, box.y1], [box.x0, box.y1]])
    landed = np.clip(projected(corners.astype(float), matrix), -1e6, 1e6)
    (x0, y0), (x1, y1) = np.floor(landed.min(0)), np.ceil(landed.max(0))
    return Box(int(x0) - 1, int(y0) - 1, int(x1) + 1, int(y1) + 1).meet(window)


def projected_plane(plane: Plane, matrix: Matrix, box: Box, into: Box, edge: int) -> Plane:
    """A plane over `box` of the flat frame, seen over `into` of the posed one."""
    full = np.ascontiguousarray(np.broadcast_to(plane, (box.height, box.width)))
    there = np.array([[1, 0, box.x0 + 0.5], [0, 1, box.y0 + 0.5], [0, 0, 1]])
    here = np.array([[1, 0, -into.x0 - 0.5], [0, 1, -into.y0 - 0.5], [0, 0, 1]])
    return cv2.warpPerspective(
        full,
        here @ matrix @ there,
        (into.width, into.height),
        flags=cv2.INTER_LINEAR,
        borderMode=edge,
    )


def onto_face(
    step: CompositeStep,
    flat: Flat,
    window: Box,
    cache: Cache,
    within: Callable[[], tuple[Plane, Box]],
) -> CompositeStep:
    """A step made on the flat piece as one of the posed frame."""
    matrix, box = flat.matrix, step.box
    into = EMPTY if box.empty else landing(matrix, box, window)
    key = ("projected", matrix.tobytes(), into, step.made)

    def cover() -> Cover:
        flat_cover = step.cover()
        turned = cache.get(
            ("cover", key),
            lambda: projected_plane(flat_cover.plane, matrix, box, into, cv2.BORDER_CONSTANT),
        )
        return flat_cover._replace(plane=turned)

    def colours() -> Planes:
        colours_flat = step.source()
        if colours_flat.shape[1:] == (1, 1):
            return colours_flat
        return cache.get(
            ("lit", key),
            lambda: np.stack(
                [projected_plane(p, matrix, box, into, cv2.BORDER_REPLICATE) for p in colours_flat]
            ),
        )

    return step._replace(made=key, box=into, cover=cover, source=colours, within=within)
