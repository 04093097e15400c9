"""A line cut into runs of one direction, one script and one font."""

from __future__ import annotations

import functools
import unicodedata
from typing import NamedTuple

from fontTools import unicodedata as scripts

from . import bidi
from .coloured.glyphs import has_colours
from .emoji import SHOWN, emoji_font, emoji_places
from .fonts import FontFile, built_in, catalogue, load, when_changed

SHARED = ("Zyyy", "Zinh", "Zzzz")
"""Common, inherited and unknown: such characters go with their neighbours."""


class Run(NamedTuple):
    """Characters start..end of the line; odd levels run from right to left."""

    start: int
    end: int
    level: int
    script: str
    file: FontFile


@functools.lru_cache(65536)
def has(file: FontFile, char: str) -> bool:
    """Whether the font has a glyph for the character."""
    return bool(load(file).hb_font.get_nominal_glyph(ord(char)))


def _draws_nothing(char: str) -> bool:
    return char.isspace() or unicodedata.category(char) in ("Cf", "Mn", "Me")


@functools.lru_cache(8192)
def stand_in(file: FontFile, char: str) -> FontFile:
    """The font itself, or the nearest in weight that has the character; itself when none has."""
    if has(file, char) or char.isspace() or unicodedata.category(char) == "Cf":
        return file
    if SHOWN.match(char):
        return emoji_font()
    # those that come with Anole first: the same letters stand in on every machine
    for fonts in (built_in(), catalogue()):
        able = [f for f in fonts if has(f, char)]
        if able:
            return min(able, key=lambda f: abs(f.weight - file.weight))
    return file


when_changed(stand_in.cache_clear)


_script = functools.lru_cache(8192)(scripts.script)


def _scripts(text: str) -> list[str]:
    if text.isascii():
        return ["Latn"] * len(text)
    scripts: list[str] = []
    for char in text:
        script = _script(char)
        scripts.append(scripts[-1] if script in SHARED and scripts else script)
    first = next((s for s in scripts if s not in SHARED), "Latn")
    return [first if s in SHARED else s for s in scripts]


def _files(text: str, file: FontFile) -> list[FontFile]:
    """A font for each character; marks and format characters stay with their neighbours.

    A joiner given to another font than the letters beside it would part them.
    """
    by = {char: stand_in(file, char) for char in set(text)}
    if text.isascii():
        return [by[char] for char in text]
    files: list[FontFile] = []
    for char, is_emoji in zip(text, emoji_places(text), strict=True):
        if is_emoji:
            # all of it in one font: its parts are one glyph
            files.append(file if has_colours(file) and has(file, char) else emoji_font())
            continue
        category = unicodedata.category(char)
        joined = files and category in ("Mn", "Me", "Mc")
        if files and (category == "Cf" or (joined and has(files[-1], char))):
            files.append(files[-1])
        else:
            files.append(by[char])
    # those that no character stands before go with the first that one does
    first = next((n for n, char in enumerate(text) if unicodedata.category(char) != "Cf"), 0)
    return [files[first]] * first + files[first:]


def runs(text: str, file: FontFile) -> tuple[int, list[Run]]:
    """The base level, and the runs in the order they stand from left to right."""
    base, levels = bidi.levels(text)
    kinds = list(zip(levels, _scripts(text), _files(text, file), strict=True))
    cuts = [i for i in range(len(text)) if i == 0 or kinds[i] != kinds[i - 1]]
    found = [
        Run(start, end, *kinds[start])
        for start, end in zip(cuts, [*cuts[1:], len(text)], strict=True)
    ]
    return base, [found[i] for i in bidi.visual_order([run.level for run in found])]


def replaced_letters(text: str, file: FontFile) -> dict[str, str]:
    """Letters that another font draws, and its name; '' when no font at hand has them."""
    replaced: dict[str, str] = {}
    for char in dict.fromkeys(text):
        if _draws_nothing(char) or has(file, char):
            continue
        other = stand_in(file, char)
        replaced[char] = other.family if other is not file else ""
    return replaced
