"""The .anolepack container: a ZIP of pack.json, the pictures that its styles paint with, and a
rendered sample of each style."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from pathlib import Path
from typing import Any, NamedTuple, cast

import msgspec

from .. import assets
from ..atomic import FileError, read_bytes, write_bytes
from ..isolation.client import never
from ..library.styles import SUFFIX as STYLE_SUFFIX
from ..library.styles import read as read_style
from ..model import Asset, Coat, ModelError, Style, from_builtins, to_builtins
from ..model.board import NamedGradient
from ..model.coats import COATS
from ..model.moulding import NamedMoulding
from ..model.named_assets import assets_named
from ..model.pack import MOST_STYLES, Pack
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded_asset
from ..text import short
from .container import BROKEN, MOST_ASSET, MOST_FILE, Container, Content, json_text, opened, written

SUFFIX = ".anolepack"
MEDIA_TYPE = "application/vnd.anole.pack+zip"
WHAT, MAJOR = "an Anole pack", 1
MOST_COATS = 200
ASSETS = "assets/"


class ReadPack(NamedTuple):
    """A pack as far as it could be read; what is missing or wrong, one line each."""

    pack: Pack
    troubles: tuple[str, ...] = ()


def encode(pack: Pack, samples: Mapping[str, bytes] | None = None) -> bytes:
    """The container's bytes; samples : PNG of styles by name. The same pack gives the same bytes."""
    pictures = [
        Content(f"{ASSETS}{sha}", assets.get(sha), stored=True)
        for sha in sorted(assets_named(pack))
        if assets.has(sha)
    ]
    shown = [
        Content(f"samples/{number}.png", samples[style.name], stored=True)
        for number, style in enumerate(pack.styles, 1)
        if samples and style.name in samples
    ]
    return written(
        MEDIA_TYPE, [Content("pack.json", json_text(to_builtins(pack))), *pictures, *shown]
    )


def decode(data: bytes, name: str, stop: Callable[[], bool] = never) -> ReadPack:
    """Read a container: whatever of it is sound, its pictures taken in. Raises FileError when
    nothing of it is."""
    with opened(data, name, WHAT, MEDIA_TYPE) as box:
        raw = box.json("pack.json", "anole-pack", MAJOR)
        pack, troubles = _pack(raw, name)
        troubles += _take_in(box, pack, stop)
    return ReadPack(pack, tuple(dict.fromkeys(troubles)))


def read(path: Path, stop: Callable[[], bool] = never) -> ReadPack:
    """Read a .anolepack file. Raises FileError."""
    return decode(read_bytes(path, MOST_FILE), short(path.name), stop)


def read_any(path: Path, stop: Callable[[], bool] = never) -> ReadPack:
    """A .anolepack file, or one style's file as a pack of one. Raises FileError."""
    if path.suffix.lower() == STYLE_SUFFIX:
        return ReadPack(Pack(name=path.stem, styles=(read_style(path),)))
    return read(path, stop)


def write(path: Path, pack: Pack, samples: Mapping[str, bytes] | None = None) -> None:
    """Write a .anolepack file atomically. Raises FileError."""
    write_bytes(path, encode(pack, samples))


def _pack(raw: Any, name: str) -> tuple[Pack, list[str]]:
    if not isinstance(raw, dict) or not str(raw.get("format", "")).startswith("anole-pack/"):
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
    taken: set[str] = set()
    made = []
    for style in styles:
        name, number = style.name, 2
        while name.casefold() in taken:
            name, number = f"{style.name} {number}", number + 1
        if name != style.name:
            troubles.append(f"there are two styles called “{short(style.name, 60)}”")
        taken.add(name.casefold())
        made.append(msgspec.structs.replace(style, name=name))
    return tuple(made)


def _take_in(box: Container, pack: Pack, stop: Callable[[], bool]) -> list[str]:
    """The pictures that styles paint with; what is missing or spoilt is told, the styles stay."""
    troubles = []
    for style in pack.styles:
        for sha in assets_named(style):
            if assets.has(sha) or stop():
                continue
            wrong = _picture(box, sha, stop)
            if wrong:
                troubles.append(f"a picture of “{short(style.name, 60)}” {wrong}")
    return troubles


def _picture(box: Container, sha: str, stop: Callable[[], bool]) -> str:
    """Take a picture in; what is wrong with it, '' for nothing."""
    try:
        data = box.entry(f"{ASSETS}{sha}", MOST_ASSET)
    except FileError:
        return "is missing from the pack"
    except BROKEN:
        data = b""
    if assets.digest(data) != sha:
        return "is damaged and was left out"
    assets.put(data)
    try:
        decoded_asset(sha, Asset(sha=sha, name=sha[:8]).name, stop)
    except ImageError as error:
        return f"cannot be used: {short(error, 100)}"
    return ""
