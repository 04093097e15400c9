"""What a placed piece is pulled by on the board: corners, sides and the turn; of words the rails too."""

from __future__ import annotations

import math
from typing import Any

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from ....core.model import Board, Corners, Lettering, Placed
from ....core.pieces.placing.placement import Placement
from ....core.pieces.registry import placed_kind, placement
from ...look import theme
from ...look.view_transform import ViewTransform
from . import rail_handles
from .handle import Handle

TURN_AWAY, REACH = 26.0, 9.0
CORNER_NAMES = ("top_left", "top_right", "bottom_right", "bottom_left")
MOST_CORNER = 20.0
# some desktops take Alt for themselves
ALONE = Qt.KeyboardModifier.AltModifier | Qt.KeyboardModifier.ControlModifier
HINTS = {
    "corner": "Drag: size. Ctrl and drag: this corner alone",
    "side": "Drag: stretch",
    "turn": "Drag: turn, Shift in steps of 15°",
    **rail_handles.HINTS,
}
Point = tuple[float, float]


def handles(piece: Placed, board: Board, now: ViewTransform) -> list[Handle]:
    """Every handle of the chosen piece; rails last, so that corners win where they meet."""
    placed = placement(piece, board)
    if placed.box[2] <= placed.box[0]:
        return []
    quad = [now.to_widget(x, y) for x, y in placed.quad]
    grips = [Handle("corner", name, at) for name, at in zip(CORNER_NAMES, quad, strict=True)]
    for which, a, b in (("right", 1, 2), ("left", 3, 0)):
        grips.append(Handle("side", which, (quad[a] + quad[b]) / 2))
    top = (quad[0] + quad[1]) / 2
    up = top - (quad[2] + quad[3]) / 2
    length = max(math.hypot(up.x(), up.y()), 1e-6)
    if isinstance(piece, Lettering):
        rails = rail_handles.handles(piece, board, now)
        grips += rails
        top = next((h.at for h in rails if (h.kind, h.which) == ("camber", "head")), top)
    grips.append(Handle("turn", "", top + up / length * TURN_AWAY))
    return grips


def handle_at(found: list[Handle], at: QPointF) -> Handle | None:
    """The nearest handle within reach of a point."""
    near = [(math.hypot(h.at.x() - at.x(), h.at.y() - at.y()), n) for n, h in enumerate(found)]
    near = [entry for entry in near if entry[0] <= REACH]
    return found[min(near)[1]] if near else None


def paint(painter: QPainter, piece: Placed, board: Board, now: ViewTransform) -> None:
    """The box, the rails over words, and the handles."""
    grips = handles(piece, board, now)
    if not grips:
        return
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    box = QPolygonF([h.at for h in grips if h.kind == "corner"])
    curves = rail_handles.curves(piece, board, now) if isinstance(piece, Lettering) else []
    for shade, wide in ((theme.colour("desk", 0.55), 3.0), (theme.colour("leaf"), 1.3)):
        painter.setPen(QPen(shade, wide))
        painter.drawPolygon(box)
        painter.setPen(QPen(shade, wide, Qt.PenStyle.DashLine))
        for curve in curves:
            painter.drawPolyline(curve)
    for handle in grips:
        _paint_one(painter, handle)


def _paint_one(painter: QPainter, handle: Handle) -> None:
    at = handle.at
    painter.setPen(QPen(theme.colour("desk"), 1))
    painter.setBrush(theme.colour("leaf"))
    if handle.kind == "corner":
        painter.drawRect(QRectF(at.x() - 4, at.y() - 4, 8, 8))
    elif handle.kind == "side":
        painter.drawRect(QRectF(at.x() - 2.5, at.y() - 6, 5, 12))
    elif handle.kind == "turn":
        painter.drawEllipse(at, 5, 5)
    else:
        rail_handles.paint(painter, handle)


def pulled(
    start: Placed,
    board: Board,
    handle: Handle,
    was: Point,
    now: Point,
    modifiers: Qt.KeyboardModifier,
) -> dict[str, Any]:
    """Fields of the piece after a pull from `was` to `now`, board px, against how it started."""
    placed = placement(start, board)
    inverse = np.linalg.pinv(placed.matrix[:, :2])
    across, down = (float(v) for v in inverse @ (np.array(now) - was))
    alone = bool(modifiers & ALONE) and placed_kind(start).bends
    if handle.kind == "corner" and alone:
        return _corner(placed, handle.which, across, down)
    if handle.kind == "corner":
        return placed_kind(start).resized(start, _ratio(start, was, now))
    if handle.kind == "side":
        return _stretch(start, placed, was, now)
    if handle.kind == "turn":
        return _turn(start, was, now, bool(modifiers & Qt.KeyboardModifier.ShiftModifier))
    assert isinstance(start, Lettering)
    return rail_handles.pulled(start, board, handle, down, alone)


def _home(start: Placed) -> Point:
    return start.place.x, start.place.y


def _ratio(start: Placed, was: Point, now: Point) -> float:
    return math.dist(now, _home(start)) / max(math.dist(was, _home(start)), 1e-3)


def _stretch(start: Placed, placed: Placement, was: Point, now: Point) -> dict[str, Any]:
    axis = placed.matrix[:, 0] / max(np.hypot(*placed.matrix[:, 0]), 1e-9)
    home = np.array(_home(start))
    before, after = float((np.array(was) - home) @ axis), float((np.array(now) - home) @ axis)
    if abs(before) < 1:
        return {}
    stretch = start.place.scale_x * max(after / before, 0.05)
    place = msgspec.structs.replace(start.place, scale_x=round(min(max(stretch, 0.05), 20), 4))
    return {"place": place}


def _turn(start: Placed, was: Point, now: Point, steps: bool) -> dict[str, Any]:
    home = _home(start)
    first, last = (math.atan2(p[1] - home[1], p[0] - home[0]) for p in (was, now))
    turn = start.place.rotation + math.degrees(last - first)
    turn = round(turn / 15) * 15 if steps else round(turn, 1)
    return {"place": msgspec.structs.replace(start.place, rotation=(turn + 180) % 360 - 180)}


def _corner(placed: Placement, which: str, across: float, down: float) -> dict[str, Any]:
    quad = placed.corners or Corners()
    x, y = (
        round(min(max(old + by, -MOST_CORNER), MOST_CORNER), 4)
        for old, by in zip(getattr(quad, which), (across, down), strict=True)
    )
    return {"corners": msgspec.structs.replace(quad, **{which: (x, y)})}
