"""Font files as the program knows them, looked at by the helper where they are strangers'."""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

import msgspec
import numpy as np

from .. import assets, isolation
from ..arrays import AnyArray
from ..atomic import FileError, read_bytes

MOST_BYTES = 128 << 20
MOST_FACES = 64
"""Fonts that are looked at in one collection."""


class FontError(ValueError):
    """A font file that cannot be used; the message says which and why."""


class FontMeasures(NamedTuple):
    """What a font says of itself, in em; `underline` and `strikeout` are middle and thickness."""

    family: str
    weight: int
    italic: bool
    cap_height: float
    ascent: float
    descent: float
    underline: tuple[float, float]
    strikeout: tuple[float, float]


class FontFile(NamedTuple):
    """A font file that has been looked at. Measures are in em.

    `path` is where it lies, or only its name when its bytes are the asset `sha`; `number` is its
    place in a collection; `carried_as` is the asset, packed or not, by which a board carries it.
    """

    family: str
    weight: int
    italic: bool
    genre: str
    path: Path
    cap_height: float
    ascent: float
    descent: float
    underline: tuple[float, float] = (-0.1, 0.06)
    strikeout: tuple[float, float] = (0.3, 0.06)
    sha: str = ""
    number: int = 0
    carried_as: str = ""


MARK = "stored:"


def is_stored(file: FontFile) -> bool:
    """Whether the file stands for outlines stored in a board, and is no font."""
    return file.sha.startswith(MARK)


def font_bytes(path: Path) -> bytes:
    """The bytes of a font file. Raises FontError."""
    try:
        return read_bytes(path, MOST_BYTES)
    except FileError as error:
        raise FontError(str(error)) from error


def bytes_of(file: FontFile) -> bytes:
    """The font's bytes. Raises FontError and assets.MissingAsset."""
    return assets.get(file.sha) if file.sha else font_bytes(file.path)


def file_of(
    measures: FontMeasures, path: Path, genres: dict[str, str], sha: str = "", number: int = 0
) -> FontFile:
    """A font file by what it says of itself."""
    genre = genres.get(measures.family, "other")
    return FontFile(**measures._asdict(), genre=genre, path=path, sha=sha, number=number)


def looked_at(data: bytes, name: str) -> tuple[bytes, FontMeasures]:
    """A stranger's font: what a shaper reads, and its measures; shaped and drawn once in the
    helper, so that it is known to work. Raises FontError."""
    meta, (plain,) = _asked("font", data, name, index=0)
    return plain.tobytes(), _measures(meta, name)


def faces(path: Path) -> list[FontMeasures]:
    """The measures of each font of a file. Raises FontError."""
    meta, _ = _asked("faces", font_bytes(path), path.name, most=MOST_FACES)
    return [_measures(one, path.name) for one in meta]


def _asked(task: str, data: bytes, name: str, **meta: int) -> tuple[msgspec.Raw, list[AnyArray]]:
    try:
        return isolation.ask(task, {"name": name, **meta}, [np.frombuffer(data, np.uint8)])
    except isolation.Refused as error:
        raise FontError(str(error)) from error
    except isolation.HelperError as error:
        raise FontError(f"{name} is not used: {error}") from error


def _measures(meta: object, name: str) -> FontMeasures:
    try:
        return msgspec.convert(meta, FontMeasures)
    except msgspec.ValidationError as error:
        raise FontError(f"{name} is not a usable font: {error}") from error
