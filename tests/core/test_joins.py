"""Strokes round corners: round, mitred and cut, outside and inside, on the letters and on the whole."""

import math

import numpy as np
import pytest
import skia

from anole.core.edit.coats import change_coat
from anole.core.field.coverage import rasterise
from anole.core.field.joins import corners
from anole.core.field.outset import Outset, StrokeOutset, outset
from anole.core.model import Fill, Glow, Length, Relief, Shadow, Stroke
from anole.core.render.renderer import Renderer, Request

from .shapes import board, closed, context, cover, disc, pixels, span, turned_square, whole

SIDE = 240
STAR = [
    (120.3 + r * math.sin(math.radians(36 * n)), 118.7 - r * math.cos(math.radians(36 * n)))
    for n, r in enumerate([70, 34] * 5)
]
ARROW = [(30.5, 40.2), (150.2, 40.9), (150.2, 90.4), (205.7, 120.1), (90.3, 200.6), (96.1, 120.5)]
NEAR = [
    [(40.2, 60.3), (110.4, 60.3), (75.1, 150.7)],
    [(76, 158), (150, 158), (150, 200), (76, 200)],
]
JOINS = {
    "round": skia.Paint.kRound_Join,
    "mitre": skia.Paint.kMiter_Join,
    "cut": skia.Paint.kBevel_Join,
}


def chords_of(shapes):
    return np.vstack([closed(np.array(points, float)) for points in shapes])


def stroked(shapes, width, join, limit=4.0, inside=False):
    """Coverage of shapes grown, or shrunk, by a stroke, drawn by a library."""
    path = skia.Path()
    for points in shapes:
        path.addPoly([skia.Point(*p) for p in points], True)
    kind = skia.Paint.kStroke_Style if inside else skia.Paint.kStrokeAndFill_Style
    pen = skia.Paint(Style=kind, StrokeWidth=2 * width, StrokeJoin=JOINS[join], StrokeMiter=limit)
    line = skia.Path()
    pen.getFillPath(path, line)
    line = skia.Simplify(line) or line
    if inside:
        line = skia.Op(path, line, skia.PathOp.kDifference_PathOp)
    pixels = np.zeros((SIDE * 4, SIDE * 4), np.uint8)
    info = skia.ImageInfo.MakeA8(SIDE * 4, SIDE * 4)
    canvas = skia.Surface.MakeRasterDirect(info, pixels).getCanvas()
    canvas.scale(4, 4)
    canvas.drawPath(line, skia.Paint(AntiAlias=True))
    return pixels.reshape(SIDE, 4, SIDE, 4).mean((1, 3)) / 255


def close(found, true, most=0.12):
    difference = np.abs(found - true)
    edge = ((true > 0) & (true < 1)).sum()
    return difference.sum() / edge < 0.015 and difference.max() < most


@pytest.mark.parametrize("join", JOINS)
@pytest.mark.parametrize("shapes", [[STAR], [ARROW], NEAR])
@pytest.mark.parametrize("width", [5.0, 14.0])
def test_an_outer_stroke_turns_corners_as_a_library_draws_them(join, shapes, width):
    coat = Stroke(id="s", span=span(f"-{width}px", "core"), join=join)
    found = whole(coat, context(chords_of(shapes), SIDE))
    assert close(found, stroked(shapes, width, join))


@pytest.mark.parametrize("join", JOINS)
@pytest.mark.parametrize("width", [4.0, 10.0])
def test_an_inner_end_turns_corners_that_point_in(join, width):
    coat = Stroke(id="s", span=span(f"{width}px", "core"), join=join)
    found = whole(coat, context(chords_of([STAR]), SIDE))
    assert close(found, stroked([STAR], width, join, inside=True))


@pytest.mark.parametrize("limit", [1.1, 2.0, 6.0])
def test_a_mitre_beyond_its_limit_is_cut(limit):
    coat = Stroke(id="s", span=span("-9px", "core"), join="mitre", limit=limit)
    found = whole(coat, context(chords_of([ARROW]), SIDE))
    assert close(found, stroked([ARROW], 9, "mitre", limit))


def test_a_tip_is_whole_where_another_letter_is_nearer_than_its_corner():
    field = context(chords_of(NEAR), SIDE).shape.joined("mitre", 4.0, -20.0).distance
    # straight under the point of the triangle, two px from the top of the box
    assert field[155, 75] > -2.8
    tip = context(chords_of(NEAR[:1]), SIDE).shape.joined("mitre", 4.0, -20.0).distance
    assert (field >= tip - 1e-4)[tip < 0].all()


def test_smooth_curves_have_no_corners_and_a_square_has_four():
    assert len(corners(disc(100, 100, 40, 300))[0]) == 0
    square, at = corners(turned_square(100, 100, 30, 17))
    assert (square[:, 6] == 1).all()
    assert sorted(at[:, 0]) == sorted(at[:, 1]) == [0, 1, 2, 3]
    assert sorted(corners(chords_of([STAR]))[0][:, 6].tolist()) == [-1] * 5 + [1] * 5


# the whole

SQUARE = turned_square(120, 120, 40, 0)


def grown_square(half):
    return rasterise(turned_square(120, 120, half, 0), context(SQUARE, SIDE).window)[0]


def test_of_strokes_that_turn_alike_the_widest_counts():
    widest = StrokeOutset(9.0, "mitre", 4.0, longest=4.0)
    found = outset(
        [
            StrokeOutset(4.0, "mitre", 4.0, longest=4.0),
            widest,
            StrokeOutset(6.0),
            StrokeOutset(-3.0),
        ]
    )
    assert found.strokes == (StrokeOutset(6.0), widest)
    assert found.by == 9
    assert found.mitre_overhang == 27
    assert not found.round
    assert Outset().round
    assert Outset().by == 0


def test_the_whole_of_a_mitred_stroke_has_its_corners():
    where = context(SQUARE, SIDE, grown=15, join="mitre")
    inner = whole(Stroke(id="s", span=span("0px", "5px"), silhouette="whole"), where)
    assert np.abs(inner - (grown_square(55) - grown_square(50))).max() < 0.3
    thrown = whole(Shadow(id="h", lift=Length(0)), where)
    assert np.abs(thrown - grown_square(55)).max() < 0.3
    out = whole(
        Glow(id="g", span=span("0px", "-10px"), falloff="linear", softness=0, silhouette="whole"),
        where,
    )
    assert out[60, 60] == pytest.approx(1 - math.hypot(4.5, 4.5) / 10, abs=0.05)
    carved = Relief(id="r", span=span("0px", "8px"), silhouette="whole")
    raised = cover(carved, where, where.window).plane
    assert np.abs(raised - grown_square(55)).max() < 0.3


@pytest.mark.parametrize("join", ["mitre", "cut"])
def test_a_stroke_on_the_whole_goes_on_round_the_corners_as_they_are_turned(join):
    where = context(chords_of([ARROW]), SIDE, grown=6, join=join)
    coat = Stroke(id="s", span=span("-5px", "0px"), silhouette="whole", join=join)
    found = whole(coat, where)
    true = stroked([ARROW], 11, join) - stroked([ARROW], 6, join)
    assert close(found, true)


def test_a_round_stroke_on_a_mitred_whole_is_round_about_its_tips():
    where = context(SQUARE, SIDE, grown=10, join="mitre")
    found = whole(Stroke(id="s", span=span("-8px", "0px"), silhouette="whole"), where)
    diagonal = found[np.arange(40, 70), np.arange(40, 70)]
    assert float(diagonal.sum()) * math.sqrt(2) == pytest.approx(8, abs=0.8)


def test_coats_on_the_letters_are_not_made_again_when_the_whole_grows():
    made = board(
        Shadow(id="h"),
        Stroke(id="s", span=span("-6px", "0px")),
        Fill(id="f"),
        Glow(id="g", span=span("0px", "8px")),
        Relief(id="r"),
    )
    renderer = Renderer()
    renderer.frame(Request(made))
    before = dict(renderer.cache.made)
    renderer.frame(Request(change_coat(made, "words", "s", span=span("-7px", "0px"))))
    after = renderer.cache.made
    # the stroke and the shadow of the whole, and nothing else
    assert after["cover"] - before["cover"] == 2
    assert after["colour"] == before["colour"]


@pytest.mark.sample(6)
@pytest.mark.parametrize("join", JOINS)
@pytest.mark.parametrize(
    "ends",
    [
        ("-5000px", "0px"),
        ("-1e-9px", "0px"),
        ("5000px", "core"),
        ("-700px", "-690px"),
        ("3px", "3px"),
    ],
)
def test_odd_widths_are_finite_in_every_join(join, ends):
    coat = Stroke(id="s", span=span(*ends), join=join, limit=50)
    for text in ("VAW MAX", "", "."):
        found = pixels(board(Fill(id="f"), coat, text=text, size=60))
        assert np.isfinite(found).all()
        assert -1e-5 <= found.min() <= found.max() <= 1 + 1e-5
