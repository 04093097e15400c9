"""Shapes traced from a raster are those that were drawn: outlines, fields, and what coats make of
them."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.cache import Cache
from anole.core.coats.context import CoatContext
from anole.core.coats.kinds.fill import plain
from anole.core.coats.shape import Shape
from anole.core.field.coverage import rasterise
from anole.core.field.outset import Outset
from anole.core.field.raster import Raster, traced
from anole.core.field.shape_fields import ShapeFields, bounds, greatest_inside, ink_box
from anole.core.field.simplified import rounded_out, simplified
from anole.core.model import (
    Board,
    Coated,
    Colour,
    Gleam,
    Glow,
    Lamp,
    Length,
    Relief,
    Shadow,
    Stop,
    Stroke,
)
from anole.core.paint.frames import Frames
from anole.core.pieces.coated_kind import CoatedKind
from anole.core.pieces.placing.placement import Placement, placement_of
from anole.core.pieces.placing.view import View
from anole.core.pieces.registry import lent
from anole.core.pieces.shapes.raster_shape import raster_shape
from anole.core.render.export import rgba

from .shapes import centres, disc, paint, ring, source, span, turned_square, whole

BOX = Box(0, 0, 160, 160)


def alpha(chords: np.ndarray) -> np.ndarray:
    return rasterise(chords, BOX)[0]


def distance(chords: np.ndarray, x: np.ndarray, y: np.ndarray) -> np.ndarray:
    """How far points (n,) lie from the nearest of all chords, each looked at."""
    best = np.full(x.shape, np.inf)
    for x0, y0, x1, y1 in chords:
        dx, dy = x1 - x0, y1 - y0
        t = np.clip(((x - x0) * dx + (y - y0) * dy) / max(dx * dx + dy * dy, 1e-12), 0, 1)
        best = np.minimum(best, np.hypot(x - x0 - t * dx, y - y0 - t * dy))
    return best


@pytest.mark.parametrize("radius", [6.0, 20.0, 48.3])
@pytest.mark.parametrize("middle", [(80.0, 80.0), (79.63, 80.21)])
def test_a_disc_and_its_raster_are_equally_far_from_everything(radius, middle):
    chords = traced(alpha(disc(*middle, radius)), BOX)
    x, y = (part[::7, ::7].ravel() for part in centres(BOX))
    true = np.abs(radius - np.hypot(x - middle[0], y - middle[1]))
    assert np.abs(distance(chords, x, y) - true).max() < 0.05
    ends = np.hypot(chords[:, 0] - middle[0], chords[:, 1] - middle[1])
    assert np.abs(ends - radius).max() < 0.02


@settings(max_examples=25, deadline=None)
@given(st.floats(0, 90), st.floats(-0.5, 0.5), st.floats(-0.5, 0.5))
def test_a_turned_square_is_traced_at_every_angle_and_place(turn, dx, dy):
    chords = turned_square(80 + dx, 80 + dy, 40, turn)
    found = traced(alpha(chords), BOX)
    # corners are rounded by what a px can hold; along the sides nothing is lost
    a = np.radians(turn)
    x, y = found[:, 0] - 80 - dx, found[:, 1] - 80 - dy
    u, v = np.abs(x * np.cos(a) + y * np.sin(a)), np.abs(y * np.cos(a) - x * np.sin(a))
    sides = np.minimum(u, v) < 37
    assert np.abs(np.maximum(u, v) - 40)[sides].max() < 0.05


def test_holes_are_wound_the_other_way_and_outlines_close():
    chords = traced(alpha(ring(80, 80, 50, 20)), BOX)
    area = (chords[:, 0] * chords[:, 3] - chords[:, 2] * chords[:, 1]).sum() / 2
    assert area == pytest.approx(np.pi * (50**2 - 20**2), rel=1e-3)
    ends = lambda part: sorted(map(tuple, np.round(part, 6).tolist()))  # noqa: E731
    assert ends(chords[:, :2]) == ends(chords[:, 2:])


def test_a_picture_that_fills_its_frame_has_its_frame_for_an_outline():
    chords = traced(np.ones((20, 30), np.float32), Box(5, 7, 35, 27))
    x0, y0, x1, y1 = bounds(chords)
    assert (x0, y0, x1, y1) == pytest.approx((5, 7, 35, 27), abs=0.15)
    for empty in (np.zeros((9, 9), np.float32), np.zeros((1, 1), np.float32)):
        assert len(traced(empty, Box(0, 0, *empty.shape))) == 0


def surroundings(chords: np.ndarray, raster: Raster | None) -> CoatContext:
    frame = (20.0, 20.0, 140.0, 140.0)
    cache = Cache()
    shape = ShapeFields(
        ("shape", raster is None),
        chords,
        ink_box(chords),
        BOX,
        greatest_inside(chords),
        cache,
        raster=raster,
    )
    lamp = Lamp(bearing=320, elevation=42)
    return CoatContext(shape, 100, 96, 1.0, lamp, Frames(frame, frame), BOX, Outset(), cache)


RAMP = (
    Stop(0, Colour(20, 10, 40)),
    Stop(0.5, Colour(180, 120, 60)),
    Stop(1, Colour(255, 250, 230)),
)
COATS = (
    Stroke(id="c", span=span("-8px", "0px")),
    Stroke(id="c", span=span("-4px", "6px")),
    Glow(id="c", span=span("0px", "-20px")),
    Glow(id="c", span=span("0px", "14px"), softness=0),
    Shadow(id="c", lift=Length(10), silhouette="letters"),
    Relief(id="c", span=span("0px", "12px"), height=Length(8), ramp=RAMP, gleam=Gleam()),
    Relief(id="c", span=span("0px", "core"), height=Length(20), ramp=RAMP, rounding=0.5),
)


@pytest.mark.parametrize("coat", COATS, ids=lambda c: type(c).__name__)
def test_coats_on_a_traced_disc_are_those_on_a_drawn_one(coat):
    chords = disc(80, 80, 50, 240)
    drawn = surroundings(chords, None)
    raster = Raster(alpha(chords), BOX)
    found = surroundings(traced(raster.plane, BOX), raster)
    np.testing.assert_array_equal(found.shape.coverage, drawn.shape.coverage)
    assert np.abs(whole(coat, found) - whole(coat, drawn)).max() * 255 < 2
    if isinstance(coat, Relief):
        inside = drawn.shape.distance > 0.5
        # near the middle a hundredth of a px turns every normal
        inside &= drawn.shape.distance < 45
        off = np.abs(source(coat, found) - source(coat, drawn))[:3, inside] * 255
        assert np.percentile(off, 99.5) < 2 and off.max() < 4


def test_a_rasters_own_coverage_is_what_is_drawn():
    plane = alpha(disc(80, 80, 50)) * np.float32(0.6)
    shape = surroundings(traced(plane, BOX), Raster(plane, BOX)).shape
    np.testing.assert_array_equal(shape.coverage, plane)
    assert Raster(plane, BOX).over(Box(-10, -10, 5, 5)).max() == 0


@given(st.integers(3, 40), st.floats(3, 40))
@settings(max_examples=30, deadline=None)
def test_fewer_chords_keep_to_the_points_of_many(corners, radius):
    many = disc(80, 80, radius, corners * 12)
    few = simplified(many, 0.02)
    assert len(few) <= len(many)
    x, y = many[:, 0], many[:, 1]
    assert distance(few, x, y).max() < 0.0201
    ends = lambda part: sorted(map(tuple, part.tolist()))  # noqa: E731
    assert ends(few[:, :2]) == ends(few[:, 2:])


def test_rounded_out_chords_hold_the_area_of_their_curve():
    few = rounded_out(disc(80, 80, 40, 60))
    area = (few[:, 0] * few[:, 3] - few[:, 2] * few[:, 1]).sum() / 2
    assert area == pytest.approx(np.pi * 40**2, rel=2e-5)
    square = turned_square(80, 80, 40, 20)
    np.testing.assert_allclose(rounded_out(square), square)
    assert len(rounded_out(np.zeros((0, 4)))) == len(simplified(np.zeros((0, 4)), 1)) == 0


class Stain(Coated, frozen=True, cache_hash=True, kw_only=True, tag="stain"):
    """A disc, known as a picture alone."""


class StainKind(CoatedKind[Stain]):
    struct = Stain
    title = "stain"

    def placement(self, piece: Stain, dpi: float) -> Placement:
        return placement_of(piece, (-0.5, -0.5, 0.5, 0.5), 100.0)

    def chords(self, piece: Stain, dpi: float, scale: float) -> np.ndarray:
        return self.traced(scale, Cache(10**6)).chords

    def traced(self, scale: float, cache: Cache) -> Shape:
        return raster_shape(("stain", scale), Raster(alpha(disc(80, 80, 50)), BOX), 100.0, cache)

    def shape(self, piece: Stain, view: View) -> Shape:
        return self.traced(view.scale, view.cache)


def test_a_piece_that_is_a_picture_wears_coats():
    stroke = Stroke(id="s", span=span("-10px", "0px"), paint=paint("#ff0000"))
    stain = Stain(id="p", style=(stroke, plain(Colour(0, 0, 255), "f")))
    with lent(StainKind()):
        found = rgba(Board(width=160, height=160, pieces=(stain,)), transparent=True)
    assert tuple(found[80, 80]) == (0, 0, 255, 255)
    assert tuple(found[80, 24]) == (255, 0, 0, 255)
    assert found[80, 15, 3] == 0
