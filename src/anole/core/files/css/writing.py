"""A gradient to CSS text."""

from __future__ import annotations

import msgspec

from ...model import Gradient, Stop
from .head import CORNERS, POLAR

SHAPES = ("linear", "radial", "conic")


def _number(value: float) -> str:
    return f"{value:.4f}".rstrip("0").rstrip(".") or "0"


def text(gradient: Gradient) -> str:
    """The gradient as CSS. What CSS has no word for (frames, sides, folding) is written out."""
    stops = list(gradient.stops)
    if gradient.reversed:
        hints = [s.hint for s in stops]
        stops = [Stop(1 - s.at, s.colour) for s in reversed(stops)]
        stops = [
            msgspec.structs.replace(s, hint=1 - hints[-2 - n]) if n < len(stops) - 1 else s
            for n, s in enumerate(stops)
        ]
    if gradient.spread != "pad":
        # CSS repeats from the first stop to the last
        first, last = stops[0], max(stop.at for stop in stops)
        stops = [Stop(0.0, first.colour), *stops] if first.at > 0 else stops
        stops = [*stops, Stop(1.0, stops[-1].colour)] if last < 1 else stops
    if gradient.spread == "reflect":
        back = [Stop(1 - s.at / 2, s.colour) for s in reversed(stops)]
        stops = [msgspec.structs.replace(s, at=s.at / 2) for s in stops] + back[1:]
    scale = gradient.scale * (2 if gradient.spread == "reflect" else 1)
    words = []
    most = 0.0
    for n, stop in enumerate(stops):
        most = max(most, stop.at)
        at = gradient.offset + most * scale
        words.append(f"{stop.colour} {_number(at * 100)}%")
        if n + 1 < len(stops) and stop.hint != 0.5:
            end = gradient.offset + max(most, stops[n + 1].at) * scale
            words.append(f"{_number((at + (end - at) * stop.hint) * 100)}%")
    shape = gradient.shape if gradient.shape in SHAPES else "linear"
    repeating = "" if gradient.spread == "pad" else "repeating-"
    return f"{repeating}{shape}-gradient({_head(gradient, shape)}, {', '.join(words)})"


def _head(gradient: Gradient, shape: str) -> str:
    space = f"in {gradient.space}"
    if gradient.space in POLAR and gradient.hue != "shorter":
        space += f" {gradient.hue} hue"
    angle = f"{_number(gradient.angle)}deg"
    if shape == "linear":
        return f"{_corner(gradient) or angle} {space}"
    place = ""
    if gradient.x or gradient.y:
        place = f" at {_number(gradient.x * 100 + 50)}% {_number(gradient.y * 100 + 50)}%"
    if shape == "radial":
        return f"{gradient.form} {gradient.extent}{place} {space}"
    return f"from {angle}{place} {space}"


def _corner(gradient: Gradient) -> str:
    if gradient.fitted:
        for sides, angle in CORNERS.items():
            if gradient.angle % 360 == angle:
                return f"to {' '.join(sorted(sides, reverse=True))}"
    return ""
