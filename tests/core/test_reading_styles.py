"""Our own styles, drawn on words and read back without being told font, words or style."""

from __future__ import annotations

import numpy as np
import pytest

from anole.core.edit.titles import add_title
from anole.core.edit.wearing import put_style
from anole.core.library import styles
from anole.core.model import Board, Colour, ColourPaint, Ground, Style
from anole.core.reading.reader import read
from anole.core.reading.seen import Unreadable
from anole.core.render.export import rgba

WORDS = ("Marsh", "Rink 9", "BOUT")
GROUND = Colour(58, 80, 104)
MEDIAN, NINE_OF_TEN = 0.04, 0.08
"""How far what was read, drawn again on the silhouette that was found, may be from the picture: mean in
OKLab, for the median style and for nine of ten."""


def difference(style: Style, words: str) -> float:
    """How far the look that is read off the style's picture is from it; endless where none is read."""
    ground = Ground(id="ground", paint=ColourPaint(colour=GROUND))
    board = Board(width=1280, height=720, pieces=(ground,))
    board, title = add_title(board, words, Style(name="", coats=()))
    try:
        return read(rgba(put_style(board, title, style))).difference
    except Unreadable:
        return float("inf")


@pytest.mark.deep
def test_what_is_read_off_all_styles_is_like_them(deep):
    library = [stored.style for stored in styles.built_in()][:: 1 if deep else 40]
    found = {
        style.name: difference(style, WORDS[number % len(WORDS)])
        for number, style in enumerate(library)
    }
    for name, off in sorted(found.items(), key=lambda one: one[1]):
        print(f"{off:.3f} {name}")
    off = np.array(list(found.values()))
    assert np.median(off) <= MEDIAN and np.quantile(off, 0.9) <= NINE_OF_TEN
