"""Stamps placed by chance: over the board, within or around a piece, along the border."""

from __future__ import annotations

from collections.abc import Callable

import cv2
import numpy as np

from ...arrays import Chords, Plane, Points, Records
from ...box import Box
from ...field.coverage import rasterise
from ...field.shape_fields import bounds
from ...marks.scattering import draws, places
from ...model import Board, Coated, Scatter

MAP_SIDE = 256.0
"""px of the longer side of the map that says where stamps may be."""
Outline = Callable[[Coated, float, float], Chords]
Frame = tuple[float, float, float, float]


def _border(board: Board, reach: float) -> tuple[Plane, Frame]:
    """The board, most likely at its very border."""
    scale = MAP_SIDE / max(board.width, board.height)
    high, wide = (max(round(side * scale), 1) for side in (board.height, board.width))
    x = np.minimum(np.arange(wide) + 0.5, wide - np.arange(wide) - 0.5) / scale
    y = np.minimum(np.arange(high) + 0.5, high - np.arange(high) - 0.5) / scale
    near = np.minimum(x[None, :], y[:, None])
    weights = np.clip(1 - near / reach, 0, 1).astype(np.float32)
    return weights, (0.0, 0.0, float(board.width), float(board.height))


def _about(chords: Chords, scale: float, reach: float | None) -> tuple[Plane, Frame]:
    """An outline's inside, or what lies outside it within reach, most likely close to it.

    chords : (m, 4) px at `scale`
    """
    x0, y0, x1, y1 = bounds(chords)
    far = 0.0 if reach is None else reach * scale
    box = Box(int(x0 - far) - 1, int(y0 - far) - 1, int(x1 + far) + 2, int(y1 + far) + 2)
    inside = rasterise(chords, box)[0]
    frame = (box.x0 / scale, box.y0 / scale, box.x1 / scale, box.y1 / scale)
    if reach is None:
        return inside, frame
    away = cv2.distanceTransform((inside < 0.5).astype(np.uint8), cv2.DIST_L2, 5)
    near = np.clip(1 - away / max(far, 1e-6), 0, 1) * (inside < 0.5)
    return near.astype(np.float32), frame


def _map(
    scatter: Scatter, board: Board, target: Coated | None, outline: Outline
) -> tuple[Plane | None, Frame] | None:
    """Where stamps may be; None where there is no such place."""
    whole = (0.0, 0.0, float(board.width), float(board.height))
    if scatter.area == "board":
        return None, whole
    if scatter.area == "frame":
        return _border(board, scatter.reach)
    if target is None:
        return None
    rough = bounds(outline(target, board.dpi, 1.0))
    scale = min(MAP_SIDE / max(rough[2] - rough[0], rough[3] - rough[1], 1.0), 1.0)
    chords = outline(target, board.dpi, scale)
    if not len(chords):
        return None
    return _about(chords, scale, scatter.reach if scatter.area == "around" else None)


def scattered(
    scatter: Scatter,
    board: Board,
    standing: Callable[[Board, str], Coated | None],
    outline: Outline,
) -> Records:
    """(n, 6) board px: x, y, size, cosine, sine, strength; none where they have no place to be."""
    target = standing(board, scatter.of) if scatter.of else None
    found = _map(scatter, board, target, outline)
    nothing = np.zeros((0, 6))
    if found is None or round(scatter.count) == 0:
        return nothing
    weights, frame = found
    chance = draws(round(scatter.count), int(scatter.seed))
    at = places(chance, weights, frame)
    if not len(at):
        return nothing

    def between(low: float, high: float, number: int) -> Points:
        return low + (high - low) * chance[:, number]

    turn = np.radians(scatter.turn) * (2 * chance[:, 4] - 1)
    return np.column_stack(
        [
            at,
            between(scatter.size_from, scatter.size_to, 3),
            np.cos(turn),
            np.sin(turn),
            between(scatter.strength_from, scatter.strength_to, 5),
        ]
    )
