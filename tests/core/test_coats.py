"""Every coat on a disc or a square, against the formula."""

import math

import numpy as np
import pytest

from anole.core.coats.shading.easing import STEPS, table
from anole.core.model import Fill, Glow, Lamp, Length, Shadow, Stroke

from .shapes import centres, context, cover, disc, span, turned_square, whole

SIZE = 240
MIDDLE, RADIUS = 120.3, 60.0


@pytest.fixture(scope="module")
def on_disc():
    return context(disc(MIDDLE, MIDDLE, RADIUS), SIZE)


def shares(middle, depth, outer, inner, fine=16):
    """True coverage: the share of places within each px whose depth lies between two."""
    places = (np.arange(SIZE * fine) + 0.5) / fine
    d = depth - np.hypot(places[None] - middle, places[:, None] - middle)
    within = (d > outer) & (d <= inner)
    return within.reshape(SIZE, fine, SIZE, fine).mean((1, 3))


@pytest.fixture(scope="module")
def depth(on_disc):
    """True signed distance to the disc's edge."""
    x, y = centres(on_disc.window)
    return RADIUS - np.hypot(x - MIDDLE, y - MIDDLE)


@pytest.mark.parametrize(
    ("start", "end"),
    [("-10px", "-3px"), ("-8px", "5px"), ("2px", "20px"), ("-0.1em", "-0.02em"), ("5px", "-6px")],
)
def test_a_stroke_covers_its_span(on_disc, start, end):
    coat = Stroke(id="s", span=span(start, end))
    outer, inner = on_disc.ends(coat.span)
    true = shares(MIDDLE, RADIUS, outer, inner)
    found = whole(coat, on_disc)
    assert np.percentile(np.abs(found - true), 99.9) < 0.02
    assert np.abs(found - true).max() < 0.07
    area = math.pi * ((RADIUS - outer) ** 2 - (RADIUS - inner) ** 2)
    assert found.sum() == pytest.approx(area, rel=2e-3)


def test_a_stroke_to_the_core_has_no_hole(on_disc, depth):
    found = whole(Stroke(id="s", span=span("3px", "core")), on_disc)
    assert found[depth > 4].min() > 0.99


def test_ends_on_the_edge_are_left_to_the_letters(on_disc, depth):
    box = on_disc.around(8)
    outward = cover(Stroke(id="s", span=span("-5px", "0px")), on_disc, box)
    inward = cover(Stroke(id="s", span=span("0px", "5px")), on_disc, box)
    assert (outward.outside, outward.face) == (True, False)
    assert (inward.outside, inward.face) == (False, True)
    inside = depth[box.slices_in(on_disc.window)] > 1
    assert outward.plane[inside].min() == 1
    assert inward.plane[~inside & (outward.plane == 0)].min() == 1


def test_a_span_of_no_length_paints_nothing(on_disc):
    found = whole(Stroke(id="s", span=span("-4px", "-4px")), on_disc)
    assert np.isfinite(found).all()
    assert found.max() == 0


def test_a_stroke_on_the_whole_starts_where_the_strokes_end():
    joined = context(disc(MIDDLE, MIDDLE, RADIUS), SIZE, grown=10)
    coat = Stroke(id="s", span=span("-6px", "0px"), silhouette="whole")
    found = whole(coat, joined)
    assert np.abs(found - shares(MIDDLE, RADIUS, -16, -10)).max() < 0.07


def test_a_glow_falls_off_as_its_easing_says(on_disc, depth):
    coat = Glow(id="g", span=span("-5px", "-45px"), hot=0.2, softness=0, falloff="ease-in")
    found = whole(coat, on_disc)
    t = (depth + 5) / -40
    u = np.clip(1 - np.maximum(0, (t - 0.2) / 0.8), 0, 1)
    true = np.interp(u, np.linspace(0, 1, STEPS + 1), table("ease-in"))
    assert np.abs(found - true).max() < 0.01


def test_an_inward_glow_starts_at_its_start(on_disc, depth):
    coat = Glow(id="g", span=span("10px", "40px"), softness=0, falloff="linear")
    found = whole(coat, on_disc)
    assert found[depth < 9].max() == 0
    assert found[(depth > 10.6) & (depth < 11.5)].min() > 0.94
    assert found[depth > 41].max() == 0


def test_softness_rounds_a_glow_but_keeps_its_ends(on_disc, depth):
    soft = whole(Glow(id="g", span=span("0px", "-40px"), softness=1), on_disc)
    assert soft[depth < -55].max() < 0.01
    assert soft[np.abs(depth) < 1].min() > 0.6


def bezier(x: np.ndarray, x1: float, y1: float, x2: float, y2: float) -> np.ndarray:
    """cubic-bezier(x1, y1, x2, y2) at x in 0..1, solved by bisection (CSS Easing 1, 2.3)."""
    low, high = np.zeros_like(x), np.ones_like(x)
    for _ in range(50):
        t = (low + high) / 2
        past = 3 * (1 - t) ** 2 * t * x1 + 3 * (1 - t) * t * t * x2 + t**3 > x
        high, low = np.where(past, t, high), np.where(past, low, t)
    return 3 * (1 - low) ** 2 * low * y1 + 3 * (1 - low) * low * low * y2 + low**3


@pytest.mark.parametrize(
    ("name", "points"),
    [
        ("linear", (0, 0, 1, 1)),
        ("ease-in", (0.42, 0, 1, 1)),
        ("ease-out", (0, 0, 0.58, 1)),
        ("ease-in-out", (0.42, 0, 0.58, 1)),
    ],
)
def test_easings_are_those_of_css(name, points):
    x = np.linspace(0, 1, STEPS + 1)
    np.testing.assert_allclose(table(name), bezier(x, *points), atol=1e-6)
    assert table(name)[0] == 0 and table(name)[-1] == 1


@pytest.mark.parametrize(
    ("bearing", "direction"), [(0, (0, 1)), (90, (-1, 0)), (180, (0, -1)), (315, (0.7071, 0.7071))]
)
def test_a_shadow_falls_away_from_the_lamp(bearing, direction):
    where = context(disc(MIDDLE, MIDDLE, 40), SIZE, bearing=bearing, elevation=45, size=0)
    found = whole(Shadow(id="s", lift=Length(20)), where)
    x, y = centres(where.window)
    middle = ((x * found).sum() / found.sum(), (y * found).sum() / found.sum())
    assert middle[0] - MIDDLE == pytest.approx(20 * direction[0], abs=0.05)
    assert middle[1] - MIDDLE == pytest.approx(20 * direction[1], abs=0.05)
    assert found.sum() == pytest.approx(math.pi * 1600, rel=1e-3)


def test_a_penumbra_keeps_the_light_it_takes():
    where = context(disc(MIDDLE, MIDDLE, 40), SIZE, bearing=0, elevation=45, size=1)
    soft = whole(Shadow(id="s", lift=Length(24)), where)
    assert soft.sum() == pytest.approx(math.pi * 1600, rel=0.01)
    rim = (
        np.abs(
            np.hypot(*(c - MIDDLE - o for c, o in zip(centres(where.window), (0, 24), strict=True)))
            - 40
        )
        < 1
    )
    assert soft[rim].mean() == pytest.approx(0.5, abs=0.06)


def test_grow_is_exact():
    where = context(disc(MIDDLE, MIDDLE, 40), SIZE, bearing=0, elevation=45, size=0)
    fat = whole(Shadow(id="s", lift=Length(10.5), grow=Length(7)), where)
    assert fat.sum() == pytest.approx(math.pi * 47**2, rel=3e-3)


def test_a_shadow_inside_is_the_rest_of_the_face():
    where = context(turned_square(120, 120, 50, 0), SIZE, bearing=0, elevation=45, size=0)
    found = whole(Shadow(id="s", lift=Length(12), falls="inside"), where)
    assert found[75:80, 120].min() > 0.99
    assert found[90:160, 120].max() < 0.01


def test_a_fill_lies_on_the_face_alone(on_disc):
    face = cover(Fill(id="f"), on_disc)
    assert (face.outside, face.face) == (False, True)
    assert face.plane.min() == 1


def test_a_lamp_of_its_own_wins():
    where = context(disc(MIDDLE, MIDDLE, 40), SIZE, bearing=0, elevation=45, size=0)
    own = Shadow(id="s", lift=Length(20), lamp=Lamp(bearing=90, elevation=45, size=0))
    x, _ = centres(where.window)
    found = whole(own, where)
    assert (x * found).sum() / found.sum() < MIDDLE - 19
