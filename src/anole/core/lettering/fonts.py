"""The fonts at hand: those that come with Anole, the system's, and those a user added."""

from __future__ import annotations

import functools
import threading
from collections.abc import Callable, Collection, Iterable
from importlib.resources import files
from pathlib import Path
from typing import NamedTuple

import msgspec
import uharfbuzz as hb

from .. import assets
from ..model import Asset, Font
from .font_file import FontError, FontFile, FontMeasures, bytes_of, file_of, looked_at

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
MEASURES = "measures.json"
"""What the built-in fonts say of themselves: reading two dozen at every start takes too long."""


class ShapedFont(NamedTuple):
    """A font ready for shaping; `upem` font units make one em."""

    file: FontFile
    hb_font: hb.Font
    upem: int


def built_in_folder() -> Path:
    """Where the fonts that come with Anole lie."""
    return Path(str(files("anole") / "data" / "fonts"))


def is_built_in(file: FontFile) -> bool:
    """Whether a font is ours, and its bytes nobody else's."""
    return not file.sha and built_in_folder() in file.path.parents


@functools.cache
def built_in() -> tuple[FontFile, ...]:
    """The fonts that come with Anole, by family and weight."""
    folder = built_in_folder()
    known = msgspec.json.decode((folder / MEASURES).read_bytes(), type=dict[str, FontMeasures])
    return tuple(sorted(file_of(one, folder / name, GENRES) for name, one in known.items()))


class _AtHand:
    """What there is beside the built-in fonts. Replaced whole, so readers need no lock.

    carried : fonts of boards by the SHA-256 of their files; only words that name one wear it
    """

    def __init__(self) -> None:
        self.lock = threading.Lock()
        self.carried: dict[str, FontFile] = {}
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
    """Take the bytes of a font that a board carries in. Raises FontError."""
    key = assets.put(data)
    known = _at_hand.carried.get(key)
    if known is not None:
        return known
    plain, measures = looked_at(data, name)
    file = file_of(measures, Path(name), GENRES, assets.put(plain))._replace(carried_as=key)
    with _at_hand.lock:
        _at_hand.carried = {**_at_hand.carried, key: file}
        _at_hand.changed()
    return file


def carried(files: Iterable[Asset]) -> tuple[FontFile, ...]:
    """The fonts that a board carries, as far as they are at hand."""
    return tuple(font for asset in files if (font := _at_hand.carried.get(asset.sha)) is not None)


def let_go(kept: Collection[str]) -> set[str]:
    """Forget the carried fonts but those whose assets are `kept`; returns the assets of their
    unpacked bytes that stay."""
    with _at_hand.lock:
        stay = {key: file for key, file in _at_hand.carried.items() if key in kept}
        if len(stay) < len(_at_hand.carried):
            _at_hand.carried = stay
            _at_hand.changed()
    return {file.sha for file in stay.values()}


def take_system(found: Iterable[FontFile]) -> None:
    """Put the system's fonts beside the others."""
    with _at_hand.lock:
        _at_hand.system = tuple(sorted(found))
        _at_hand.changed()


def catalogue(files: Iterable[Asset] = ()) -> tuple[FontFile, ...]:
    """Every font at hand: those a board carries first, then the built-in ones, then the system's."""
    return (*carried(files), *built_in(), *_at_hand.system)


def families(files: Iterable[Asset] = ()) -> list[str]:
    """Names of the families for lettering: carried ones, the built-in in genre order, the rest."""
    at_hand = {font.family for font in built_in()}
    names = [font.family for font in carried(files)]
    names += [name for name in GENRES if name in at_hand]
    names += sorted({font.family for font in _at_hand.system}, key=str.lower)
    return list(dict.fromkeys(names))


def nearest(font: Font, pool: Iterable[FontFile]) -> FontFile | None:
    """Of the files of a font's family the closest in weight and slant; None without any."""
    family = font.family.lower()
    return min(
        (file for file in pool if file.family.lower() == family),
        key=lambda f: (abs(f.weight - font.weight), f.italic != font.italic),
        default=None,
    )


def find(font: Font) -> tuple[FontFile, bool]:
    """The closest font file, and whether its family is the one asked for."""
    named = _at_hand.carried.get(font.file)
    best = nearest(font, () if named is None else (named,)) or nearest(font, catalogue())
    if best is not None:
        return best, True
    stand_in = nearest(msgspec.structs.replace(font, family=STAND_IN), built_in())
    assert stand_in is not None
    return stand_in, False


@functools.lru_cache(512)
def load(file: FontFile, axes: tuple[tuple[str, float], ...] = ()) -> ShapedFont:
    """Open a font for shaping and drawing, its variable axes set."""
    face = hb.Face(hb.Blob(bytes_of(file)), file.number)
    font = hb.Font(face)
    if axes:
        font.set_variations(dict(axes))
    return ShapedFont(file, font, face.upem)
