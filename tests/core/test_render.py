"""Whole frames: edges, hairlines, incremental work, windows, opacity."""

import msgspec
import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.coats.registry import KINDS
from anole.core.edit.coats import change_coat, move_coat
from anole.core.edit.pieces import change_piece
from anole.core.model import (
    Colour,
    ColourPaint,
    Fill,
    Font,
    Glow,
    Gradient,
    Length,
    Position,
    Shadow,
    Span,
    Stroke,
)
from anole.core.render.export import rgba
from anole.core.render.renderer import Cancelled, Renderer, Request, difference, plan
from anole.core.render.warm import small_board

from .shapes import board, paint, pixels, sound, span

WHITE, BLACK, RED = paint("#ffffff"), paint("#000000"), paint("#ff0000")
GROUND = Colour.parse("#204060").floats


def cover_of(made):
    """Coverage of the bare letters: white on black gives it directly."""
    bare = msgspec.structs.replace(
        made,
        pieces=(
            msgspec.structs.replace(made.pieces[0], paint=BLACK),
            msgspec.structs.replace(made.pieces[1], style=(Fill(id="f", paint=WHITE),)),
        ),
    )
    return pixels(bare)[0]


def test_the_edge_of_four_opaque_coats_keeps_its_coverage():
    colours = ["#ff0000", "#00ff00", "#0000ff", "#ffffff"]
    made = board(*[Fill(id=f"f{i}", paint=paint(c)) for i, c in enumerate(colours)])
    cover, found = cover_of(made), pixels(made)
    for plane, ground in zip(found[:3], GROUND[:3], strict=True):
        np.testing.assert_allclose(plane, ground * (1 - cover) + cover, atol=1e-5)


@pytest.mark.parametrize("order", [(0, 1), (1, 0)])
def test_no_ground_shows_between_a_stroke_and_the_face(order):
    coats = [
        Stroke(id="s", span=span("-8px", "0px"), paint=RED),
        Fill(id="f", paint=RED),
    ]
    found = pixels(board(*[coats[i] for i in order]))
    alone = pixels(board(Stroke(id="s", span=span("-8px", "core"), paint=RED)))
    near = pixels(board(Stroke(id="s", span=span("-7px", "core"), paint=RED)))[0] > 0.999
    np.testing.assert_allclose(found[:, near], alone[:, near], atol=1e-5)


@pytest.mark.parametrize("order", [(0, 1), (1, 0)])
@pytest.mark.parametrize("at", ["-6px", "-6.37px", "4.5px"])
def test_no_hairline_between_two_strokes_that_meet(order, at):
    coats = [
        Stroke(id="a", span=span("-14px", at), paint=RED),
        Stroke(id="b", span=span(at, "core"), paint=RED),
    ]
    found = pixels(board(*[coats[i] for i in order]))
    inside = pixels(board(Stroke(id="s", span=span("-13px", "core"), paint=RED)))[0] > 0.999
    np.testing.assert_allclose(found[0][inside], 1, atol=2e-3)
    np.testing.assert_allclose(found[1][inside], 0, atol=2e-3)


def test_a_hollow_letter_shows_the_ground():
    found = pixels(board(Stroke(id="s", span=span("-3px", "3px"), paint=RED), text="I", size=150))
    middle = found[:3, 90, 160]
    np.testing.assert_allclose(middle, GROUND[:3], atol=1e-6)


def test_opacity_of_a_coat_is_linear():
    full, half, none = (pixels(board(Fill(id="f", paint=RED, opacity=o))) for o in (1.0, 0.5, 0.0))
    np.testing.assert_allclose(half, (full + none) / 2, atol=1e-6)


def test_a_coat_can_be_seen_on_one_side_alone():
    coat = Stroke(id="s", span=span("-6px", "6px"), paint=RED)
    both, out, inside, none = (
        pixels(board(c))
        for c in (
            coat,
            msgspec.structs.replace(coat, clip_side="outside"),
            msgspec.structs.replace(coat, clip_side="inside"),
            msgspec.structs.replace(coat, on=False),
        )
    )
    np.testing.assert_allclose(out + inside - none, both, atol=1e-5)


def test_opacity_of_a_piece_lerps_the_board():
    coats = (Shadow(id="h"), Stroke(id="s"), Fill(id="f", paint=RED))
    full, half = pixels(board(*coats)), pixels(board(*coats, opacity=0.5))
    bare = pixels(board())
    np.testing.assert_allclose(half, (full + bare) / 2, atol=1e-6)


def test_a_piece_with_a_blend_is_painted_on_nothing_first():
    made = board(
        Fill(id="f", paint=paint("#808080")), Fill(id="g", paint=RED, opacity=0.5), blend="multiply"
    )
    middle = (np.array([0.5 + 0.5 * 128 / 255] + [0.5 * 128 / 255] * 2)) * GROUND[:3]
    x = int(np.argmax(cover_of(board())[90] > 0.999)) + 3
    np.testing.assert_allclose(pixels(made)[:3, 90, x], middle, atol=1e-3)


def test_rendering_at_twice_the_scale_is_the_same_picture():
    coats = (
        Shadow(id="h"),
        Glow(id="g", span=span("0em", "-0.3em")),
        Stroke(id="s"),
        Fill(id="f", paint=Gradient()),
    )
    one, two = pixels(board(*coats)), pixels(board(*coats), 2.0)
    small = two.reshape(4, 180, 2, 320, 2).mean((2, 4))
    assert np.abs(small - one).mean() < 0.002
    assert np.percentile(np.abs(small - one), 99.5) < 0.03


def test_a_window_is_a_cut_of_the_whole():
    made = board(
        Shadow(id="h"),
        Glow(id="g", span=span("0em", "-0.3em")),
        Stroke(id="s"),
        Fill(id="f", paint=Gradient(angle=30)),
    )
    whole = pixels(made)
    part = pixels(made, window=Box(90, 40, 250, 130))
    assert np.abs(part - whole[:, 40:130, 90:250]).max() < 2e-3


def test_bands_of_rows_make_the_same_file(monkeypatch):
    made = board(Shadow(id="h"), Stroke(id="s"), Fill(id="f", paint=Gradient(angle=30)))
    whole = rgba(made, 2.0)
    monkeypatch.setattr("anole.core.render.export.TILE_PIXELS", 640 * 64)
    shares = []
    parts = rgba(made, 2.0, progress=shares.append)
    assert np.abs(parts.astype(int) - whole).max() <= 1
    assert len(shares) >= 6
    assert shares[-1] == 1


def test_stopping_ends_the_work():
    with pytest.raises(Cancelled):
        rgba(board(Fill(id="f")), stop=lambda: True)


def start_board():
    return board(
        Shadow(id="shadow"),
        Glow(id="glow", span=span("0em", "-0.2em"), softness=0.5),
        Stroke(id="low", span=span("-0.05em", "-0.1em")),
        Stroke(id="high"),
        Fill(id="fill", paint=Gradient()),
        Fill(id="shade", blend="soft-light", opacity=0.6),
    )


IDS = ("shadow", "glow", "low", "high", "fill", "shade")
edits = st.one_of(
    st.builds(
        lambda i, v: lambda b: change_coat(b, "words", i, opacity=v),
        st.sampled_from(IDS),
        st.sampled_from([0.0, 0.3, 0.8, 1.0]),
    ),
    st.builds(
        lambda i, v: lambda b: change_coat(b, "words", i, on=v), st.sampled_from(IDS), st.booleans()
    ),
    st.builds(
        lambda i, v: lambda b: change_coat(b, "words", i, paint=ColourPaint(colour=v)),
        st.sampled_from(IDS),
        st.builds(Colour, *[st.integers(0, 255)] * 3),
    ),
    st.builds(
        lambda i, a, c: (
            lambda b: change_coat(b, "words", i, span=Span(Position(a, "em"), Position(c, "em")))
        ),
        st.sampled_from(IDS[1:4]),
        st.sampled_from([0.0, -0.02, 0.03]),
        st.sampled_from([-0.04, -0.12, 0.06]),
    ),
    st.builds(
        lambda i, n: lambda b: move_coat(b, "words", i, n), st.sampled_from(IDS), st.integers(0, 5)
    ),
    st.builds(
        lambda v: lambda b: change_piece(b, "words", text=v), st.sampled_from(["HO", "A", "", "Og"])
    ),
    st.builds(lambda v: lambda b: change_piece(b, "words", opacity=v), st.sampled_from([1.0, 0.5])),
    st.builds(lambda v: lambda b: change_piece(b, "words", shown=v), st.booleans()),
)


@settings(max_examples=30, suppress_health_check=[HealthCheck.too_slow], deadline=None)
@given(st.lists(edits, min_size=1, max_size=8))
def test_a_frame_after_any_edits_is_the_frame_from_nothing(steps):
    renderer, made = Renderer(), start_board()
    renderer.frame(Request(made))
    for step in steps:
        made = step(made)
        found = renderer.frame(Request(made)).ground
        np.testing.assert_array_equal(found, pixels(made))
        assert np.isfinite(found).all()


@pytest.mark.parametrize(
    "change",
    [{"opacity": 0.4}, {"paint": RED}, {"blend": "screen"}, {"span": span("-0.02em", "0em")}],
)
def test_fields_are_not_made_again_for_a_change_that_does_not_touch_the_letters(change):
    renderer, made = Renderer(), start_board()
    renderer.frame(Request(made))
    before = dict(renderer.cache.made)
    renderer.frame(Request(change_coat(made, "words", "high", **change)))
    after = dict(renderer.cache.made)
    for kind in ("distance", "coverage", "chords", "core"):
        assert before[kind] == after[kind]
    if "span" not in change:
        assert before["cover"] == after["cover"]


def test_only_the_changed_box_is_composed_again():
    renderer, made = Renderer(), start_board()
    cache = renderer.cache
    other = change_coat(made, "words", "high", opacity=0.5)
    found = difference(plan(Request(made), cache), plan(Request(other), cache))
    assert found.first == 6
    assert found.box.height < 140


@pytest.mark.parametrize("text", ["", "   ", "\n\n", "\u200b", "\x00\x07", "\ud800x", "🛼", "ﷺ"])
def test_odd_words_render(text):
    found = pixels(board(Shadow(id="h"), Glow(id="g"), Stroke(id="s"), Fill(id="f"), text=text))
    assert np.isfinite(found).all()


@pytest.mark.parametrize("end", ["0px", "5000px", "-5000px", "core", "1e-9px"])
@pytest.mark.parametrize("kind", [Stroke, Glow])
def test_odd_spans_render(kind, end):
    made = board(Fill(id="f"), kind(id="s", span=span("0px", end)), text="i", size=60)
    assert sound(pixels(made))


def test_letters_outside_the_board_and_hard_pixels():
    made = start_board()
    away = change_piece(
        made, "words", size=Length(20.0), smoothing=False, font=Font(family="Great Vibes")
    )
    assert sound(pixels(away))
    hard = change_piece(board(Fill(id="f", paint=WHITE)), "words", smoothing=False)
    found = pixels(hard)[0]
    assert np.all((found == 1) | np.isclose(found, GROUND[0]))


def test_a_transparent_picture_leaves_grounds_out():
    found = rgba(board(Fill(id="f", paint=RED)), transparent=True)
    assert found[0, 0, 3] == 0
    assert tuple(found[found[..., 3] == 255][0]) == (255, 0, 0, 255)


def test_the_board_that_warms_the_kernels_uses_every_coat():
    kinds = {type(coat) for coat in small_board().lettering("w").style}
    assert kinds == {kind.struct for kind in KINDS.values()}
