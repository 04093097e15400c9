"""Walls and copies belong to the letters: shadows, lines and glows follow all of it, in a pose too."""

from __future__ import annotations

import math

import msgspec
import numpy as np
import pytest
from scipy.ndimage import distance_transform_edt
from scipy.spatial import ConvexHull

from anole.core.box import Box
from anole.core.coats.kinds.shadow import offset
from anole.core.field.coverage import rasterise
from anole.core.lettering.outline import chords, outline
from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Copies,
    Fill,
    Ground,
    Lamp,
    Length,
    Lettering,
    Place,
    Pose,
    Position,
    Shadow,
    Span,
    Stroke,
    Thickness,
)
from anole.core.pieces.cluster_shape import silhouette
from anole.core.pieces.registry import coated_kind
from anole.core.render.export import rgba

from .shapes import closed

LAMP = Lamp(bearing=315, elevation=45, size=0)
SIZE = (360, 240)
BOX = Box(0, 0, *SIZE)
RED, BLUE, BLACK, CLEAR = (
    ColourPaint(colour=Colour(*c)) for c in ((220, 40, 30), (60, 90, 200), (0, 0, 0), (0, 0, 0, 0))
)
FILL = Fill(id="f", paint=RED)


def words(*style: Coat, text: str = "R8E", **fields: object) -> Lettering:
    place = Place(x=140, y=100)
    return Lettering(id="w", text=text, size=Length(110), place=place, style=style, **fields)


def picture(piece: Lettering, scale: float = 1.0) -> np.ndarray:
    """(H, W, 3) levels on white."""
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(255, 255, 255)))
    board = Board(width=SIZE[0], height=SIZE[1], lamp=LAMP, pieces=(ground, piece))
    return rgba(board, scale)[..., :3].astype(int)


def swept(piece: Lettering, dx: float, dy: float, grown: float = 0.0) -> np.ndarray:
    """(H, W) coverage of the letters and all of their places on the way to (dx, dy)."""
    flat = chords(outline(piece, 96.0), 1.0)
    wide = Box(0, 0, 4 * SIZE[0], 4 * SIZE[1])
    whole = np.zeros((wide.height, wide.width), np.float32)
    for s in np.linspace(0, 1, 200):
        by = (s * dx, s * dy) * 2
        np.maximum(whole, rasterise((flat + by) * 4, wide)[0], out=whole)
    if grown:
        # by another library
        whole = distance_transform_edt(whole < 0.5) <= 4 * grown
    return whole.reshape(SIZE[1], 4, SIZE[0], 4).mean((1, 3)).astype(np.float32)


def thick(dx: float, dy: float, paint: ColourPaint = BLUE, **fields: object) -> Thickness:
    named = {"wall_light": 0.0, **fields}
    return Thickness(id="t", throw_x=Length(dx), throw_y=Length(dy), paint=paint, **named)


def ring(width: float, paint: ColourPaint = BLACK, **fields: object) -> Stroke:
    span = Span(Position(-width, "px"), Position(0.0, "px"))
    return Stroke(id="r", span=span, silhouette="whole", paint=paint, **fields)


@pytest.mark.parametrize("throw", [(40.0, 30.0), (-25.0, 35.0), (0.0, -30.0)])
def test_the_shadow_of_thick_letters_is_the_shadow_of_all_of_them(throw):
    shadow = Shadow(id="s", lift=Length(16.0), paint=BLACK, opacity=1.0)
    piece = words(shadow, thick(*throw, paint=CLEAR))
    found = 1 - picture(piece)[..., 0] / 255
    dx, dy = offset(16.0, LAMP)
    flat = words()
    at = Place(x=140 + dx, y=100 + dy)
    wanted = swept(msgspec.structs.replace(flat, place=at), *throw)
    off = np.abs(found - wanted)
    assert off.mean() < 0.002
    assert np.percentile(off, 99.9) < 0.1


@pytest.mark.parametrize("throw", [(40.0, 30.0), (-30.0, 45.0)])
@pytest.mark.parametrize("width", [3.0, 9.0])
def test_a_stroke_round_the_whole_follows_its_outline(throw, width):
    """Everywhere within its width, without a notch where walls begin."""
    found = picture(words(ring(width), thick(*throw, paint=BLACK), Fill(id="f", paint=BLACK)))
    wanted = swept(words(), *throw, grown=width)
    off = np.abs(1 - found[..., 0] / 255 - wanted)
    assert off.mean() < 0.004
    # the reference counts places, four a side
    assert np.percentile(off, 99.9) < 0.35


@pytest.mark.parametrize("above", [True, False])
@pytest.mark.parametrize("smaller", [0.0, 0.5])
def test_no_ground_shows_between_walls_and_the_line_round_them(above, smaller):
    coats = (thick(33.0, 21.0, paint=BLACK, taper=smaller), ring(5.0))
    face = Fill(id="f", paint=BLACK)
    found = picture(words(*(coats if above else coats[::-1]), face))[..., 0]
    reach = distance_transform_edt(found < 250)
    # nothing light is left anywhere within: whatever is farther than 2 px from the ground is black
    assert found[reach > 2.5].max() <= (24 if smaller else 8)


def test_walls_hang_on_the_strokes_or_on_the_letters_alone():
    span = Span(Position(-8.0, "px"), Position(0.0, "px"))
    line = Stroke(id="s", span=span, paint=RED)
    for edge, longer in (("whole", 8), ("letters", 0)):
        found = picture(words(thick(40.0, 0.0, silhouette=edge), line, FILL, text="I"))
        row = found[100]
        blue = np.flatnonzero(row[:, 2] > row[:, 0] + 60)
        red = np.flatnonzero(row[:, 0] > row[:, 2] + 60)
        assert abs(blue.max() - red.max() - 40 - longer + 8) <= 1


def test_copies_belong_to_the_whole_however_many():
    for count in (5.0, 190.0):
        copies = Copies(id="c", to_x=Length(50.0), to_y=Length(35.0), count=count, paint=BLACK)
        found = picture(words(copies, ring(4.0), Fill(id="f", paint=BLACK)))
        reach = distance_transform_edt(found[..., 0] < 250)
        assert found[..., 0][reach > 2.5].max() <= 8
        ys, xs = np.nonzero(found[..., 0] < 128)
        flat = picture(words(Fill(id="f", paint=BLACK)))
        y0, x0 = (v.max() for v in np.nonzero(flat[..., 0] < 128))
        assert abs(xs.max() - x0 - 54) <= 1
        assert abs(ys.max() - y0 - 39) <= 1


# in space


def turned(pose: Pose) -> np.ndarray:
    """3 x 3, by hand: swing about y, then nod about x, then roll about z; y down, z to the eye."""
    a, b, c = (math.radians(v) for v in (pose.turn_x, pose.turn_y, pose.turn_z))
    y = np.array([[math.cos(b), 0, math.sin(b)], [0, 1, 0], [-math.sin(b), 0, math.cos(b)]])
    x = np.array([[1, 0, 0], [0, math.cos(a), -math.sin(a)], [0, math.sin(a), math.cos(a)]])
    z = np.array([[math.cos(c), -math.sin(c), 0], [math.sin(c), math.cos(c), 0], [0, 0, 1]])
    return z @ x @ y


POSES = [
    Pose(turn_x=30, turn_y=-25, distance=6),
    Pose(turn_x=-50, turn_y=10, turn_z=15, distance=3),
    Pose(turn_y=84.5, distance=4),
    Pose(turn_x=0, turn_y=0, distance=2),
]


@pytest.mark.parametrize("pose", POSES)
def test_a_posed_block_is_the_hull_of_its_eight_corners(pose):
    """An upright bar, and its corners turned and seen by the formula of a pinhole."""
    deep = 60.0
    coat = Thickness(id="t", way="pose", straight=Length(deep), paint=BLACK, wall_light=0)
    piece = words(coat, Fill(id="f", paint=BLACK), text="l", pose=pose)
    flat = chords(outline(words(text="l"), 96.0), 1.0)
    (x0, y0), (x1, y1) = flat[:, :2].min(0), flat[:, :2].max(0)
    line = outline(piece, 96.0)
    bx0, by0, bx1, by1 = line.block.box
    middle = np.array(
        [line.matrix[:, :2] @ [(bx0 + bx1) / 2, (by0 + by1) / 2] + line.matrix[:, 2]]
    )[0]
    corners = [(x, y, z) for x in (x0, x1) for y in (y0, y1) for z in (0.0, -deep)]
    space = (np.array(corners) - (*middle, 0)) @ turned(pose).T
    seen = space[:, :2] / (1 - space[:, 2:] / (pose.distance * 110.0)) + middle
    hull = seen[ConvexHull(seen).vertices]
    wanted = rasterise(closed(hull), BOX)[0]
    found = 1 - picture(piece)[..., 0] / 255
    off = np.abs(found - np.abs(wanted))
    assert off.max() < 0.05
    assert wanted.sum() > 100


def test_a_block_turned_about_x_shows_a_floor_that_light_from_below_finds():
    pose, tones = Pose(turn_x=35, distance=8), []
    for bearing in (180, 0):
        lamp = Lamp(bearing=bearing, elevation=20)
        coat = Thickness(id="t", way="pose", straight=Length(50.0), paint=BLUE, lamp=lamp)
        found = picture(words(coat, FILL, text="I", pose=pose))
        wall = (found[..., 2] > found[..., 0] + 20) & (found[..., 2] > found[..., 1] + 10)
        tones.append(found[wall].mean())
        assert wall.sum() > 200
    assert tones[0] > tones[1] + 40


def test_without_a_pose_nothing_is_seen_of_straight_walls():
    coat = Thickness(id="t", way="pose", straight=Length(50.0), paint=BLUE)
    np.testing.assert_array_equal(picture(words(coat, FILL)), picture(words(FILL)))


def test_any_scale_is_the_same_block():
    coat = Thickness(id="t", way="pose", straight=Length(40.0), paint=BLUE)
    shadow = Shadow(id="s", lift=Length(10.0), paint=BLACK)
    piece = words(shadow, coat, ring(4.0), FILL, pose=POSES[0])
    fine = picture(piece, 4.0).reshape(SIZE[1], 4, SIZE[0], 4, 3).mean((1, 3))
    off = np.abs(picture(piece) - fine)
    assert off.mean() < 0.5
    assert np.percentile(off, 99.9) < 30


@pytest.mark.parametrize("taper", [0.0, 0.4])
def test_a_cluster_s_silhouette_has_the_walls_and_copies_of_its_pieces(taper):
    kind = coated_kind(words())
    coat = thick(40.0, 30.0, taper=taper)
    found = rasterise(silhouette([(words(coat, FILL), kind)], 96.0, 1.0), BOX)[0]
    off = np.abs(found - swept(words(), 40.0, 30.0))
    assert off.mean() < 0.002 + 0.02 * taper
    copies = Copies(id="c", to_x=Length(60.0), to_y=Length(0.0), count=200.0)
    found = rasterise(silhouette([(words(copies, FILL, text="I"), kind)], 96.0, 1.0), BOX)[0]
    off = np.abs(found - swept(words(text="I"), 60.0, 0.0))
    assert off.mean() < 0.01
