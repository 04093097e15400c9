"""Which boxes touch: groups of glyphs that have to be united with each other."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import numpy as np

from ..arrays import Chords, Indices, Records
from ..kernels import njit

GREATEST_GROUP = 120
"""Glyphs united at once; only piles of hundreds of letters on one spot go beyond."""


@njit(nogil=True, cache=True)
def _root(parent: Indices, n: int) -> int:
    while parent[n] != n:
        parent[n] = parent[parent[n]]
        n = parent[n]
    return n


@njit(nogil=True, cache=True)
def _labels(boxes: Records, order: Indices, most: int) -> Indices:
    """For each box (x0, y0, x1, y1) the number of its group; swept from left to right.

    A group's own box grows with it: what touches that touches the group.
    """
    count = len(boxes)
    parent, size = np.arange(count), np.ones(count, np.int64)
    area = boxes.copy()
    live = np.empty(count, np.int64)
    alive = 0
    for n in order:
        kept = 0
        for k in range(alive):
            if area[live[k], 2] >= boxes[n, 0]:
                live[kept] = live[k]
                kept += 1
        alive, home = kept, -1
        for k in range(alive):
            other = live[k]
            if _root(parent, other) != other:
                continue
            if area[other, 1] <= boxes[n, 3] and area[other, 3] >= boxes[n, 1]:
                mine = n if home < 0 else home
                if size[mine] + size[other] > most:
                    continue
                parent[mine] = other
                size[other] += size[mine]
                for side in range(2):
                    area[other, side] = min(area[other, side], area[mine, side])
                    area[other, side + 2] = max(area[other, side + 2], area[mine, side + 2])
                home = other
        if home < 0:
            live[alive] = n
            alive += 1
    for n in range(count):
        parent[n] = _root(parent, n)
    return parent


def touching(boxes: Records) -> Chords:
    """For each box (x0, y0, x1, y1) of (n, 4) the number of its group; those that touch share one."""
    return _labels(boxes, np.argsort(boxes[:, 0], kind="stable"), GREATEST_GROUP)


def groups(parts: Sequence[Any]) -> list[list[Any]]:
    """Parts (with a `box`) whose boxes touch."""
    if not parts:
        return []
    groups: dict[int, list[Any]] = {}
    labels = touching(np.array([part.box for part in parts], np.float64)).tolist()
    for label, part in zip(labels, parts, strict=True):
        groups.setdefault(label, []).append(part)
    return list(groups.values())
