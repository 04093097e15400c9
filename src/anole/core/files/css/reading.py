"""CSS gradient text to a gradient."""

from __future__ import annotations

import math

from ...model import Gradient, Stop
from .head import Fields, fields, is_head
from .stops import stops
from .tokens import CssError, Node, nodes_of, parts_of

SHAPES = ("linear", "radial", "conic")
LONGEST, MOST_STOPS, FARTHEST = 20_000, 64, 1000.0


def _function(text: str) -> Node:
    """The one function of a text; a property's name before it and a semicolon do not matter."""
    nodes = nodes_of(text)
    if len(nodes) > 2 and nodes[0].type == "ident" and nodes[1] == ":":
        nodes = nodes[2:]
    if nodes and nodes[-1] == ";":
        nodes = nodes[:-1]
    if len(nodes) != 1 or nodes[0].type != "function":
        raise CssError("this is not one linear-, radial- or conic-gradient()")
    return nodes[0]


def parse(text: str) -> Gradient:
    """A gradient of CSS text, over any frame. Raises CssError, also for what cannot be carried."""
    if len(text) > LONGEST:
        raise CssError("this is too long for a gradient")
    function = _function(text)
    name = function.lower_name
    repeating, plain = name.startswith("repeating-"), name.removeprefix("repeating-")
    shape = plain.removesuffix("-gradient")
    if shape not in SHAPES or plain == shape:
        raise CssError(f"{name}() is not a linear-, radial- or conic-gradient()")
    parts = parts_of(function.arguments)
    head = parts.pop(0) if is_head(parts[0]) else []
    colours, modern = stops(parts, shape == "conic")
    values: Fields = {"space": "oklab" if modern else "srgb"} | fields(head, shape)
    low, high = colours[0].at, colours[-1].at
    if not repeating:
        low, high = min(low, 0.0), max(high, 1.0)
    if not (math.isfinite(low) and math.isfinite(high)):
        raise CssError("a gradient's places are numbers that can be reached")
    if high - low < 1e-3:
        raise CssError("a gradient that repeats needs its first and last place apart")
    if len(colours) > MOST_STOPS or max(-low, high - low) > FARTHEST:
        raise CssError(f"a gradient has up to {MOST_STOPS} stops within {FARTHEST * 100:g}%")
    placed = tuple(
        Stop(round(min(max((s.at - low) / (high - low), 0.0), 1.0), 6), s.colour, s.hint)
        for s in colours
    )
    return Gradient(
        stops=placed,
        shape=shape,
        spread="repeat" if repeating else "pad",
        scale=high - low,
        offset=low,
        **values,
    )
