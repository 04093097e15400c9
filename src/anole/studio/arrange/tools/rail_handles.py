"""The rails of words on the board: bent, tilted and waved by hand."""

from __future__ import annotations

from typing import Any

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF
from PyQt6.QtGui import QPainter, QPolygonF

from ....core.arrays import Points, Values
from ....core.lettering.matrix import apply
from ....core.lettering.outline import Outline, outline
from ....core.lettering.warp import Warp, warped_by_rails
from ....core.model import Board, Lettering, Rail, Wave
from ...look import theme
from ...look.view_transform import ViewTransform
from .handle import Handle

HINTS = {
    "camber": "Drag: bend the rail. Ctrl and drag: wave",
    "slope": "Drag: tilt the rail",
}
SIDES = {"camber": 5.5, "slope": 4.0}
FIRST_WAVES = 1.5


def _points(line: Outline, which: str, s: Values) -> Points:
    """Board px along a rail at shares s of the block's width."""
    x0, top, x1, low = line.block.tall
    y = top if which == "head" else low
    points = np.column_stack([x0 + s * (x1 - x0), np.full(len(s), y)])
    bent = warped_by_rails(points, line.block.tall, line.bends.head, line.bends.foot)
    return apply(line.matrix, Warp(line.block, line.bends).last(bent))


def handles(piece: Lettering, board: Board, now: ViewTransform) -> list[Handle]:
    """Three on each rail; none where the words stand on a ring."""
    line = outline(piece, board.dpi)
    if line.bends.ring:
        return []
    handles_of_rails = []
    for which in ("head", "foot"):
        ends = [now.to_widget(*p) for p in _points(line, which, np.array([0, 0.5, 1]))]
        handles_of_rails += [
            Handle("camber", which, ends[1]),
            Handle("slope", f"{which} left", ends[0]),
            Handle("slope", f"{which} right", ends[2]),
        ]
    return handles_of_rails


def curves(piece: Lettering, board: Board, now: ViewTransform) -> list[QPolygonF]:
    """Both rails as lines, widget px."""
    line = outline(piece, board.dpi)
    if line.bends.ring:
        return []
    rails = (_points(line, which, np.linspace(0, 1, 49)) for which in ("head", "foot"))
    return [QPolygonF([now.to_widget(x, y) for x, y in points]) for points in rails]


def paint(painter: QPainter, handle: Handle) -> None:
    """A rail's handle: a diamond."""
    side = SIDES[handle.kind]
    steps = ((0, -side), (side, 0), (0, side), (-side, 0))
    painter.setBrush(theme.colour("text"))
    painter.drawPolygon(QPolygonF([handle.at + QPointF(x, y) for x, y in steps]))


def pulled(
    start: Lettering, board: Board, handle: Handle, down: float, wave: bool
) -> dict[str, Any]:
    """Fields of the words after a pull by `down` em, against how they started."""
    line = outline(start, board.dpi)
    which, _, side = handle.which.partition(" ")
    rail: Rail = getattr(line.bends, which)
    height = line.block.tall[3] - line.block.tall[1]
    rise = -down / max(height, 1e-9)
    if handle.kind == "slope":
        slope = rail.slope + 2 * rise * (1 if side == "right" else -1)
        return {which: msgspec.structs.replace(rail, slope=_bounded(slope))}
    if wave:
        count = rail.wave.count if rail.wave.height else FIRST_WAVES
        bent = Wave(height=_bounded(rail.wave.height + rise), count=count, phase=rail.wave.phase)
        return {which: msgspec.structs.replace(rail, wave=bent)}
    return {which: msgspec.structs.replace(rail, camber=_bounded(rail.camber + rise))}


def _bounded(value: float) -> float:
    return round(min(max(value, -1.0), 1.0), 3)
