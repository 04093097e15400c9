"""Coverage, distance and blur against shapes whose answer is known."""

import math

import numpy as np
import pytest
import skia
from scipy.ndimage import gaussian_filter

from anole.core.box import Box
from anole.core.field.blur import gaussian
from anole.core.field.contour import contour
from anole.core.field.coverage import rasterise
from anole.core.field.shape_fields import greatest_inside

from .shapes import centres, closed, disc, field, ring, turned_square

BOX = Box(0, 0, 300, 260)


def square_distance(box, x, y, half, degrees):
    px, py = centres(box)
    turn = math.radians(degrees)
    u = np.abs((px - x) * math.cos(turn) + (py - y) * math.sin(turn)) - half
    v = np.abs(-(px - x) * math.sin(turn) + (py - y) * math.cos(turn)) - half
    outside = np.hypot(np.maximum(u, 0), np.maximum(v, 0))
    return -(outside + np.minimum(np.maximum(u, v), 0))


def test_coverage_of_a_rectangle_is_exact():
    rect = closed(np.array([[10.25, 20.5], [40.75, 20.5], [40.75, 50.25], [10.25, 50.25]]))
    cover, inside = rasterise(rect, BOX)
    assert cover[30, 20] == 1
    assert cover[20, 20] == pytest.approx(0.5, abs=1e-6)
    assert cover[30, 10] == pytest.approx(0.75, abs=1e-6)
    assert cover[50, 40] == pytest.approx(0.75 * 0.25, abs=1e-6)
    assert cover.sum() == pytest.approx(30.5 * 29.75, rel=1e-6)
    assert inside.sum() == 31 * 30


@pytest.mark.parametrize("shape", ["disc", "square", "ring"])
def test_coverage_sums_to_the_area(shape):
    chords, area = {
        "disc": (disc(150.3, 130.7, 90), math.pi * 8100),
        "square": (turned_square(150.3, 130.7, 70, 27), 140**2),
        "ring": (ring(150.3, 130.7, 100, 60), math.pi * (10000 - 3600)),
    }[shape]
    cover, _ = rasterise(chords, BOX)
    assert cover.sum() == pytest.approx(area, rel=2e-5)
    assert cover.min() >= 0
    assert cover.max() <= 1


def test_coverage_agrees_with_another_rasteriser():
    chords = turned_square(90.4, 80.2, 50, 17)
    surface = skia.Surface(300, 260)
    path = skia.Path()
    path.addPoly([skia.Point(float(x), float(y)) for x, y in chords[:, :2]], True)
    surface.getCanvas().drawPath(path, skia.Paint(AntiAlias=True, Color=skia.ColorWHITE))
    theirs = surface.toarray()[..., 3] / 255
    ours, _ = rasterise(chords, BOX)
    error = np.abs(ours - theirs)[(ours > 0) & (ours < 1)]
    assert error.mean() < 0.01
    assert np.percentile(error, 95) < 0.03


def test_coverage_does_not_depend_on_the_window():
    chords = disc(150.3, 130.7, 90)
    whole, _ = rasterise(chords, BOX)
    part, _ = rasterise(chords, Box(100, 60, 220, 200))
    np.testing.assert_allclose(part, whole[60:200, 100:220], atol=1e-6)


@pytest.mark.parametrize("shape", ["disc", "square", "ring"])
def test_distance_against_the_formula(shape):
    x, y = centres(BOX)
    far = np.hypot(x - 150.3, y - 130.7)
    chords, true = {
        "disc": (disc(150.3, 130.7, 90), 90 - far),
        "square": (turned_square(150.3, 130.7, 70, 27), square_distance(BOX, 150.3, 130.7, 70, 27)),
        "ring": (ring(150.3, 130.7, 100, 60), np.minimum(100 - far, far - 60)),
    }[shape]
    error = np.abs(field(chords, BOX) - true)
    assert error.mean() < 0.03
    assert np.percentile(error, 99) < 0.1


def test_distance_of_a_stem_is_flat_along_it():
    stem = closed(np.array([[100.3, 20], [130.8, 20], [130.8, 240], [100.3, 240]], float))
    d = field(stem, BOX)[60:200]
    assert np.ptp(d, axis=0).max() < 1e-4


def test_the_core_is_the_same_at_every_scale():
    for scale in (0.5, 1, 4):
        found = greatest_inside(turned_square(80 * scale, 80 * scale, 30 * scale, 12))
        assert found / scale == pytest.approx(30, abs=0.6)


def test_a_contour_lies_on_its_level():
    x, y = centres(BOX)
    plane = (90 - np.hypot(x - 150, y - 130)).astype(np.float32)
    chords = contour(plane, -20, BOX)
    np.testing.assert_allclose(np.hypot(chords[:, 0] - 150, chords[:, 1] - 130), 110, atol=0.02)


@pytest.mark.parametrize("sigma", [1.5, 6, 13, 40, 75])
def test_blur_against_the_true_gaussian(sigma):
    rng = np.random.default_rng(4)
    plane = np.zeros((260, 300), np.float32)
    plane[80:200, 100:260] = 1
    plane[20:24, 30:270] = 1
    plane[120:160, 20:60] = rng.random((40, 40))
    ours = gaussian(plane, sigma)
    true = gaussian_filter(plane.astype(float), sigma, mode="constant", truncate=6)
    assert np.abs(ours - true).max() < 0.005
    slopes = [np.hypot(*np.gradient(p.astype(float))) for p in (ours, true)]
    assert np.abs(slopes[0] - slopes[1]).max() < 0.015 * slopes[1].max() + 1e-4


def test_no_blur_is_the_plane_itself():
    plane = np.ones((4, 4), np.float32)
    assert gaussian(plane, 0) is plane
