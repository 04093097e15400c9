"""Two styles mixed: the ends are the styles, and all between them are styles too."""

from __future__ import annotations

import itertools

import msgspec
import numpy as np
import pytest
from coloraide import Color
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.edit.between import between, colour_between
from anole.core.edit.mixing import matched, mixed
from anole.core.field.mouldings import height
from anole.core.library.styles import built_in
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Glow,
    Gradient,
    Ground,
    Lamp,
    Length,
    Lettering,
    Moulding,
    Place,
    Position,
    Ripple,
    Shadow,
    Span,
    Stop,
    Stroke,
    Style,
    Wear,
    from_json,
    to_json,
)
from anole.core.render.export import rgba

STYLES = [stored.style for stored in built_in()]
PAIRS = st.tuples(st.sampled_from(STYLES), st.sampled_from(STYLES))
COLOURS = st.builds(Colour, *[st.integers(0, 255)] * 4)


def picture(coats: tuple, scale: float = 1.0) -> np.ndarray:
    words = Lettering(id="w", text="Ra", size=Length(60), place=Place(x=80, y=45), style=coats)
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(90, 100, 120)))
    return rgba(Board(width=160, height=90, pieces=(ground, words)), scale)[..., :3].astype(float)


@given(PAIRS)
def test_the_ends_are_the_styles(pair):
    a, b = pair
    assert mixed(a.coats, b.coats, 0.0) == a.coats
    assert mixed(a.coats, b.coats, 1.0) == b.coats


@settings(max_examples=60, deadline=None)
@given(PAIRS, st.floats(0.01, 0.99))
def test_whatever_lies_between_two_styles_is_a_style(pair, t):
    a, b = pair
    style = Style(name="mix", coats=mixed(a.coats, b.coats, t))
    assert from_json(to_json(style), Style) == style
    ids = [coat.id for coat in style.coats]
    assert len(set(ids)) == len(ids)


@settings(max_examples=60, deadline=None)
@given(PAIRS)
def test_as_many_coats_are_matched_as_their_order_allows(pair):
    a, b = pair
    pairs = matched(a.coats, b.coats)
    assert [x for x, _ in pairs if x is not None] == list(a.coats)
    assert [y for _, y in pairs if y is not None] == list(b.coats)
    both = [(x, y) for x, y in pairs if x is not None and y is not None]
    assert all(type(x) is type(y) for x, y in both)
    if len(a.coats) <= 6:  # by trying all that the shorter one has
        kinds = [type(c) for c in b.coats]
        most = max(
            len(some)
            for size in range(len(a.coats) + 1)
            for some in itertools.combinations([type(c) for c in a.coats], size)
            if _is_within(list(some), kinds)
        )
        assert len(both) == most


def _is_within(some: list[type], kinds: list[type]) -> bool:
    """Whether they stand there in their order."""
    rest = iter(kinds)
    return all(kind in rest for kind in some)


@pytest.mark.parametrize("pair", [(0, 5), (3, 12), (7, 20), (9, 15), (2, 18)])
def test_a_mix_near_an_end_looks_like_it_and_the_way_has_no_leap(pair):
    a, b = (STYLES[n % len(STYLES)].coats for n in pair)
    ends = picture(a), picture(b)
    for end, t in ((0, 0.01), (1, 0.99)):
        assert np.abs(picture(mixed(a, b, t)) - ends[end]).mean() < 12
    half = picture(mixed(a, b, 0.5)).astype(float)
    away = [np.abs(half - end).mean() for end in ends]
    # half the way is no farther from either end than they are from each other, and some more
    assert max(away) <= np.abs(ends[0].astype(float) - ends[1]).mean() + 24


@given(COLOURS, COLOURS, st.floats(0, 1))
def test_colours_run_in_oklab_as_the_standard_says(a, b, t):
    found = colour_between(a, b, t)
    one, two = (Color("srgb", [c.r / 255, c.g / 255, c.b / 255], c.a / 255) for c in (a, b))
    wanted = one.mix(two, t, space="oklab", out_space="srgb", premultiplied=True)
    if wanted.alpha() > 0.02 and wanted.in_gamut():
        off = [
            abs(x - y * 255) for x, y in zip((found.r, found.g, found.b), wanted[:3], strict=True)
        ]
        assert max(off) <= 1.01 + 1.5 / wanted.alpha()
    assert abs(found.a - wanted.alpha() * 255) <= 0.51


def test_numbers_lengths_spans_and_lamps_run():
    a = Shadow(id="a", lift=Length(0.1, "em"), opacity=0.2, lamp=Lamp(bearing=350))
    b = Shadow(id="b", lift=Length(0.3, "em"), opacity=0.6, lamp=Lamp(bearing=30))
    half = between(a, b, 0.25)
    assert half.lift == Length(0.15, "em")
    assert half.opacity == pytest.approx(0.3)
    assert half.lamp.bearing == pytest.approx(0.0) or half.lamp.bearing == pytest.approx(360.0)
    spans = [Span(Position(0.0, "em"), Position(v, "em")) for v in (0.1, 0.2)]
    assert between(*spans, 0.5).to == Position(0.15, "em")
    core = Span(Position(0.0, "em"), Position.parse("core"))
    assert between(spans[0], core, 0.4).to == spans[0].to
    assert between(spans[0], core, 0.6).to.is_core


def test_a_flat_colour_runs_into_a_gradient_and_stops_meet_stops():
    flat = ColourPaint(colour=Colour(255, 0, 0))
    ramp = Gradient(
        angle=90,
        stops=(Stop(0, Colour(0, 0, 255)), Stop(0.5, Colour(0, 255, 0)), Stop(1, Colour(0, 0, 0))),
    )
    half = between(flat, ramp, 0.5)
    assert isinstance(half, Gradient) and len(half.stops) == 3
    assert half.stops[0].colour == colour_between(flat.colour, Colour(0, 0, 255), 0.5)


@given(st.floats(0, 1))
def test_mouldings_run_by_their_heights(t):
    a, b = Moulding(profile="ogee"), Moulding(profile="bead")
    p = np.linspace(0, 1, 25)
    wanted = height(a, p) * (1 - t) + height(b, p) * t
    np.testing.assert_allclose(height(between(a, b, t), p), wanted, atol=0.01)


def test_coats_without_a_partner_fade_and_so_do_those_that_shape():
    style = (Wear(id="w", amount=0.4, grow=Length(0.1, "em")), Ripple(id="r"), Glow(id="g"))
    made = mixed(style, (), 0.75)
    assert made[0].amount == pytest.approx(0.1)
    assert made[0].grow == Length(0.025, "em")
    assert made[1].height_x.value == pytest.approx(style[1].height_x.value / 4)
    assert made[2].opacity == pytest.approx(style[2].opacity / 4)
    off = msgspec.structs.replace(Stroke(id="s"), on=False)
    faded = mixed((off,), (Stroke(id="t"),), 0.5)
    assert faded[0].on and faded[0].opacity == pytest.approx(0.5)
    assert mixed((Fill(id="f"),), (Fill(id="f"),), 0.3)[0].on
