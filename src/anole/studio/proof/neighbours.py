"""Invented neighbours: other thumbnails that a board may stand among, made by our own styles."""

from __future__ import annotations

import functools
from random import Random

import msgspec

from ...core.edit.titles import add_title
from ...core.edit.wearing import put_style
from ...core.library.styles import built_in
from ...core.model import Board, Colour, Font, Gradient, Ground, Stop, Style

TITLES = (
    "Skate Shop Tour",
    "TEN STOPS",
    "Why Wheels Squeak",
    "Low Tide Laps",
    "Rink Rules",
    "NEW BOOTS",
    "Slow Lap",
    "What a Jam!",
    "Bearing Test",
    "Fell Again",
    "Night Loop",
)
FONTS = ("Anton", "Lilita One", "Bangers", "Alfa Slab One", "Fredoka", "Dela Gothic One")
LOOKS = (
    "title shout", "house white", "toy block", "plain ink", "sunset parlour", "cup gold", "die-cut decal",
    "newsprint pop", "low sun", "rink tube", "fog swell",
)  # fmt: skip
GROUNDS = (
    ("#123a5a", "#3fb0c8"), ("#5a1030", "#f0a040"), ("#e8dcc0", "#c8a878"), ("#10281c", "#58a05c"),
    ("#2a1a4a", "#c060a0"), ("#3a3a40", "#8a9098"), ("#f0d040", "#e06030"), ("#0c1420", "#30507a"),
)  # fmt: skip
WIDE, HIGH = 640, 360


@functools.cache
def neighbours(count: int = len(TITLES)) -> tuple[Board, ...]:
    """Boards of 640 x 360 px, always the same."""
    chance = Random(4)
    by_name = {stored.style.name: stored.style for stored in built_in()}
    return tuple(
        _board(TITLES[n % len(TITLES)], by_name[LOOKS[n % len(LOOKS)]], chance)
        for n in range(count)
    )


def _board(text: str, style: Style, chance: Random) -> Board:
    dark, light = map(Colour.parse, chance.choice(GROUNDS))
    paint = Gradient(
        shape="radial",
        form="ellipse",
        x=chance.uniform(-0.3, 0.3),
        y=chance.uniform(-0.2, 0.2),
        stops=(Stop(0.0, light), Stop(1.0, dark)),
    )
    bare = Board(width=WIDE, height=HIGH, pieces=(Ground(id="g", paint=paint),))
    board, words = add_title(bare, text, Style(name="", coats=()))
    piece = msgspec.structs.replace(board.lettering(words), font=Font(family=chance.choice(FONTS)))
    pieces = tuple(piece if p.id == words else p for p in board.pieces)
    return put_style(msgspec.structs.replace(board, pieces=pieces), words, style)
