"""What words are pulled by on the board: corners, sides, the turn, and both rails."""

from __future__ import annotations

import math
from typing import NamedTuple

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from ...core.lettering.matrix import apply
from ...core.lettering.outline import Outline, corners, outline
from ...core.lettering.warp import Shape, railed
from ...core.model import Board, Corners, Length, Lettering, Rail, Wave
from .. import theme
from ..view_transform import ViewTransform

TURN_AWAY, REACH = 26.0, 9.0
CORNER_NAMES = ("top_left", "top_right", "bottom_right", "bottom_left")
HINTS = {
    "corner": "Drag: size. Alt-drag: this corner alone",
    "side": "Drag: stretch",
    "turn": "Drag: turn, Shift in steps of 15°",
    "camber": "Drag: bend the rail. Alt-drag: wave",
    "slope": "Drag: tilt the rail",
}


class Handle(NamedTuple):
    """`kind` and which one of its kind; where it stands in widget px."""

    kind: str
    which: str
    at: QPointF


def _rail_points(line: Outline, which: str, s: np.ndarray) -> np.ndarray:
    """Board px along a rail at shares s of the block's width."""
    x0, top, x1, low = line.block.tall
    y = top if which == "head" else low
    points = np.column_stack([x0 + s * (x1 - x0), np.full(len(s), y)])
    bent = railed(points, line.block.tall, line.bends.head, line.bends.foot)
    return apply(line.matrix, Shape(line.block, line.bends).last(bent))


def handles(piece: Lettering, board: Board, now: ViewTransform) -> list[Handle]:
    """Every handle of the chosen words; rails last, so that corners win where they meet."""
    line = outline(piece, board.dpi)
    if line.block.box[2] <= line.block.box[0]:
        return []
    quad = [now.to_widget(x, y) for x, y in corners(line)]
    found = [Handle("corner", name, at) for name, at in zip(CORNER_NAMES, quad, strict=True)]
    for which, a, b in (("right", 1, 2), ("left", 3, 0)):
        found.append(Handle("side", which, (quad[a] + quad[b]) / 2))
    top = (quad[0] + quad[1]) / 2
    up = top - (quad[2] + quad[3]) / 2
    length = max(math.hypot(up.x(), up.y()), 1e-6)
    if not line.bends.ring:
        for which in ("head", "foot"):
            ends = [now.to_widget(*p) for p in _rail_points(line, which, np.array([0, 0.5, 1]))]
            found += [
                Handle("camber", which, ends[1]),
                Handle("slope", f"{which} left", ends[0]),
                Handle("slope", f"{which} right", ends[2]),
            ]
        top = next(h.at for h in found if h.kind == "camber" and h.which == "head")
    found.append(Handle("turn", "", top + up / length * TURN_AWAY))
    return found


def handle_at(found: list[Handle], at: QPointF) -> Handle | None:
    near = [(math.hypot(h.at.x() - at.x(), h.at.y() - at.y()), n) for n, h in enumerate(found)]
    near = [entry for entry in near if entry[0] <= REACH]
    return found[min(near)[1]] if near else None


def paint(painter: QPainter, piece: Lettering, board: Board, now: ViewTransform) -> None:
    """The box, the rails over the words, and the handles."""
    found = handles(piece, board, now)
    if not found:
        return
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    box = QPolygonF([h.at for h in found if h.kind == "corner"])
    line = outline(piece, board.dpi)
    curves = []
    if not line.bends.ring:
        for which in ("head", "foot"):
            points = _rail_points(line, which, np.linspace(0, 1, 49))
            curves.append(QPolygonF([now.to_widget(x, y) for x, y in points]))
    for shade, wide in ((theme.colour("desk", 0.55), 3.0), (theme.colour("leaf"), 1.3)):
        painter.setPen(QPen(shade, wide))
        painter.drawPolygon(box)
        painter.setPen(QPen(shade, wide, Qt.PenStyle.DashLine))
        for curve in curves:
            painter.drawPolyline(curve)
    for handle in found:
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
        side = 5.5 if handle.kind == "camber" else 4.0
        steps = ((0, -side), (side, 0), (0, side), (-side, 0))
        painter.setBrush(theme.colour("text"))
        painter.drawPolygon(QPolygonF([at + QPointF(x, y) for x, y in steps]))


def pulled(
    start: Lettering,
    board: Board,
    handle: Handle,
    was: tuple[float, float],
    now: tuple[float, float],
    modifiers: Qt.KeyboardModifier,
) -> dict[str, object]:
    """Fields of the piece after a pull from `was` to `now`, board px, against how it started."""
    line = outline(start, board.dpi)
    inverse = np.linalg.pinv(line.matrix[:, :2])
    across, down = (float(v) for v in inverse @ (np.array(now) - was))
    alone = bool(modifiers & Qt.KeyboardModifier.AltModifier)
    if handle.kind == "corner" and alone:
        return _corner(line, handle.which, across, down)
    if handle.kind == "corner":
        return _size(start, was, now)
    if handle.kind == "side":
        return _stretch(start, line, was, now)
    if handle.kind == "turn":
        steps = bool(modifiers & Qt.KeyboardModifier.ShiftModifier)
        return _turn(start, line, was, now, steps)
    return _rail(start, line, handle, down, alone)


def _size(start: Lettering, was: tuple[float, float], now: tuple[float, float]) -> dict:
    home = (start.place.x, start.place.y)
    before = max(math.dist(was, home), 1e-3)
    ratio = math.dist(now, home) / before
    unit = start.size.unit
    value = min(max(start.size.value * ratio, 0.5), 32_000)
    fields: dict = {"size": Length(round(value, 1 if unit == "px" else 3), unit)}
    if start.box is not None and start.box.fit != "none":
        fields["box"] = msgspec.structs.replace(
            start.box,
            width=max(start.box.width * ratio, 1),
            height=max(start.box.height * ratio, 1),
        )
        if start.box.fit == "fill":
            del fields["size"]  # the box alone says how large they are
    return fields


def _stretch(
    start: Lettering, line: Outline, was: tuple[float, float], now: tuple[float, float]
) -> dict:
    axis = line.matrix[:, 0] / max(np.hypot(*line.matrix[:, 0]), 1e-9)
    home = np.array((start.place.x, start.place.y))
    before, after = float((np.array(was) - home) @ axis), float((np.array(now) - home) @ axis)
    if abs(before) < 1:
        return {}
    stretch = start.place.scale_x * max(after / before, 0.05)
    place = msgspec.structs.replace(start.place, scale_x=round(min(max(stretch, 0.05), 20), 4))
    return {"place": place}


def _turn(
    start: Lettering, line: Outline, was: tuple[float, float], now: tuple[float, float],
    steps: bool,
) -> dict:  # fmt: skip
    home = (start.place.x, start.place.y)
    first, last = (math.atan2(p[1] - home[1], p[0] - home[0]) for p in (was, now))
    turn = start.place.rotation + math.degrees(last - first)
    turn = round(turn / 15) * 15 if steps else round(turn, 1)
    return {"place": msgspec.structs.replace(start.place, rotation=(turn + 180) % 360 - 180)}


def _corner(line: Outline, which: str, across: float, down: float) -> dict:
    quad = line.bends.corners or Corners()
    x, y = getattr(quad, which)
    way = (round(min(max(x + across, -20), 20), 4), round(min(max(y + down, -20), 20), 4))
    return {"corners": msgspec.structs.replace(quad, **{which: way})}


def _rail(start: Lettering, line: Outline, handle: Handle, down: float, wave: bool) -> dict:
    which, _, side = handle.which.partition(" ")
    rail: Rail = getattr(line.bends, which)
    height = line.block.tall[3] - line.block.tall[1]
    rise = -down / max(height, 1e-9)
    if handle.kind == "slope":
        slope = rail.slope + 2 * rise * (1 if side == "right" else -1)
        return {which: msgspec.structs.replace(rail, slope=_kept(slope))}
    if wave:
        count = rail.wave.count if rail.wave.height else 1.5
        bent = Wave(height=_kept(rail.wave.height + rise), count=count, phase=rail.wave.phase)
        return {which: msgspec.structs.replace(rail, wave=bent)}
    return {which: msgspec.structs.replace(rail, camber=_kept(rail.camber + rise))}


def _kept(value: float) -> float:
    return round(min(max(value, -1.0), 1.0), 3)
