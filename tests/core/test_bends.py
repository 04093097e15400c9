"""Rails, ring, chance, corners and pose against their formulas; scripts against HarfBuzz."""

import math

import msgspec
import numpy as np
import pytest
import uharfbuzz as hb
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.lettering import bidi
from anole.core.lettering.bent import chords as bent_chords
from anole.core.lettering.block import TypeSetting, block
from anole.core.lettering.fonts import find, load
from anole.core.lettering.itemise import replaced_letters, runs
from anole.core.lettering.outline import chords, corners, outline
from anole.core.lettering.shaping import shape_line
from anole.core.lettering.warp import (
    Bends,
    Warp,
    chance,
    pose_matrix,
    projected,
    quad_matrix,
    rail,
    warped_by_rails,
)
from anole.core.model import (
    Corners,
    FeatureTags,
    FitBox,
    Font,
    Length,
    Lettering,
    Letters,
    ModelError,
    Place,
    Pose,
    Rail,
    Ring,
    Tags,
    Wave,
    from_builtins,
)

from .shapes import board, pixels, sound

BOX = (0.0, -1.0, 4.0, 0.5)
PLAIN = Bends("block", Rail(), Rail(), None, 0.0, None, None, None)
ANTON, _ = find(Font(family="Anton"))


def words(text="HOH", **more):
    return Lettering(id="w", text=text, size=Length(100), place=Place(x=300, y=300), **more)


def points(count=200):
    rng = np.random.default_rng(8)
    return rng.uniform((0, -1), (4, 0.5), (count, 2))


def test_a_rail_is_the_formula_of_the_model():
    s = np.linspace(0, 1, 41)
    line = Rail(slope=0.3, camber=-0.2, wave=Wave(height=0.1, count=2.5, phase=0.25))
    want = [
        0.3 * (v - 0.5)
        - 0.2 * (1 - (2 * v - 1) ** 2)
        + 0.1 * math.sin(2 * math.pi * (2.5 * v + 0.25))
        for v in s
    ]
    np.testing.assert_allclose(rail(line, s), want, atol=1e-12)


def test_points_move_in_proportion_between_the_rails():
    head, foot = Rail(camber=0.4), Rail(slope=0.2)
    found = warped_by_rails(points(), BOX, head, foot)
    for (x, y), (u, v) in zip(points(), found, strict=True):
        s, height = x / 4, 1.5
        top = -1 - height * 0.4 * (1 - (2 * s - 1) ** 2)
        low = 0.5 - height * 0.2 * (s - 0.5)
        assert u == x
        assert v == pytest.approx(top + (y + 1) / height * (low - top))


@given(*[st.floats(-1, 1)] * 6)
def test_rails_never_cross(slope, camber, height, slope2, camber2, height2):
    head = Rail(slope=slope, camber=camber, wave=Wave(height=height))
    foot = Rail(slope=slope2, camber=camber2, wave=Wave(height=height2))
    xs = np.linspace(0, 4, 30)
    top = warped_by_rails(np.column_stack([xs, np.full(30, -1.0)]), BOX, head, foot)
    low = warped_by_rails(np.column_stack([xs, np.full(30, 0.5)]), BOX, head, foot)
    assert (low[:, 1] - top[:, 1] >= 0.15 - 1e-9).all()


def test_letters_stand_on_a_circle():
    line = outline(words("IIIII", ring=Ring(radius=Length(3, "em"))), 96)
    feet = Warp(line.block, line.bends)
    found = feet(feet._feet, np.arange(5))
    middle = ((line.block.box[0] + line.block.box[2]) / 2, 3.0)
    np.testing.assert_allclose(np.hypot(*(found - middle).T), 3.0, atol=1e-9)
    # letters keep their size: they are turned, not bent
    one = chords(outline(words("I"), 96), 1.0)
    ring = chords(line, 1.0)
    length = np.hypot(one[:, 2] - one[:, 0], one[:, 3] - one[:, 1]).sum()
    assert np.hypot(ring[:, 2] - ring[:, 0], ring[:, 3] - ring[:, 1]).sum() == pytest.approx(
        5 * length, rel=1e-3
    )


def test_a_straight_line_stays_straight_in_a_quad():
    quad = Corners(top_left=(-0.5, 0.2), top_right=(0.4, 0), bottom_left=(0.1, 0.6))
    matrix = quad_matrix(BOX, quad)
    for x, y, dx, dy in ((0, -1, -0.5, 0.2), (4, -1, 0.4, 0), (0, 0.5, 0.1, 0.6), (4, 0.5, 0, 0)):
        np.testing.assert_allclose(
            projected(np.array([[x, y]], float), matrix), [[x + dx, y + dy]], atol=1e-9
        )
    t = np.linspace(0, 1, 20)[:, None]
    line = projected(np.array([0.3, -0.8]) * (1 - t) + np.array([3.6, 0.4]) * t, matrix)
    along, away = line[-1] - line[0], line - line[0]
    assert np.abs(along[0] * away[:, 1] - along[1] * away[:, 0]).max() < 1e-9


def test_a_flat_quad_does_no_harm():
    flat = Corners(top_left=(0, 1.5), top_right=(0, 1.5))
    made = board(text="A", size=60, corners=flat)
    assert sound(pixels(made))


def turned(x, y, pose):
    """The pose in three dimensions, step by step: swing, nod, roll, then the eye."""
    a, b, c = (math.radians(v) for v in (pose.turn_x, pose.turn_y, pose.turn_z))
    x, z = x * math.cos(b), -x * math.sin(b)
    y, z = y * math.cos(a) - z * math.sin(a), y * math.sin(a) + z * math.cos(a)
    x, y = x * math.cos(c) - y * math.sin(c), x * math.sin(c) + y * math.cos(c)
    scale = pose.distance / (pose.distance - z)
    return x * scale, y * scale


@pytest.mark.parametrize(
    "pose",
    [
        Pose(turn_x=30),
        Pose(turn_y=-50, distance=6),
        Pose(turn_z=90),
        Pose(turn_x=20, turn_y=35, turn_z=-15, distance=5),
    ],
)
def test_a_pose_is_a_turn_in_space(pose):
    found = projected(points(40), pose_matrix(BOX, pose))
    middle = np.array([2.0, -0.25])
    want = [middle + turned(*(p - middle), pose) for p in points(40)]
    np.testing.assert_allclose(found, want, atol=1e-9)


def test_a_nod_sends_the_head_back():
    top = projected(np.array([[0.0, -1.0], [4.0, -1.0]]), pose_matrix(BOX, Pose(turn_x=40)))
    low = projected(np.array([[0.0, 0.5], [4.0, 0.5]]), pose_matrix(BOX, Pose(turn_x=40)))
    assert np.ptp(top[:, 0]) < np.ptp(low[:, 0])


def test_chance_is_the_same_for_the_same_seed_and_keeps_to_its_reach():
    letters = Letters(shift=0.2, turn=30, grow=0.4, seed=5)
    first, again = chance(letters, 40), chance(letters, 50)[:40]
    np.testing.assert_array_equal(first, again)
    assert np.abs(first[:, :2]).max() <= 0.2
    assert np.abs(np.degrees(first[:, 2])).max() <= 30
    assert np.abs(chance(msgspec.structs.replace(letters, seed=6), 40) - first).max() > 0.05


def test_chords_of_a_bent_line_stay_within_their_tolerance():
    flat = np.linspace([0.0, 0.0], [300.0, 0.0], 4)[None]

    def circle(p, _):
        return np.column_stack([100 * np.sin(p[:, 0] / 100), 100 - 100 * np.cos(p[:, 0] / 100)])

    found = bent_chords(flat, np.zeros(1, int), circle, 0.05)
    middle = (found[:, :2] + found[:, 2:]) / 2
    assert np.abs(np.hypot(middle[:, 0], middle[:, 1] - 100) - 100).max() < 0.06
    np.testing.assert_allclose(found[1:, :2], found[:-1, 2:], atol=1e-9)
    assert len(found) < 80


def test_a_straight_bend_is_no_bend():
    plain, bent = outline(words(), 96), outline(words(pose=Pose()), 96)
    assert not plain.bends.bent
    assert bent.bends.bent
    a, b = pixels(board(text="HO")), pixels(board(text="HO", pose=Pose()))
    assert np.abs(a - b).max() < 0.01


def test_bends_stay_sharp_when_enlarged():
    arched = words("BOUT\nNIGHT", head=Rail(camber=0.4), foot=Rail(camber=0.4))
    small, large = (chords(outline(arched, 96), s) for s in (1.0, 8.0))
    assert len(large) > len(small)
    assert small[:, 0::2].max() * 8 == pytest.approx(large[:, 0::2].max(), abs=0.5)


def test_rails_bend_all_lines_or_each():
    both = Rail(camber=0.3)
    for rails in ("block", "line"):
        line = outline(words("II\nII", rails=rails, head=both, foot=both), 96)
        assert len(chords(line, 1.0)) > 30
    block_rails, line_rails = (
        Warp(
            block(TypeSetting("II\nII", Font(), 0, 1.2, "start")),
            PLAIN._replace(rails=r, head=both),
        )
        for r in ("block", "line")
    )
    glyph_, low = np.array([[0.5, -0.5]]), np.array([0])
    assert not np.allclose(block_rails(glyph_, low), line_rails(glyph_, low))


@pytest.mark.parametrize(("fit", "em"), [("none", 100), ("shrink", 100), ("fill", None)])
def test_words_are_fitted_to_a_box(fit, em):
    piece = words("HO", box=FitBox(width=4000, height=500, fit=fit))
    line = outline(piece, 96)
    if em:
        assert line.em == em
    else:
        x0, y0, x1, y1 = line.block.box
        assert max((x1 - x0) * line.em / 4000, (y1 - y0) * line.em / 500) == pytest.approx(1)
    small = outline(msgspec.structs.replace(piece, box=FitBox(width=50, height=30, fit=fit)), 96)
    assert small.em == 100 if fit == "none" else small.em < 100
    tiny = outline(msgspec.structs.replace(piece, box=FitBox(width=1, height=1, fit=fit)), 96)
    assert tiny.em > 0


def test_corners_follow_the_quad():
    piece = words("HO", corners=Corners(top_left=(0.5, 0.25)))
    moved, plain = corners(outline(piece, 96)), corners(outline(words("HO"), 96))
    np.testing.assert_allclose(moved[0] - plain[0], (50, 25), atol=1e-6)
    np.testing.assert_allclose(moved[2], plain[2], atol=1e-6)


def test_justified_lines_are_as_wide_as_the_widest():
    found = block(TypeSetting("A B C\nWWWWWWWW\nII", Font(), 0.0, 1.0, "justify"))
    assert {round(line.x1, 6) for line in found.lines} == {round(found.box[2], 6)}
    last = [glyph_ for glyph_ in found.glyphs if glyph_.line == 2]
    assert last[1].x > 1.5


def test_rules_lie_under_and_through_the_words():
    plain = block(TypeSetting("HO", Font(), 0, 1, "start"))
    ruled = block(TypeSetting("HO", Font(), 0, 1, "start", True, False))
    assert ruled.curves[..., 1].max() > plain.curves[..., 1].max()
    struck = block(TypeSetting("H H", Font(), 0, 1, "start", False, True))
    assert len(struck.curves) != len(block(TypeSetting("H H", Font(), 0, 1, "start")).curves)


def test_hard_pixels_of_a_pixel_font_stay_on_the_grid():
    made = board(text="Ab", size=32, smoothing=False, font=Font(family="Press Start 2P"))
    line = outline(made.lettering("words"), 96)
    grid = chords(line, 1.0)
    np.testing.assert_allclose(grid, np.round(grid), atol=1e-6)


SCRIPTS = {
    "kerning": ("Anton", "AVATAR To"),
    "ligature": ("Great Vibes", "office flight"),
    "Arabic": ("Cairo", "سلام عليكم"),
    "Hebrew": ("Heebo", "שָׁלוֹם"),
    "Devanagari": ("Noto Sans Devanagari", "क्षत्रिय नमस्ते"),
    "Japanese": ("Dela Gothic One", "ローラー祭"),
    "marks": ("Inter", "e\u0301o\u0308"),
}


@pytest.mark.parametrize("name", SCRIPTS)
def test_each_script_is_shaped_as_harfbuzz_shapes_it(name):
    family, text = SCRIPTS[name]
    file, found = find(Font(family=family))
    assert found
    buffer = hb.Buffer()
    buffer.add_str(text)
    buffer.guess_segment_properties()
    hb.shape(load(file).hb_font, buffer)
    line = shape_line(file, text, 0.0)
    assert {g.file.family for g in line.glyphs} == {family}
    assert [g.glyph for g in line.glyphs] == [i.codepoint for i in buffer.glyph_infos]


def test_mixed_directions_stand_in_visual_order():
    base, parts = runs("abc שלום 12 def", ANTON)
    assert base == 0
    text = "abc שלום 12 def"
    shown = [text[p.start : p.end].strip() for p in parts if text[p.start : p.end].strip()]
    assert shown == ["abc", "12", "שלום", "def"]
    assert bidi.levels("שלום")[0] == 1


@pytest.mark.parametrize(
    ("levels", "order"),
    [([0, 1, 0], [0, 1, 2]), ([1, 2, 1], [2, 1, 0]), ([0, 1, 2, 1], [0, 3, 2, 1])],
)
def test_visual_order_is_rule_l2(levels, order):
    assert bidi.visual_order(levels) == order


def test_letters_the_font_lacks_are_named():
    found = replaced_letters("Aस् ا", ANTON)
    assert found == {"स": "Noto Sans Devanagari", "ا": "Cairo"}
    assert replaced_letters("\ue123", ANTON) == {"\ue123": ""}


def test_features_are_switched():
    file, _ = find(Font(family="Great Vibes"))
    plain = shape_line(file, "fi", 0.0)
    apart = shape_line(file, "fi", 0.0, (("liga", 0), ("calt", 0)))
    assert len(apart.glyphs) == 2
    assert [g.glyph for g in plain.glyphs] != [g.glyph for g in apart.glyphs]


def test_tags_are_keys_and_refuse_nonsense():
    assert hash(Tags({"wght": 700, "opsz": 12})) == hash(Tags({"opsz": 12, "wght": 700}))
    for wrong in ({"toolong": 1}, {"wght": float("nan")}, {"": 1}, {"wght": "x"}):
        with pytest.raises(ValueError):
            Tags(wrong)
    for wrong in ({"liga": -1}, {"salt": -0.001}, {"aalt": 1e9}):
        with pytest.raises(ValueError):
            FeatureTags(wrong)
        with pytest.raises(ModelError, match="number from 0"):
            from_builtins({"features": wrong}, Font)
    assert from_builtins({"features": {"salt": 2}}, Font).features == FeatureTags({"salt": 2})


bends = st.fixed_dictionaries(
    {},
    optional={
        "head": st.builds(Rail, slope=st.floats(-1, 1), camber=st.floats(-1, 1)),
        "foot": st.builds(
            Rail, wave=st.builds(Wave, height=st.floats(-1, 1), count=st.floats(0, 9))
        ),
        "ring": st.builds(
            Ring, radius=st.builds(Length, st.floats(0.05, 9), st.just("em")), inside=st.booleans()
        ),
        "letters": st.builds(
            Letters, shift=st.floats(0, 1), turn=st.floats(0, 360), grow=st.floats(0, 0.9)
        ),
        "corners": st.builds(Corners, top_left=st.tuples(*[st.floats(-3, 3)] * 2)),
        "pose": st.builds(Pose, turn_x=st.floats(-85, 85), turn_y=st.floats(-85, 85)),
        "text": st.sampled_from(["", "I", "Ro\nll", "a b"]),
    },
)


@settings(max_examples=20, deadline=None)
@given(bends)
def test_any_bend_gives_finite_chords(fields):
    fields = {"text": "Roll"} | fields
    found = chords(outline(words(**fields), 96), 1.0)
    assert np.isfinite(found).all()


def test_letters_that_run_to_a_vanishing_line_are_not_cut_ever_finer():
    """Corners turned inside out put it amid the letters: what lies millions of px away is coarse,
    and uniting it takes no minutes."""
    folded = words(
        text="a b",
        corners=Corners(top_left=(1.868, -2.2046)),
        letters=Letters(shift=0.9, grow=0.664),
        pose=Pose(turn_y=2.62),
    )
    found = chords(outline(folded, 96), 1.0)
    assert np.abs(found).max() > 1e7
    assert 100 < len(found) < 15_000
