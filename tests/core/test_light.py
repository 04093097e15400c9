"""Relief, grain, sheen and gloss on shapes whose answers are known; mouldings; the lamp."""

import functools
import math

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.coats.kinds.grain import heights as grain_heights
from anole.core.coats.registry import kind_named
from anole.core.coats.shading.exact_shading import shade_exact
from anole.core.coats.shading.lighting import light_of, lit_heights, ramp_table, tone, toward
from anole.core.field.closest import nearest
from anole.core.field.coverage import rasterise
from anole.core.field.mouldings import PROFILES, STEPS, height, table
from anole.core.field.normals import joints, normals
from anole.core.model import (
    Colour,
    Fill,
    Gleam,
    Gloss,
    Grain,
    Lamp,
    Length,
    Moulding,
    Pattern,
    Relief,
    Shadow,
    Sheen,
    Stop,
    Stroke,
)
from anole.core.paint.context import PaintContext
from anole.core.pieces.registry import coated_kind
from anole.core.render.renderer import Renderer, Request

from .shapes import (
    board,
    centres,
    closed,
    context,
    disc,
    paint,
    pixels,
    ring,
    sound,
    source,
    span,
    turned_square,
    whole,
)

GREY = (Stop(0, Colour(0, 0, 0)), Stop(1, Colour(255, 255, 255)))
"""A ramp whose colour is u itself."""
WHITE = {"colour": Colour(255, 255, 255)}
LAMP = Lamp(bearing=320, elevation=42, **WHITE)


def fields(chords, side):
    box = Box(0, 0, side, side)
    _, inside = rasterise(chords, box)
    found = nearest(chords, inside, box)
    return found.distance, normals(chords, found, joints(chords), box), box


def tone_of(slope_x, slope_y, lamp=LAMP):
    """u by the formulas of the design, in double precision."""
    x, y, z = toward(lamp)
    s = max((z - slope_x * x - slope_y * y) / math.sqrt(1 + slope_x**2 + slope_y**2), 0)
    f = math.sin(math.radians(lamp.elevation))
    u = s / (2 * f) if s < f else 0.5 + (s - f) / (2 * (1 - f))
    return min(max(0.5 + lamp.strength * (u - 0.5), 0), 1)


@functools.cache
def grey_table():
    return ramp_table(GREY, LAMP)[0]


def shade(u):
    """The grey ramp's colour for a tone: blends run in OKLab."""
    return float(grey_table()[min(int(u * 1024 + 0.5), 1024)])


FLAT = shade(0.5)
NONE = np.zeros(0, np.float32)


def lit(coat, where, side):
    planes = source(coat, where, Box(0, 0, side, side))
    return planes


# the lamp


@pytest.mark.parametrize(("bearing", "elevation"), [(0, 30), (90, 45), (225, 60), (320, 42)])
def test_light_agrees_with_svg_diffuse_lighting(bearing, elevation):
    """feDistantLight: azimuth = bearing - 90; N.L of feDiffuseLighting with a constant of 1."""
    lamp = Lamp(bearing=bearing, elevation=elevation, **WHITE)
    azimuth, high = math.radians(bearing - 90), math.radians(elevation)
    light = np.array(
        [math.cos(azimuth) * math.cos(high), math.sin(azimuth) * math.cos(high), math.sin(high)]
    )
    np.testing.assert_allclose(toward(lamp), light, atol=1e-9)
    for gx, gy in ((0.4, -0.2), (-1.0, 0.7), (0, 0)):
        normal = np.array([-gx, -gy, 1]) / math.sqrt(1 + gx * gx + gy * gy)
        s = max(float(normal @ light), 0)
        f = math.sin(high)
        u = s / (2 * f) if s < f else 0.5 + (s - f) / (2 * (1 - f))
        found, _ = tone(np.float32(gx), np.float32(gy), light_of(lamp, GREY).numbers, NONE)
        assert found == pytest.approx(u, abs=1e-5)


def test_the_gleam_agrees_with_svg_specular_lighting():
    """feSpecularLighting: (N.H)^exponent, H halfway to the eye; less what a flat surface has."""
    gleam = Gleam(strength=1, tightness=12)
    light = np.array(toward(LAMP))
    half = light + (0, 0, 1)
    half /= np.linalg.norm(half)
    light_ = light_of(LAMP, GREY, gleam)
    numbers = light_.numbers
    for gx, gy in ((0.3, 0.5), (-0.5, 0.1), (0, 0)):
        normal = np.array([-gx, -gy, 1]) / math.sqrt(1 + gx * gx + gy * gy)
        wanted = max(max(float(normal @ half), 0) ** 12 - half[2] ** 12, 0)
        assert tone(np.float32(gx), np.float32(gy), numbers, light_.shine)[1] == pytest.approx(
            wanted, abs=6e-3
        )


def test_a_flat_is_a_half_whatever_the_lamp_and_strength_stretches_from_there():
    for lamp in (
        LAMP,
        Lamp(bearing=10, elevation=80, **WHITE),
        Lamp(elevation=1, strength=3, **WHITE),
    ):
        assert tone(np.float32(0), np.float32(0), light_of(lamp, GREY).numbers, NONE)[
            0
        ] == pytest.approx(0.5)
    strong = light_of(msgspec.structs.replace(LAMP, strength=2), GREY).numbers
    once = tone(np.float32(0.1), np.float32(0), light_of(LAMP, GREY).numbers, NONE)[0]
    assert tone(np.float32(0.1), np.float32(0), strong, NONE)[0] == pytest.approx(
        0.5 + 2 * (once - 0.5), abs=1e-5
    )


def test_the_lamps_colour_tints_the_upper_half_of_the_ramp():
    lut = ramp_table(
        (Stop(0, Colour(255, 255, 255)), Stop(1, Colour(255, 255, 255))),
        Lamp(colour=Colour(255, 128, 0)),
    )
    assert lut[:3, 0].tolist() == [1, 1, 1]
    assert lut[:3, -1] == pytest.approx((1, 128 / 255, 0), abs=1e-3)
    assert lut[:3, 512] == pytest.approx((1, 1, 1), abs=0.01)


# fields


def test_normals_of_a_disc_point_to_its_middle_without_facets():
    d, n, box = fields(disc(100, 100, 80, 360), 200)
    x, y = centres(box)
    far = np.hypot(100 - x, 100 - y)
    where = (far > 16) & (far < 78)
    cos = (n[0] * (100 - x) + n[1] * (100 - y)) / np.maximum(far, 1e-6)
    assert np.degrees(np.arccos(np.clip(cos[where], -1, 1))).max() < 0.8
    assert np.abs(d[where] - (80 - far[where])).max() < 0.02


def test_normals_are_one_on_a_straight_stem_even_where_it_runs_into_a_curve():
    turn = np.linspace(0, np.pi, 60)
    arch = np.column_stack([100 - 40 * np.cos(turn), 80 - 40 * np.sin(turn)])
    stem = closed(np.vstack([arch, [[140, 180], [60, 180]]]))
    _, n, _ = fields(stem, 200)
    left = n[:, 110:140, 65:75]
    assert np.ptp(left[0]) < 1e-3
    assert left[0].mean() == pytest.approx(1, abs=1e-3)


def test_a_hole_is_lit_from_its_own_side():
    _, n, _ = fields(ring(100, 100, 80, 40), 200)
    assert n[0, 100, 25] == pytest.approx(1, abs=1e-3)
    assert n[0, 100, 65] == pytest.approx(-1, abs=0.02)
    # outside, the distance grows toward the edge
    assert n[0, 100, 5] == pytest.approx(1, abs=1e-3)


# relief


def bare(**more):
    return Relief(
        id="r", **({"span": span("0px", "core"), "height": Length(20), "ramp": GREY} | more)
    )


def test_a_turned_square_carved_to_the_core_has_four_flat_tones_and_clean_mitres():
    side, half = 200, 70.0
    where = context(turned_square(100, 100, half, 20), side, bearing=320, elevation=42, **WHITE)
    u = lit(bare(), where, side)[0]
    x, y = centres(Box(0, 0, side, side))
    turn = math.radians(20)
    a = (x - 100) * math.cos(turn) + (y - 100) * math.sin(turn)
    b = -(x - 100) * math.sin(turn) + (y - 100) * math.cos(turn)
    slope = 20 / where.shape.core
    for nx, ny, own, other in ((1, 0, -a, b), (-1, 0, a, b), (0, 1, -b, a), (0, -1, b, a)):
        # one face, away from the edge and from its two mitres
        face = (own > np.abs(other) + 2.5) & (own < half - 1.5)
        gx = slope * (nx * math.cos(turn) - ny * math.sin(turn))
        gy = slope * (nx * math.sin(turn) + ny * math.cos(turn))
        assert np.ptp(u[face]) < 1 / 255
        assert u[face].mean() == pytest.approx(shade(tone_of(gx, gy)), abs=4e-3)


def test_a_mitre_is_smooth_along_its_whole_length():
    """Across a mitre tones change once; no px is brighter or darker than both its sides."""
    side = 240
    where = context(turned_square(120, 120, 90, 13), side, bearing=300, elevation=42, **WHITE)
    u = lit(bare(height=Length(40)), where, side)[0]
    d = where.shape.distance
    inside = d[1:-1, 1:-1] > 3
    middle = u[1:-1, 1:-1]
    around = np.stack([u[:-2, 1:-1], u[2:, 1:-1], u[1:-1, :-2], u[1:-1, 2:]])
    beyond = np.maximum(middle - around.max(0), around.min(0) - middle)
    assert beyond[inside].max() < 0.02


def test_a_disc_is_a_smooth_cone():
    side = 240
    where = context(disc(120, 120, 100, 300), side, bearing=320, elevation=42, **WHITE)
    u = lit(bare(height=Length(60)), where, side)[0]
    x, y = centres(Box(0, 0, side, side))
    far = np.hypot(x - 120, y - 120)
    where_ = (far > 10) & (far < 98)
    slope = 60 / where.shape.core
    nx, ny = (120 - x) / far, (120 - y) / far
    wanted = np.vectorize(lambda a, b: shade(tone_of(a, b)))(slope * nx, slope * ny)
    assert np.abs(u - wanted)[where_].max() < 0.012
    assert np.abs(u - wanted)[where_].mean() < 0.002


def test_a_bead_over_a_span_is_flat_on_top_and_steep_at_its_sides():
    side = 200
    square = closed(np.array([[50.0, 50], [150, 50], [150, 150], [50, 150]]))
    where = context(square, side, bearing=270, elevation=45, **WHITE)
    coat = bare(span=span("0px", "20px"), moulding=Moulding(profile="bead"), height=Length(10))
    row = lit(coat, where, side)[0][100, 50:75]
    # light from the left: the outer half is bright, the crest flat, the inner half dark
    assert row[3] > 0.7
    assert row[10] == pytest.approx(FLAT, abs=0.06)
    assert row[16] < 0.3
    assert row[23] == pytest.approx(FLAT, abs=0.01)


def test_height_below_nothing_is_sunk():
    side = 120
    where = context(turned_square(60, 60, 40, 0), side, bearing=270, elevation=45, **WHITE)
    raised, sunk = (lit(bare(height=Length(h)), where, side)[0] for h in (15, -15))
    assert raised[60, 28] > 0.6 > 0.4 > sunk[60, 28]


def test_rounding_goes_from_a_crisp_ridge_to_a_swollen_form():
    side = 160
    bar = closed(np.array([[20.0, 50], [140, 50], [140, 110], [20, 110]]))
    where = context(bar, side, bearing=0, elevation=45, **WHITE)
    steps = [
        np.abs(np.diff(lit(bare(rounding=r, height=Length(20)), where, side)[0][55:105, 80])).max()
        for r in (0, 0.3, 1.0)
    ]
    assert steps[0] > 0.25 > steps[1] > steps[2]


def test_a_relief_of_the_core_is_exact_for_every_font():
    for family in ("Anton", "Great Vibes", "Lilita One"):
        from anole.core.model import Font

        coat = bare(height=Length(0.1, "em"), moulding=Moulding(profile="chamfer"))
        made = board(
            Fill(id="f", paint=paint("#808080")), coat, text="o", size=150, font=Font(family=family)
        )
        planes = pixels(made)
        assert np.isfinite(planes).all()
        # ridge to core: nowhere inside is the surface flat over more than the ridge
        from anole.core.cache import Cache

        words = made.lettering("words")
        assert coated_kind(words).core(words, 96, Cache()) > 1


@pytest.mark.parametrize("name", [*PROFILES, "drawn"])
def test_mouldings_stay_within_their_height(name):
    for turned in (False, True):
        made = Moulding(profile=name, turned=turned, count=4)
        found = table(made)
        assert found.shape == (STEPS + 1,)
        assert found.min() >= -1e-4
        assert found.max() <= 1 + 1e-4
        assert found[[0, -1]] == pytest.approx(height(made, np.array([0.0, 1.0])), abs=1e-3)
    assert height(Moulding(profile="chamfer"), np.array([0, 0.25, 1])).tolist() == [0, 0.25, 1]
    assert height(Moulding(profile="bead"), np.array([0, 0.5, 1])) == pytest.approx([0, 1, 0])


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.floats(0, 1), st.floats(0, 1)), min_size=2, max_size=9))
def test_any_drawn_moulding_is_a_curve_through_its_points(points):
    made = Moulding(profile="drawn", points=tuple(points))
    found = height(made, np.linspace(0, 1, 101))
    assert np.isfinite(found).all()
    assert found.min() >= 0
    assert found.max() <= 1


# grain, sheen, gloss


def test_grain_is_the_slope_of_its_pattern():
    side = 160
    square = closed(np.array([[10.0, 10], [150, 10], [150, 150], [10, 150]]))
    where = context(square, side, bearing=270, elevation=45, **WHITE)
    waves = Pattern(generator="stripes", size=Length(40), count=1, rough=0)
    coat = Grain(id="g", pattern=waves, amount=Length(4), edge=0, ramp=GREY)
    h = grain_heights(
        coat, where, PaintContext(where.frames, where.window, where.cache, where.units)
    )
    u = source(coat, where)[0]
    # heights are those of a picture twice as large, of whose light each px is the mean
    y, x = 2 * 80, np.arange(2 * 40, 2 * 120)
    fine = [
        shade(tone_of(float(h[y, k + 1] - h[y, k - 1]) / 2, 0, Lamp(bearing=270, elevation=45)))
        for k in x
    ]
    wanted = np.array(fine).reshape(-1, 2).mean(1)
    np.testing.assert_allclose(u[80, 40:120], wanted, atol=4e-3)
    faded = grain_heights(
        msgspec.structs.replace(coat, edge=1.0),
        where,
        PaintContext(where.frames, where.window, where.cache, where.units),
    )
    assert np.abs(faded[160, 22:28]).max() < 0.1 * np.abs(h[160]).max()


def test_sheen_is_a_cosine_along_its_bearing():
    side = 200
    square = closed(np.array([[0.0, 0], [200, 0], [200, 200], [0, 200]]))
    where = context(square, side)
    coat = Sheen(id="s", bearing=90, pitch=Length(40), width=1, drift=0, unevenness=0)
    plane = whole(coat, where)
    x, _ = centres(Box(0, 0, side, side))
    wanted = 0.5 + 0.5 * np.cos(2 * np.pi * (x - 100) / 40)
    assert np.abs(plane - wanted)[5:-5, 5:-5].max() < 0.01
    bent = whole(msgspec.structs.replace(coat, drift=0.5), where)
    assert np.abs(bent - plane).max() > 0.3


def test_gloss_is_cut_at_its_height_and_keeps_off_the_edge():
    side = 200
    square = closed(np.array([[20.0, 20], [180, 20], [180, 180], [20, 180]]))
    where = context(square, side)
    coat = Gloss(id="g", height=0.5, bend=0, inset=Length(10), soften=Length(0), at_cut=1, far=1)
    plane = whole(coat, where)
    assert plane[60, 100] == 1
    assert plane[140, 100] == 0
    assert plane[25, 100] == 0
    assert plane[99, 100] > 0.9 > 0.1 > plane[102, 100]
    below = whole(msgspec.structs.replace(coat, side="below"), where)
    assert below[140, 100] == 1
    fading = whole(msgspec.structs.replace(coat, at_cut=0.2), where)
    assert fading[95, 100] < 0.35 < fading[40, 100]
    oval = whole(msgspec.structs.replace(coat, form="oval"), where)
    assert oval[90, 100] > oval[90, 32]


# the whole


def styled(size):
    em = lambda v: Length(v, "em")  # noqa: E731
    return board(
        Shadow(id="h", lift=em(0.08)),
        Stroke(id="s", span=span("-0.06em", "0em"), join="mitre"),
        Fill(id="f", paint=paint("#c08030")),
        Relief(id="r", span=span("0em", "core"), height=em(0.08)),
        Relief(id="r2", span=span("0em", "0.05em"), rounding=0.4, height=em(-0.03)),
        Grain(id="g", pattern=Pattern(generator="leather", size=em(0.5)), amount=em(0.01)),
        Sheen(id="e", pitch=em(0.4)),
        Gloss(id="o"),
        text="Go",
        size=size,
    )


def test_the_same_style_on_words_of_another_size_is_the_same_picture():
    small = pixels(styled(40.0))
    made = styled(400.0)
    wide = msgspec.structs.replace(
        made,
        width=3200,
        height=1800,
        pieces=(
            made.pieces[0],
            msgspec.structs.replace(
                made.pieces[1], place=msgspec.structs.replace(made.pieces[1].place, x=1600, y=900)
            ),
        ),
    )
    large = pixels(wide)
    reduced = large.reshape(4, 180, 10, 320, 10).mean((2, 4))
    inside = slice(60, 120), slice(120, 200)
    difference = np.abs(reduced - small)[:, *inside]
    assert difference.mean() < 0.035
    assert np.abs(reduced - small)[:, :30].max() < 0.02


@settings(max_examples=40, deadline=None)
@given(
    st.sampled_from(["", "I", "o", "Go", "."]),
    st.floats(0.5, 300),
    st.sampled_from(["0px", "-5000px", "-0.1em", "5000px"]),
    st.sampled_from(["0px", "core", "5000px", "-5000px"]),
    st.floats(-100, 100),
    st.floats(0, 1),
    st.sampled_from([*PROFILES]),
    st.sampled_from(["letters", "whole"]),
)
def test_odd_reliefs_are_finite(text, size, start, end, rise, rounding, profile, silhouette):
    coat = Relief(
        id="r",
        span=span(start, end),
        height=Length(rise),
        rounding=rounding,
        moulding=Moulding(profile=profile),
        silhouette=silhouette,
        gleam=Gleam(),
    )
    made = board(Stroke(id="s"), coat, text=text, size=size)
    planes = pixels(msgspec.structs.replace(made, width=96, height=64))
    assert np.isfinite(planes).all()
    assert planes.min() >= -1e-4
    assert planes.max() <= 1 + 1e-4


@pytest.mark.parametrize("tag", ["relief", "grain", "sheen", "gloss"])
def test_new_coats_do_something_and_are_off_when_they_are_off(tag):
    base = Fill(id="f", paint=paint("#808080"))
    coat = kind_named(tag).struct(id="x")
    plain = pixels(board(base))
    assert np.abs(pixels(board(base, coat)) - plain).max() > 0.05
    np.testing.assert_array_equal(
        pixels(board(base, msgspec.structs.replace(coat, on=False))), plain
    )


def test_fields_are_not_made_again_for_what_does_not_touch_the_silhouette():
    made = styled(120.0)
    renderer = Renderer()
    renderer.frame(Request(made))
    before = {k: renderer.cache.made[k] for k in ("coverage", "distance", "normals", "joined")}
    words = made.pieces[1]
    for fields_ in (
        {"height": Length(0.2, "em")},
        {"opacity": 0.4},
        {"ramp": GREY},
        {"lamp": Lamp(bearing=10)},
    ):
        style = tuple(
            msgspec.structs.replace(c, **fields_) if c.id == "r" else c for c in words.style
        )
        renderer.frame(
            Request(
                msgspec.structs.replace(
                    made, pieces=(made.pieces[0], msgspec.structs.replace(words, style=style))
                )
            )
        )
    assert {k: renderer.cache.made[k] for k in before} == before


def test_carved_is_the_same_on_every_part_of_a_picture():
    letters = context(disc(60, 60, 45, 200), 120).shape
    light = light_of(LAMP, GREY)
    heights = table(Moulding(profile="ogee"))
    all_ = shade_exact(letters, letters.box, (0.0, 30.0), 12.0, heights, light)
    part = shade_exact(letters, Box(20, 30, 70, 90), (0.0, 30.0), 12.0, heights, light)
    np.testing.assert_array_equal(all_[:, 30:90, 20:70], part)
    assert lit_heights(np.zeros((4, 5), np.float32), light)[0].mean() == pytest.approx(
        FLAT, abs=1e-3
    )


NINE = tuple(
    Stop(n / 8, Colour.parse(c))
    for n, c in enumerate(
        (
            "#2a1203",
            "#7a4310",
            "#c88a2a",
            "#f3cf72",
            "#b9761d",
            "#8a4f12",
            "#e8b552",
            "#fff2b8",
            "#fffdf0",
        )
    )
)


@pytest.mark.parametrize("moulding", ["chamfer", "bead", "ogee"])
def test_a_ramp_of_nine_opaque_stops_is_as_clean_as_a_picture_four_times_as_large(moulding):
    """At 1x every px is about the mean of the sixteen px there: no jagged edge, no double line."""
    shape = turned_square(100, 100, 70, 17)
    coat = bare(ramp=NINE, moulding=Moulding(profile=moulding), height=Length(22))
    one = lit(coat, context(shape, 200, bearing=320, elevation=42), 200)
    four = context(shape * 4, 800, em=400.0, bearing=320, elevation=42)
    large = lit(msgspec.structs.replace(coat, height=Length(88)), four, 800)
    reduced = large.reshape(4, 200, 4, 200, 4).mean((2, 4))
    d = context(shape, 200).shape.distance
    inside = d > 1
    off = np.abs(one - reduced)[:3].max(0)[inside]
    assert off.mean() < 0.006
    assert np.quantile(off, 0.99) < 0.07


@pytest.mark.parametrize(
    ("text", "family", "size", "x"),
    [
        ("IIII", "Great Vibes", 9.0, 160),
        ("AGO", "Unbounded", 120.0, 160),
        ("GO", "Anton", 120.0, 5000),
        ("GO", "Anton", 120.0, -400),
        ("GO", "Anton", 0.4, 160),
        ("", "Anton", 120.0, 160),
    ],
)
def test_thin_crossing_and_absent_letters_are_lit_without_stalling(text, family, size, x):
    from anole.core.model import Font, Place

    made = board(
        Stroke(id="s", join="cut"),
        Fill(id="f"),
        bare(height=Length(0.1, "em")),
        bare(rounding=1, silhouette="whole"),
        Grain(id="g"),
        Sheen(id="e"),
        Gloss(id="o", frame="letter"),
        text=text,
        font=Font(family=family),
        size=size,
        place=Place(x=x, y=90),
    )
    made = msgspec.structs.replace(
        made,
        pieces=(
            made.pieces[0],
            msgspec.structs.replace(
                made.pieces[1],
                style=tuple(
                    msgspec.structs.replace(c, id=f"c{n}")
                    for n, c in enumerate(made.pieces[1].style)
                ),
            ),
        ),
    )
    assert sound(pixels(made))
