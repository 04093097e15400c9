"""Sparkle: the same flare at the same spot of every equal letter, and found where light falls."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.coats.shading.flares import corners, rims
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Flare,
    Font,
    Ground,
    Lamp,
    Length,
    Lettering,
    Place,
    Sparkle,
)
from anole.core.pieces.shapes.letters import letter_boxes
from anole.core.render.export import rgba

from .shapes import closed

BLACK = Ground(id="g", paint=ColourPaint(colour=Colour(0, 0, 0)))
SQUARE = closed(np.array([[10.0, 10], [90, 10], [90, 90], [10, 90]]))


def sparkling(text: str, *flares: Flare, family: str = "Anton", **fields) -> Board:
    base = {"size": Length(24, "px"), "find": "nothing", "halo": 0.3}
    coat = Sparkle(id="s", flares=flares, **{**base, **fields})
    words = Lettering(
        id="w", text=text, size=Length(90.0), font=Font(family=family),
        place=Place(x=200, y=100), style=(coat,),
    )  # fmt: skip
    return Board(width=400, height=200, pieces=(BLACK, words))


def peaks(board: Board) -> list[tuple[float, float]]:
    """The middles of what is brightest, one a flare."""
    light = rgba(board)[..., 0].astype(float)
    found = []
    while light.max() > 180:
        y, x = np.unravel_index(light.argmax(), light.shape)
        part = light[max(y - 3, 0) : y + 4, max(x - 3, 0) : x + 4]
        ys, xs = np.mgrid[max(y - 3, 0) : y + 4, max(x - 3, 0) : x + 4][
            :, : part.shape[0], : part.shape[1]
        ]
        weight = part**4
        found.append(
            (
                float((xs * weight).sum() / weight.sum() + 0.5),
                float((ys * weight).sum() / weight.sum() + 0.5),
            )
        )
        light[max(y - 14, 0) : y + 15, max(x - 14, 0) : x + 15] = 0
    return sorted(found)


def wanted(board: Board, flare: Flare) -> list[tuple[float, float]]:
    boxes = [box for one, box in letter_boxes(board.lettering("w"), board) if one == flare.letter]
    return sorted((x0 + flare.x * (x1 - x0), y0 + flare.y * (y1 - y0)) for x0, y0, x1, y1 in boxes)


@pytest.mark.parametrize("family", ["Anton", "Abril Fatface", "Bangers"])
@pytest.mark.parametrize("text", ["BANANA", "A", "LAVA\nSAGA", "ROCK"])
def test_every_equal_letter_carries_it_at_the_same_spot(family, text):
    flare = Flare(letter="A", x=0.5, y=0.1)
    board = sparkling(text, flare, family=family)
    found = peaks(board)
    assert len(found) == text.count("A")
    there = (np.array(spots).reshape(-1, 2) for spots in (found, wanted(board, flare)))
    np.testing.assert_allclose(*there, atol=0.7)


@settings(max_examples=12, deadline=None)
@given(st.text("AB", min_size=1, max_size=5), st.text("AB", min_size=1, max_size=5))
def test_it_keeps_its_spot_when_the_words_change(before, after):
    flare = Flare(letter="A", x=0.3, y=0.6)
    for text in (before, after):
        board = sparkling(text, flare)
        assert len(peaks(board)) == text.count("A")
        np.testing.assert_allclose(
            np.array(peaks(board)).reshape(-1, 2),
            np.array(wanted(board, flare)).reshape(-1, 2),
            atol=0.8,
        )


def test_with_no_letter_named_it_lies_once_in_the_piece():
    assert len(peaks(sparkling("BANANA", Flare(x=0.5, y=0.5)))) == 1


def test_corners_of_a_square_and_its_rim_in_the_light():
    found = {tuple(point) for point in np.round(corners(SQUARE), 6)}
    assert found == {(10, 10), (90, 10), (90, 90), (10, 90)}
    np.testing.assert_allclose(rims(SQUARE, Lamp(bearing=0)), [[50, 10]])
    np.testing.assert_allclose(rims(SQUARE, Lamp(bearing=90)), [[90, 50]])
    assert len(rims(SQUARE, Lamp(bearing=45))) == 0


def test_holes_have_no_corners_that_point_out_and_round_shapes_have_none():
    hole = np.concatenate([SQUARE, closed(np.array([[30.0, 30], [30, 70], [70, 70], [70, 30]]))])
    assert len(corners(hole)) == 4
    angles = np.linspace(0, 2 * np.pi, 120, endpoint=False)
    disc = closed(np.column_stack([50 + 40 * np.cos(angles), 50 + 40 * np.sin(angles)]))
    assert len(corners(disc)) == 0
    (spot,) = rims(disc, Lamp(bearing=0))
    np.testing.assert_allclose(spot, (50, 10), atol=1.5)


def test_found_ones_are_as_many_as_wanted_apart_and_the_same_again():
    few = peaks(sparkling("RINK", find="corners", count=3, smallest=1.0, weakest=1.0, seed=2))
    more = peaks(sparkling("RINK", find="corners", count=6, smallest=1.0, weakest=1.0, seed=2))
    assert len(few) == 3 and 4 <= len(more) <= 6
    for spot in few:
        assert min(np.hypot(spot[0] - x, spot[1] - y) for x, y in more) < 1
    other = peaks(sparkling("RINK", find="corners", count=3, smallest=1.0, weakest=1.0, seed=3))
    assert other != few


def test_rays_point_where_they_are_turned_and_fade():
    up = rgba(sparkling("A", Flare(x=0.5, y=0.5), size=Length(120, "px"), halo=0.0))[..., 0].astype(
        int
    )
    ((x, y),) = [
        (round(x - 0.5), round(y - 0.5)) for x, y in peaks(sparkling("A", Flare(x=0.5, y=0.5)))
    ]
    assert up[y - 30, x] > 45 > up[y - 22, x - 22]
    assert up[y - 15, x] > up[y - 35, x] > up[y - 62, x] == 0
    turned = rgba(
        sparkling("A", Flare(x=0.5, y=0.5, turn=45), size=Length(120, "px"), halo=0.0)
    )[..., 0].astype(int)  # fmt: skip
    # a ray is about a px wide there
    assert turned[y - 23 : y - 20, x - 23 : x - 20].max() > 45 > turned[y - 30, x]


@pytest.mark.parametrize("scale", [0.5, 2.0])
def test_any_scale_is_the_same_picture(scale):
    board = sparkling("SAGA", Flare(letter="A"), find="both", count=8)
    fine = rgba(board, 4.0)[..., :3].astype(float)
    step = round(4 / scale)
    reduced = fine.reshape(fine.shape[0] // step, step, fine.shape[1] // step, step, 3).mean((1, 3))
    assert np.abs(rgba(board, scale)[..., :3] - reduced).mean() < 0.6


def test_strength_and_size_of_one_are_its_own():
    dim = peaks(sparkling("A", Flare(letter="A", strength=0.3)))
    assert dim == []
    small, large = (
        (rgba(sparkling("A", Flare(letter="A", grow=grow)))[..., 0] > 20).sum() for grow in (0.5, 2)
    )
    assert large > 6 * small
    piece = sparkling("A", Flare(letter="A")).lettering("w")
    nothing = msgspec.structs.replace(piece.style[0], size=Length(0.0))
    board = Board(
        width=99, height=99, pieces=(BLACK, msgspec.structs.replace(piece, style=(nothing,)))
    )
    assert not rgba(board)[..., 0].any()
