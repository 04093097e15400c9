"""Styles in other hues, tried at other values, sorted by colour and likeness."""

from __future__ import annotations

import math

import pytest
from coloraide import Color
from hypothesis import given
from hypothesis import strategies as st

from anole.core.edit.likeness import by_likeness, colour_rank, distance
from anole.core.edit.recolouring import QUIET, hue_behind, main_hue, turned
from anole.core.edit.varying import along, knobs, shaken, shares
from anole.core.library.styles import built_in
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Ground,
    Length,
    Lettering,
    Place,
    Position,
    Span,
    Stroke,
    from_json,
    to_json,
)
from anole.core.model.mapped import found_in
from anole.core.model.style import Style

ALL = [stored.style for stored in built_in()]
STYLES = st.sampled_from(ALL)
COLOURED = [style for style in ALL if main_hue(style.coats) is not None]


def oklch(colour: Colour) -> tuple[float, float, float]:
    """By another library's conversion."""
    found = Color("srgb", [colour.r / 255, colour.g / 255, colour.b / 255]).convert("oklch")
    light, chroma, hue = found[:3]
    return light, chroma, 0.0 if math.isnan(hue) else hue


def apart(a: float, b: float) -> float:
    return abs((a - b + 180) % 360 - 180)


def flat(colour: str) -> Fill:
    return Fill(id="f", paint=ColourPaint(colour=Colour.parse(colour)))


@given(st.sampled_from(["#c84030", "#7a9a3c", "#4a62c8", "#a06090"]), st.floats(0, 360))
def test_a_flat_colour_comes_to_the_hue_with_its_lightness(text, hue):
    (coat,) = turned((flat(text),), hue)
    light, chroma, found = oklch(coat.paint.colour)
    old_light, old_chroma, _ = oklch(Colour.parse(text))
    assert light == pytest.approx(old_light, abs=0.02)
    assert chroma <= old_chroma + 0.01
    # what sRGB does not have is brought in, so far that it can just be seen
    seen = math.degrees(math.asin(min(0.024 / max(chroma, 1e-6), 1.0)))
    assert apart(found, hue) < max(seen, 1.0) or chroma < 0.03


@given(st.sampled_from(COLOURED), st.floats(0, 360))
def test_lit_and_shaded_parts_move_along(style, hue):
    made = turned(style.coats, hue)
    by = None
    for old, new in zip(found_in(style.coats, Colour), found_in(made, Colour), strict=True):
        (light, chroma, h), (light2, chroma2, h2) = oklch(old), oklch(new)
        assert light2 == pytest.approx(light, abs=0.03) and new.a == old.a
        # the hue of what is nearly grey is lost to 8 bits, that of what was brought in to sRGB bends
        if chroma > 0.06 and chroma2 > 0.97 * chroma:
            by = (h2 - h) % 360 if by is None else by
            assert apart(h2 - h, by) < 14, style.name
    assert main_hue(style.coats) is not None


@given(STYLES)
def test_without_a_hue_it_is_quiet_and_greys_stay(style):
    made = turned(style.coats, None)
    for old, new in zip(found_in(style.coats, Colour), found_in(made, Colour), strict=True):
        if main_hue(style.coats) is None:
            assert new == old
        else:
            assert oklch(new)[1] <= QUIET * oklch(old)[1] + 0.012
    assert from_json(to_json(Style(name="x", coats=made)), Style).coats == made


@pytest.mark.parametrize("colour", ["#a03020", "#206090", "#508020"])
def test_the_hue_behind_words_is_that_of_the_ground_there(colour):
    other = ColourPaint(colour=Colour(255, 0, 255))
    words = Lettering(id="w", text="I", size=Length(30), place=Place(x=100, y=50))
    over = Lettering(
        id="o",
        text="MMM",
        size=Length(60),
        place=Place(x=100, y=50),
        style=(Fill(id="f", paint=other),),
    )
    ground = Ground(id="g", paint=ColourPaint(colour=Colour.parse(colour)))
    board = Board(width=200, height=100, pieces=(ground, words, over))
    found = hue_behind(board, "w")
    assert found is not None and apart(found, oklch(Colour.parse(colour))[2]) < 2
    grey = Ground(id="g", paint=ColourPaint(colour=Colour(120, 120, 120)))
    assert hue_behind(Board(width=200, height=100, pieces=(grey, words)), "w") is None


# values tried


@given(STYLES, st.integers(0, 50), st.floats(0, 1))
def test_chance_gives_valid_styles_and_always_the_same(style, seed, amount):
    made = shaken(style.coats, seed, amount)
    assert made == shaken(style.coats, seed, amount)
    assert [c.id for c in made] == [c.id for c in style.coats]
    assert from_json(to_json(Style(name="x", coats=made)), Style).coats == made


@given(STYLES)
def test_no_chance_is_the_style_and_two_seeds_differ(style):
    assert shaken(style.coats, 1) != shaken(style.coats, 2)
    assert shaken(style.coats, 1) != style.coats


@given(STYLES, st.data(), st.floats(-1, 1))
def test_a_knob_moves_what_it_is_called_after_and_nothing_else(style, data, share):
    knob = data.draw(st.sampled_from(knobs(style.coats)))
    made = along(style.coats, knob, share)
    for old, new in zip(style.coats, made, strict=True):
        if old.id != knob.coat:
            assert new == old
            continue
        name = knob.path[0]
        others = [n for n in old.__struct_fields__ if n != name]
        assert all(getattr(old, n) == getattr(new, n) for n in others)
    assert from_json(to_json(Style(name="x", coats=made)), Style).coats == made


def test_a_length_runs_from_half_to_twice():
    coat = Stroke(id="s", span=Span(from_=Position(-0.1, "em"), to=Position(0.0, "em")))
    knob = next(k for k in knobs((coat,)) if k.path == ("span", "from_"))
    ends = [along((coat,), knob, share)[0].span.from_.value for share in (-1, 0, 1)]
    assert ends == pytest.approx([-0.05, -0.1, -0.2])


def test_hues_of_a_strip_are_all_different():
    coats = (flat("#c03030"),)
    knob = next(k for k in knobs(coats) if k.title.endswith("hue"))
    made = [along(coats, knob, at)[0].paint.colour for at in shares(coats, knob, 5)]
    hues = [oklch(colour)[2] for colour in made]
    assert made[2] == coats[0].paint.colour
    assert min(apart(a, b) for n, a in enumerate(hues) for b in hues[:n]) > 50


# sorted


def test_a_style_is_most_like_itself_and_likeness_goes_both_ways():
    few = ALL[:8]
    for style in few:
        assert by_likeness(few, style)[0] == style
        assert distance(style.coats, style.coats) == 0
    assert distance(few[0].coats, few[1].coats) == pytest.approx(
        distance(few[1].coats, few[0].coats)
    )


def test_a_shade_of_the_same_style_is_nearer_than_another_style():
    style = next(s for s in ALL if s.name == "cup gold")
    nearly = Style(name="nearly", coats=turned(style.coats, (main_hue(style.coats) or 0) + 8))
    order = by_likeness([*ALL, nearly], style)
    assert [s.name for s in order[:2]] == ["cup gold", "nearly"]


def test_hues_come_in_their_order_and_greys_last():
    made = [(flat(c),) for c in ("#808080", "#3050c0", "#c03030", "#30a040")]
    order = sorted(made, key=colour_rank)
    assert [str(coats[0].paint.colour) for coats in order] == [
        "#c03030",
        "#30a040",
        "#3050c0",
        "#808080",
    ]
