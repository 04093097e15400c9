"""Values, their texts, and what is refused."""

import json

import pytest
from coloraide import Color
from hypothesis import given
from hypothesis import strategies as st

from anole.core.model import (
    Board,
    Colour,
    Fill,
    Glow,
    Gradient,
    Lamp,
    Length,
    Lettering,
    ModelError,
    Place,
    Position,
    Shadow,
    Span,
    Stop,
    Stroke,
    from_builtins,
    from_json,
    to_builtins,
    to_json,
)
from anole.core.model.field_info import field_info
from anole.core.model.fields import angle, length, meta, number, share
from anole.core.model.length import CORE
from anole.core.model.schema import json_schema

numbers = st.floats(-1e5, 1e5).map(lambda v: round(v, 5))
places = st.floats(-200, 200).map(lambda v: round(v, 5))
lengths = st.builds(Length, places, st.sampled_from(Length.UNITS))
positions = st.one_of(st.just(CORE), st.builds(Position, places, st.sampled_from(Length.UNITS)))
spans = st.builds(Span, positions, positions)
colours = st.builds(Colour, *[st.integers(0, 255)] * 4)
shares = st.floats(0, 1).map(lambda v: round(v, 6))
stops = st.lists(st.builds(Stop, shares, colours, shares), min_size=1, max_size=5).map(tuple)
gradients = st.builds(
    Gradient,
    stops=stops,
    angle=st.floats(-360, 360),
    spread=st.sampled_from(["pad", "reflect", "repeat"]),
)
lamps = st.builds(Lamp, bearing=st.floats(0, 360), elevation=st.floats(1, 80))
ids = st.uuids().map(str)
coats = st.one_of(
    st.builds(Fill, id=ids, paint=gradients, opacity=shares),
    st.builds(Stroke, id=ids, span=spans),
    st.builds(Glow, id=ids, span=spans, hot=st.floats(0, 0.98), softness=shares),
    st.builds(
        Shadow,
        id=ids,
        lift=lengths.map(lambda v: Length(abs(v.value), v.unit)),
        grow=lengths,
        lamp=st.none() | lamps,
    ),
)
words = st.builds(
    Lettering,
    id=ids,
    text=st.text(max_size=40),
    size=st.builds(Length, st.floats(1, 900)),
    place=st.builds(Place, x=numbers, y=numbers),
    style=st.lists(coats, max_size=4).map(tuple),
)
boards = st.builds(
    Board,
    width=st.integers(1, 32_000),
    height=st.integers(1, 32_000),
    lamp=lamps,
    pieces=st.lists(words, max_size=3).map(tuple),
)


@given(boards)
def test_a_board_reads_back_identical(board):
    assert from_json(to_json(board), Board) == board


@pytest.mark.parametrize(
    ("text", "px"),
    [
        ("12px", 12),
        ("12", 12),
        (".5em", 50),
        ("-0.06em", -6),
        ("1in", 300),
        ("25.4mm", 300),
        ("72pt", 300),
        ("1e1px", 10),
    ],
)
def test_lengths_in_every_unit(text, px):
    assert Length.parse(text).px(em=100, dpi=300) == pytest.approx(px)


@given(lengths.filter(lambda v: abs(v.value) > 1e-3))
def test_a_length_goes_to_px_and_back(length):
    assert length.like(length.px(37, 150), 37, 150).value == pytest.approx(length.value)


@pytest.mark.parametrize("text", ["", "px", "1.2.3px", "12 parsecs", "nan", "inf em", "0x10px"])
def test_what_is_no_length(text):
    with pytest.raises(ValueError, match="not a length|unknown unit"):
        Length.parse(text)


def test_lengths_and_colours_do_not_change():
    for value, name in ((Length(1), "value"), (Colour(1, 2, 3), "r")):
        with pytest.raises(AttributeError):
            setattr(value, name, 5)


@pytest.mark.parametrize(
    "text",
    [
        "#f80",
        "#ff880080",
        "rebeccapurple",
        "rgb(10% 20% 30% / 40%)",
        "hsl(200 60% 40%)",
        "oklch(0.7 0.1 140)",
        "lab(50% 20 -30)",
        "hwb(90 10% 20%)",
    ],
)
def test_css_colours(text):
    other = Color(text).convert("srgb").fit("srgb")
    want = [*other.coords(nans=False), other.alpha(nans=False)]
    assert Colour.parse(text).floats == pytest.approx(want, abs=0.5 / 255 + 1e-9)


def test_hsv_numbers_and_nonsense():
    assert Colour.parse("hsv(120 50 50)") == Colour(64, 128, 64)
    with pytest.raises(ValueError, match="not a colour"):
        Colour.parse("greenish")


def broken(path, value):
    """A valid board as builtins with one field replaced."""
    board = Board(pieces=(Lettering(id="a", style=(Stroke(id="s"), Shadow(id="h"))),))
    data = to_builtins(board)
    spot = data
    for key in path[:-1]:
        spot = spot[key]
    spot[path[-1]] = value
    return data


@pytest.mark.parametrize(
    ("path", "value", "said"),
    [
        (("width",), 0, "`$.width`"),
        (("height",), 32_001, "`$.height`"),
        (("pieces", 0, "kind"), "hologram", "hologram"),
        (("pieces", 0, "style", 0, "kind"), "lacquer", "lacquer"),
        (("pieces", 0, "opacity"), 1.5, "`$.pieces[0].opacity`"),
        (("pieces", 0, "size"), "NaNpx", "`$.pieces[0].size`"),
        (("pieces", 0, "style", 0, "span", "to"), "9zz", "span.to"),
        (("pieces", 0, "style", 0, "blend"), "shiny", "style[0].blend"),
        (("pieces", 0, "tracking"), float("nan"), "$.pieces[0].tracking"),
        (("pieces", 0, "place", "x"), float("inf"), "$.pieces[0].place.x"),
        (("pieces", 0, "style", 1, "id"), "s", "used twice"),
        (("format",), "other/1", "`$.format`"),
    ],
)
def test_a_wrong_value_says_which_field(path, value, said):
    with pytest.raises(ModelError) as caught:
        from_builtins(broken(path, value), Board)
    assert said in str(caught.value)


def test_the_schema_names_every_coat_and_is_json():
    schema = json.loads(json.dumps(json_schema()))
    assert {"Fill", "Stroke", "Glow", "Shadow", "Lettering"} <= set(schema["$defs"])


@pytest.mark.parametrize("struct", [Fill, Stroke, Glow, Shadow, Lettering, Gradient, Lamp, Place])
def test_every_panel_field_has_words(struct):
    infos = field_info(struct)
    assert infos
    assert all(info.title and info.about for info in infos if info.name not in ("text", "stops"))


@pytest.mark.parametrize(
    "make",
    [
        lambda **hints: meta("A", "b", **hints),
        lambda **hints: number("A", "b", 0, 1, **hints),
        lambda **hints: share("A", "b", **hints),
        lambda **hints: angle("A", "b", **hints),
        lambda **hints: length("A", "b", (0, 1), **hints),
    ],
)
def test_a_hint_of_a_field_that_nobody_reads_is_refused(make):
    assert make(group="Size").extra["group"] == "Size"
    with pytest.raises(TypeError, match="no such hint of a field: grup"):
        make(grup="Size")
