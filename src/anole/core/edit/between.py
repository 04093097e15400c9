"""Values between two values: numbers, lengths, colours, gradients, mouldings, and all that is made
of them. What has no between changes at the half."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec
import numpy as np

from ..colour.spaces import from_oklab, to_oklab
from ..field.mouldings import height
from ..model import Colour, ColourPaint, Gradient, Length, Moulding, Position, Stop

POINTS = 25
"""Points of a moulding that lies between two."""
MOST_STOPS = 32
NAMED = ("id", "name", "seed", "speckle_seed")
"""Fields that say which one it is: those of the nearer end."""
TURNS = ("bearing",)
"""Fields in degrees that go the shorter way round."""
EPS = 1e-9


def between(a: Any, b: Any, t: float) -> Any:
    """A value at t, 0..1, of the way from a to b; the ends are a and b themselves."""
    if t <= 0 or a == b:
        return a
    if t >= 1:
        return b
    a, b = _alike(a, b)
    run = RUNS.get(type(a)) if type(a) is type(b) else None
    if run is not None:
        return run(a, b, t)
    if type(a) is type(b) and isinstance(a, msgspec.Struct):
        return _struct(a, b, t)
    if isinstance(a, tuple) and isinstance(b, tuple):
        return _tuple(a, b, t)
    return a if t < 0.5 else b


def _alike(a: Any, b: Any) -> tuple[Any, Any]:
    """A flat colour beside a gradient is a gradient of that colour alone."""
    if isinstance(a, ColourPaint) and isinstance(b, Gradient):
        return _flat(a, b), b
    if isinstance(a, Gradient) and isinstance(b, ColourPaint):
        return a, _flat(b, a)
    return a, b


def _flat(paint: ColourPaint, like: Gradient) -> Gradient:
    stops = (Stop(0.0, paint.colour), Stop(1.0, paint.colour))
    return msgspec.structs.replace(like, stops=stops, speckle=paint.speckle)


def _number(a: float, b: float, t: float) -> float:
    return a + (b - a) * t


def _length(a: Any, b: Any, t: float) -> Any:
    """Of two units there is no between without knowing an em."""
    if a.unit != b.unit or getattr(a, "is_core", False) or getattr(b, "is_core", False):
        return a if t < 0.5 else b
    return type(a)(round(_number(a.value, b.value, t), 6), a.unit)


def colour_between(a: Colour, b: Colour, t: float) -> Colour:
    """In OKLab, premultiplied: what is clear has no say in the colour (CSS Color 4, section 12.3)."""
    both = np.array([[c.r, c.g, c.b] for c in (a, b)], float).T / 255
    alpha = np.array([a.a, b.a]) / 255
    lab = to_oklab(both) * alpha
    mixed = _number(alpha[0], alpha[1], t)
    shade = (lab[:, 0] * (1 - t) + lab[:, 1] * t) / max(mixed, EPS)
    r, g, blue = np.clip(np.rint(from_oklab(shade[:, None])[:, 0] * 255), 0, 255).astype(int)
    return Colour(int(r), int(g), int(blue), round(mixed * 255))


def _colour_at(stops: tuple[Stop, ...], at: float) -> Colour:
    """Of a gradient, its hints left out."""
    before = [stop for stop in stops if stop.at <= at]
    after = [stop for stop in stops if stop.at >= at]
    first, last = (before or after[:1])[-1], (after or before[-1:])[0]
    if last.at - first.at < EPS:
        return first.colour if at <= 0.5 else last.colour
    return colour_between(first.colour, last.colour, (at - first.at) / (last.at - first.at))


def _stops(a: tuple[Stop, ...], b: tuple[Stop, ...], t: float) -> tuple[Stop, ...]:
    """As many stops: those of one run to those of the other. Else each where either has one."""
    if len(a) == len(b):
        return tuple(
            Stop(
                _number(x.at, y.at, t),
                colour_between(x.colour, y.colour, t),
                _number(x.hint, y.hint, t),
            )
            for x, y in zip(a, b, strict=True)
        )
    places = sorted({round(stop.at, 4) for stop in (*a, *b)})[:MOST_STOPS]
    return tuple(Stop(at, colour_between(_colour_at(a, at), _colour_at(b, at), t)) for at in places)


def _moulding(a: Moulding, b: Moulding, t: float) -> Moulding:
    """A drawn one, its heights between those of both."""
    p = np.linspace(0, 1, POINTS)
    heights = height(a, p) * (1 - t) + height(b, p) * t
    both = zip(p.tolist(), heights.tolist(), strict=True)
    points = tuple((round(x, 4), round(y, 4)) for x, y in both)
    return Moulding(profile="drawn", points=points)


def _struct(a: msgspec.Struct, b: msgspec.Struct, t: float) -> msgspec.Struct:
    fields = {}
    for name in a.__struct_fields__:
        x, y = getattr(a, name), getattr(b, name)
        if name in NAMED:
            fields[name] = x if t < 0.5 else y
        elif name in TURNS:
            fields[name] = (x + ((y - x + 180) % 360 - 180) * t) % 360
        else:
            fields[name] = between(x, y, t)
    return msgspec.structs.replace(a, **fields)


def _tuple(a: tuple, b: tuple, t: float) -> tuple:
    if a and b and all(isinstance(one, Stop) for one in (*a, *b)):
        return _stops(a, b, t)
    if len(a) != len(b):
        return a if t < 0.5 else b
    return tuple(between(x, y, t) for x, y in zip(a, b, strict=True))


RUNS: dict[type, Callable[[Any, Any, float], Any]] = {
    float: _number,
    Length: _length,
    Position: _length,
    Colour: colour_between,
    Moulding: _moulding,
}
