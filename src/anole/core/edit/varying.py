"""A style tried at other values: along one of its numbers, or all of it shaken a little by chance."""

from __future__ import annotations

import zlib
from collections.abc import Sequence
from random import Random
from typing import Any, NamedTuple

import msgspec
import numpy as np

from ..coats.registry import kind_of
from ..colour.gamut import into_srgb
from ..colour.spaces import flat, to_oklch
from ..model import Coat, Colour, Length, ModelError, Stop
from ..model.field_info import FieldInfo, field_info
from .checked import replaced

FIXED = ("seed", "speckle_seed")
"""Numbers that only say which chance."""
HUE, LIGHT, CHROMA = 26.0, 0.05, 0.25
"""How far chance moves a colour at the most: degrees, lightness, share of the chroma."""
SPREAD = 0.3
"""Share of the way to the end of its slider that chance moves a number by at the most, and of a
doubling or halving a length."""


class Knob(NamedTuple):
    """A number, a length or a hue of a style that can be tried at other values."""

    coat: str
    path: tuple[str, ...]
    title: str


def knobs(coats: Sequence[Coat]) -> list[Knob]:
    """All that a test strip can go along, coat by coat from the topmost."""
    found = []
    for coat in reversed(coats):
        name = coat.name or kind_of(coat).title
        for path, info, _ in _numbers(coat):
            found.append(Knob(coat.id, path, f"{name}: {_title(coat, path, info.title)}"))
        for path in _colours(coat):
            found.append(Knob(coat.id, path, f"{name}: {_title(coat, path, 'hue')}"))
    return found


def _title(coat: Coat, path: tuple[str, ...], last: str) -> str:
    """What a panel calls a field, with what it stands in before it."""
    titles, owner = [], coat
    for name in path[:-1]:
        struct: type[msgspec.Struct] = type(owner)
        titles += [info.title for info in field_info(struct) if info.name == name]
        owner = getattr(owner, name)
    words = [*titles, last]
    return ", ".join(word.lower() for word in words)


def shares(coats: Sequence[Coat], knob: Knob, count: int) -> list[float]:
    """So many steps for along(), over both sides of what the knob is now, or over one where it is
    at its end."""
    if knob.path in _colours(next(coat for coat in coats if coat.id == knob.coat)):
        # hues run round: both ends would be one
        return [float(share) for share in np.linspace(1 / count - 1, 1 - 1 / count, count)]
    now = along(coats, knob, 0.0)
    low = 0.0 if along(coats, knob, -1.0) == now else -1.0
    high = 0.0 if along(coats, knob, 1.0) == now else 1.0
    return [float(share) for share in np.linspace(low, high, count)]


def along(coats: Sequence[Coat], knob: Knob, share: float) -> tuple[Coat, ...]:
    """The style with a knob turned: -1 to 1 from the least it can be tried at over what it is to
    the most. Lengths run over half to twice theirs, numbers over their slider, hues all round."""
    return tuple(
        _turned(coat, knob.path, share) if coat.id == knob.coat else coat for coat in coats
    )


def shaken(coats: Sequence[Coat], seed: int, amount: float = 1.0) -> tuple[Coat, ...]:
    """The style with every number, length and colour moved a little by chance; the same seed gives
    the same style. amount : 0..1"""
    made = []
    for coat in coats:
        chance = Random(zlib.crc32(f"{seed} {coat.id}".encode()))
        for path, info, value in _numbers(coat):
            if value == 0 and info.low == 0:
                continue  # what is not there at all does not come by chance
            coat = _turned(coat, path, chance.triangular(-1, 1) * amount * SPREAD)
        # one turn for the colours of a coat: parts that are lit and shaded stay a pair
        by = (
            chance.uniform(-HUE, HUE) * amount,
            chance.uniform(-LIGHT, LIGHT) * amount,
            1 + chance.uniform(-CHROMA, CHROMA) * amount,
        )
        for path in _colours(coat):
            coat = _with(coat, path, _moved(_at(coat, path), *by))
        made.append(coat)
    return tuple(made)


def _numbers(
    value: Any, path: tuple[str, ...] = ()
) -> list[tuple[tuple[str, ...], FieldInfo, Any]]:
    """The numbers and lengths of a struct and of the structs in it."""
    found: list[tuple[tuple[str, ...], FieldInfo, Any]] = []
    struct: type[msgspec.Struct] = type(value)
    for info in field_info(struct):
        inner, where = getattr(value, info.name), (*path, info.name)
        if info.name in FIXED:
            continue
        if isinstance(inner, Length):
            if inner.value and not getattr(inner, "is_core", False):
                found.append((where, info, inner))
        elif isinstance(inner, float | int) and not isinstance(inner, bool):
            if _range(info) is not None:
                found.append((where, info, inner))
        elif isinstance(inner, msgspec.Struct):
            found += _numbers(inner, where)
    return found


def _colours(value: Any, path: tuple[str, ...] = ()) -> list[tuple[str, ...]]:
    """Where the colours of a struct lie: one, or all of a gradient's or a ramp's stops."""
    found: list[tuple[str, ...]] = []
    for name in value.__struct_fields__:
        inner = getattr(value, name)
        if isinstance(inner, Colour) or (
            isinstance(inner, tuple) and inner and isinstance(inner[0], Stop)
        ):
            found.append((*path, name))
        elif isinstance(inner, msgspec.Struct):
            found += _colours(inner, (*path, name))
    return found


def _range(info: FieldInfo) -> tuple[float, float] | None:
    low, high = info.extra.get("soft", (info.low, info.high))
    return None if low is None or high is None or high <= low else (float(low), float(high))


def _at(value: Any, path: tuple[str, ...]) -> Any:
    for name in path:
        value = getattr(value, name)
    return value


def _with(value: Any, path: tuple[str, ...], inner: Any) -> Any:
    """The struct with another value at a path; as it was where that is not valid."""
    if not path:
        return inner
    fresh = _with(getattr(value, path[0]), path[1:], inner)
    if not isinstance(value, Coat):
        return msgspec.structs.replace(value, **{path[0]: fresh})
    try:
        return replaced(value, **{path[0]: fresh})
    except ModelError:
        return value


def _turned(coat: Coat, path: tuple[str, ...], share: float) -> Coat:
    now = _at(coat, path)
    if isinstance(now, Colour | tuple):
        return _with(coat, path, _moved(now, 180 * share, 0.0, 1.0))
    if isinstance(now, Length):
        return _with(coat, path, _stretched(now, share))
    info = next(info for where, info, _ in _numbers(coat) if where == path)
    low, high = _range(info) or (now, now)
    end = high if share > 0 else low
    value = now + (end - now) * abs(share)
    return _with(coat, path, round(value) if isinstance(now, int) else round(value, 4))


def _stretched(length: Length, share: float) -> Length:
    return type(length)(round(length.value * 2**share, 6), length.unit)


def _moved(value: Any, hue: float, light: float, chroma: float) -> Any:
    """A colour, or what has one, with its hue turned and its lightness and chroma moved."""
    if isinstance(value, tuple):
        return tuple(_moved(part, hue, light, chroma) for part in value)
    if not isinstance(value, Colour):
        return msgspec.structs.replace(value, colour=_moved(value.colour, hue, light, chroma))
    lch = to_oklch(np.array([[value.r], [value.g], [value.b]], float) / 255)
    lch[0] = np.clip(lch[0] + light, 0, 1)
    lch[1] *= chroma
    lch[2] = (lch[2] + hue) % 360
    r, g, b = np.rint(into_srgb(flat(lch))[:, 0] * 255).astype(int)
    return Colour(int(r), int(g), int(b), value.a)
