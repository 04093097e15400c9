"""Proof: sights beside the library that defines them, contrast beside the standard's formula."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest
from coloraide import Color
from hypothesis import given
from hypothesis import strategies as st

from anole.core.edit.clusters import make_cluster
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Ground,
    Length,
    Lettering,
    Pattern,
    Place,
    Position,
    Span,
    Stroke,
)
from anole.core.model.ink import Ink
from anole.core.proof.report import reports
from anole.core.proof.sight import DEFICIENCIES, GLANCE, GREY, PLAIN, contrast, luminance, seen

BYTE = st.integers(0, 255)


def px(*colour: int) -> np.ndarray:
    return np.full((2, 2, 4), [*colour, 255], np.uint8)


def srgb(*colour: int) -> Color:
    return Color("srgb", [c / 255 for c in colour])


@given(BYTE, BYTE, BYTE, st.sampled_from(list(DEFICIENCIES)))
def test_a_deficiency_is_coloraides_filter(r, g, b, kind):
    true = srgb(r, g, b).filter(kind, 1, method="machado").convert("srgb").clip()
    found = seen(px(r, g, b), kind)[0, 0, :3]
    assert found == pytest.approx([c * 255 for c in true[:3]], abs=1.6)


@given(BYTE, BYTE, BYTE)
def test_grey_has_the_same_luminance(r, g, b):
    found = seen(px(r, g, b), GREY)
    assert np.ptp(found[0, 0, :3].astype(int)) == 0
    assert luminance(found)[0, 0] == pytest.approx(srgb(r, g, b).luminance(), abs=0.005)


@given(BYTE, BYTE, BYTE, BYTE, BYTE, BYTE)
def test_contrast_is_wcags(r, g, b, r2, g2, b2):
    found = contrast(luminance(px(r, g, b)), luminance(px(r2, g2, b2)))[0, 0]
    true = srgb(r, g, b).contrast(srgb(r2, g2, b2), method="wcag21")
    assert found == pytest.approx(true, rel=2e-3)


def test_red_and_green_of_one_lightness_fall_together_for_some():
    red, green = (
        seen(px(*c), "deutan")[0, 0, :3].astype(int) for c in ((200, 90, 60), (120, 130, 60))
    )
    plain = np.abs(np.array((200, 90, 60)) - (120, 130, 60)).sum()
    assert np.abs(red - green).sum() < plain / 2


def test_at_a_glance_nothing_clear_runs_into_what_is_painted():
    pixels = np.zeros((60, 110, 4), np.uint8)
    pixels[20:40, 30:80] = (240, 200, 90, 255)
    found = seen(pixels, GLANCE)
    fringe = found[(found[..., 3] > 8) & (found[..., 3] < 247)]
    assert len(fringe) > 100
    assert np.abs(fringe[:, :3].astype(int) - (240, 200, 90)).max() <= 1


def test_a_glance_blurs_and_keeps_the_mean():
    pixels = np.zeros((90, 160, 4), np.uint8)
    pixels[..., 3] = 255
    pixels[:, ::8, :3] = 255
    found = seen(pixels, GLANCE)
    assert found[..., 0].std() < pixels[..., 0].std() / 4
    assert found[..., 0].mean() == pytest.approx(pixels[..., 0].mean(), abs=3)
    assert seen(pixels, PLAIN) is pixels


# words


def board(letter: str, ground, stroke: str = "", size: float = 260.0, text: str = "LAP") -> Board:
    coats = [Fill(id="f", paint=ColourPaint(colour=Colour.parse(letter)))]
    if stroke:
        wide = Span(from_=Position(-0.08, "em"), to=Position(0.0, "em"))
        coats.insert(0, Stroke(id="s", span=wide, paint=ColourPaint(colour=Colour.parse(stroke))))
    words = Lettering(
        id="w", text=text, size=Length(size), place=Place(x=640, y=360), style=tuple(coats)
    )
    paint = ColourPaint(colour=Colour.parse(ground)) if isinstance(ground, str) else ground
    return Board(pieces=(Ground(id="g", paint=paint), words))


@pytest.mark.parametrize(
    ("letter", "ground"), [("#ffffff", "#000000"), ("#ffcc00", "#303060"), ("#777777", "#888888")]
)
def test_flat_letters_on_a_flat_ground_have_the_formulas_contrast(letter, ground):
    (found,) = reports(board(letter, ground))
    true = Color(letter).contrast(ground, method="wcag21")
    assert found.contrast == pytest.approx(true, rel=0.08)
    assert found.weakest == pytest.approx(true, rel=0.15)


def test_an_outline_lifts_letters_off_a_ground_of_their_own_colour():
    (bare,) = reports(board("#c0c0c0", "#b0b0b0"))
    (ringed,) = reports(board("#c0c0c0", "#b0b0b0", stroke="#101010"))
    assert bare.contrast < 1.4 and "stroke" in bare.advice[0]
    assert ringed.contrast > 7 and ringed.good


def test_a_busy_ground_alone_is_no_contrast():
    checks = Pattern(
        generator="checks",
        size=Length(20.0, "px"),
        inks=(Ink(Colour(20, 20, 20)), Ink(Colour(235, 235, 235))),
    )
    (found,) = reports(board("#7f7f7f", checks))
    assert found.contrast < 3


@pytest.mark.parametrize(("size", "good"), [(260, True), (40, False)])
def test_small_words_are_told_with_how_much_larger_they_should_be(size, good):
    (found,) = reports(board("#ffffff", "#000000", size=size))
    assert found.good == good
    if not good:
        assert "times as large" in found.advice[0]
    # a capital of this font is about 0.86 em high
    assert found.height == pytest.approx(size * 0.86 * 168 / 1280, rel=0.06)


def test_words_in_a_cluster_are_looked_at_where_they_stand():
    made = board("#ffffff", "#202020")
    other = msgspec.structs.replace(
        made.lettering("w"), id="x", text="B", place=Place(x=200, y=120), size=Length(90.0)
    )
    made = msgspec.structs.replace(made, pieces=(*made.pieces, other))
    apart = {r.name: r.contrast for r in reports(made)}
    together = {r.name: r.contrast for r in reports(make_cluster(made, ["w", "x"])[0])}
    assert together == pytest.approx(apart, rel=0.03)
    assert list(together) == ["LAP", "B"]


def test_no_words_no_report():
    assert reports(Board(pieces=(Ground(id="g"),))) == []
    assert reports(board("#fff", "#000", text="   ")) == []
