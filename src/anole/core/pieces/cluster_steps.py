"""A cluster as steps: coats beneath, what its pieces paint, coats above."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec
import numpy as np

from ..arrays import Matrix, Plane, Planes
from ..box import Box
from ..coats.context import CoatContext
from ..compose.cover import Cover
from ..compose.program import NO_FACTORS
from ..compose.steps import CompositeStep, FaceBegin, FaceEnd, Step
from ..lettering.warp import pose_matrix, quad_matrix
from ..model import Cluster, Coated
from ..paint.own import straight
from .coated import blended, is_apart, layers
from .contexts import context_of
from .placing.placement import Placement
from .placing.posed import frame_of_flat, landing, projected_plane
from .placing.view import View
from .shapes.reshaped import shape_of

UNDER = 1.0
"""px by which coats beneath run under what the pieces paint: no ground shows between."""
FINER = 1.5
"""Px of a bent cluster's pieces for one of the frame."""


def _run(name: str, steps: list[CompositeStep], context: CoatContext, inset: float) -> list[Step]:
    """Coats laid in through the silhouette, or through one that is smaller by `inset` px."""
    if not steps:
        return []
    shape, face = context.shape, context.around(0)
    where = (shape.key, shape.box, face, name)

    def coverage() -> tuple[Plane, Box]:
        if inset == 0:
            return shape.covered()
        key = ("inset", shape.key, shape.box, inset)
        # its edge is hidden by what lies above
        plane = context.cache.get(key, lambda: np.clip(shape.distance + (0.5 - inset), 0, 1))
        return plane, shape.box

    return [FaceBegin(("face", *where), face), *steps, FaceEnd(("joined", *where), face, coverage)]


def cluster_steps(kind: Any, piece: Cluster, view: View) -> list[Step]:
    """All its steps; without a style those of its pieces alone."""
    if not any(coat.on for coat in piece.style):
        inner = view._replace(depth=view.depth + is_apart(piece))
        return blended(piece, _content(kind, piece, inner), view)
    context = context_of(shape_of(kind, piece, view), piece.style, view)
    return coats_round(kind, piece, context, view, lambda inner: _content(kind, piece, inner))


def coats_round(
    kind: Any,
    piece: Coated,
    context: CoatContext,
    view: View,
    content: Callable[[View], list[Step]],
) -> list[Step]:
    """The steps of a piece whose content has steps of its own: coats beneath them and above."""
    within = content(view._replace(depth=view.depth + is_apart(piece)))
    if context.shape.box.empty:
        return blended(piece, within, view)
    coats = layers(kind, piece, context, view)
    lower = _run("lower", coats.lower, context, UNDER if within else 0.0)
    upper = _run("upper", coats.upper, context, 0.0)
    return blended(piece, [*lower, *within, *upper], view)


def _content(kind: Any, piece: Cluster, view: View) -> list[Step]:
    if view.bare:
        return []
    placed = kind.placement(piece, view.board.dpi)
    if placed.corners is None and placed.pose is None:
        return kind.content(piece, view)
    return _projected(kind, piece, placed, view)


def _bend(piece: Cluster, placed: Placement) -> Matrix:
    """3 x 3 from its pieces' px to the board's, corners and pose included."""
    em = placed.em
    matrix = np.diag([1 / em, 1 / em, 1.0])
    matrix[:2, 2] = -np.array(piece.home) / em
    if placed.corners is not None:
        matrix = quad_matrix(placed.box, placed.corners) @ matrix
    if placed.pose is not None:
        matrix = pose_matrix(placed.box, placed.pose) @ matrix
    return np.vstack([placed.matrix, [0, 0, 1]]) @ matrix


def _projected(kind: Any, piece: Cluster, placed: Placement, view: View) -> list[Step]:
    """What its pieces paint on the flat board, as one picture brought onto the bent one."""
    matrix, seen = frame_of_flat(_bend(piece, placed), view, view.scale * FINER)
    into = landing(matrix, seen, view.window)
    if seen.empty or into.empty:
        return []
    held = tuple(kind.held(piece))
    board = msgspec.structs.replace(view.board, pieces=held)
    key = ("bent", held, view.board.dpi, view.board.lamp, matrix.tobytes(), seen, into)
    fine = view.scale * FINER

    def picture() -> Planes:
        flat = view.picture(board, fine, seen, False).copy()
        return np.stack([projected_plane(plane, matrix, seen, into, 0) for plane in flat])

    def made() -> Planes:
        return view.cache.get(key, picture)

    return [
        CompositeStep(
            key,
            into,
            lambda: Cover(np.ascontiguousarray(made()[3]), outside=True, face=False),
            lambda: view.cache.get(("straight", *key), lambda: _opaque(made())),
            1.0,
            "normal",
            NO_FACTORS,
            "everywhere",
        )
    ]


def _opaque(planes: Planes) -> Planes:
    """(4, H, W) straight colours; the coverage brings the alpha."""
    colours = np.ascontiguousarray(straight(planes), np.float32)
    colours[3] = 1.0
    return colours
