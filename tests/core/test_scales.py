"""One picture at any scale: beside a render eight times as fine, reduced."""

from __future__ import annotations

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
    Length,
    Lettering,
    Place,
    Relief,
)
from anole.core.render.renderer import Renderer, Request

from .styled import STYLES, styled

FINE = 8.0
FONTS = {"Anton": 128, "Great Vibes": 144, "Press Start 2P": 72}


FIRST_NAMES = {new: old for old, new in RENAMED.items()}
ORDER = sorted(STYLES, key=lambda name: FIRST_NAMES.get(name, name))
"""A new name gives no style another font."""


def planes(board: Board, scale: float) -> np.ndarray:
    return Renderer().frame(Request(board, scale)).ground[:3].copy()


def reduced(fine: np.ndarray, by: int) -> np.ndarray:
    p, h, w = fine.shape
    return fine.reshape(p, h // by, by, w // by, by).mean((2, 4))


@pytest.mark.deep
@pytest.mark.parametrize("style", STYLES)
def test_a_style_is_one_picture_at_any_scale(style, deep):
    """A heavy, a script and a pixel font; in a sample one of them a style."""
    own = list(FONTS)[ORDER.index(style) % len(FONTS)]
    for family in FONTS if deep else [own]:
        board = styled(style, family, "Ra8", FONTS[family], 352, 184, even=True)
        fine = planes(board, FINE)
        for scale in (0.5, 1.0, 2.0):
            off = np.abs(planes(board, scale) - reduced(fine, int(FINE / scale))) * 255
            assert off.mean() <= 2, (family, scale)
            assert np.percentile(off, 99.9) <= 48, (family, scale)


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
