"""Emoji in a text: which characters are drawn as such (UTS #51), and the font that draws them."""

from __future__ import annotations

import functools
from pathlib import Path

import regex

from .font_file import FontFile, file_of
from .fonts import built_in_folder

FILE = Path("emoji") / "NotoColorEmoji_400Regular.ttf"
GENRE = "emoji"
CLUSTER = regex.compile(r"\X")
SHOWN = regex.compile(
    # a presentation selector, a keycap, two letters of a flag, or what is shown so unless asked otherwise
    r"^\p{Emoji}\uFE0F|^[0-9#*]\uFE0F?\u20E3|^\p{RI}{2}|^\p{Emoji_Presentation}(?!\uFE0E)"
    # joined ones, and those with a colour of skin
    r"|^\p{Extended_Pictographic}\uFE0F?\u200D\p{Emoji}|^\p{Emoji}\p{Emoji_Modifier}"
)


@functools.cache
def emoji_font() -> FontFile:
    """The colour font that comes with Anole."""
    # reading fonts brings a library along that no start should wait for
    from .font_reading import read_font

    path = built_in_folder() / FILE
    measures = read_font(path)
    return file_of(measures, path, {measures.family: GENRE})


def emoji_places(text: str) -> list[bool]:
    """For each character of a text whether it is part of an emoji."""
    found: list[bool] = []
    for cluster in CLUSTER.findall(text):
        found += [SHOWN.match(cluster) is not None] * len(cluster)
    return found
