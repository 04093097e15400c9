"""What stands before the stops: direction, form and middle, and the space colours are mixed in."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from .tokens import CssError, Node, angle, is_number, share, word, written

SIDES = {"top": 0.0, "right": 90.0, "bottom": 180.0, "left": 270.0}
CORNERS = {
    frozenset(("top", "right")): 45.0,
    frozenset(("bottom", "right")): 135.0,
    frozenset(("bottom", "left")): 225.0,
    frozenset(("top", "left")): 315.0,
}
SPACES = ("srgb", "srgb-linear", "oklab", "oklch", "hsl")
POLAR = ("oklch", "hsl")
HUES = ("shorter", "longer", "increasing", "decreasing")
EXTENTS = ("closest-side", "farthest-side", "closest-corner", "farthest-corner")
FORMS = ("circle", "ellipse")
WORDS = {"in", "to", "from", "at", *FORMS, *EXTENTS}
ACROSS = {"left": 0.0, "center": 0.5, "right": 1.0}
DOWN = {"top": 0.0, "center": 0.5, "bottom": 1.0}

Fields = dict[str, Any]


def is_head(part: Sequence[Node]) -> bool:
    """Whether the part of a CSS gradient says how it lies, and is no stop."""
    return bool(part) and (
        any(word(node) in WORDS for node in part) or all(is_number(node) for node in part)
    )


def fields(part: Sequence[Node], shape: str) -> Fields:
    """The gradient's fields of a head. Raises CssError."""
    rest, found = _mixing(part)
    return found | {"linear": _linear, "radial": _radial, "conic": _conic}[shape](rest)


def _mixing(part: Sequence[Node]) -> tuple[list[Node], Fields]:
    """Takes `in SPACE [WAY hue]` out, which may stand before or behind all else."""
    words = [word(node) for node in part]
    if "in" not in words:
        return list(part), {}
    at = words.index("in")
    name = words[at + 1] if at + 1 < len(words) else ""
    if name not in SPACES:
        raise CssError(f"colours are not mixed in {name or 'nothing'!r} here")
    mixing, end = {"space": name}, at + 2
    if "hue" in words[end : end + 2]:
        if name not in POLAR or words[end] not in HUES or words[end + 1 : end + 2] != ["hue"]:
            raise CssError(f"{written(part)!r}: no way round the hues of {name}")
        mixing["hue"], end = words[end], end + 2
    if at and end < len(part):
        raise CssError(f"{written(part[end:])!r} belongs before the space")
    return list(part[:at]) + list(part[end:]), mixing


def _linear(part: Sequence[Node]) -> Fields:
    words = [word(node) for node in part]
    if not part:
        return {"angle": 180.0}
    turned = angle(part[0])
    if len(part) == 1 and turned is not None:
        return {"angle": turned}
    if words[0] == "to" and len(part) == 2 and words[1] in SIDES:
        return {"angle": SIDES[words[1]]}
    if words[0] == "to" and len(part) == 3 and frozenset(words[1:]) in CORNERS:
        return {"angle": CORNERS[frozenset(words[1:])], "fitted": True}
    raise CssError(f"{written(part)!r} is no direction, such as 45deg or to top right")


def _conic(part: Sequence[Node]) -> Fields:
    before, found = _place(part)
    if not before:
        return found | {"angle": 0.0}
    turned = angle(before[1]) if len(before) == 2 else None
    if word(before[0]) != "from" or turned is None:
        raise CssError(f"{written(before)!r} is no start, such as from 45deg")
    return found | {"angle": turned}


def _radial(part: Sequence[Node]) -> Fields:
    before, place = _place(part)
    read: Fields = {}
    for node in before:
        name = word(node)
        if is_number(node):
            raise CssError(
                f"a size is carried as a word such as closest-side, not as {written([node])!r}"
            )
        field = "form" if name in FORMS else "extent" if name in EXTENTS else ""
        if not field or field in read:
            raise CssError(f"{written(before)!r} is no form of a radial gradient")
        read[field] = name
    return {"form": "ellipse", "angle": 180.0} | read | place


def _place(part: Sequence[Node]) -> tuple[list[Node], Fields]:
    """What stands before `at`, and the middle, counted from that of the frame."""
    words = [word(node) for node in part]
    if "at" not in words:
        return list(part), {}
    at = words.index("at")
    x, y = _position(part[at + 1 :])
    return list(part[:at]), {"x": round(x - 0.5, 6), "y": round(y - 0.5, 6)}


def _position(part: Sequence[Node]) -> tuple[float, float]:
    """Shares of the frame across and down (CSS Values 4, <position>)."""
    if len(part) == 1:
        for x, y in ((_on(part[0], ACROSS), 0.5), (0.5, _on(part[0], DOWN))):
            if x is not None and y is not None:
                return x, y
    orders = [part]
    if all(word(node) for node in part):
        orders.append(part[::-1])
    for first, second in (order for order in orders if len(part) == 2):
        x, y = _on(first, ACROSS), _on(second, DOWN)
        if x is not None and y is not None:
            return x, y
    if len(part) == 4:
        for a, b in ((part[:2], part[2:]), (part[2:], part[:2])):
            x, y = _from_edge(a, ACROSS), _from_edge(b, DOWN)
            if x is not None and y is not None:
                return x, y
    raise CssError(f"{written(part)!r} is no place, such as 30% 70% or top left")


def _on(node: Node, words: dict[str, float]) -> float | None:
    return share(node, False) if is_number(node) else words.get(word(node))


def _from_edge(pair: Sequence[Node], words: dict[str, float]) -> float | None:
    """Of a keyword and how far from that edge."""
    start = words.get(word(pair[0]), 0.5)
    return None if start == 0.5 or not is_number(pair[1]) else abs(start - share(pair[1], False))
