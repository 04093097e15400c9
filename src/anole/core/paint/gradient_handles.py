"""Gradients held on the board: a line by its ends, round ones by their middle and an arm."""

from __future__ import annotations

import msgspec
import numpy as np

from ..arrays import Points
from ..model import Gradient
from .frames import FrameBox
from .gradient import axes, centre, radii
from .handles import Laying, PaintHandle, angle_of, way


def handles(paint: Gradient, laid: Laying) -> list[PaintHandle]:
    """Two of them; none where it runs along an edge."""
    first, last = paint.stops[0].colour, paint.stops[-1].colour
    if paint.reversed:
        first, last = last, first
    if paint.shape == "linear":
        middle, along, _ = axes(paint, laid.frame)
        start = middle + along * (paint.offset - 0.5)
        end = start + along * paint.scale
        return [PaintHandle.at("start", start, first), PaintHandle.at("end", end, last)]
    if paint.shape in ("radial", "conic"):
        at = centre(paint, laid.frame)
        end = at + way(paint.angle - 90) * _reach(paint, laid)
        return [PaintHandle.at("middle", at, first), PaintHandle.at("end", end, last)]
    return []


def pulled(paint: Gradient, laid: Laying, kind: str, at: Points) -> Gradient:
    """The gradient with one of its handles at a point (2,)."""
    if paint.shape != "linear":
        return _round(paint, laid, kind, at)
    ends = {one.kind: np.array([one.x, one.y]) for one in handles(paint, laid)}
    ends[kind] = at
    return _line(paint, laid, ends["start"], ends["end"])


def _reach(paint: Gradient, laid: Laying) -> float:
    """px of the arm."""
    if paint.shape == "conic":
        return float(laid.sides.min()) / 2
    return _full_reach(paint, laid.frame) * paint.scale


def _full_reach(paint: Gradient, frame: FrameBox) -> float:
    """Along the arm, where 100 % of a radial gradient lies."""
    return 1 / float(np.hypot(*(way(paint.angle - 90) / radii(paint, frame))))


def _line(paint: Gradient, laid: Laying, start: Points, end: Points) -> Gradient:
    v = end - start
    if np.hypot(*v) < 1:
        return paint
    turned = msgspec.structs.replace(paint, angle=round(angle_of(v), 3), fitted=False, x=0.0, y=0.0)
    middle, along, across = axes(turned, laid.frame)
    by, length = start - middle, float(np.hypot(*along))
    # the middle is moved across the line alone: where the line is held changes no colour
    x, y = across * float(by @ across) / float(across @ across) / laid.sides
    return msgspec.structs.replace(
        turned,
        scale=round(max(float(np.hypot(*v)) / length, 0.001), 4),
        offset=round(float(by @ along) / length**2 + 0.5, 4),
        x=round(float(x), 5),
        y=round(float(y), 5),
    )


def _round(paint: Gradient, laid: Laying, kind: str, at: Points) -> Gradient:
    if kind == "middle":
        x, y = (at - laid.middle) / laid.sides
        return msgspec.structs.replace(paint, x=round(float(x), 5), y=round(float(y), 5))
    v = at - centre(paint, laid.frame)
    if np.hypot(*v) < 1:
        return paint
    turned = msgspec.structs.replace(paint, angle=round(angle_of(v), 2))
    if paint.shape == "radial":
        scale = float(np.hypot(*v)) / _full_reach(turned, laid.frame)
        turned = msgspec.structs.replace(turned, scale=round(max(scale, 0.001), 4))
    return turned
