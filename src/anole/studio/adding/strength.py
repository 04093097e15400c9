"""The picture of an addition, and with what strength of it: the first way in which it is seen at all."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from ...core.arrays import Pixels
from ...core.model import Board
from .addition import Addition, Made

LEVELS, SHARE = 24, 0.015
"""A px shows it that differs by so many levels; it is seen when so great a share of them does."""
Render = Callable[[Board], Pixels]


class Shown(NamedTuple):
    """(H, W, 4) uint8, and the way of the addition that it shows."""

    pixels: Pixels
    make: Callable[[Board], Made]


def share_seen(pixels: Pixels, before: Pixels) -> float:
    """0..1: how much of a picture shows what was added; both (H, W, 4) uint8."""
    apart = np.abs(pixels.astype(np.int16) - before).max(axis=2)
    return float((apart > LEVELS).mean())


def shown(addition: Addition, board: Board, before: Pixels, render: Render) -> Shown:
    """Its sample; else the first way that is seen; where none is, the one that shows most."""
    if addition.sample is not None:
        return Shown(render(addition.sample(board).board), addition.make)
    best, most = None, -1.0
    for make in (addition.make, *addition.stronger):
        pixels = render(make(board).board)
        share = share_seen(pixels, before)
        if best is None or share > most:
            best, most = Shown(pixels, make), share
        if share >= SHARE:
            break
    assert best is not None
    return best
