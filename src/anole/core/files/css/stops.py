"""Colour stops and hints of CSS text (CSS Images 4, 3.5; CSS Color 4, 12)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ...colour.gamut import into_srgb
from ...model import Colour
from .tokens import CssError, Node, is_number, share, written

LEGACY = ("rgb", "rgba", "hsl", "hsla", "hwb")
"""Functions whose colours are mixed in sRGB where no space is named (CSS Color 4, 12.1)."""
NEAR = 2e-3
"""How far outside 0..1 a colour's parts may lie and still be one of sRGB's."""


class PlacedStop(NamedTuple):
    """A colour, or a hint without one, and where it stands."""

    colour: Colour | None
    at: float | None


class Stopped(NamedTuple):
    """A colour stop: its place, and the share of the way to the next where their middle lies."""

    colour: Colour
    at: float
    hint: float


def is_modern(node: Node) -> bool:
    """Whether a colour is written in a way that mixes in OKLab."""
    return node.type == "function" and node.lower_name not in LEGACY


def colour_of(node: Node) -> Colour:
    """A colour beyond sRGB is brought in by taking its chroma away. Raises CssError for what is none."""
    from coloraide import Color

    text = written([node])
    try:
        found = Color(text)
    except (ValueError, TypeError, AttributeError) as error:
        raise CssError(f"{text!r} is not a colour that can be read") from error
    if any(part != part for part in [*found.coords(), found.alpha()]):
        raise CssError(f"'none' in a colour cannot be carried: {text}")
    if found.in_gamut("srgb", tolerance=NEAR):
        return Colour.parse(text)
    lab = np.array(found.convert("oklab").coords())[:, None]
    red, green, blue = (round(float(part) * 255) for part in into_srgb(lab)[:, 0])
    return Colour(red, green, blue, round(found.alpha() * 255))


def _one(part: Sequence[Node], round_: bool) -> list[PlacedStop]:
    """A stop with up to two places, or a hint."""
    if not part:
        raise CssError("a colour is missing between two commas")
    others = [node for node in part if not is_number(node)]
    places = [share(node, round_) for node in part if is_number(node)]
    if not others:
        if len(places) == 1:
            return [PlacedStop(None, places[0])]
        raise CssError(f"{written(part)!r} is neither a colour stop nor a hint")
    colour = colour_of(others[0])
    if len(others) > 1 or len(places) > 2 or others[0] not in (part[0], part[-1]):
        raise CssError(f"{written(part)!r} is more than a colour and two places")
    return [PlacedStop(colour, at) for at in places] or [PlacedStop(colour, None)]


def _filled(items: Sequence[PlacedStop]) -> list[float]:
    """Missing places filled in, none before the one ahead of it (3.5.1)."""
    places = [item.at for item in items]
    places[0] = 0.0 if places[0] is None else places[0]
    places[-1] = 1.0 if places[-1] is None else places[-1]
    most = -1e9
    for n, at in enumerate(places):
        if at is not None:
            most = places[n] = max(most, at)
    known = [n for n, at in enumerate(places) if at is not None]
    for first, last in zip(known, known[1:], strict=False):
        a, b = places[first] or 0.0, places[last] or 0.0
        for n in range(first + 1, last):
            places[n] = a + (b - a) * (n - first) / (last - first)
    return [at or 0.0 for at in places]


def stops(parts: Sequence[Sequence[Node]], round_: bool) -> tuple[list[Stopped], bool]:
    """The stops, and whether any is of a modern space. Raises CssError."""
    items = [item for part in parts for item in _one(part, round_)]
    if not items or items[0].colour is None or items[-1].colour is None:
        raise CssError("a gradient starts and ends with a colour")
    places = _filled(items)
    stopped: list[Stopped] = []
    for n, (item, at) in enumerate(zip(items, places, strict=True)):
        if item.colour is not None:
            stopped.append(Stopped(item.colour, at, 0.5))
            continue
        if items[n + 1].colour is None:
            raise CssError("two hints follow each other")
        before, after = places[n - 1], places[n + 1]
        hint = (at - before) / (after - before) if after > before else 0.5
        stopped[-1] = stopped[-1]._replace(hint=min(max(hint, 0.0), 1.0))
    return stopped, any(is_modern(node) for part in parts for node in part)
