"""How the time of a cold frame grows with what is in it, beside what laying its coats moves."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple

import msgspec
import numpy as np

from anole.core.edit.wearing import put_style
from anole.core.library.styles import built_in
from anole.core.model import Board, Ground, Length, Lettering, Place
from anole.core.render.renderer import Renderer, Request

from .scenes import title
from .timing import once

ROUNDS = 5
PLANE = 4
"""Bytes of a px in a plane of float32."""
LAID = 9
"""Planes that laying a coat touches: four read and written, and its coverage."""
ALPHABET = "BRINE LAMP QUAY SKATE "


class Series(NamedTuple):
    """What grows, its sizes, seconds of a cold frame at each, and those that laying every
    coat over the whole board would take by the bytes alone."""

    what: str
    unit: str
    sizes: list[float]
    took: list[float]
    least: list[float]

    @property
    def exponent(self) -> float:
        """Of the power of the size by which the upper half of them grows: 1 is linear."""
        half = len(self.sizes) // 2
        return float(np.polyfit(np.log(self.sizes[half:]), np.log(self.took[half:]), 1)[0])


def bandwidth() -> float:
    """Bytes a second that a copy of a large array reads and writes."""
    large = np.ones(1 << 26, np.uint8)
    copy = large.copy()
    return 2 * large.nbytes / min(once(lambda: np.copyto(copy, large)) for _ in range(9))


def growth() -> list[Series]:
    """Each alone, from small to large."""
    rate = bandwidth()

    def measured(
        what: str, unit: str, sizes: list[float], make: Callable[[float], Board | list[Board]]
    ) -> Series:
        took, least = [], []
        for size in sizes:
            made = make(size)
            boards = made if isinstance(made, list) else [made]
            took.append(_cold(boards))
            least.append(sum(map(_touched, boards)) / rate)
        return Series(what, unit, sizes, took, least)

    return [
        measured("px of the board", "Mpx", [0.25, 0.5, 1, 2, 4, 8], _of_pixels),
        measured("coats", "coats", [3, 6, 12, 24, 48], _of_coats),
        measured("letters", "letters", [10, 20, 40, 80, 160, 320], _of_letters),
        measured("pieces", "pieces", [3, 6, 12, 24, 48], _of_pieces),
        measured("styles of a wall", "styles", [10, 20, 40, 78], _of_styles),
    ]


def _cold(boards: list[Board]) -> float:
    def frames() -> None:
        renderer = Renderer()
        for board in boards:
            renderer.frame(Request(board))

    once(frames)
    return float(np.median([once(frames) for _ in range(ROUNDS)]))


def _touched(board: Board) -> int:
    """Bytes that laying every coat over all of the board once would touch."""
    coats = sum(len(getattr(piece, "style", ())) or 1 for piece in board.pieces)
    return coats * board.width * board.height * LAID * PLANE


def _of_pixels(millions: float) -> Board:
    share = math.sqrt(millions * 1e6 / (1280 * 720))
    board = title()
    words = board.pieces[-1]
    assert isinstance(words, Lettering)
    place = Place(x=640 * share, y=360 * share)
    words = msgspec.structs.replace(words, size=words.size.times(share), place=place)
    return msgspec.structs.replace(
        board,
        width=round(1280 * share),
        height=round(720 * share),
        pieces=(*board.pieces[:-1], words),
    )


def _of_coats(count: float) -> Board:
    board = title()
    words = board.pieces[-1]
    assert isinstance(words, Lettering)
    coats = [
        msgspec.structs.replace(words.style[n % len(words.style)], id=f"c{n}")
        for n in range(int(count))
    ]
    return msgspec.structs.replace(
        board, pieces=(*board.pieces[:-1], msgspec.structs.replace(words, style=tuple(coats)))
    )


def _of_letters(count: float) -> Board:
    text = (ALPHABET * 20)[: int(count)]
    lines = "\n".join(text[n : n + 20].strip() for n in range(0, len(text), 20))
    board = title()
    words = board.pieces[-1]
    words = msgspec.structs.replace(words, text=lines, size=Length(38.0), place=Place(x=640, y=360))
    return msgspec.structs.replace(board, pieces=(*board.pieces[:-1], words))


def _of_pieces(count: float) -> Board:
    board = title()
    words = board.pieces[-1]
    pieces = [
        msgspec.structs.replace(
            words,
            id=f"w{n}",
            text="LAP",
            size=Length(70.0),
            place=Place(x=90 + n % 8 * 155, y=70 + n // 8 * 110),
        )
        for n in range(int(count))
    ]
    return msgspec.structs.replace(board, pieces=(*board.pieces[:-1], *pieces))


def _of_styles(count: float) -> list[Board]:
    words = Lettering(id="w", text="RINK", size=Length(84.0), place=Place(x=160, y=60))
    board = Board(width=320, height=120, pieces=(Ground(id="g"), words))
    return [put_style(board, "w", stored.style) for stored in built_in()[: int(count)]]
