"""Pool: the coverage of soft spots and of a rim, as one."""

from __future__ import annotations

import math
from typing import Any

import msgspec
import numpy as np

from ... import bands
from ...arrays import Plane, Points, Records
from ...box import Box, around
from ...compose.steps import Step
from ...kernels import njit
from ...model import Board, Colour, ColourPaint, ImagePaint, Paint, Pool, Rim, Spot
from ..fresh import Fresh
from ..kind import PieceKind
from ..placing.view import View
from ..whole_board import painted

LIGHT, DARK = Colour(255, 236, 196), Colour(6, 8, 18)
WIDE = 0.35
"""Of the board's longer side: the radius of a new spot."""
SQUARE, OVAL = 12.0, 2.0
"""Exponents of the rim's form: nearly the board's own, and an ellipse."""


@njit(nogil=True, cache=True)
def _fading(t: float) -> float:
    """1 at 0 and 0 at 1, level at both ends (the cubic Hermite step)."""
    s = min(max(1.0 - t, 0.0), 1.0)
    return s * s * (3.0 - 2.0 * s)


@njit(nogil=True, cache=True)
def _cover_rows(
    spots: Records,
    rim: Points,
    x0: int,
    y0: int,
    first: int,
    last: int,
    out: Plane,
) -> None:
    """spots : (n, 5) x, y, radius, hardness, strength; rim : half width, half height, reach,
    exponent, strength; all px of the render scale."""
    for row in range(first, last):
        y = y0 + row + 0.5
        for column in range(out.shape[1]):
            x = x0 + column + 0.5
            clear = 1.0
            for n in range(spots.shape[0]):
                dx, dy = x - spots[n, 0], y - spots[n, 1]
                far = dx * dx + dy * dy
                radius, hard = spots[n, 2], spots[n, 3]
                if far < radius * radius:
                    t = (math.sqrt(far) / radius - hard) / (1.0 - hard)
                    clear *= 1.0 - spots[n, 4] * _fading(t)
            if rim[4] > 0.0:
                u, v = abs(x / rim[0] - 1.0), abs(y / rim[1] - 1.0)
                t = (u ** rim[3] + v ** rim[3]) ** (1.0 / rim[3])
                clear *= 1.0 - rim[4] * (1.0 - _fading((t - 1.0 + rim[2]) / rim[2]))
            out[row, column] = np.float32(1.0 - clear)


def coverage(piece: Pool, view: View, box: Box) -> Plane:
    """(H, W) float32: whatever overlaps lets through what both let through."""
    scale, rim = view.scale, piece.rim
    spots = np.array(
        [(s.x * scale, s.y * scale, s.radius * scale, s.hardness, s.strength) for s in piece.spots]
    ).reshape(-1, 5)
    ends = np.zeros(5)
    if rim is not None:
        exponent = SQUARE + (OVAL - SQUARE) * rim.roundness
        wide, high = view.board.width * scale / 2, view.board.height * scale / 2
        ends = np.array([wide, high, rim.reach, exponent, rim.strength])
    out = np.empty((box.height, box.width), np.float32)
    bands.run(
        lambda first, last: _cover_rows(spots, ends, box.x0, box.y0, first, last, out),
        bands.split(box.height),
    )
    return out


def touched(piece: Pool, view: View) -> Box:
    """The px of the window that it may change."""
    if piece.rim is not None:
        return view.window
    boxes = (
        Box(
            math.floor((s.x - s.radius) * view.scale),
            math.floor((s.y - s.radius) * view.scale),
            math.ceil((s.x + s.radius) * view.scale),
            math.ceil((s.y + s.radius) * view.scale),
        )
        for s in piece.spots
    )
    return around(boxes).meet(view.window)


class PoolKind(PieceKind[Pool]):
    """Light, or dark, that lies softly over part of the board."""

    struct = Pool
    title = "pool"

    def fresh(self) -> tuple[Fresh, ...]:
        return (
            Fresh("pool", "Add a pool of light", self.bare, True, "light that lies on the ground"),
            Fresh(
                "rim",
                "Add dark corners",
                self._dark_corners,
                False,
                "the rim of the board in shade",
            ),
        )

    def bare(self, board: Board) -> Pool:
        """Light in the middle."""
        radius = min(max(WIDE * max(board.width, board.height), 1.0), 64_000.0)
        middle = Spot(x=board.width / 2, y=board.height / 2, radius=radius)
        paint = ColourPaint(colour=LIGHT)
        return Pool(id="new", name="Pool", paint=paint, blend="screen", spots=(middle,))

    def _dark_corners(self, board: Board) -> Pool:
        paint = ColourPaint(colour=DARK)
        return Pool(id="new", name="Rim", paint=paint, blend="multiply", rim=Rim())

    def steps(self, piece: Pool, view: View) -> list[Step]:
        box = touched(piece, view)
        if box.empty:
            return []
        key = ("pool", piece.spots, piece.rim, view.scale, view.frame, box)
        made = view.cache.get
        return [
            painted(
                key,
                piece,
                piece.paint,
                view,
                box,
                lambda: made(key, lambda: coverage(piece, view, box)),
            )
        ]

    def has_content(self, piece: Pool) -> bool:
        return bool(piece.spots) or piece.rim is not None

    def paint(self, piece: Pool) -> Paint:
        return piece.paint

    def dropped(self, piece: Pool, asset: str) -> dict[str, Any]:
        return {"paint": ImagePaint(asset=asset, frame="board")}

    def moved(self, piece: Pool, dx: float, dy: float) -> Pool:
        spots = tuple(msgspec.structs.replace(s, x=s.x + dx, y=s.y + dy) for s in piece.spots)
        return msgspec.structs.replace(piece, spots=spots)

    def summary(self, piece: Pool) -> str:
        count = len(piece.spots)
        spots = [f"{count} spot{'' if count == 1 else 's'}"] if count else []
        rim = ["rim"] if piece.rim is not None else []
        return "pool, " + " and ".join([*spots, *rim] or ["empty"])
