"""Solid letters: walls where geometry says, flat where they are flat, at any angle and scale."""

from __future__ import annotations

import math

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.field.coverage import rasterise
from anole.core.field.walls import Ray, walls
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


def disc_fields(x: float, y: float, radius: float) -> tuple[np.ndarray, np.ndarray]:
    """Exact distance and inward normals of a disc."""
    ys, xs = np.mgrid[: BOX.height, : BOX.width] + 0.5
    far = np.hypot(xs - x, ys - y)
    inward = np.stack([x - xs, y - ys]) / np.maximum(far, 1e-6)
    return (radius - far).astype(np.float32), inward.astype(np.float32)


def capsule(x: float, y: float, radius: float, dx: float, dy: float) -> np.ndarray:
    """Exact coverage of a disc swept along a line."""
    way = math.atan2(dy, dx)
    left = way + np.linspace(math.pi / 2, 3 * math.pi / 2, 300)
    right = way + np.linspace(-math.pi / 2, math.pi / 2, 300)
    back = np.column_stack([x + radius * np.cos(left), y + radius * np.sin(left)])
    front = np.column_stack([x + dx + radius * np.cos(right), y + dy + radius * np.sin(right)])
    return rasterise(closed(np.concatenate([front, back])), BOX)[0]


@settings(max_examples=25, deadline=None)
@given(st.floats(-50, 50), st.floats(-40, 40), st.floats(6, 22))
def test_a_thrown_disc_is_a_capsule(dx, dy, radius):
    d, n = disc_fields(100, 80, radius)
    found = walls(d, n, BOX, Ray(dx, dy), BOX)
    wanted = capsule(100, 80, radius, dx, dy)
    off = np.abs(found.cover - wanted)
    edge = (wanted > 0.01) & (wanted < 0.99)
    assert off.max() < 0.2
    assert off[edge].mean() < 0.05


@settings(max_examples=15, deadline=None)
@given(st.floats(20, 180), st.floats(20, 140), st.floats(0.1, 0.95))
def test_toward_a_point_it_is_the_hull_of_both_ends(px, py, share):
    d, n = disc_fields(100, 80, 18)
    found = walls(d, n, BOX, Ray(px, py, share), BOX).cover
    ys, xs = np.mgrid[: BOX.height, : BOX.width] + 0.5
    inside = np.zeros(BOX.width * BOX.height, bool).reshape(BOX.height, BOX.width)
    for s in np.linspace(0, 1, 200):
        cx, cy = 100 + s * share * (px - 100), 80 + s * share * (py - 80)
        inside |= np.hypot(xs - cx, ys - cy) <= 18 * (1 - s * share)
    sure = np.abs(found - 0.5) > 0.45
    assert (found[sure] > 0.5)[inside[sure]].mean() > 0.995
    assert (found[sure] > 0.5)[~inside[sure]].mean() < 0.005


def test_depth_grows_from_the_face_to_the_back_and_feet_lie_on_the_edge():
    d, n = disc_fields(60, 80, 20)
    found = walls(d, n, BOX, Ray(80.0, 0.0), BOX)
    row = found.depth[80, 81:159]
    np.testing.assert_allclose(row, (np.arange(81, 159) + 0.5 - 80) / 80, atol=0.01)
    feet = found.foot[:, 80, 81:159]
    np.testing.assert_allclose(np.hypot(feet[0] - 60, feet[1] - 80), 20, atol=0.3)
    np.testing.assert_allclose(found.outward[:, 80, 90:150].T, [[1, 0]] * 60, atol=0.03)


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
        found = rgba(board(thick(30.0, 12.0, wall_light=0.0), RED, text="E", rotation=turn)).astype(
            int
        )
        face = rgba(board(RED, text="E", rotation=turn)).astype(int)
        edge = (face[..., 1] > 45) & (face[..., 1] < 250)
        moved = np.roll(face[..., 1] < 100, (2, 6), (0, 1)) & (face[..., 1] > 45)
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
