"""Lines thinner than a px have the area that they should, and so has what lies beside them."""

from __future__ import annotations

import numpy as np
import pytest

from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Font,
    Ground,
    Length,
    Lettering,
    Place,
    Position,
    Span,
    Stroke,
    Wear,
)
from anole.core.render.renderer import Renderer, Request

RED, GREEN, BLUE = (
    ColourPaint(colour=Colour(*(255 if n == k else 0 for n in range(3)))) for k in range(3)
)
SIZE = 160.0
"""px of an em: pieces of which are looked at once a px."""


def areas(*style: Coat, scale: float = 1.0, family: str = "Anton") -> np.ndarray:
    """(3,) px of a board of scale 1 that are red, green and blue."""
    words = Lettering(
        id="w",
        text="Ra8",
        font=Font(family=family),
        size=Length(SIZE),
        place=Place(x=200, y=115, rotation=5),
        style=style,
    )
    black = Ground(id="g", paint=ColourPaint(colour=Colour(0, 0, 0)))
    board = Board(width=420, height=230, pieces=(black, words))
    return Renderer().frame(Request(board, scale)).ground[:3].sum((1, 2)) / scale**2


def line(start: float, end: float, paint: ColourPaint, name: str = "s") -> Stroke:
    return Stroke(id=name, span=Span(Position(start, "px"), Position(end, "px")), paint=paint)


FACE = Fill(id="f", paint=BLUE)


@pytest.mark.sample(10)
@pytest.mark.parametrize("family", ["Anton", "Great Vibes", "Press Start 2P"])
@pytest.mark.parametrize("wide", [0.1, 0.3, 1.0, 3.0])
@pytest.mark.parametrize("inward", [False, True])
def test_a_line_along_the_edge_has_its_area_and_the_face_the_rest(wide, inward, family):
    style = (FACE, line(0, wide, RED)) if inward else (line(0, -wide, RED), FACE)
    found, true = areas(*style, family=family), areas(*style, scale=8.0, family=family)
    assert found[0] == pytest.approx(true[0], rel=0.01)
    assert found[2] == pytest.approx(true[2], rel=0.002)


@pytest.mark.parametrize("thin", [0.1, 0.4, 1.0, 2.0])
@pytest.mark.parametrize("turned", [False, True])
def test_under_a_thin_line_the_one_that_meets_it_does_not_stick_out(thin, turned):
    lower, upper = line(-1, -9, RED, "l"), line(-9, -9 - thin, GREEN, "u")
    if turned:
        lower, upper = line(-1 - thin, -9, RED, "l"), line(-1, -1 - thin, GREEN, "u")
    style = (lower, upper, FACE)
    found, true = areas(*style), areas(*style, scale=8.0)
    assert found == pytest.approx(true, rel=0.01)


@pytest.mark.parametrize("texture", ["chips", "scratches", "cracks"])
@pytest.mark.parametrize("fields", [{}, {"size": Length(0.1, "em")}, {"amount": 0.1}])
def test_damage_takes_the_same_share_at_any_scale(texture, fields):
    wear = Wear(id="w", texture=texture, **fields)
    assert areas(wear, FACE)[2] == pytest.approx(areas(wear, FACE, scale=4.0)[2], rel=0.012)
