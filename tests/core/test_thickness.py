"""Solid letters: walls where geometry says, flat where they are flat, at any angle and scale."""

from __future__ import annotations

import math

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.field.closest import nearest
from anole.core.field.coverage import rasterise
from anole.core.field.extrusion import Extrusion
from anole.core.field.normals import joints, normals
from anole.core.field.side_walls import side_walls
from anole.core.field.walls import Walls, tapered_walls
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Exposure,
    Fill,
    Gradient,
    Ground,
    Lamp,
    Length,
    Lettering,
    OwnPaint,
    Place,
    Stop,
    Thickness,
    WallRim,
)
from anole.core.render.export import rgba

from .shapes import closed

BOX = Box(0, 0, 200, 160)
BLUE = ColourPaint(colour=Colour(60, 90, 200))
RED = Fill(id="f", paint=ColourPaint(colour=Colour(220, 40, 30)))


def disc(x: float, y: float, radius: float) -> np.ndarray:
    """Chords of a disc, off by less than a hundredth of a px."""
    turn = np.linspace(0, 2 * math.pi, 200, endpoint=False)
    return closed(np.column_stack([x + radius * np.cos(turn), y + radius * np.sin(turn)]))


def covered(chords: np.ndarray) -> np.ndarray:
    return rasterise(chords, BOX)[0]


def walls_of(chords: np.ndarray, way: Extrusion) -> Walls:
    face, inside = rasterise(chords, BOX)
    cover = ((covered(way.swept(chords)) - face) > 0.5).astype(np.float32)
    return side_walls(chords, joints(chords), inside, cover, way, BOX)


def capsule(x: float, y: float, radius: float, dx: float, dy: float) -> np.ndarray:
    """Exact coverage of a disc swept along a line."""
    way = math.atan2(dy, dx)
    left = way + np.linspace(math.pi / 2, 3 * math.pi / 2, 300)
    right = way + np.linspace(-math.pi / 2, math.pi / 2, 300)
    back = np.column_stack([x + radius * np.cos(left), y + radius * np.sin(left)])
    front = np.column_stack([x + dx + radius * np.cos(right), y + dy + radius * np.sin(right)])
    return covered(closed(np.concatenate([front, back])))


@settings(max_examples=25, deadline=None)
@given(st.floats(-50, 50), st.floats(-40, 40), st.floats(6, 22))
def test_a_thrown_disc_is_a_capsule(dx, dy, radius):
    found = covered(Extrusion.along(dx, dy).swept(disc(100, 80, radius)))
    np.testing.assert_allclose(found, capsule(100, 80, radius, dx, dy), atol=0.02)


def inside_at(xs: np.ndarray, ys: np.ndarray, way: Extrusion, parts: int = 200) -> np.ndarray:
    """Whether px lie in any of the cuts through a disc of 18 px at (100, 80) drawn out."""
    (ax, ay, a), (px, py, p) = way.axis, way.plane
    inside = np.zeros(xs.shape, bool)
    for z in np.linspace(0, 1, parts):
        # the way back, from the definition: q + z (plane . q) axis is the px, so solve for q
        matrix = np.eye(3) + z * np.outer([ax, ay, a], [px, py, p])
        q = np.linalg.inv(matrix) @ np.stack([xs, ys, np.ones_like(xs)]).reshape(3, -1)
        inside |= (np.hypot(q[0] / q[2] - 100, q[1] / q[2] - 80) <= 18).reshape(xs.shape)
    return inside


WAYS = st.one_of(
    st.builds(Extrusion.toward, st.floats(20, 180), st.floats(20, 140), st.floats(0.1, 0.95)),
    st.builds(
        lambda x, y, a, u, v: Extrusion((x, y, a), (u, v, 1 - 100 * u - 80 * v)),
        st.floats(-60, 60), st.floats(-40, 40), st.floats(0, 0.8),
        st.floats(-0.002, 0.002), st.floats(-0.002, 0.002),
    ),
)  # fmt: skip


@settings(max_examples=10, deadline=None)
@given(WAYS)
def test_toward_a_point_and_in_space_it_is_all_that_the_cuts_cover(way):
    found = covered(way.swept(disc(100, 80, 18)))
    ys, xs = np.mgrid[: BOX.height, : BOX.width] + 0.5
    inside = inside_at(xs, ys, way)
    sure = np.abs(found - 0.5) > 0.45
    assert (found[sure] > 0.5)[inside[sure]].mean() > 0.995
    assert (found[sure] > 0.5)[~inside[sure]].mean() < 0.005


@settings(max_examples=20, deadline=None)
@given(WAYS)
def test_every_wall_hangs_on_the_edge_of_the_face_right_before_it(way):
    found = walls_of(disc(100, 80, 18), way)
    shown = found.cover > 0
    shown &= np.hypot(*found.outward) > 0.99
    feet = found.foot(way, BOX)[:, shown].T.astype(float)
    off = np.abs(np.hypot(feet[:, 0] - 100, feet[:, 1] - 80) - 18)
    # where walls meet, a px may be looked at as far from its middle as its corner is
    near = 1 - found.far[shown] * way.axis[2]
    assert (off * near).max(initial=0) < 0.8
    ys, xs = (np.mgrid[: BOX.height, : BOX.width] + 0.5)[:, shown]
    back = way.back(feet)
    length = np.maximum(np.hypot(*(back - feet).T), 1e-6)
    depth = np.hypot(xs - feet[:, 0], ys - feet[:, 1]) / length
    near = np.abs(found.depth(way, BOX)[shown] - depth) < 0.02 + 0.75 / length
    assert near.all()


def test_depth_grows_from_the_face_to_the_back_and_ways_out_point_along():
    way = Extrusion.along(80.0, 0.0)
    found = walls_of(disc(60, 80, 20), way)
    row = found.depth(way, BOX)[80, 81:159]
    np.testing.assert_allclose(row, (np.arange(81, 159) + 0.5 - 80) / 80, atol=0.01)
    np.testing.assert_allclose(found.outward[:, 80, 90:150].T, [[1, 0]] * 60, atol=0.03)


def test_of_two_walls_the_one_nearer_to_the_face_is_seen():
    """A bar before a bar, both thrown to the right by more than the gap between them."""
    bars = np.concatenate([closed(np.array([(x, 40), (x + 20, 40), (x + 20, 100), (x, 100)], float))
                           for x in (40, 90)])  # fmt: skip
    way = Extrusion.along(70.0, 30.0)
    feet = walls_of(bars, way).foot(way, BOX)
    assert abs(feet[0, 60, 70] - 60) < 0.01  # of the left bar's right side
    assert abs(feet[0, 90, 120] - 110) < 0.01  # of the right one's, though both reach there
    assert abs(feet[1, 105, 105] - 100) < 0.01  # of its foot


def tapered(chords: np.ndarray, way: Extrusion) -> Walls:
    _, inside = rasterise(chords, BOX)
    near = nearest(chords, inside, BOX)
    out = normals(chords, near, joints(chords), BOX)
    return tapered_walls(near.distance, out, BOX, way, BOX)


@pytest.mark.parametrize("way", [Extrusion.along(60, 20), Extrusion.toward(170, 120, 0.6)])
def test_one_that_shrinks_on_its_way_is_the_hull_of_a_smaller_disc(way):
    ys, xs = np.mgrid[: BOX.height, : BOX.width] + 0.5
    found = tapered(disc(60, 60, 30), way._replace(taper=12.0)).cover
    inside = np.zeros(found.shape, bool)
    for z in np.linspace(0, 1, 400):
        (cx, cy), (ex, _) = way.back(np.array([[60.0, 60.0], [61.0, 60.0]]), z)
        inside |= np.hypot(xs - cx, ys - cy) <= (30 - 12 * z) * (ex - cx)
    sure = np.abs(found) > 0.6
    assert ((found > 0) == inside)[sure].mean() > 0.998


def board(*style, text: str = "I", size: float = 120.0, lamp: Lamp | None = None, **place) -> Board:
    words = Lettering(
        id="w", text=text, size=Length(size), place=Place(x=150, y=80, **place), style=style
    )
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(255, 255, 255)))
    return Board(
        width=320, height=200, lamp=lamp or Lamp(bearing=315, elevation=45), pieces=(ground, words)
    )


def thick(x: float, y: float, **fields) -> Thickness:
    return Thickness(id="t", throw_x=Length(x), throw_y=Length(y), **{"paint": BLUE, **fields})


@pytest.mark.parametrize("turn", [0.0, 17.0, 45.0, 90.0, 133.0])
@pytest.mark.parametrize("throw", [(40.0, 0.0), (25.0, 35.0)])
def test_the_wall_of_a_straight_stem_is_one_tone(turn, throw):
    """Of an upright bar turned by any angle: the long wall's px differ by less than one level."""
    coats = (thick(*throw), RED)
    found = rgba(board(*coats, text="l", rotation=turn))[..., :3].astype(int)
    blue = (found[..., 2] > found[..., 0] + 25) & (found[..., 2] > found[..., 1] + 25)
    tones, counts = np.unique(found[blue], axis=0, return_counts=True)
    # a bar shows two flat walls at most; each may be dithered between two neighbouring levels
    flat = tones[counts > 0.04 * counts.sum()]
    share = counts[counts > 0.04 * counts.sum()].sum() / counts.sum()
    assert share > 0.8, (share, tones[np.argsort(-counts)][:8])
    groups = {tuple(np.round(tone / 3)) for tone in flat}
    assert len(groups) <= 5


def test_walls_that_face_the_lamp_are_lighter():
    right, left = (
        rgba(board(thick(40.0, 0.0), RED, lamp=Lamp(bearing=b, elevation=30)))[80, 180, :3]
        .astype(int)
        .sum()
        for b in (90, 270)
    )
    plain = rgba(board(thick(40.0, 0.0, wall_light=0.0), RED))[80, 180, :3].astype(int)
    assert np.abs(plain - (60, 90, 200)).max() <= 1
    assert right > plain.sum() + 40 > left + 80


def test_no_ground_shows_between_face_and_wall():
    """Red face, blue wall, white ground: no px of the shared edge is light."""
    for turn in (0.0, 21.0):
        found = rgba(board(thick(30.0, 24.0, wall_light=0.0), RED, text="E", rotation=turn)).astype(
            int
        )
        face = rgba(board(RED, text="E", rotation=turn)).astype(int)
        edge = (face[..., 1] > 45) & (face[..., 1] < 250)
        moved = np.roll(face[..., 1] < 100, (5, 6), (0, 1)) & (face[..., 1] > 45)
        shared = edge & moved
        assert shared.sum() > 20
        assert np.percentile(found[shared][:, 1], 98) < 140


@pytest.mark.parametrize("way", ["throw", "toward"])
def test_any_scale_is_the_same_picture(way):
    coat = thick(26.0, 33.0, way=way, depth=0.5, point_x=0.6, point_y=1.3)
    made = board(coat, RED, text="R8")
    fine = rgba(made, 4.0)[..., :3].astype(float)
    reduced = fine.reshape(200, 4, 320, 4, 3).mean((1, 3))
    off = np.abs(rgba(made)[..., :3] - reduced)
    assert off.mean() <= 2
    assert np.percentile(off, 99.5) < 60


def test_gradients_run_along_the_depth_and_own_colours_are_the_face_s():
    ramp = Gradient(shape="edge", stops=(Stop(0, Colour(255, 0, 0)), Stop(1, Colour(0, 0, 255))))
    found = rgba(board(thick(100.0, 0.0, paint=ramp, wall_light=0.0), RED))[80, :, :3].astype(int)
    face = np.flatnonzero((found == (220, 40, 30)).all(-1))[-1]
    near, far = found[face + 8], found[face + 92]
    assert near[0] > 200 > near[2] and far[2] > 200 > far[0]
    own = rgba(board(thick(60.0, 0.0, paint=OwnPaint(), wall_light=0.0), RED))[80, face + 30, :3]
    assert np.abs(own.astype(int) - (220, 40, 30)).max() <= 2
    dark = OwnPaint(tone=(Exposure(stops=-1.0),))
    shaded = rgba(board(thick(60.0, 0.0, paint=dark, wall_light=0.0), RED))[80, face + 30, :3]
    assert shaded[0] < 180


def test_a_rim_runs_along_the_face_and_a_taper_narrows_the_back():
    rim = WallRim(width=Length(6.0), paint=ColourPaint(colour=Colour(255, 255, 0)))
    found = rgba(board(thick(60.0, 0.0, rim=rim, wall_light=0.0), RED))[80, :, :3].astype(int)
    face = np.flatnonzero((found == (220, 40, 30)).all(-1))[-1]
    assert np.abs(found[face + 3] - (255, 255, 0)).max() <= 2
    assert np.abs(found[face + 12] - (60, 90, 200)).max() <= 2
    heights = []
    for taper in (0.0, 0.8):
        image = rgba(board(thick(90.0, 0.0, taper=taper), RED))[..., :3].astype(int)
        column = image[:, face + 80]
        heights.append((column[:, 2] > column[:, 0] + 40).sum())
    assert heights[1] < heights[0] - 4


@pytest.mark.parametrize(
    "coat",
    [
        thick(0.0, 0.0),
        thick(1e5, -1e5),
        thick(0.0, 0.0, way="toward", point_x=0.47, point_y=0.4, depth=0.95),
        thick(0.0, 0.0, way="toward", depth=0.0),
        thick(0.0, 0.0, way="toward", point_x=20.0, point_y=-20.0, depth=0.95),
        thick(30.0, 30.0, taper=1.0),
    ],
)
def test_absurd_depths_give_a_picture(coat):
    found = rgba(board(coat, RED, text="R8"))
    assert found.shape == (200, 320, 4)
    assert (found[..., :3] == (220, 40, 30)).all(-1).sum() > 500


def test_it_lies_below_the_face_whatever_the_face_is():
    hollow = msgspec.structs.replace(board(thick(0.0, 20.0), text="O"), name="hollow")
    found = rgba(hollow)[..., :3].astype(int)
    bare = rgba(board(RED, text="O"))[..., :3].astype(int)
    inside = (bare == (220, 40, 30)).all(-1)
    assert found[inside].min() >= 250
