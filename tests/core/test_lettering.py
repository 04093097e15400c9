"""Shaping, outlines and where words stand."""

import time

import msgspec
import numpy as np
import pytest
import uharfbuzz as hb

from anole.core.box import Box
from anole.core.cache import Cache
from anole.core.edit.pieces import change_piece
from anole.core.field.coverage import rasterise
from anole.core.field.shape_fields import greatest_inside, ink_box
from anole.core.lettering.block import TypeSetting, block
from anole.core.lettering.flatten import flatten
from anole.core.lettering.font_reading import read_font
from anole.core.lettering.fonts import (
    FontError,
    built_in,
    built_in_folder,
    catalogue,
    families,
    find,
)
from anole.core.lettering.matrix import apply, placing
from anole.core.lettering.outline import chords, outline
from anole.core.lettering.shaping import drawable, shape_line
from anole.core.model import Fill, Font, Length, Lettering, Place
from anole.core.pieces.registry import coated_kind, placement

from .shapes import board


def setting(text, family="Anton", **more):
    base = {"tracking": 0.0, "leading": 1.0, "align": "start"} | more
    return TypeSetting(text, Font(family=family), **base)


def area(curves, scale=200):
    chords = flatten(curves * scale)
    box = ink_box(chords).grown(2)
    cover, _ = rasterise(chords, box)
    return float(cover.sum()) / scale**2


def test_all_fonts_are_there_and_named():
    assert len(catalogue()) == 24
    assert len(families()) == 23
    assert all(0.3 < font.cap_height < 1.2 for font in catalogue())


@pytest.mark.parametrize("family", ["Anton", "Pacifico", "Great Vibes", "Cairo"])
@pytest.mark.parametrize("text", ["AVATAR To", "office"])
def test_positions_are_those_of_harfbuzz(family, text):
    file, found = find(Font(family=family))
    assert found
    face = hb.Face(hb.Blob.from_file_path(str(file.path)))
    buffer = hb.Buffer()
    buffer.add_str(text)
    buffer.guess_segment_properties()
    hb.shape(hb.Font(face), buffer)
    line = shape_line(file, text, 0.0)
    assert [g.glyph for g in line.glyphs] == [i.codepoint for i in buffer.glyph_infos]
    total = sum(p.x_advance for p in buffer.glyph_positions) / face.upem
    assert line.width == pytest.approx(total)


def test_tracking_is_added_between_letters():
    file, _ = find(Font(family="Anton"))
    plain, wide = shape_line(file, "ABC", 0.0), shape_line(file, "ABC", 0.1)
    assert wide.width == pytest.approx(plain.width + 0.2)
    assert wide.glyphs[2].x == pytest.approx(plain.glyphs[2].x + 0.2)


def test_overlapping_contours_are_united():
    # two equal letters on one spot cover what one covers
    one, both = block(setting("O")), block(setting("OO", tracking=-5.0))
    shape = shape_line(find(Font(family="Anton"))[0], "OO", 0.0)
    exact = block(setting("OO", tracking=-(shape.glyphs[1].x)))
    assert area(exact.curves) == pytest.approx(area(one.curves), rel=1e-3)
    assert area(both.curves) == pytest.approx(2 * area(one.curves), rel=1e-3)


@pytest.mark.parametrize("family", ["Unbounded", "Fredoka", "Cinzel"])
def test_fonts_whose_contours_overlap_have_no_edge_inside(family):
    curves = block(setting("A", family)).curves
    chords = flatten(curves * 200)
    box = ink_box(chords).grown(2)
    cover, inside = rasterise(chords, box)
    assert np.abs((cover > 0.5).sum() - inside.sum()) < 0.01 * inside.sum()
    assert cover.max() <= 1


def test_lines_are_aligned_and_led():
    left, right = (block(setting("I\nIIII", align=a, leading=1.5)) for a in ("start", "end"))
    assert left.box[3] == pytest.approx(1.5)
    shift = right.curves[..., 0].min() - left.curves[..., 0].min()
    upper = left.curves[..., 1] < 0.2
    upper_right = right.curves[..., 1] < 0.2
    moved = right.curves[..., 0][upper_right].min() - left.curves[..., 0][upper].min()
    assert shift == pytest.approx(0, abs=1e-6)
    assert moved > 0.5


@pytest.mark.parametrize("anchor", ["top-left", "centre", "bottom-right"])
def test_an_anchor_stays_where_it_is_put(anchor):
    box = (0.0, -0.8, 3.0, 1.0)
    spot = {"top-left": (0, -0.8), "centre": (1.5, 0.1), "bottom-right": (3, 1)}[anchor]
    for place in (
        Place(x=70, y=40, anchor=anchor),
        Place(x=70, y=40, anchor=anchor, rotation=33, skew=12, scale_x=2),
    ):
        found = apply(placing(place, box, 90), np.array(spot))
        np.testing.assert_allclose(found, (70, 40), atol=1e-9)


def test_turning_is_clockwise():
    matrix = placing(Place(anchor="top-left", rotation=90), (0.0, 0.0, 1.0, 1.0), 10)
    np.testing.assert_allclose(apply(matrix, np.array([1.0, 0.0])), (0, 10), atol=1e-9)


def test_corners_of_words_on_the_board():
    made = board(text="HO")
    corners = placement(made.lettering("words"), made).quad
    np.testing.assert_allclose(corners.mean(0), (160, 90), atol=1e-6)


def test_a_missing_font_is_replaced_and_the_words_kept():
    file, found = find(Font(family="Nowhere Grotesk"))
    assert not found
    assert file.family == "Anton"
    assert len(block(setting("AB", "Nowhere Grotesk")).curves)


@pytest.mark.parametrize("content", [b"", b"not a font", b"\x00\x01\x00\x00" + b"\xff" * 200])
def test_a_broken_font_is_refused_by_name(tmp_path, content):
    path = tmp_path / "broken.ttf"
    path.write_bytes(content)
    with pytest.raises(FontError, match=r"broken\.ttf"):
        read_font(path)


def test_what_is_kept_of_the_built_in_fonts_is_what_they_say():
    paths = sorted(built_in_folder().glob("*.ttf"))
    assert sorted(file.path for file in built_in()) == paths
    for file in built_in():
        found = read_font(file.path)
        for name in found._fields:
            assert getattr(file, name) == pytest.approx(getattr(found, name)), (file.path, name)


def test_a_truncated_font_is_refused(tmp_path):
    path = tmp_path / "cut.ttf"
    path.write_bytes(catalogue()[0].path.read_bytes()[:400])
    with pytest.raises(FontError):
        read_font(path)


def test_what_cannot_be_drawn_is_taken_out():
    assert drawable("a\x00b\ud800\tc\n") == "ab� c\n"


def test_ten_thousand_letters_come_to_an_end():
    start = time.monotonic()
    found = block(setting("Brinnelmarsh wheels " * 500))
    assert len(found.curves) > 100_000
    assert time.monotonic() - start < 60


def test_chords_stay_within_their_tolerance():
    circle = 0.5522847498
    curve = np.array([[[100, 0], [100, 100 * circle], [100 * circle, 100], [0, 100]]], float)
    chords = flatten(curve, 0.05)
    middle = (chords[:, :2] + chords[:, 2:]) / 2
    assert np.abs(np.hypot(*middle.T) - 100).max() < 0.05 + 0.03
    assert np.hypot(*(chords[1:, :2] - chords[:-1, 2:]).T).max() == 0


def test_fields_of_letters_follow_the_em():
    words = Lettering(id="a", text="A", size=Length(36, "pt"))
    assert words.size.px(1.0, 144) == 72
    assert Box(0, 0, 2, 2).meet(Box(2, 0, 3, 1)).empty


@pytest.mark.parametrize("family", ["Anton", "Great Vibes"])
def test_the_core_grows_with_the_em_and_is_measured_once(family):
    cache, made = Cache(), board(Fill(id="f"), text="Gold", font=Font(family=family))
    cores = {}
    for size in (20.0, 120.0, 333.3):
        words = change_piece(made, "words", size=Length(size)).lettering("words")
        cores[size] = coated_kind(words).core(words, 96, cache) / size
        lines = chords(outline(coated_kind(words).at_home(words), 96), 1.0)
        assert cores[size] * size == pytest.approx(greatest_inside(lines), rel=0.02)
    assert cache.made["core"] == 1
    assert max(cores.values()) == pytest.approx(min(cores.values()))
    wide = msgspec.structs.replace(
        made.lettering("words"), place=Place(scale_x=2.0, x=50, rotation=20)
    )
    assert coated_kind(wide).core(wide, 96, cache) > coated_kind(words).core(
        made.lettering("words"), 96, cache
    )


@pytest.mark.parametrize("text", ["क्\u200dष", "र्\u200dय", "क्\u200cष", "\u200dक"])
def test_joiners_do_not_part_letters_of_a_stand_in(text):
    """A conjunct has the width that its own font gives it, whatever font was asked for."""
    stand_in, asked = (find(Font(family=name))[0] for name in ("Noto Sans Devanagari", "Anton"))
    own, other = shape_line(stand_in, text, 0.0), shape_line(asked, text, 0.0)
    assert other.width == pytest.approx(own.width)
    assert [g.glyph for g in other.glyphs] == [g.glyph for g in own.glyphs]
