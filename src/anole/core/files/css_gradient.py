"""CSS gradient text in and out (CSS Images 4, section 3)."""

from __future__ import annotations

import re

import msgspec

from ..model import Colour, Gradient, Stop

KINDS = ("linear", "radial", "conic")
SIDES = {"top": 0.0, "right": 90.0, "bottom": 180.0, "left": 270.0}
CORNERS = {
    frozenset(("top", "right")): 45.0, frozenset(("bottom", "right")): 135.0,
    frozenset(("bottom", "left")): 225.0, frozenset(("top", "left")): 315.0,
}  # fmt: skip
TURNS = {"deg": 1.0, "grad": 0.9, "rad": 57.29577951308232, "turn": 360.0}
SPACES = {"srgb", "srgb-linear", "oklab", "oklch", "hsl"}
HUES = {"shorter", "longer", "increasing", "decreasing"}
_CALL = re.compile(
    r"\s*(?:[\w-]+\s*:\s*)?(repeating-)?(linear|radial|conic)-gradient\s*\((.*)\)\s*;?\s*",
    re.S | re.I,
)
_ANGLE = re.compile(r"([+-]?[\d.]+)(deg|grad|rad|turn)")
_PLACE = re.compile(r"(?<![\w#(])([+-]?[\d.]+)(%|deg|grad|rad|turn)(?=\s|$)")


class CssError(ValueError):
    """Text that is no gradient; the message says what is wrong with it."""


def _parts(text: str) -> list[str]:
    """Split at commas that stand outside brackets."""
    found, depth, start = [], 0, 0
    for at, char in enumerate(text):
        depth += (char == "(") - (char == ")")
        if depth < 0:
            raise CssError("a bracket is closed that was never opened")
        if char == "," and depth == 0:
            found.append(text[start:at].strip())
            start = at + 1
    if depth:
        raise CssError("a bracket is never closed")
    return [*found, text[start:].strip()]


def _angle(text: str) -> float:
    if found := _ANGLE.search(text):
        return float(found[1]) * TURNS[found[2]]
    sides = [word for word in text.split() if word in SIDES]
    if len(sides) == 2 and frozenset(sides) in CORNERS:
        return CORNERS[frozenset(sides)]
    return SIDES[sides[0]] if sides else 180.0


def _share(number: str, unit: str) -> float:
    return float(number) / 100 if unit == "%" else float(number) * TURNS[unit] / 360


def _stop(text: str) -> tuple[Colour | None, list[float]]:
    """A colour and its places; a hint has no colour."""
    places = [_share(n, unit) for n, unit in _PLACE.findall(text)]
    name = _PLACE.sub("", text).strip()
    if not name:
        if len(places) != 1:
            raise CssError(f"{text!r} is neither a colour stop nor a hint")
        return None, places
    if re.search(r"[\d.](px|em|rem|vw|vh|cm|mm|in|pt)\b", name):
        raise CssError(f"{text!r}: only places in percent or degrees can be read")
    try:
        return Colour.parse(name), places
    except ValueError as error:
        raise CssError(str(error)) from error


def _placed(items: list[tuple[Colour | None, float | None]]) -> list[tuple[Colour | None, float]]:
    """Missing places filled in, none before the one ahead of it (CSS Images 4, 3.5.1)."""
    places = [at for _, at in items]
    places[0] = 0.0 if places[0] is None else places[0]
    places[-1] = 1.0 if places[-1] is None else places[-1]
    most = -1e9
    for n, at in enumerate(places):
        if at is not None:
            most = max(most, at)
            places[n] = most
    n = 0
    while n < len(places):
        if places[n] is None:
            end = next(k for k in range(n, len(places)) if places[k] is not None)
            first, last = places[n - 1], places[end]
            assert first is not None and last is not None
            for k in range(n, end):
                places[k] = first + (last - first) * (k - n + 1) / (end - n + 1)
            n = end
        n += 1
    return [(colour, float(at or 0.0)) for (colour, _), at in zip(items, places, strict=True)]


def _stops(parts: list[str]) -> list[tuple[Colour, float, float]]:
    """Colour, place and hint (as a share of the way to the next)."""
    items: list[tuple[Colour | None, float | None]] = []
    for part in parts:
        colour, places = _stop(part)
        items += [(colour, at) for at in places] if places else [(colour, None)]
    if not items or items[0][0] is None or items[-1][0] is None:
        raise CssError("a gradient starts and ends with a colour")
    placed = _placed(items)
    found: list[tuple[Colour, float, float]] = []
    for n, (colour, at) in enumerate(placed):
        if colour is None:
            before, after = placed[n - 1], placed[n + 1]
            if before[0] is None or after[0] is None:
                raise CssError("two hints follow each other")
            wide = after[1] - before[1]
            hint = (at - before[1]) / wide if wide > 0 else 0.5
            found[-1] = (*found[-1][:2], min(max(hint, 0.0), 1.0))
        else:
            found.append((colour, at, 0.5))
    return found


def parse(text: str) -> Gradient:
    """A gradient of CSS text; a property's name before it does not matter. Raises CssError."""
    found = _CALL.fullmatch(text[:20_000])
    if not found:
        raise CssError("this is not a linear-, radial- or conic-gradient()")
    repeating, kind, inside = bool(found[1]), found[2].lower(), found[3]
    parts = _parts(inside)
    head: dict[str, object] = {}
    first = parts[0].lower()
    if parts[0] and not _is_stop(parts[0]):
        head, parts = _head(first, kind), parts[1:]
    stops = _stops(parts)
    low, high = stops[0][1], stops[-1][1]
    if not repeating:
        low, high = min(low, 0.0), max(high, 1.0)
    wide = max(high - low, 1e-3)
    made = tuple(
        Stop(round(min(max((at - low) / wide, 0.0), 1.0), 6), colour, hint)
        for colour, at, hint in stops
    )
    head |= {"shape": kind, "spread": "repeat" if repeating else "pad"}
    return Gradient(stops=made[:64], scale=wide, offset=low, **head)  # type: ignore[arg-type]


def _is_stop(text: str) -> bool:
    """Whether the first part is a colour already; a lone angle is a direction."""
    try:
        return _stop(text)[0] is not None
    except CssError:
        return False


def _head(text: str, kind: str) -> dict[str, object]:
    """What stands before the stops: direction, form and colour space."""
    words = text.replace(",", " ").split()
    made: dict[str, object] = {"space": "oklab" if "in" in words else "srgb"}
    if "in" in words:
        rest = words[words.index("in") + 1 :]
        if not rest or rest[0] not in SPACES:
            raise CssError(f"colours are not mixed in {' '.join(rest[:1]) or 'nothing'!r} here")
        made["space"] = rest[0]
        if len(rest) > 2 and rest[1] in HUES and rest[2] == "hue":
            made["hue"] = rest[1]
    if kind == "radial":
        made["form"] = "circle" if "circle" in words else "ellipse"
    else:
        made["angle"] = _angle(text) if kind == "linear" or "from" in words else 0.0
    units = "deg|grad|rad|turn" + ("" if kind == "linear" else "|%|px")
    known = re.sub(rf"[+-]?[\d.]+({units})", "", text)
    odd = set(known.split()) - _WORDS
    if odd:
        raise CssError(f"{sorted(odd)[0]!r} is not understood")
    return made


_WORDS = SPACES | HUES | set(SIDES) | {
    "in", "to", "hue", "from", "at", "center", "circle", "ellipse", "farthest-corner",
    "farthest-side", "closest-corner", "closest-side",
}  # fmt: skip


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
    shape = gradient.shape if gradient.shape in KINDS else "linear"
    repeating = "" if gradient.spread == "pad" else "repeating-"
    return f"{repeating}{shape}-gradient({_way(gradient, shape)}, {', '.join(words)})"


def _way(gradient: Gradient, shape: str) -> str:
    space = f"in {gradient.space}"
    if gradient.space in ("oklch", "hsl") and gradient.hue != "shorter":
        space += f" {gradient.hue} hue"
    if shape == "radial":
        return f"{gradient.form} {space}"
    angle = f"{_number(gradient.angle)}deg"
    return f"from {angle} {space}" if shape == "conic" else f"{angle} {space}"
