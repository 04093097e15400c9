"""The picture of an addition, and with what strength of it: the first way in which it is seen at all."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from ...core.arrays import Pixels
from ...core.model import Board
from .addition import Addition, Make, tried

LEVELS, SHARE = 24, 0.015
"""A px shows it that differs by so many levels; it is seen when so great a share of them does."""
Render = Callable[[Board], Pixels]


class Shown(NamedTuple):
    """(H, W, 4) uint8, and the way of the addition that it shows."""

    pixels: Pixels
    make: Make


def share_seen(pixels: Pixels, before: Pixels) -> float:
    """0..1: how much of a picture shows what was added; both (H, W, 4) uint8."""
    apart = np.abs(pixels.astype(np.int16) - before).max(axis=2)
    return float((apart > LEVELS).mean())


def shown(addition: Addition, board: Board, before: Pixels, render: Render) -> Shown:
    """Its sample; else the first way that is seen; where none is, the one that shows most. What cannot
    be made shows the board as it is."""
    ways = (addition.make, *addition.stronger) if addition.sample is None else (addition.sample,)
    best, most = Shown(before, addition.make), -1.0
    for make in ways:
        made = tried(make, board)
        if made is None:
            continue
        pixels = render(made)
        share = share_seen(pixels, before)
        if share > most:
            best, most = Shown(pixels, make if addition.sample is None else addition.make), share
        if share >= SHARE:
            break
    return best
