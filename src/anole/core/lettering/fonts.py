"""The fonts at hand: those that come with Anole, the system's, and those a user added."""

from __future__ import annotations

import functools
import threading
from collections.abc import Callable, Iterable
from importlib.resources import files
from pathlib import Path
from typing import NamedTuple

import uharfbuzz as hb

from .. import assets
from ..model import Font
from .font_file import FontError, FontFile, bytes_of, font_bytes, measured, plain_sfnt

__all__ = ["GENRES", "FontError", "FontFile", "add", "catalogue", "families", "find", "load"]

GENRES = {
    "Anton": "heavy condensed sans",
    "Unbounded": "wide heavy sans",
    "Alfa Slab One": "heavy slab",
    "Rye": "wood type",
    "Abril Fatface": "fat modern serif",
    "Lilita One": "cartoon",
    "Fredoka": "rounded",
    "Bangers": "comic",
    "Pacifico": "brush script",
    "Great Vibes": "formal script",
    "UnifrakturCook": "blackletter",
    "Press Start 2P": "pixel",
    "Orbitron": "techno",
    "Saira Stencil One": "stencil",
    "Monoton": "inline",
    "Cinzel": "engraved capitals",
    "Creepster": "horror",
    "Permanent Marker": "marker",
    "Inter": "interface",
    "Cairo": "Arabic",
    "Heebo": "Hebrew",
    "Noto Sans Devanagari": "Devanagari",
    "Dela Gothic One": "Japanese",
}
STAND_IN = "Anton"


class ShapedFont(NamedTuple):
    """A font ready for shaping; `upem` font units make one em."""

    file: FontFile
    hb_font: hb.Font
    upem: int


def read_font(path: Path, index: int = 0) -> FontFile:
    """Names and measures of a font file on disk. Raises FontError."""
    return measured(font_bytes(path), path, GENRES, index=index)


@functools.cache
def built_in() -> tuple[FontFile, ...]:
    """The fonts that come with Anole, by family and weight."""
    folder = Path(str(files("anole") / "data" / "fonts"))
    return tuple(sorted(read_font(path) for path in folder.glob("*.ttf")))


class _AtHand:
    """What was added beside the built-in fonts. Replaced whole, so readers need no lock."""

    def __init__(self) -> None:
        self.lock = threading.Lock()
        self.added: tuple[FontFile, ...] = ()
        self.system: tuple[FontFile, ...] = ()
        self.listeners: list[Callable[[], None]] = []

    def changed(self) -> None:
        for forget in self.listeners:
            forget()


_at_hand = _AtHand()


def when_changed(forget: Callable[[], None]) -> None:
    """Call `forget` whenever a font comes in: what was kept by an old catalogue is stale."""
    _at_hand.listeners.append(forget)


def add(data: bytes, name: str) -> FontFile:
    """Take a font file's bytes in; it can be used at once. Raises FontError."""
    plain = plain_sfnt(data, name)
    file = measured(plain, Path(name), GENRES, sha=assets.put(plain))
    with _at_hand.lock:
        if file not in _at_hand.added:
            _at_hand.added = (*_at_hand.added, file)
            _at_hand.changed()
    return file


def take_system(found: Iterable[FontFile]) -> None:
    """Put the system's fonts beside the others."""
    with _at_hand.lock:
        _at_hand.system = tuple(sorted(found))
        _at_hand.changed()


def catalogue() -> tuple[FontFile, ...]:
    """Every font at hand: added ones first, then the built-in ones, then the system's."""
    return (*_at_hand.added, *built_in(), *_at_hand.system)


def own() -> tuple[FontFile, ...]:
    """Added and built-in fonts: the same letters stand in on every machine."""
    return (*_at_hand.added, *built_in())


def families() -> list[str]:
    """Names of the families for lettering: added ones, the built-in in genre order, the rest."""
    at_hand = {font.family for font in built_in()}
    names = [font.family for font in _at_hand.added]
    names += [name for name in GENRES if name in at_hand]
    names += sorted({font.family for font in _at_hand.system}, key=str.lower)
    return list(dict.fromkeys(names))


def find(font: Font) -> tuple[FontFile, bool]:
    """The closest font file, and whether its family is the one asked for."""
    family = font.family.lower()
    same = [f for f in catalogue() if f.family.lower() == family]
    pool = same or [f for f in built_in() if f.family == STAND_IN]
    best = min(pool, key=lambda f: (abs(f.weight - font.weight), f.italic != font.italic))
    return best, bool(same)


@functools.lru_cache(512)
def load(file: FontFile, axes: tuple[tuple[str, float], ...] = ()) -> ShapedFont:
    """Open a font for shaping and drawing, its variable axes set."""
    face = hb.Face(hb.Blob(bytes_of(file)), file.number)
    font = hb.Font(face)
    if axes:
        font.set_variations(dict(axes))
    return ShapedFont(file, font, face.upem)
