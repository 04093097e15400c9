"""One picture at any scale: beside a render eight times as fine, reduced."""

from __future__ import annotations

import itertools

import msgspec
import numpy as np
import pytest

from anole.core.library.styles import RENAMED
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Font,
    Ground,
    Ink,
    Length,
    Lettering,
    Pattern,
    Place,
    Relief,
)
from anole.core.model.paints import PATTERNS
from anole.core.render.renderer import Renderer, Request

from .styled import STYLES, styled

FINE = 8.0
FONTS = ("Anton", "Great Vibes", "Inter")
"""A heavy, a script and a thin one."""
SIZES = (24, 60, 200)
FIRST_NAMES = {new: old for old, new in RENAMED.items()}
ORDER = sorted(STYLES, key=lambda name: FIRST_NAMES.get(name, name))
"""A new name gives no style another font."""


def planes(board: Board, scale: float) -> np.ndarray:
    return Renderer().frame(Request(board, scale)).ground[:3].copy()


def reduced(fine: np.ndarray, by: int) -> np.ndarray:
    p, h, w = fine.shape
    return fine.reshape(p, h // by, by, w // by, by).mean((2, 4))


def where_painted(picture: np.ndarray) -> tuple[slice, slice]:
    """Rows and columns of what differs from the even ground in a corner."""
    rows, columns = np.nonzero(np.abs(picture - picture[:, :1, :1]).max(0) > 0.06)
    return slice(rows.min(), rows.max() + 1), slice(columns.min(), columns.max() + 1)


@pytest.mark.sample(26)
@pytest.mark.deep
@pytest.mark.parametrize("style", STYLES)
def test_a_style_is_one_picture_at_any_size(style, deep):
    """Beside a render four times as fine; in a sample in one font and one size a style, of which
    the large one, whose px cost most, comes up for one in six."""
    number = ORDER.index(style)
    size = SIZES[2] if number % 6 == 5 else SIZES[number % 2]
    own = [(FONTS[number % 3], size)]
    for family, size in itertools.product(FONTS, SIZES) if deep else own:
        wide, high = int(size * 3.2) // 2 * 2, int(size * 1.8) // 2 * 2
        board = styled(style, family, "Ra8", size, wide, high, even=True)
        fine = reduced(planes(board, 4.0), 4)
        off = np.abs(planes(board, 1.0) - fine) * 255
        rows, columns = where_painted(fine)
        assert off[:, rows, columns].mean() <= 3, (family, size)
        assert np.percentile(off, 99.9) <= 64, (family, size)


@pytest.mark.parametrize(
    ("family", "text", "size"),
    [
        ("Anton", "TIDEWORKS", 180),
        ("Great Vibes", "Tide", 180),
        ("Press Start 2P", "TIDE", 120),
        ("Cinzel", "HAMburg", 120),
        ("Permanent Marker", "Rage", 140),
    ],
)
def test_a_relief_as_it_is_born_has_no_specks(family, text, size):
    grey = ColourPaint(colour=Colour(128, 136, 144))
    words = Lettering(
        id="w",
        text=text,
        font=Font(family=family),
        size=Length(size),
        place=Place(x=400, y=120),
        style=(Fill(id="f", paint=grey), Relief(id="r")),
    )
    board = Board(width=800, height=240, pieces=(Ground(id="g"), words))
    fine = planes(board, FINE)
    for scale in (0.5, 1.0, 2.0):
        off = np.abs(planes(board, scale) - reduced(fine, int(FINE / scale))) * 255
        assert off.max() <= 64, scale


@pytest.mark.parametrize("speckle", [0.4, 1.0])
def test_specks_keep_their_share_of_the_colour_at_any_scale(speckle):
    paint = ColourPaint(colour=Colour(255, 255, 255), speckle=speckle)
    board = styled("hue run", "Anton", "H", 150, 160, 160, even=True)
    fill = Fill(id="f", paint=paint)
    words = msgspec.structs.replace(board.pieces[1], style=(fill,))
    board = msgspec.structs.replace(
        board, pieces=(Ground(id="g", paint=ColourPaint(colour=Colour(0, 0, 0))), words)
    )
    shares = [planes(board, scale).mean() for scale in (0.25, 0.5, 1.0, 2.0, 4.0)]
    assert max(shares) / min(shares) < 1.03


INKS = tuple(
    Ink(Colour(*rgb)) for rgb in ((20, 24, 20), (250, 40, 30), (40, 230, 60), (240, 240, 250))
)


@pytest.mark.sample(20)
@pytest.mark.parametrize("generator", PATTERNS)
@pytest.mark.parametrize("count", [3, 4])
def test_a_pattern_of_many_inks_is_one_picture_at_half_scale(generator, count):
    paint = Pattern(
        generator=generator, size=Length(60), inks=INKS[:count], angle=20, frame="board"
    )
    board = Board(width=84, height=56, pieces=(Ground(id="g", paint=paint),))
    off = planes(board, 0.5) - reduced(planes(board, 4.0), 8)
    assert np.abs(off).mean() * 255 <= 12.5
    # little of an ink comes up that is not there: the mean colour stays
    assert np.abs(off.mean((1, 2))).max() * 255 <= 26
