"""Where the flares of a sparkle lie: by hand in letters' boxes, and found on the outline."""

from __future__ import annotations

import math

import numpy as np

from ...arrays import Chords, Points
from ...field.normals import order, outward
from ...model import Flare, Lamp, Sparkle
from ...paint.frames import FrameBox
from ..context import CoatContext

SHARP, FACING = math.radians(38), 0.93
"""A corner turns by as much at the least; the cosine within which a rim faces the lamp."""
APART = 0.6
"""Sizes by which found ones are apart at the least."""


def _in_box(flare: Flare, box: FrameBox) -> tuple[float, float]:
    x0, y0, x1, y1 = box
    return x0 + flare.x * (x1 - x0), y0 + flare.y * (y1 - y0)


def by_hand(coat: Sparkle, context: CoatContext, size: float) -> list[tuple[float, ...]]:
    """x, y, size px, turn in degrees and strength of each, on every letter that carries it."""
    letters = context.frames.letters
    units = letters.units if letters is not None else ()
    found: list[tuple[float, ...]] = []
    for flare in coat.flares:
        boxes = [unit.box for unit in units if unit.letter == flare.letter]
        if not flare.letter:
            boxes = [context.frames.piece]
        for box in boxes:
            x, y = _in_box(flare, box)
            found.append((x, y, size * flare.grow, coat.turn + flare.turn, flare.strength))
    return found


def corners(chords: Chords) -> Points:
    """(n, 2) px: where an outline turns sharply, and away from what it covers."""
    _, after = order(chords)
    way = chords[:, 2:] - chords[:, :2]
    way = way / np.maximum(np.hypot(*way.T), 1e-12)[:, None]
    following = way[after]
    cross = way[:, 0] * following[:, 1] - way[:, 1] * following[:, 0]
    turn = np.arctan2(cross, (way * following).sum(1))
    return chords[turn > SHARP, 2:]


def rims(chords: Chords, lamp: Lamp) -> Points:
    """(n, 2) px: the middles of runs of an outline that face the lamp."""
    bearing = math.radians(lamp.bearing)
    facing = outward(chords) @ (math.sin(bearing), -math.cos(bearing)) > FACING
    number = np.flatnonzero(facing)
    if not len(number):
        return np.zeros((0, 2))
    joined = (chords[number[1:], :2] == chords[number[:-1], 2:]).all(1) & (np.diff(number) == 1)
    middles = []
    for run in np.split(number, np.flatnonzero(~joined) + 1):
        part = chords[run]
        lengths = np.hypot(*(part[:, 2:] - part[:, :2]).T)
        half = np.searchsorted(np.cumsum(lengths), lengths.sum() / 2)
        one = part[min(half, len(part) - 1)]
        middles.append((one[:2] + one[2:]) / 2)
    return np.array(middles)


def _spread(points: Points, chance: Points, count: int, apart: float) -> list[int]:
    """The numbers of at most `count` points, those with the least chance first, none near another."""
    chosen: list[int] = []
    for n in np.argsort(chance, kind="stable"):
        near = points[chosen] - points[n]
        if not len(chosen) or np.hypot(*near.T).min() >= apart:
            chosen.append(int(n))
        if len(chosen) >= count:
            break
    return chosen


def found(coat: Sparkle, context: CoatContext, size: float) -> list[tuple[float, ...]]:
    """The same of those found on corners and on rims in the light."""
    chords, count = context.shape.chords, round(coat.count)
    if coat.find == "nothing" or count == 0 or not len(chords):
        return []
    parts = []
    if coat.find in ("corners", "both"):
        parts.append(corners(chords))
    if coat.find in ("light", "both"):
        parts.append(rims(chords, coat.lamp or context.lamp))
    points = np.concatenate(parts)
    rng = np.random.default_rng((int(coat.seed), 29))
    chance = rng.random((len(points), 3))
    made: list[tuple[float, ...]] = []
    for n in _spread(points, chance[:, 0], count, APART * size):
        grow = coat.smallest + (1 - coat.smallest) * chance[n, 1]
        strength = coat.weakest + (1 - coat.weakest) * chance[n, 2]
        x, y = points[n]
        made.append((float(x), float(y), size * grow, coat.turn, strength))
    return made
