"""Pattern generators: seamless, drawn at the render scale, in range; inks; images as tiles."""

import io

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from anole.core import assets
from anole.core.box import Box
from anole.core.cache import Cache
from anole.core.model import Colour, Fill, Ink, Invert, Length, Letters, OwnPaint, Pattern
from anole.core.paint.context import PaintContext
from anole.core.paint.frames import Frames
from anole.core.paint.inks import coloured
from anole.core.paint.patterns import GENERATORS
from anole.core.paint.patterns.grid import Grid, PatternParams
from anole.core.paint.source import source
from anole.core.units import Units

from .shapes import board, paint, pixels

NAMES = sorted(GENERATORS)
FRAME = (0.0, 0.0, 200.0, 120.0)


WHOLE = Box(0, 0, 200, 120)


def laid(made, box=WHOLE, em=100.0, scale=1.0, cache=None):
    frame = tuple(v * scale for v in FRAME)
    return source(
        made, PaintContext(Frames(frame, frame), box, cache or Cache(), Units(em, 96.0, scale))
    )


def tile_of(name, side=256, look=PatternParams(3, 0.5, 0.4, 7)):  # noqa: B008
    at = ((np.arange(side) + 0.5) / side).astype(np.float32)
    u, v = np.meshgrid(at, at)
    return GENERATORS[name](Grid(u, v, 1 / side), look)


@pytest.mark.parametrize("name", NAMES)
def test_a_tile_meets_itself_without_a_seam(name):
    """Across the border px differ no more than they do somewhere inside the tile."""
    made = tile_of(name)
    for axis in (0, 1):
        inside = np.abs(np.diff(made, axis=axis)).mean(1 - axis)
        first, last = np.take(made, 0, axis), np.take(made, -1, axis)
        assert np.abs(first - last).mean() <= inside.max() * 1.5 + 2e-3


@pytest.mark.parametrize("name", NAMES)
def test_a_generator_is_not_flat_and_another_seed_is_another_picture(name):
    made = tile_of(name)
    assert made.std() > 0.03
    assert np.isfinite(made).all()
    regular = ("checks", "halftone")
    if name not in regular:
        assert np.abs(tile_of(name, look=PatternParams(3, 0.5, 0.4, 8)) - made).max() > 0.02


@pytest.mark.parametrize("name", NAMES)
def test_a_pattern_is_drawn_at_the_render_scale(name):
    """Twice as large it shows the same picture, and where it has fine detail, more of it."""
    made = Pattern(generator=name, size=Length(0.9, "em"))
    one, two = laid(made), laid(made, Box(0, 0, 400, 240), scale=2.0)
    small = two.reshape(4, 120, 2, 200, 2).mean((2, 4))
    assert np.abs(small - one).mean() < 0.06
    enlarged = np.repeat(np.repeat(one, 2, 1), 2, 2)
    fine = np.abs(np.diff(two[0], axis=1)).mean()
    assert fine >= np.abs(np.diff(enlarged[0], axis=1)).mean() * 0.75


@settings(max_examples=120, deadline=None)
@given(
    st.sampled_from(NAMES),
    st.integers(1, 64),
    st.floats(0, 1),
    st.floats(0, 1),
    st.integers(0, 9999),
    st.floats(0.001, 90),
    st.floats(-720, 720),
    st.booleans(),
)
def test_any_pattern_is_finite_and_in_range(name, count, weight, rough, seed, size, angle, mirror):
    made = Pattern(
        generator=name,
        count=count,
        weight=weight,
        rough=rough,
        seed=seed,
        size=Length(size, "em"),
        angle=angle,
        tile="mirror" if mirror else "repeat",
        x=0.3,
        y=-2.1,
    )
    planes = laid(made, Box(-4, 3, 60, 50))
    assert np.isfinite(planes).all()
    assert planes.min() >= 0
    assert planes.max() <= 1


def test_a_small_tile_and_the_pattern_px_by_px_agree():
    """Below a certain size the generator draws one tile only; nobody must see which way it went."""
    from anole.core.paint import pattern

    made, box = Pattern(generator="clouds", count=2), Box(0, 0, 100, 80)
    at = pattern.lines((3, 5), (90.0, 90.0), 12.0, (0, 0), box)
    tiled, direct = (
        pattern.values(made, at, 90.0, box, Cache()),
        pattern._direct(made, at, 90.0, box),
    )
    assert np.abs(tiled - direct).mean() < 0.012


def test_parts_of_a_pattern_fit_together():
    for size in (40, 900):
        made = Pattern(generator="leather", size=Length(size), angle=20)
        whole, part = laid(made), laid(made, Box(70, 50, 90, 70))
        np.testing.assert_allclose(whole[:, 50:70, 70:90], part, atol=1e-3)


def test_stripes_are_where_they_should_be():
    made = Pattern(
        generator="stripes",
        size=Length(40),
        count=2,
        rough=0,
        weight=0.25,
        inks=(Ink(Colour(0, 0, 0)), Ink(Colour(255, 255, 255))),
    )
    row = laid(made)[0, 30]
    np.testing.assert_allclose(row[:40], np.tile(np.r_[np.ones(5), np.zeros(15)], 2), atol=0.2)
    turned = laid(Pattern(generator="stripes", size=Length(40), count=2, rough=0, angle=90))
    assert np.ptp(turned[0][:, 0]) > 0.5
    assert np.ptp(turned[0][30]) < 0.05


def test_each_letter_has_a_start_of_its_own():
    stripes = Pattern(
        generator="stripes",
        size=Length(1.7, "em"),
        count=1,
        frame="letter",
        inks=(Ink(Colour(0, 0, 0)), Ink(Colour(255, 0, 0))),
    )
    planes = pixels(board(Fill(id="f", paint=stripes), text="II", size=140))
    middle = planes[0, 90]
    halves = middle[:160], middle[160:]
    assert abs(halves[0].max() - halves[1].max()) < 0.02


def test_inks_run_from_darkest_to_brightest():
    value = np.linspace(0, 1, 5, dtype=np.float32)[None]
    inks = [Ink.parse(c) for c in ("#000000", "#ff0000", "#ffffff")]
    found = coloured(value, inks, lambda name: np.zeros((4, 1, 5), np.float32))
    np.testing.assert_allclose(found[0, 0], (0, 0.5, 1, 1, 1), atol=1e-3)
    np.testing.assert_allclose(found[1, 0], (0, 0, 0, 0.5, 1), atol=1e-3)


def test_inks_may_be_the_letters_or_the_pieces_own():
    made = Pattern(generator="stripes", size=Length(12), inks=(Ink("letter"), Ink("own")))
    base = Fill(id="b", paint=paint("#00ff00"))
    red = Letters(colours=(Colour(255, 0, 0),))
    planes = pixels(board(base, Fill(id="f", paint=made), text="I", size=150, letters=red))
    inner = planes[:3, 80:100, 155:165].reshape(3, -1)
    assert {(1, 0, 0), (0, 1, 0)} <= {tuple(int(v) for v in c.round()) for c in inner.T}
    assert np.abs(inner[2]).max() < 0.02


def test_own_paint_is_what_lies_there_and_can_be_darkened():
    from anole.core.model import Exposure

    base = Fill(id="b", paint=paint("#80c040"))
    plain = pixels(board(base, text="I", size=150))
    same = pixels(board(base, Fill(id="f", paint=OwnPaint()), text="I", size=150))
    np.testing.assert_allclose(same, plain, atol=2e-3)
    dark = pixels(
        board(base, Fill(id="f", paint=OwnPaint(tone=(Exposure(stops=-1),))), text="I", size=150)
    )
    assert (dark[1, 85:95, 158:162] < plain[1, 85:95, 158:162] * 0.8).all()
    assert np.abs(dark - plain)[:, :10].max() == 0


def asset(array):
    room = io.BytesIO()
    Image.fromarray(array).save(room, "PNG")
    return assets.put(room.getvalue())


def test_an_image_is_a_tile_and_made_seamless_on_demand():
    ramp = np.zeros((32, 64, 3), np.uint8)
    ramp[..., 0] = np.linspace(0, 255, 64)
    made = Pattern(asset=asset(ramp), size=Length(64))
    row = laid(made)[0, 5, :128]
    np.testing.assert_allclose(row[:64], row[64:128], atol=1e-3)
    assert abs(row[63] - row[64]) > 0.9
    joined = laid(Pattern(asset=asset(ramp), size=Length(64), seamless=True))[0, 5, :128]
    assert np.abs(np.diff(joined)).max() < 0.1
    missing = laid(Pattern(asset="0" * 64, size=Length(64)))
    assert missing[3].max() == 0


def test_a_pattern_is_kept_for_the_next_frame():
    cache, made = Cache(), Pattern(generator="felt", tone=(Invert(),))
    first = laid(made, cache=cache)
    assert laid(made, cache=cache) is first
