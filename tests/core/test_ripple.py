"""Rippled outlines and pictures: each point lies where the formula of its wave puts it."""

from __future__ import annotations

import math

import cv2
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.field.coverage import rasterise
from anole.core.field.displacement import displaced_points, over, turbulence, waves
from anole.core.lettering.outline import chords, outline
from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
    Relief,
    Ripple,
    Shadow,
    Stop,
    Stroke,
)
from anole.core.render.export import rgba

SIZE = (320, 220)
WHITE, BLACK, RED = (ColourPaint(colour=Colour(*c)) for c in ((255,) * 3, (0,) * 3, (220, 40, 30)))
FILL = Fill(id="f", paint=BLACK)


def words(*style: Coat, text: str = "l", **fields: object) -> Lettering:
    place = Place(x=160, y=110)
    return Lettering(id="w", text=text, size=Length(150), place=place, style=style, **fields)


def picture(piece: Lettering, paint: object = WHITE, scale: float = 1.0) -> np.ndarray:
    """(H, W, 3) levels."""
    ground = Ground(id="g", paint=paint)
    board = Board(width=SIZE[0], height=SIZE[1], pieces=(ground, piece))
    return rgba(board, scale)[..., :3].astype(float)


def wavy(high: float = 6.0, long: float = 60.0, **fields: object) -> Ripple:
    return Ripple(id="r", height_x=Length(high), length_x=Length(long), **fields)


@pytest.mark.parametrize("phase", [0.0, 0.3])
def test_an_upright_bar_becomes_the_wave(phase):
    high, long = 6.0, 60.0
    flat = chords(outline(words(), 96.0), 1.0)
    (x0, y0), (x1, y1) = flat[:, :2].min(0), flat[:, :2].max(0)
    dark = 1 - picture(words(wavy(high, long, phase_x=phase), FILL))[..., 0] / 255
    rows = np.arange(math.ceil(y0) + 2, math.floor(y1) - 2)
    inside = dark[rows].sum(1)
    middle = (dark[rows] * (np.arange(SIZE[0]) + 0.5)).sum(1) / inside
    wanted = (x0 + x1) / 2 + high * np.sin(2 * math.pi * ((rows + 0.5 - y0) / long + phase))
    np.testing.assert_allclose(middle, wanted, atol=0.05)
    np.testing.assert_allclose(inside, x1 - x0, atol=0.1)


@settings(max_examples=15, deadline=None)
@given(
    st.floats(-12, 12), st.floats(-12, 12), st.floats(40, 200), st.floats(40, 200), st.floats(0, 1)
)
def test_waves_both_ways_move_every_point_of_a_letter(hx, hy, lx, ly, phase):
    """Chords of the letter cut very fine and moved by the formula cover the same."""
    coat = wavy(hx, lx, height_y=Length(hy), length_y=Length(ly), phase_y=phase)
    flat = chords(outline(words(text="R"), 96.0), 1.0)
    (x0, y0) = flat[:, :2].min(0)
    t = np.linspace(0, 1, 201)[:, None]
    a = np.concatenate(
        [p + (q - p) * t[:-1] for p, q in zip(flat[:, :2], flat[:, 2:], strict=True)]
    )
    b = np.concatenate([p + (q - p) * t[1:] for p, q in zip(flat[:, :2], flat[:, 2:], strict=True)])

    def moved(points: np.ndarray) -> np.ndarray:
        x, y = points.T
        dx = hx * np.sin(2 * math.pi * (y - y0) / lx)
        dy = hy * np.sin(2 * math.pi * ((x - x0) / ly + phase))
        return np.column_stack([x + dx, y + dy])

    wanted = rasterise(np.hstack([moved(a), moved(b)]), Box(0, 0, *SIZE))[0]
    found = 1 - picture(words(coat, FILL, text="R"))[..., 0] / 255
    if (2 * math.pi) ** 2 * abs(hx * hy) / (lx * ly) < 0.9:  # else it lies over itself
        assert np.abs(found - np.clip(wanted, 0, 1)).max() < 0.06


def test_all_coats_see_the_moved_outline():
    coat, shadow = wavy(), Shadow(id="s", lift=Length(0.0), opacity=1.0, paint=BLACK)
    np.testing.assert_allclose(picture(words(coat, FILL)), picture(words(coat, shadow)), atol=2)


def test_a_wall_of_a_wave_has_no_facets():
    """Along the rim of a relief on a waving bar tones change as slowly as the wave turns."""
    span = Relief(id="q").span
    ramp = (Stop(0.0, Colour(0, 0, 0)), Stop(1.0, Colour(255, 255, 255)))
    found = picture(words(wavy(8, 80), FILL, Relief(id="q", span=span, ramp=ramp)))[..., 0]
    flat = chords(outline(words(), 96.0), 1.0)
    (x0, y0), (_, y1) = flat[:, :2].min(0), flat[:, :2].max(0)
    rows = np.arange(int(y0) + 12, int(y1) - 12)
    at = x0 + 2.5 + 8 * np.sin(2 * math.pi * (rows + 0.5 - y0) / 80)
    tones = np.array(
        [np.interp(x, np.arange(SIZE[0]) + 0.5, found[y]) for x, y in zip(at, rows, strict=True)]
    )
    bends = np.abs(np.diff(tones, 2))
    assert np.percentile(bends, 95) < 8


def test_what_is_painted_moves_as_a_remap_moves_it():
    coats = (Stroke(id="s", paint=RED), Fill(id="f", paint=Gradient(angle=30)))
    coat = wavy(5, 40, drives="picture", height_y=Length(3.0), length_y=Length(70.0))
    plain = picture(words(*coats, text="R"))
    (x0, y0) = chords(outline(words(text="R"), 96.0), 1.0)[:, :2].min(0)
    ys, xs = np.mgrid[: SIZE[1], : SIZE[0]].astype(np.float32) + 0.5
    back_x = xs - 5 * np.sin(2 * math.pi * (ys - y0) / 40)
    back_y = ys - 3 * np.sin(2 * math.pi * (xs - x0) / 70)
    x, y = np.float32(back_x - 0.5), np.float32(back_y - 0.5)
    source = plain.astype(np.float32)
    wanted = cv2.remap(source, x, y, cv2.INTER_CUBIC, borderMode=cv2.BORDER_REPLICATE)
    found = picture(words(*coats, coat, text="R"))
    assert np.abs(found - wanted).mean() < 0.5
    assert np.abs(found - picture(words(*coats, text="R"))).mean() > 5


def test_light_of_the_background_moves_letters_and_no_light_back():
    """Left half white, right half black: a bar over white goes up, one over black down."""
    halves = Gradient(angle=90, frame="board", stops=(
        Stop(0.5, Colour(255, 255, 255)), Stop(0.5, Colour(0, 0, 0))))  # fmt: skip
    coat = Ripple(id="r", by="ground", amount=Length(9.0), bearing=0, smooth=Length(0.0))
    piece = words(coat, Fill(id="f", paint=RED), text="l l", tracking=300.0)
    still = words(Fill(id="f", paint=RED), text="l l", tracking=300.0)
    tops = []
    for one in (piece, still):
        red = np.abs(picture(one, halves) - (220, 40, 30)).max(-1) < 30
        tops.append(
            [np.nonzero(red[:, part].any(1))[0].min() for part in (slice(0, 150), slice(170, 320))]
        )
    assert abs(tops[0][0] - (tops[1][0] - 9)) <= 1
    assert abs(tops[0][1] - (tops[1][1] + 9)) <= 1


def test_turbulence_keeps_within_its_amount_and_is_smooth():
    x, y = np.meshgrid(np.arange(300.0), np.arange(200.0))
    dx, dy = turbulence(10.0, 60.0, 4, 3)(x, y)
    assert max(np.abs(dx).max(), np.abs(dy).max()) <= 10.001
    assert np.abs(dx).max() > 5 and np.abs(dx - dy).mean() > 1
    assert np.abs(np.diff(dx, axis=1)).max() < 4
    again = turbulence(10.0, 60.0, 4, 3)(x[:50], y[:50])[0]
    np.testing.assert_allclose(again, dx[:50], atol=1e-3)


@pytest.mark.parametrize("finest", [6.0, 30.0, 200.0])
def test_a_field_over_a_box_is_that_of_its_points(finest):
    box = Box(10, 20, 170, 111)
    move = waves((7.0, 4.0), (finest * 2, finest * 3), (0.2, 0.7))
    dx, dy = over(move, box, finest)
    ys, xs = np.mgrid[box.y0 : box.y1, box.x0 : box.x1] + 0.5
    at = displaced_points(move, np.column_stack([xs.ravel(), ys.ravel()]))
    for found, wanted in ((dx, at[:, 0] - xs.ravel()), (dy, at[:, 1] - ys.ravel())):
        off = np.abs(found - wanted.reshape(found.shape))
        assert off.max() < 0.25


@pytest.mark.parametrize("drives", ["outline", "picture"])
@pytest.mark.parametrize("by", ["waves", "turbulence"])
def test_any_scale_is_the_same(by, drives):
    coat = Ripple(id="r", by=by, drives=drives, height_y=Length(4.0), scale=Length(40.0))
    coats = (Fill(id="f", paint=RED), coat)
    fine = (
        picture(words(*coats, text="R"), scale=4.0).reshape(SIZE[1], 4, SIZE[0], 4, 3).mean((1, 3))
    )
    assert np.abs(picture(words(*coats, text="R")) - fine).mean() <= 2


@pytest.mark.parametrize("drives", ["outline", "picture"])
@pytest.mark.parametrize(
    "fields",
    [
        {"height_x": Length(1e5), "length_x": Length(2.0)},
        {"height_x": Length(5.0), "length_x": Length(2.0), "height_y": Length(-5.0), "length_y": Length(2.0)},
        {"by": "turbulence", "amount": Length(3000.0), "scale": Length(2.0), "octaves": 8.0},
        {"by": "image", "asset": ""},
        {"by": "image", "asset": "0" * 64},
        {"by": "ground", "amount": Length(-1e4), "smooth": Length(500.0)},
    ],
)  # fmt: skip
def test_absurd_ripples_give_a_picture(drives, fields):
    found = picture(words(Shadow(id="s"), FILL, Ripple(id="r", drives=drives, **fields), text="R"))
    assert np.isfinite(found).all()
