"""Paints that are moved, turned and sized in their frame: patterns, pictures, what lies beneath."""

from __future__ import annotations

import math
from typing import Any, TypeVar

import msgspec
import numpy as np

from ..arrays import Points
from ..model import Backdrop, ImagePaint, Pattern
from .handles import Laying, PaintHandle, way

T = TypeVar("T", ImagePaint, Backdrop)


def _two(laid: Laying, moved: Points, arm: float, degrees: float) -> list[PaintHandle]:
    at = laid.middle + moved
    return [PaintHandle.at("move", at), PaintHandle.at("turn", at + way(degrees) * arm)]


def _turned(v: Points) -> float:
    """Degrees: 0 to the right, clockwise."""
    return round(math.degrees(math.atan2(v[1], v[0])) % 360, 2)


def picture_handles(paint: ImagePaint | Backdrop, laid: Laying) -> list[PaintHandle]:
    """One that moves it, and one that turns it, where it turns, and sizes it."""
    return _two(laid, *_picture(paint, laid), getattr(paint, "angle", 0.0))


def _picture(paint: ImagePaint | Backdrop, laid: Laying) -> tuple[Points, float]:
    """How far it was moved, and the length of its arm, px."""
    moved = np.array([paint.x, paint.y]) * laid.sides
    return moved, float(laid.sides[0]) / 3 * paint.scale


def picture_pulled(paint: T, laid: Laying, kind: str, at: Points) -> T:
    """The paint with one of its handles at a point (2,)."""
    if kind == "move":
        x, y = (at - laid.middle) / laid.sides
        return msgspec.structs.replace(paint, x=round(float(x), 4), y=round(float(y), 4))
    moved, arm = _picture(paint, laid)
    v = at - laid.middle - moved
    reach = float(np.hypot(*v))
    if reach < 1:
        return paint
    fields: dict[str, Any] = {"scale": round(max(paint.scale * reach / arm, 0.001), 4)}
    if hasattr(paint, "angle"):
        fields["angle"] = _turned(v)
    return msgspec.structs.replace(paint, **fields)


def _pattern(paint: Pattern, laid: Laying) -> tuple[Points, float]:
    """How far it was moved, which is said in its own tiles, and the side of one, px."""
    side = paint.size.px(laid.em, laid.dpi)
    return (way(paint.angle) * paint.x + way(paint.angle + 90) * paint.y) * side, side


def pattern_handles(paint: Pattern, laid: Laying) -> list[PaintHandle]:
    """One that moves it, and one that turns and sizes it."""
    return _two(laid, *_pattern(paint, laid), paint.angle)


def pattern_pulled(paint: Pattern, laid: Laying, kind: str, at: Points) -> Pattern:
    """The pattern with one of its handles at a point (2,)."""
    moved, _ = _pattern(paint, laid)
    if kind == "move":
        return _pattern_moved(paint, laid, at - laid.middle)
    v = at - laid.middle - moved
    reach = float(np.hypot(*v))
    if reach < 1:
        return paint
    size = paint.size.like(reach, laid.em, laid.dpi)
    turned = msgspec.structs.replace(paint, angle=_turned(v), size=size)
    return _pattern_moved(turned, laid, moved)


def _pattern_moved(paint: Pattern, laid: Laying, by: Points) -> Pattern:
    side = paint.size.px(laid.em, laid.dpi)
    x, y = by @ way(paint.angle) / side, by @ way(paint.angle + 90) / side
    return msgspec.structs.replace(paint, x=round(float(x), 4), y=round(float(y), 4))
