"""Gradients against CSS Images 4 and CSS Color 4, computed by another library and by hand."""

import itertools
import math

import numpy as np
import pytest
from coloraide import Color
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.colour.spaces import SPACES, from_hsl, from_oklch, to_hsl, to_oklch
from anole.core.model import Colour, Gradient, Stop
from anole.core.paint.gradient import rasterise, rasterise_along
from anole.core.paint.stops import STEPS, hue_end, table, table_of

RED, BLUE, WHITE = Colour.parse("red"), Colour.parse("blue"), Colour.parse("white")
BOX = Box(0, 0, 120, 80)
FRAME = (0.0, 0.0, 120.0, 80.0)


def stops(*colours):
    return tuple(Stop(n / (len(colours) - 1), Colour.parse(c)) for n, c in enumerate(colours))


@pytest.mark.parametrize("space", sorted(SPACES))
@pytest.mark.parametrize("hue", ["shorter", "longer", "increasing", "decreasing"])
@pytest.mark.parametrize(
    "ends", [("red", "blue"), ("#ffcc00", "#2266aa80"), ("#103050", "#e0f0a0")]
)
def test_blends_are_those_of_css_color(space, hue, ends):
    way = Color.interpolate(list(ends), space=space, hue=hue)
    found = table(stops(*ends), space, False, hue)
    for share in (0.1, 0.25, 0.5, 0.7, 0.95):
        at = min(int(share * STEPS), STEPS - 1)
        colour = way((at + 0.5) / STEPS).convert("srgb")
        alpha = colour.alpha()
        wanted = [*colour.fit("srgb", method="oklch-chroma").coords(), alpha]
        assert found[:, at] == pytest.approx(wanted, abs=0.021 if space.startswith("ok") else 2e-3)


@pytest.mark.parametrize(
    ("first", "second", "path", "end"),
    [
        (40, 60, "shorter", 60),
        (60, 40, "shorter", 40),
        (350, 10, "shorter", 370),
        (10, 350, "shorter", -10),
        (40, 60, "longer", -300),
        (350, 10, "longer", 10),
        (40, 40, "longer", 400),
        (60, 40, "increasing", 400),
        (40, 60, "increasing", 60),
        (40, 60, "decreasing", -300),
        (60, 40, "decreasing", 40),
    ],
)
def test_hue_paths_are_fixed_up_as_css_color_says(first, second, path, end):
    assert hue_end(first, second, path) == end


def test_a_grey_takes_the_hue_of_the_other():
    found = table(stops("white", "blue"), "oklch")
    hue = to_oklch(found[:3, [STEPS // 2]].astype(float))[2, 0]
    assert hue == pytest.approx(to_oklch(np.array([[0.0], [0.0], [1.0]]))[2, 0], abs=6)


@pytest.mark.parametrize(("into", "out"), [(to_hsl, from_hsl), (to_oklch, from_oklch)])
def test_polar_spaces_go_there_and_back(into, out):
    colours = np.random.default_rng(1).random((3, 500))
    np.testing.assert_allclose(out(into(colours)), colours, atol=1e-6)
    for colour in colours.T[:20]:
        name = "hsl" if into is to_hsl else "oklch"
        wanted = Color("srgb", colour.tolist()).convert(name).coords()
        np.testing.assert_allclose(into(colour[:, None])[:, 0], wanted, atol=2e-4)


def test_no_colour_leaves_srgb_however_strong():
    for a, b in itertools.combinations(("#00ff00", "#ff00ff", "#0000ff", "#ffff00", "#00ffff"), 2):
        for space in SPACES:
            found = table(stops(a, b), space, False, "longer")
            assert found.min() >= 0
            assert found.max() <= 1


def at(planes, x, y):
    return planes[:, y, x]


def shade(gradient, t):
    return table_of(gradient)[:, min(max(int(t * STEPS), 0), STEPS - 1)]


def test_a_round_gradient_ends_in_the_farthest_corner():
    made = Gradient(shape="radial", stops=stops("black", "white"), space="srgb")
    planes = rasterise(made, FRAME, BOX)
    for x, y in ((60, 40), (90, 40), (60, 70), (20, 10)):
        t = math.hypot(x + 0.5 - 60, y + 0.5 - 40) / math.hypot(60, 40)
        assert at(planes, x, y)[:3] == pytest.approx(t, abs=2e-3)


def test_an_ellipse_keeps_the_frames_proportions():
    made = Gradient(shape="radial", form="ellipse", stops=stops("black", "white"), space="srgb")
    planes = rasterise(made, FRAME, BOX)
    for x, y in ((100, 40), (60, 70), (15, 60)):
        t = math.hypot((x + 0.5 - 60) / (120 / math.sqrt(2)), (y + 0.5 - 40) / (80 / math.sqrt(2)))
        assert at(planes, x, y)[:3] == pytest.approx(t, abs=2e-3)


@pytest.mark.parametrize("sides", [3, 4, 6, 11])
def test_a_polygon_has_its_corners_on_the_circle(sides):
    made = Gradient(
        shape="radial", sides=sides, angle=0, scale=0.5, stops=stops("black", "white"), space="srgb"
    )
    planes = rasterise(made, FRAME, BOX)
    radius = math.hypot(60, 40) / 2
    corner = planes[0, round(40 - radius + 0.5), 60]
    assert corner == pytest.approx(1, abs=0.06)
    turn = math.pi / sides
    far = radius * math.cos(turn) * 0.8
    x, y = 60 + far * math.sin(turn), 40 - far * math.cos(turn)
    assert planes[0, int(y), int(x)] == pytest.approx(0.8, abs=0.05)


def test_a_conic_gradient_runs_clockwise_from_its_angle():
    made = Gradient(shape="conic", angle=90, stops=stops("black", "white"), space="srgb")
    planes = rasterise(made, FRAME, BOX)
    for x, y, t in ((60, 70, 0.25), (20, 40, 0.5), (60, 10, 0.75)):
        assert at(planes, x, y)[0] == pytest.approx(t, abs=6e-3)
    folded = rasterise(
        Gradient(
            shape="conic",
            angle=90,
            scale=0.5,
            spread="reflect",
            stops=stops("black", "white"),
            space="srgb",
        ),
        FRAME,
        BOX,
    )
    assert folded[0, 42, 100] == pytest.approx(folded[0, 37, 100], abs=0.02)


def test_the_middle_moves_across_and_down():
    made = Gradient(
        shape="radial",
        angle=90,
        x=0.25,
        y=0.25,
        stops=stops("black", "white"),
        space="srgb",
    )
    planes = rasterise(made, FRAME, BOX)
    y, x = np.unravel_index(planes[0].argmin(), planes[0].shape)
    assert (x, y) == (pytest.approx(90, abs=1), pytest.approx(60, abs=1))


def test_along_an_edge_it_runs_from_one_distance_to_the_other():
    field = np.tile(np.linspace(-20, 20, 161, dtype=np.float32), (3, 1))
    made = Gradient(shape="edge", stops=stops("black", "white"), space="srgb")
    planes = rasterise_along(made, field, -10.0, 6.0)
    np.testing.assert_allclose(planes[0, 1], np.clip((field[1] + 10) / 16, 0, 1), atol=9e-3)
    assert planes[0, 1, [0, 160]] == pytest.approx((0, 1), abs=1e-4)
    assert np.isfinite(rasterise_along(made, field, 3.0, 3.0)).all()


def test_hard_stops_have_smooth_edges_all_round_a_point():
    halves = (Stop(0, RED), Stop(0.5, RED), Stop(0.5, BLUE), Stop(1, BLUE))
    planes = rasterise(Gradient(shape="conic", angle=170, stops=halves, space="srgb"), FRAME, BOX)
    row = planes[0, 79, :]
    mixed = (row > 0.02) & (row < 0.98)
    assert 1 <= mixed.sum() <= 4


def test_two_near_colours_over_4000_px_show_no_bands():
    from anole.core.model import Board, Ground
    from anole.core.render.export import rgba

    near = Gradient(stops=stops("#30343a", "#34383e"), angle=90, space="srgb")
    made = Board(width=4000, height=64, pieces=(Ground(id="g", paint=near),))
    found = rgba(made)[..., 0].astype(float)
    # averaged over small patches the steps are gone: no jump as large as half a level
    means = found.mean(0).reshape(-1, 50).mean(1)
    assert np.abs(np.diff(means)).max() < 0.25
    assert (np.diff(means) > -0.12).all()


gradients = st.builds(
    Gradient,
    stops=st.lists(
        st.builds(
            Stop, st.floats(0, 1), st.builds(Colour, *[st.integers(0, 255)] * 4), st.floats(0, 1)
        ),
        min_size=1,
        max_size=5,
    ).map(tuple),
    shape=st.sampled_from(["linear", "radial", "conic"]),
    form=st.sampled_from(["circle", "ellipse"]),
    sides=st.integers(0, 12),
    angle=st.floats(-3600, 3600),
    scale=st.floats(0.001, 1000),
    offset=st.floats(-1000, 1000),
    x=st.floats(-1000, 1000),
    y=st.floats(-1000, 1000),
    fitted=st.booleans(),
    extent=st.sampled_from(["farthest-corner", "farthest-side", "closest-side", "closest-corner"]),
    spread=st.sampled_from(["pad", "reflect", "repeat"]),
    space=st.sampled_from(sorted(SPACES)),
    hue=st.sampled_from(["shorter", "longer", "increasing", "decreasing"]),
    reversed=st.booleans(),
)


@settings(max_examples=150, deadline=None)
@given(gradients, st.sampled_from([FRAME, (5.0, 5.0, 5.0, 5.0), (-1e5, 0.0, 1e5, 1.0)]))
def test_any_gradient_is_finite_and_in_range(gradient, frame):
    planes = rasterise(gradient, frame, Box(-3, -2, 40, 30))
    assert np.isfinite(planes).all()
    assert planes.min() >= 0
    assert planes.max() <= 1
