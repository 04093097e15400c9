"""The fonts at hand: names, genres, measures and the loaded faces."""

from __future__ import annotations

import functools
from importlib.resources import files
from pathlib import Path
from typing import Any, NamedTuple

import uharfbuzz as hb
from fontTools.ttLib import TTFont, TTLibError

from ..model import Font

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


class FontError(ValueError):
    """A font file that cannot be used; the message says which and why."""


class FontFile(NamedTuple):
    """A font file that has been looked at. Measures are in em."""

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


class Face(NamedTuple):
    """A font ready for shaping; `upem` font units make one em."""

    file: FontFile
    hb_font: hb.Font
    upem: int


def _rules(font: TTFont, os2: Any, upem: int) -> tuple[tuple[float, float], tuple[float, float]]:
    """Middle above the baseline and thickness, in em, of the underline and the strike."""
    post = font["post"]
    thick = max(getattr(post, "underlineThickness", 0), 0.03 * upem)
    middle = getattr(post, "underlinePosition", 0) or -0.1 * upem
    strike = max(getattr(os2, "yStrikeoutSize", 0), 0.03 * upem)
    at = getattr(os2, "yStrikeoutPosition", 0) or 0.3 * upem
    return (middle / upem, thick / upem), ((at - strike / 2) / upem, strike / upem)


def _cap_height(path: Path, told: float) -> float:
    """Height of the H, in em; some fonts tell a wrong one, some have no H."""
    face = hb.Face(hb.Blob.from_file_path(str(path)))
    font = hb.Font(face)
    index = font.get_nominal_glyph(ord("H"))
    box = font.get_glyph_extents(index) if index else None
    height = box.y_bearing / face.upem if box is not None else told
    return height if 0.2 < height < 2 else 0.7


def read_font(path: Path) -> FontFile:
    """Names and measures of a font file. Raises FontError."""
    try:
        with TTFont(path, lazy=True, fontNumber=0) as font:
            names, os2, head, hhea = font["name"], font["OS/2"], font["head"], font["hhea"]
            family = names.getDebugName(16) or names.getDebugName(1) or path.stem
            upem = head.unitsPerEm
            if not 16 <= upem <= 16384:
                raise FontError(f"{path.name}: {upem} units per em is not a usable font")
            return FontFile(
                family.removesuffix(" Black"), os2.usWeightClass, bool(os2.fsSelection & 1),
                GENRES.get(family.removesuffix(" Black"), "other"), path,
                _cap_height(path, getattr(os2, "sCapHeight", 0) / upem),
                hhea.ascent / upem, -hhea.descent / upem, *_rules(font, os2, upem),
            )  # fmt: skip
    except FontError:
        raise
    except (TTLibError, KeyError, OSError, ValueError, AttributeError, AssertionError) as error:
        raise FontError(f"{path.name} is not a usable font: {error}") from error


@functools.cache
def catalogue() -> tuple[FontFile, ...]:
    """The fonts that come with Anole, by family and weight."""
    folder = Path(str(files("anole") / "data" / "fonts"))
    return tuple(sorted(read_font(path) for path in folder.glob("*.ttf")))


def families() -> list[str]:
    """Names of the families for lettering, in genre order."""
    at_hand = {font.family for font in catalogue()}
    return [name for name in GENRES if name in at_hand]


def find(font: Font) -> tuple[FontFile, bool]:
    """The closest font file, and whether its family is the one asked for."""
    same = [f for f in catalogue() if f.family.lower() == font.family.lower()]
    pool = same or [f for f in catalogue() if f.family == "Anton"]
    best = min(pool, key=lambda f: (abs(f.weight - font.weight), f.italic != font.italic))
    return best, bool(same)


@functools.lru_cache(256)
def load(file: FontFile, axes: tuple[tuple[str, float], ...] = ()) -> Face:
    """Open a font for shaping and drawing, its variable axes set."""
    face = hb.Face(hb.Blob.from_file_path(str(file.path)))
    font = hb.Font(face)
    if axes:
        font.set_variations(dict(axes))
    return Face(file, font, face.upem)
