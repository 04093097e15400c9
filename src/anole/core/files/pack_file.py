"""The .anolepack container: a ZIP of pack.json, the pictures that its styles paint with, and a
rendered sample of each style."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from pathlib import Path
from typing import NamedTuple

import msgspec
import numpy as np

from .. import assets, isolation
from ..arrays import AnyArray
from ..atomic import FileError, read_bytes, write_bytes
from ..isolation.client import never
from ..library.styles import SUFFIX as STYLE_SUFFIX
from ..library.styles import read as read_style
from ..model import ModelError, Style, from_json, to_builtins, to_json
from ..model.named_assets import assets_named
from ..model.pack import MOST_PICTURE, Pack
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded
from ..text import short
from .container import (
    BROKEN,
    MOST_FILE,
    MOST_JSON,
    Container,
    Content,
    TooLargeEntry,
    json_text,
    opened,
    written,
)
from .pack_text import WHAT, sound_pack

SUFFIX = ".anolepack"
MEDIA_TYPE = "application/vnd.anole.pack+zip"
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
        pack, troubles = _sound(box.entry("pack.json", MOST_JSON), name, stop)
        troubles += _take_in(box, pack, stop)
    return ReadPack(pack, tuple(dict.fromkeys(troubles)))


def _sound(text: bytes, name: str, stop: Callable[[], bool]) -> tuple[Pack, list[str]]:
    """What the helper finds sound of a pack's JSON: it comes back style by style, so that no other
    thread waits long for any. Raises FileError."""
    try:
        _, (told, about, *styles) = isolation.ask(
            "pack", {"name": name}, [np.frombuffer(text, np.uint8)], stop=stop
        )
        troubles = msgspec.json.decode(told.tobytes(), type=list[str])
        pack = from_json(about.tobytes(), Pack)
        sound = tuple(from_json(style.tobytes(), Style) for style in styles)
    except isolation.Refused as error:
        raise FileError(str(error)) from error
    except (isolation.HelperError, msgspec.DecodeError, ModelError, ValueError) as error:
        raise FileError(f"{name} is not read: {error}") from error
    return msgspec.structs.replace(pack, styles=sound), troubles


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
    """Take a picture in, when it is one; what is wrong with it, '' for nothing."""
    try:
        data = box.entry(f"{ASSETS}{sha}", MOST_PICTURE)
    except TooLargeEntry:
        return f"is larger than {MOST_PICTURE >> 20} MB and was left out"
    except FileError:
        return "is missing from the pack"
    except BROKEN:
        data = b""
    if assets.digest(data) != sha:
        return "is damaged and was left out"
    try:
        decoded(data, sha[:8], stop)
    except ImageError as error:
        return f"cannot be used: {short(error, 100)}"
    assets.put(data)
    return ""


def answer(text: bytes, name: str) -> list[AnyArray]:
    """In the helper: troubles, the pack without its styles, and each of those, as bytes of JSON.
    Raises FileError."""
    pack, troubles = sound_pack(text, name)
    about = msgspec.structs.replace(pack, styles=())
    parts = (msgspec.json.encode(troubles), to_json(about), *map(to_json, pack.styles))
    return [np.frombuffer(part, np.uint8) for part in parts]
