"""Where a coat is thrown, as its two lengths, or as a bearing and a length."""

from __future__ import annotations

import math
from typing import Any

from ..model import Coat, Length
from .context import CoatContext
from .kind import Throw


def thrown(
    coat: Coat, names: tuple[str, str], throw: Throw, context: CoatContext
) -> dict[str, Length]:
    """The two length fields of a coat that throw it by px of the render scale, each in the unit
    that its user chose."""
    ways = zip(names, throw, strict=True)
    return {name: _like(getattr(coat, name), px, context) for name, px in ways}


def by_bearing(bearing: float, far: float) -> Throw:
    """So many px toward a bearing: degrees, clockwise from up."""
    turn = math.radians(bearing)
    return Throw(far * math.sin(turn), -far * math.cos(turn))


def thrown_toward(coat: Coat, length: str, throw: Throw, context: CoatContext) -> dict[str, Any]:
    """The field `bearing` of a coat and one length that throw it by px of the render scale; what is
    thrown nowhere keeps its bearing."""
    far = math.hypot(throw.dx, throw.dy)
    made: dict[str, Any] = {length: _like(getattr(coat, length), far, context)}
    if round(far / context.scale, 2):
        made["bearing"] = round(math.degrees(math.atan2(throw.dx, -throw.dy)) % 360, 1)
    return made


def _like(old: Length, px: float, context: CoatContext) -> Length:
    """px of the render scale, in the unit of another length."""
    like = old.like(round(px / context.scale, 2), context.em, context.dpi)
    return Length(round(like.value, 4), like.unit)
