"""Bending words: rails, ring, chance, corners and pose, on points in em.

A warp takes points (m, 2) in em, y down, and the letter each belongs to, (m,) indices into
Warp.centres. The order is: rails or ring, then chance for each letter, then corners, then pose.
"""

from __future__ import annotations

import functools
import math

import numpy as np

from ..arrays import Indices, Matrix, Points, Records
from ..model import Corners, Letters, Pose, Rail
from .bends import Bends
from .block import Block

LEAST_GAP = 0.1
"""Of the block's height: the rails never come nearer to each other."""


def rail(line: Rail, s: Points) -> Points:
    """How far a rail rises at s = 0..1 along the block, as a share of its height."""
    wave = line.wave.height * np.sin(2 * np.pi * (line.wave.count * s + line.wave.phase))
    return line.slope * (s - 0.5) + line.camber * (1 - (2 * s - 1) ** 2) + wave


def warped_by_rails(
    points: Points, box: tuple[float, float, float, float], head: Rail, foot: Rail
) -> Points:
    """Points between head and foot move in proportion to both rails."""
    x0, top, x1, low = box
    height = max(low - top, 1e-9)
    s = (points[:, 0] - x0) / max(x1 - x0, 1e-9)
    upper, lower = top - height * rail(head, s), low - height * rail(foot, s)
    middle, half = (upper + lower) / 2, np.maximum((lower - upper) / 2, height * LEAST_GAP / 2)
    share = (points[:, 1] - top) / height
    return np.column_stack([points[:, 0], middle - half + 2 * half * share])


def ringed(points: Points, centres: Points, block: Block, bends: Bends) -> Points:
    """Each letter turned stiffly, its foot on the circle; the circle touches the first baseline."""
    ring, radius = bends.ring, max(bends.radius, 1e-6)
    assert ring is not None
    middle = (block.box[0] + block.box[2]) / 2
    sign = -1.0 if ring.inside else 1.0
    turn = math.radians(ring.start) + sign * (centres[:, 0] - middle) / radius
    lean = turn + (math.pi if ring.inside else 0.0)
    far = radius - sign * centres[:, 1]
    foot = np.column_stack([middle + far * np.sin(turn), radius - far * np.cos(turn)])
    away = points - centres
    cos, sin = np.cos(lean), np.sin(lean)
    return foot + np.column_stack(
        [away[:, 0] * cos - away[:, 1] * sin, away[:, 0] * sin + away[:, 1] * cos]
    )


def own_ways(letters: Letters, places: list[int]) -> Records:
    """(count, 4) as in chance(): what letters at those places of the text have for themselves."""
    ways = np.zeros((len(places), 4))
    for row, at in enumerate(places):
        own = letters.own_of(at)
        if own is not None:
            ways[row] = (own.aside, -own.rise, math.radians(own.turn), own.grow)
    return ways


def chance(letters: Letters, count: int) -> Records:
    """(count, 4): across, down, turn in radians, outset; the same for the same seed."""
    draws = np.array(
        [np.random.default_rng((int(letters.seed), n)).uniform(-1, 1, 4) for n in range(count)]
    ).reshape(count, 4)
    return draws * (letters.shift, letters.shift, math.radians(letters.turn), letters.grow)


def jittered(points: Points, middles: Points, moves: Records) -> Records:
    """Letters moved, turned and grown about their middles; one middle and move a point."""
    cos, sin = np.cos(moves[:, 2]) * (1 + moves[:, 3]), np.sin(moves[:, 2]) * (1 + moves[:, 3])
    away = points - middles
    turned = np.column_stack(
        [away[:, 0] * cos - away[:, 1] * sin, away[:, 0] * sin + away[:, 1] * cos]
    )
    return middles + moves[:, :2] + turned


def quad_matrix(box: tuple[float, float, float, float], corners: Corners) -> Matrix:
    """3 x 3: the projective map that takes the box's corners to the quad's (P. Heckbert, 1989)."""
    x0, y0, x1, y1 = box
    home = [(x0, y0), (x1, y0), (x1, y1), (x0, y1)]
    ways = (corners.top_left, corners.top_right, corners.bottom_right, corners.bottom_left)
    rows, right = [], []
    for (x, y), (dx, dy) in zip(home, ways, strict=True):
        u, v = x + dx, y + dy
        rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]]
        right += [u, v]
    try:
        solved = np.linalg.solve(np.array(rows, float), np.array(right, float))
    except np.linalg.LinAlgError:
        return np.eye(3)
    return np.append(solved, 1.0).reshape(3, 3)


def projected(points: Points, matrix: Matrix) -> Matrix:
    """Points through a 3 x 3; what lies on or behind the horizon is kept just before it."""
    lifted = points @ matrix[:, :2].T + matrix[:, 2]
    depth = np.maximum(lifted[:, 2:], 1e-3)
    return lifted[:, :2] / depth


def pose_matrix(box: tuple[float, float, float, float], pose: Pose) -> Matrix:
    """3 x 3 of a turn in space about the middle of the box, seen from `distance` em.

    x to the right, y down, z toward the eye; swing, then nod, then roll.
    """
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    # flat letters have z = 0
    turned = pose_rotation(pose)[:, :2]
    nearer = -turned[2] / pose.distance
    there = np.array([[1, 0, x], [0, 1, y], [0, 0, 1]])
    back = np.array([[1, 0, -x], [0, 1, -y], [0, 0, 1]])
    middle = np.array([[*turned[0], 0], [*turned[1], 0], [*nearer, 1]])
    return there @ middle @ back


def pose_rotation(pose: Pose) -> Matrix:
    """3 x 3 of the turn alone: x to the right, y down, z toward the eye."""
    a, b, c = (math.radians(v) for v in (pose.turn_x, pose.turn_y, pose.turn_z))
    swing = [[math.cos(b), 0, math.sin(b)], [0, 1, 0], [-math.sin(b), 0, math.cos(b)]]
    nod = [[1, 0, 0], [0, math.cos(a), -math.sin(a)], [0, math.sin(a), math.cos(a)]]
    roll = [[math.cos(c), -math.sin(c), 0], [math.sin(c), math.cos(c), 0], [0, 0, 1]]
    return np.array(roll) @ np.array(nod) @ np.array(swing)


def pose_back(box: tuple[float, float, float, float], pose: Pose) -> Matrix:
    """(3,): what pose_matrix() adds to a point, homogeneous, for one em straight back from it."""
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    back = -pose_rotation(pose)[:, 2]
    deep = -back[2] / pose.distance
    return np.array([back[0] + x * deep, back[1] + y * deep, deep])


class Warp:
    """The whole bend of one block, ready for points."""

    def __init__(self, block: Block, bends: Bends) -> None:
        self.block, self.bends = block, bends
        self.letters = list(dict.fromkeys(placed.letter for placed in block.glyphs))
        self._number = {letter: n for n, letter in enumerate(self.letters)}
        self.lines = np.array([letter[0] for letter in self.letters], int)
        if bends.letters and bends.letters.moves:
            places = [block.starts[row] + at for row, at in self.letters]
            self._moves = chance(bends.letters, len(places)) + own_ways(bends.letters, places)
            self._middles = self._first(self._feet - self._half_caps, np.arange(len(self.letters)))

    @property
    def _half_caps(self) -> Points:
        """(letters, 2) em: from each letter's foot up to the middle of its capitals."""
        sizes = [self.block.lines[row].size for row, _ in self.letters]
        half = self.block.file.cap_height / 2 * np.array(sizes)
        return np.column_stack([np.zeros(len(half)), half]).reshape(-1, 2)

    def number(self, letter: tuple[int, int]) -> int:
        """Number of the letter (line, place in it) among those that can move."""
        return self._number[letter]

    @functools.cached_property
    def _feet(self) -> Points:
        """(letters, 2): the middle of each letter's foot, on its baseline."""
        feet = np.zeros((len(self.letters), 2))
        spans: dict[int, list[float]] = {}
        for placed in self.block.glyphs:
            n = self._number[placed.letter]
            box = placed.shape.box
            left, right = (0.0, 0.0) if box is None else (box[0], box[2])
            left, right = left * placed.size, right * placed.size
            spans.setdefault(n, []).extend((placed.x + left, placed.x + right))
        for n, ends in spans.items():
            line = self.block.lines[self.letters[n][0]]
            feet[n] = ((min(ends) + max(ends)) / 2, line.baseline)
        return feet

    def _first(self, points: Points, letter: Indices) -> Points:
        """Rails or ring."""
        bends, block = self.bends, self.block
        if bends.ring:
            return ringed(points, self._feet[letter], block, bends)
        if bends.rails == "block" or len(block.lines) < 2:
            return warped_by_rails(points, block.tall, bends.head, bends.foot)
        out = points.copy()
        rows = self.lines[letter]
        for row, line in enumerate(block.lines):
            here = rows == row
            if here.any():
                rise, fall = block.file.ascent * line.size, block.file.descent * line.size
                box = (line.x0, line.baseline - rise, line.x1, line.baseline + fall)
                out[here] = warped_by_rails(points[here], box, bends.head, bends.foot)
        return out

    def __call__(self, points: Points, letter: Indices) -> Points:
        """Points (m, 2) in em and their letters (m,) to points (m, 2) in em."""
        bends = self.bends
        points = self._first(points, letter)
        if bends.letters and bends.letters.moves:
            points = jittered(points, self._middles[letter], self._moves[letter])
        return self.last(points)

    def last(self, points: Points) -> Points:
        """Corners and pose, which act on the block as one."""
        if self.bends.corners:
            points = projected(points, quad_matrix(self.block.box, self.bends.corners))
        if self.bends.pose:
            points = projected(points, pose_matrix(self.block.box, self.bends.pose))
        return points
