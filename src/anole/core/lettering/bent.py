"""Curves through a warp: chords split until none is off by more than a tolerance."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from ..arrays import AnyArray, Chords, Curves, Indices, Points
from . import skia_paths
from .block import Block
from .touching import groups
from .warp import Warp

PointMap = Callable[[Points, Indices], Points]
FIRST_CUTS, MOST_ROUNDS = 4, 9
REACH = 65_536.0
"""px from where on a board begins, beyond which no board lies: farther off chords may be coarser by as
much. Letters near a vanishing line go on for millions of px."""


def _at(curves: Curves, index: Indices, t: Points) -> Points:
    c, u = curves[index], 1 - t
    weights = np.stack([u**3, 3 * u * u * t, 3 * u * t * t, t**3], 1)
    return (c * weights[:, :, None]).sum(1)


def chords(curves: Curves, letter: Indices, warp: PointMap, tolerance: float) -> Chords:
    """Curves (n, 4, 2) through a warp to chords (m, 4), in order along each contour.

    letter : (n,) the letter of each curve; tolerance in the warp's units
    """
    count = len(curves)
    if not count:
        return np.zeros((0, 4))
    index = np.repeat(np.arange(count), FIRST_CUTS)
    start = np.tile(np.arange(FIRST_CUTS) / FIRST_CUTS, count)
    end = start + 1 / FIRST_CUTS
    done: list[tuple[AnyArray, ...]] = []
    for _ in range(MOST_ROUNDS):
        middle = (start + end) / 2
        a, m, b = (warp(_at(curves, index, t), letter[index]) for t in (start, middle, end))
        allowed = tolerance * np.maximum(np.abs(m).max(1) / REACH, 1.0)
        off = np.hypot(*(m - (a + b) / 2).T) > allowed
        done.append((index[~off], start[~off], a[~off], b[~off]))
        if not off.any():
            break
        index, start, middle, end = index[off], start[off], middle[off], end[off]
        index = np.concatenate([index, index])
        start, end = np.concatenate([start, middle]), np.concatenate([middle, end])
    else:
        a, b = (warp(_at(curves, index, t), letter[index]) for t in (start, end))
        done.append((index, start, a, b))
    index, start, a, b = (np.concatenate(parts) for parts in zip(*done, strict=True))
    order = np.lexsort((start, index))
    return np.hstack([a, b])[order]


class _Piece(NamedTuple):
    box: tuple[float, float, float, float]
    chords: Chords


def bent(block: Block, shape: Warp, place: PointMap, tolerance: float) -> Chords:
    """All of a block bent and placed: chords (m, 4), overlaps united, the covered area positive."""

    def whole(points: Points, letter: Indices) -> Points:
        return place(shape(points, letter), letter)

    if not shape.bends.by_letter:
        letter = _lines_of(block, shape)
        return positive(chords(block.curves, letter, whole, tolerance))
    pieces = []
    for placed in block.glyphs:
        curves = placed.curves
        if not len(curves):
            continue
        letter = np.full(len(curves), shape.number(placed.letter))
        outline = positive(chords(curves, letter, whole, tolerance))
        xs, ys = outline[:, 0::2], outline[:, 1::2]
        box = (float(xs.min()), float(ys.min()), float(xs.max()), float(ys.max()))
        pieces.append(_Piece(box, outline))
    joined = [
        group[0].chords if len(group) == 1 else skia_paths.united_chords([p.chords for p in group])
        for group in groups(pieces)
    ]
    return np.concatenate(joined) if joined else np.zeros((0, 4))


def _lines_of(block: Block, shape: Warp) -> Indices:
    """For each curve of the united outline a letter of the line it stands on."""
    if not len(block.curves) or len(block.lines) < 2 or shape.bends.rails == "block":
        return np.zeros(len(block.curves), int)
    height = block.file.ascent - block.file.descent
    middles = np.array([line.baseline - height / 2 * line.size for line in block.lines])
    firsts = [
        next((n for n, row in enumerate(shape.lines) if row == i), 0) for i in range(len(middles))
    ]
    y = block.curves[..., 1].mean(1)
    return np.array(firsts)[np.abs(y[:, None] - middles).argmin(1)]


def positive(found: Chords) -> Chords:
    """Chords (m, 4) turned round where what they cover counts as negative: a mirror does that."""
    area = (found[:, 0] * found[:, 3] - found[:, 2] * found[:, 1]).sum()
    return found if area >= 0 else found[::-1, [2, 3, 0, 1]]
