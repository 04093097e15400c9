"""Where a paint is held on the board, and the paint when a handle is pulled. All in board px."""

from __future__ import annotations

import math
from typing import Any, NamedTuple

import msgspec
import numpy as np

from ...core.model import Backdrop, Gradient, ImagePaint, Pattern
from ...core.paint.gradient import axes, centre, radii

FrameBox = tuple[float, float, float, float]
WORDS = {
    "start": "Drag: where the colours start",
    "end": "Drag: where they end",
    "middle": "Drag: the middle",
    "move": "Drag: moves the paint inside the letters",
    "turn": "Drag: turns and sizes it",
}


class Grip(NamedTuple):
    kind: str
    x: float
    y: float


def _middle(frame: FrameBox) -> np.ndarray:
    return np.array([(frame[0] + frame[2]) / 2, (frame[1] + frame[3]) / 2])


def _sides(frame: FrameBox) -> np.ndarray:
    return np.maximum([frame[2] - frame[0], frame[3] - frame[1]], 1e-3)


def _way(angle: float) -> np.ndarray:
    """The direction of an angle: 0 to the right, clockwise."""
    turn = math.radians(angle)
    return np.array([math.cos(turn), math.sin(turn)])


def _round_reach(paint: Gradient, frame: FrameBox) -> float:
    if paint.shape == "conic":
        return float(_sides(frame).min()) / 2
    return _full_reach(paint, frame) * paint.scale


def _full_reach(paint: Gradient, frame: FrameBox) -> float:
    """Along the handle's arm, where 100 % of a radial gradient lies."""
    way = _way(paint.angle - 90) / radii(paint, frame)
    return 1 / float(np.hypot(*way))


def _tile(paint: Any, frame: FrameBox, em: float, dpi: float) -> tuple[np.ndarray, float]:
    """How far the paint was moved, and the length of the arm that turns and sizes it."""
    if isinstance(paint, Pattern):
        side = paint.size.px(em, dpi)
        along, across = _way(paint.angle), _way(paint.angle + 90)
        return (along * paint.x + across * paint.y) * side, side
    return np.array([paint.x, paint.y]) * _sides(frame), float(_sides(frame)[0]) / 3 * paint.scale


def grips(paint: Any, frame: FrameBox, em: float, dpi: float) -> list[Grip]:
    if isinstance(paint, Gradient) and paint.shape == "linear":
        middle, along, _ = axes(paint, frame)
        start = middle + along * (paint.offset - 0.5)
        end = start + along * paint.scale
        return [Grip("start", *start), Grip("end", *end)]
    if isinstance(paint, Gradient) and paint.shape in ("radial", "conic"):
        at = centre(paint, frame)
        end = at + _way(paint.angle - 90) * _round_reach(paint, frame)
        return [Grip("middle", *at), Grip("end", *end)]
    if isinstance(paint, Pattern | ImagePaint | Backdrop):
        moved, arm = _tile(paint, frame, em, dpi)
        at = _middle(frame) + moved
        end = at + _way(getattr(paint, "angle", 0.0)) * arm
        return [Grip("move", *at), Grip("turn", *end)]
    return []


def _angle(v: np.ndarray) -> float:
    """CSS's angle of a direction: 0 up, clockwise."""
    return math.degrees(math.atan2(v[0], -v[1])) % 360


def _line(paint: Gradient, frame: FrameBox, start: np.ndarray, end: np.ndarray) -> Gradient:
    v = end - start
    if np.hypot(*v) < 1:
        return paint
    turned = msgspec.structs.replace(paint, angle=round(_angle(v), 3), fitted=False, x=0.0, y=0.0)
    middle, along, across = axes(turned, frame)
    by, length = start - middle, float(np.hypot(*along))
    # the middle is moved across the line alone: where the line is held changes no colour
    x, y = across * float(by @ across) / float(across @ across) / _sides(frame)
    return msgspec.structs.replace(
        turned,
        scale=round(max(float(np.hypot(*v)) / length, 0.001), 4),
        offset=round(float(by @ along) / length**2 + 0.5, 4),
        x=round(float(x), 5),
        y=round(float(y), 5),
    )


def _round(paint: Gradient, frame: FrameBox, kind: str, at: np.ndarray) -> Gradient:
    if kind == "middle":
        x, y = (at - _middle(frame)) / _sides(frame)
        return msgspec.structs.replace(paint, x=round(float(x), 5), y=round(float(y), 5))
    here = centre(paint, frame)
    v = at - here
    if np.hypot(*v) < 1:
        return paint
    turned = msgspec.structs.replace(paint, angle=round(_angle(v), 2))
    if paint.shape == "radial":
        scale = float(np.hypot(*v)) / _full_reach(turned, frame)
        turned = msgspec.structs.replace(turned, scale=round(max(scale, 0.001), 4))
    return turned


def _laid(paint: Any, frame: FrameBox, em: float, dpi: float, kind: str, at: np.ndarray) -> Any:
    moved, arm = _tile(paint, frame, em, dpi)
    if kind == "move":
        by = at - _middle(frame)
        if isinstance(paint, Pattern):
            side = paint.size.px(em, dpi)
            x, y = by @ _way(paint.angle) / side, by @ _way(paint.angle + 90) / side
        else:
            x, y = by / _sides(frame)
        return msgspec.structs.replace(paint, x=round(float(x), 4), y=round(float(y), 4))
    v = at - _middle(frame) - moved
    reach = float(np.hypot(*v))
    if reach < 1:
        return paint
    fields: dict[str, Any] = {}
    if hasattr(paint, "angle"):
        fields["angle"] = round(math.degrees(math.atan2(v[1], v[0])) % 360, 2)
    if isinstance(paint, Pattern):
        fields["size"] = paint.size.like(reach, em, dpi)
        turned = msgspec.structs.replace(paint, **fields)
        return _laid(turned, frame, em, dpi, "move", _middle(frame) + moved)
    fields["scale"] = round(max(paint.scale * reach / arm, 0.001), 4)
    return msgspec.structs.replace(paint, **fields)


def pulled(
    paint: Any, frame: FrameBox, em: float, dpi: float, kind: str, x: float, y: float
) -> Any:
    """The paint with one of its grips at (x, y)."""
    at = np.array([x, y])
    if not isinstance(paint, Gradient):
        return _laid(paint, frame, em, dpi, kind, at)
    if paint.shape != "linear":
        return _round(paint, frame, kind, at)
    ends = {g.kind: np.array([g.x, g.y]) for g in grips(paint, frame, em, dpi)}
    ends[kind] = at
    return _line(paint, frame, ends["start"], ends["end"])
