"""What of a pack's JSON is sound. For the helper alone: strangers write as much of it as they like."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, cast

import msgspec

from ..atomic import FileError
from ..distinct import DistinctNames
from ..model import Coat, ModelError, Style, from_builtins
from ..model.board import NamedGradient
from ..model.coats import COATS
from ..model.moulding import NamedMoulding
from ..model.pack import MOST_STYLES, Pack
from ..text import short
from .container import decoded_json

WHAT, FORMAT, MAJOR = "an Anole pack", "anole-pack", 1
MOST_COATS = 200
MOST_TOLD = 400
"""Troubles that are told."""


def sound_pack(text: bytes, name: str) -> tuple[Pack, list[str]]:
    """A pack as far as it can be read; what is missing or wrong, one line each. Raises FileError when
    nothing of it is sound."""
    raw = decoded_json(text, f"{name}: pack.json", FORMAT, MAJOR)
    pack, troubles = _pack(raw, name)
    return pack, list(dict.fromkeys(troubles))[:MOST_TOLD]


def _pack(raw: Any, name: str) -> tuple[Pack, list[str]]:
    if not isinstance(raw, dict) or not str(raw.get("format", "")).startswith(f"{FORMAT}/"):
        raise FileError(f"{name} is not {WHAT}: pack.json does not say so")
    troubles: list[str] = []
    styles = raw.get("styles")
    styles = styles if isinstance(styles, list) else []
    if len(styles) > MOST_STYLES:
        raise FileError(f"{name} holds {len(styles):,} styles; {MOST_STYLES:,} are the most")
    kept = [style for one in styles if (style := _style(one, troubles)) is not None]
    if not kept:
        why = f": {troubles[0]}" if troubles else ""
        raise FileError(f"there is no style in {name} that can be read{why}")
    fields: dict[str, Any] = {
        key: short(raw[key], 200) if key != "notes" else str(raw[key])[:2000]
        for key in ("name", "author", "licence", "notes")
        if isinstance(raw.get(key), str)
    }
    pack = Pack(
        styles=_each_once(kept, troubles),
        gradients=_named(raw.get("gradients"), NamedGradient, troubles),
        mouldings=_named(raw.get("mouldings"), NamedMoulding, troubles),
        **fields,
    )
    return pack, troubles


def _style(raw: Any, troubles: list[str]) -> Style | None:
    """A style with those of its coats that this version knows."""
    if not isinstance(raw, dict):
        troubles.append("something that is not a style was left out")
        return None
    name = short(raw.get("name", ""), 60)
    coats = raw.get("coats")
    coats = coats if isinstance(coats, list) else []
    sound, wrong = [], []
    for coat in coats[:MOST_COATS]:
        try:
            from_builtins(coat, cast("type[Coat]", COATS))
            sound.append(coat)
        except ModelError as error:
            wrong.append(f"a coat of “{name}” was left out: {error}")
    try:
        style = from_builtins({**raw, "coats": sound}, Style)
    except ModelError as error:
        troubles.append(f"“{name}” was left out: {error}")
        return None
    if not style.name.strip() or not style.coats:
        troubles.append(f"“{name}” was left out: it has no {'coats' if style.name else 'name'}")
        return None
    if len(coats) > MOST_COATS:
        more = len(coats) - MOST_COATS
        wrong.append(f"{more:,} coats of “{name}” were left out: {MOST_COATS} are the most")
    troubles += wrong
    return style


def _named(raw: Any, kind: type[Any], troubles: list[str]) -> tuple[Any, ...]:
    found = []
    for one in (raw if isinstance(raw, list) else [])[:MOST_STYLES]:
        try:
            found.append(from_builtins(one, kind))
        except ModelError as error:
            troubles.append(f"something saved beside the styles was left out: {error}")
    return tuple(found)


def _each_once(styles: Sequence[Style], troubles: list[str]) -> tuple[Style, ...]:
    """Names that differ by case only are one name: on some systems, one file."""
    names = DistinctNames()
    made = []
    for style in styles:
        name = names.give(style.name)
        if name != style.name:
            troubles.append(f"there are two styles called “{short(style.name, 60)}”")
        made.append(msgspec.structs.replace(style, name=name))
    return tuple(made)
