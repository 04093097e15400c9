"""CSS gradient text: the standard's own examples, nonsense, and the way there and back."""

import contextlib
import math
import re

import numpy as np
import pytest
from coloraide import Color
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.files.css import CssError, parse, text
from anole.core.library import gradients
from anole.core.model import Colour, Gradient, Stop, from_builtins, to_builtins
from anole.core.model.board import NamedGradient
from anole.core.paint.clusters import Found, colours_of, gradient_of, pair_of
from anole.core.paint.gradient import rasterise
from anole.core.paint.stops import STEPS, table_of


def places(css):
    made = parse(css)
    return [
        (str(s.colour), pytest.approx(made.offset + s.at * made.scale, abs=1e-4))
        for s in made.stops
    ]


RED, BLUE, YELLOW = "#ff0000", "#0000ff", "#ffff00"


@pytest.mark.parametrize(
    ("css", "found"),
    [
        # CSS Images 3 and 4, examples of sections 3.1 to 3.5
        ("linear-gradient(yellow, blue)", [(YELLOW, 0), (BLUE, 1)]),
        (
            "linear-gradient(white 20%, black 0%, red)",
            [("#ffffff", 0.2), ("#000000", 0.2), (RED, 1)],
        ),
        (
            "linear-gradient(red 40%, white, black, blue)",
            [(RED, 0.4), ("#ffffff", 0.6), ("#000000", 0.8), (BLUE, 1)],
        ),
        ("linear-gradient(red -50%, white, blue)", [(RED, -0.5), ("#ffffff", 0.25), (BLUE, 1)]),
        ("linear-gradient(red, white 70%, blue 40%)", [(RED, 0), ("#ffffff", 0.7), (BLUE, 0.7)]),
        (
            "linear-gradient(red 80%, white 0%, black, blue)".replace(
                "0%, black, blue", "0%, blue 100%"
            ),
            [(RED, 0.8), ("#ffffff", 0.8), (BLUE, 1)],
        ),
        ("linear-gradient(yellow, blue 20%, #0f0)", [(YELLOW, 0), (BLUE, 0.2), ("#00ff00", 1)]),
        (
            "linear-gradient(#f00 0 50%, #00f 50% 100%)",
            [(RED, 0), (RED, 0.5), (BLUE, 0.5), (BLUE, 1)],
        ),
        ("linear-gradient(0%  red, 100% blue)", [(RED, 0), (BLUE, 1)]),
        ("radial-gradient(yellow, green)", [(YELLOW, 0), ("#008000", 1)]),
        ("radial-gradient(red -50%, yellow 150%)", [(RED, -0.5), (YELLOW, 1.5)]),
        ("conic-gradient(red 0deg, blue 90deg)", [(RED, 0), (BLUE, 0.25)]),
        ("conic-gradient(#f06, gold)", [("#ff0066", 0), ("#ffd700", 1)]),
        (
            "conic-gradient(black 25%, white 0deg 50%, black 0deg 75%, white 0deg)",
            [
                ("#000000", 0.25),
                ("#ffffff", 0.25),
                ("#ffffff", 0.5),
                ("#000000", 0.5),
                ("#000000", 0.75),
                ("#ffffff", 0.75),
            ],
        ),
        ("conic-gradient(white -50%, black 150%)", [("#ffffff", -0.5), ("#000000", 1.5)]),
        (
            "conic-gradient(yellowgreen 40%, gold 0deg 75%, #f06 0deg)",
            [("#9acd32", 0.4), ("#ffd700", 0.4), ("#ffd700", 0.75), ("#ff0066", 0.75)],
        ),
        ("repeating-linear-gradient(red 10%, blue 20%)", [(RED, 0.1), (BLUE, 0.2)]),
        (
            "repeating-conic-gradient(hsla(0,0%,100%,.2) 0deg 15deg, hsla(0,0%,100%,0) 0deg 30deg)",
            [("#ffffff33", 0), ("#ffffff33", 1 / 24), ("#ffffff00", 1 / 24), ("#ffffff00", 1 / 12)],
        ),
    ],
)
def test_stops_stand_where_css_puts_them(css, found):
    # a last stop before 100 % is followed by its own colour
    assert [p for p in places(css) if p[1] != 1.0][: len(found)] == [p for p in found if p[1] != 1][
        : len(found)
    ]
    made = parse(css)
    assert made.offset + made.scale >= found[-1][1] - 1e-6


@pytest.mark.parametrize(
    ("css", "angle"),
    [
        ("linear-gradient(red, blue)", 180),
        ("linear-gradient(to bottom, red, blue)", 180),
        ("linear-gradient(180deg, red, blue)", 180),
        ("linear-gradient(to top, red, blue)", 0),
        ("linear-gradient(to right, red, blue)", 90),
        ("linear-gradient(0, red, blue)", 0),
        ("linear-gradient(-45deg, blue, yellow)", -45),
        ("linear-gradient(.25turn, red, blue)", 90),
        ("background: linear-gradient(100grad in oklch, red, blue);", 90),
        ("linear-gradient(in oklch 90deg, red, blue)", 90),
        ("linear-gradient(in oklch, red, blue)", 180),
        ("linear-gradient(135deg, yellow, blue)", 135),
        ("conic-gradient(from 45deg at center, red, blue)", 45),
        ("conic-gradient(red, blue)", 0),
        ("conic-gradient(from 0, red, blue)", 0),
        ("conic-gradient(at 10% 20%, red, blue)", 0),
    ],
)
def test_directions(css, angle):
    assert parse(css).angle == pytest.approx(angle)


@pytest.mark.parametrize(
    ("css", "space"),
    [
        ("linear-gradient(red, blue)", "srgb"),
        ("radial-gradient(#f00, hsl(20 80% 50%))", "srgb"),
        ("conic-gradient(rgb(10% 20% 30%), hwb(120 10% 20%))", "srgb"),
        ("linear-gradient(red, oklch(70% 0.1 200))", "oklab"),
        ("linear-gradient(lab(50% 20 30), blue)", "oklab"),
        ("linear-gradient(color(srgb 1 0 0), blue)", "oklab"),
        ("linear-gradient(in srgb, color(srgb 1 0 0), blue)", "srgb"),
        ("linear-gradient(in hsl shorter hue, red, blue)", "hsl"),
        ("radial-gradient(in oklab, red, blue)", "oklab"),
    ],
)
def test_colours_mix_where_css_says(css, space):
    assert parse(css).space == space


@pytest.mark.parametrize(
    ("text", "true"),
    [
        ("hsl(20 80% 50%)", "#e65d1a"),
        ("rgb(10% 20% 30%)", "#1a334d"),
        ("hwb(120 10% 20%)", "#1acc1a"),
        ("lab(50% 20 30)", "#a26a45"),
        ("rgba(255, 0, 0, .5)", "#ff000080"),
        ("#0f08", "#00ff0088"),
        ("rebeccapurple", "#663399"),
        ("transparent", "#00000000"),
    ],
)
def test_any_css_colour_is_a_stop(text, true):
    for css in (f"linear-gradient({text}, {text} 40%)", f"conic-gradient(10% {text}, blue)"):
        found, wanted = parse(css).stops[0].colour, Colour.parse(true)
        assert [found.r, found.g, found.b, found.a] == pytest.approx(
            [wanted.r, wanted.g, wanted.b, wanted.a], abs=1
        )


def test_spaces_hues_and_hints():
    made = parse(
        "linear-gradient(in oklch longer hue, rgb(255 0 0 / 50%), 20%, oklch(0.7 0.1 200))"
    )
    assert (made.space, made.hue, made.stops[0].hint) == ("oklch", "longer", pytest.approx(0.2))
    assert made.stops[0].colour.a == 128


@pytest.mark.parametrize(
    ("css", "x", "y"),
    [
        ("at center", 0.5, 0.5),
        ("at left", 0, 0.5),
        ("at top", 0.5, 0),
        ("at 20%", 0.2, 0.5),
        ("at 20% 30%", 0.2, 0.3),
        ("at top left", 0, 0),
        ("at left top", 0, 0),
        ("at center bottom", 0.5, 1),
        ("at bottom center", 0.5, 1),
        ("at right 25%", 1, 0.25),
        ("at right 20% bottom 10%", 0.8, 0.9),
        ("at bottom 10% right 20%", 0.8, 0.9),
        ("at 0 0", 0, 0),
        ("at -20% 130%", -0.2, 1.3),
    ],
)
def test_middles(css, x, y):
    for head in (css, f"circle {css}", f"closest-side {css} in oklch"):
        made = parse(f"radial-gradient({head}, red, blue)")
        assert (made.x + 0.5, made.y + 0.5) == pytest.approx((x, y))
    made = parse(f"conic-gradient(from 33deg {css}, red, blue)")
    assert (made.x + 0.5, made.y + 0.5) == pytest.approx((x, y))


FRAMES = ((10.0, 20.0, 210.0, 80.0), (0.0, 0.0, 60.0, 90.0))


def at_px(made, frame, x, y):
    """Where on the gradient a px of a frame lies, by the standard's words; stops' own shares."""
    x0, y0, x1, y1 = frame
    w, h = x1 - x0, y1 - y0
    px, py = x + 0.5 - x0 - w / 2, y + 0.5 - y0 - h / 2
    a = math.radians(made)
    length = abs(w * math.sin(a)) + abs(h * math.cos(a))
    return 0.5 + (px * math.sin(a) - py * math.cos(a)) / length


def shares(css, frame):
    """t of each px of a frame, read from a black-to-white picture."""
    made = parse(css)
    box = Box(*(int(v) for v in frame))
    picture = rasterise(made, frame, box)[0]
    return np.broadcast_to(picture, (box.height, box.width))


@pytest.mark.parametrize("frame", FRAMES)
@pytest.mark.parametrize(
    ("corner", "angle"),
    [
        ("to top right", lambda w, h: math.degrees(math.atan2(h, w))),
        ("to bottom right", lambda w, h: 180 - math.degrees(math.atan2(h, w))),
        ("to top left", lambda w, h: -math.degrees(math.atan2(h, w))),
        ("to left bottom", lambda w, h: 180 + math.degrees(math.atan2(h, w))),
    ],
)
def test_a_corner_is_met_on_any_frame(corner, angle, frame):
    """The 50 % line runs through the two corners beside it (CSS Images 4, 3.1.1)."""
    x0, y0, x1, y1 = frame
    found = shares(f"linear-gradient({corner}, black, white)", frame)
    for x, y in ((0, 0), (30, 10), (int(x1 - x0) - 1, int(y1 - y0) - 1)):
        true = at_px(angle(x1 - x0, y1 - y0), frame, x + x0, y + y0)
        assert found[y, x] == pytest.approx(min(max(true, 0), 1), abs=4e-3)
    beside = (
        [(0, 0), (-1, -1)] if corner in ("to top right", "to left bottom") else [(0, -1), (-1, 0)]
    )
    for y, x in beside:
        assert found[y, x] == pytest.approx(0.5, abs=0.02)


SIZES = {
    "closest-side": lambda west, east, north, south: (
        min(west, east),
        min(north, south),
        min(west, east, north, south),
    ),
    "farthest-side": lambda west, east, north, south: (
        max(west, east),
        max(north, south),
        max(west, east, north, south),
    ),
    "closest-corner": lambda west, east, north, south: (
        2**0.5 * min(west, east),
        2**0.5 * min(north, south),
        math.hypot(min(west, east), min(north, south)),
    ),
    "farthest-corner": lambda west, east, north, south: (
        2**0.5 * max(west, east),
        2**0.5 * max(north, south),
        math.hypot(max(west, east), max(north, south)),
    ),
}


@pytest.mark.parametrize("frame", FRAMES)
@pytest.mark.parametrize("extent", SIZES)
@pytest.mark.parametrize("form", ["circle", "ellipse"])
def test_round_gradients_reach_what_css_says(form, extent, frame):
    x0, y0, x1, y1 = frame
    cx, cy = x0 + 0.3 * (x1 - x0), y0 + 0.6 * (y1 - y0)
    rx, ry, radius = SIZES[extent](cx - x0, x1 - cx, cy - y0, y1 - cy)
    if form == "circle":
        rx = ry = radius
    found = shares(f"radial-gradient({form} {extent} at 30% 60%, black -20%, white 80%)", frame)
    for x, y in ((3, 5), (40, 40), (55, 12)):
        t = math.hypot((x + 0.5 + x0 - cx) / rx, (y + 0.5 + y0 - cy) / ry)
        assert found[y, x] == pytest.approx(min(t + 0.2, 1), abs=6e-3)


def test_what_repeats_round_a_point_starts_where_it_says():
    found = shares(
        "repeating-radial-gradient(circle closest-side, black 20%, white 60%)", FRAMES[0]
    )
    for x in (101, 112, 120, 140):
        t = (math.hypot(x + 0.5 - 100, 0.5) / 30 - 0.2) / 0.4 % 1
        if 0.05 < t < 0.95:
            assert found[30, x] == pytest.approx(t, abs=0.03)
    found = shares("repeating-conic-gradient(from 90deg, black 10deg, white 50deg)", FRAMES[0])
    for degrees in (20, 41, 77, 200):
        x, y = 100 + 25 * math.cos(math.radians(degrees)), 30 + 25 * math.sin(math.radians(degrees))
        turn = math.degrees(math.atan2(int(y) + 0.5 - 30, int(x) + 0.5 - 100))
        t = (turn - 10) / 40 % 1
        if 0.05 < t < 0.95:
            assert found[int(y), int(x)] == pytest.approx(t, abs=0.02)


@pytest.mark.parametrize(
    "colour",
    [
        "oklch(70% 0.4 150)",
        "color(display-p3 1 0 0)",
        "oklch(45% 0.5 264 / 40%)",
        "lab(60 -120 80)",
    ],
)
def test_a_colour_beyond_srgb_is_brought_in_with_its_hue_and_lightness(colour):
    found = parse(f"linear-gradient({colour}, red)").stops[0].colour
    there, here = (c.convert("oklch") for c in (Color(colour), Color("srgb", found.floats[:3])))
    assert abs(here["lightness"] - there["lightness"]) < 0.03
    assert abs((here["hue"] - there["hue"] + 180) % 360 - 180) < 12
    assert here["chroma"] < there["chroma"]
    assert found.floats[3] == pytest.approx(there.alpha(), abs=3e-3)


@pytest.mark.parametrize(
    ("head", "first", "last"),
    [("circle", 0.1, 0.3), ("circle at 20% 70%", 0.35, 0.5), ("closest-side", 0.9, 1.3)],
)
def test_repeating_rings_run_inward_too(head, first, last):
    """Below its first place a list of stops repeats as beyond its last (CSS Images 4, 3.6)."""
    css = f"repeating-radial-gradient({head}, black {first:%}, white {last:%})"
    plain = f"radial-gradient({head}, black 0%, white 100%)"
    for frame in FRAMES:
        along, found = shares(plain, frame), shares(css, frame)
        t = (along - first) / (last - first) % 1
        clear = (along < 0.99) & (t > 0.08) & (t < 0.92)
        assert (along[clear] < first).any()
        assert np.abs(found - t)[clear].max() < 0.06


@pytest.mark.parametrize(
    ("css", "why"),
    [
        ("", "not one"),
        ("red", "not one"),
        ("url(x)", "not one"),
        ("linear-gradient()", "missing"),
        ("linear-gradient(red", "pair"),
        ("linear-gradient(red, blue))", "pair"),
        ("linear-gradient(" * 50, "pair"),
        ("linear-gradient(red, notacolour)", "notacolour"),
        ("linear-gradient(20%, red)", "direction"),
        ("linear-gradient(red, 20%, 30%, blue)", "hints"),
        ("linear-gradient(red, , blue)", "missing"),
        ("linear-gradient(in lab, red, blue)", "'lab'"),
        ("linear-gradient(in oklab longer hue, red, blue)", "oklab"),
        ("linear-gradient(45deg in oklch 20deg, red, blue)", "before"),
        ("linear-gradient(red 10px, blue)", "10px"),
        ("linear-gradient(red 10deg, blue)", "10deg"),
        ("linear-gradient(red calc(10% + 2%), blue)", "calc"),
        ("conic-gradient(red 10px, blue)", "10px"),
        ("linear-gradient(up, red, blue)", "up"),
        ("linear-gradient(to up, red, blue)", "up"),
        ("linear-gradient(to left right, red, blue)", "direction"),
        ("linear-gradient(45deg 50deg, red, blue)", "45deg 50deg"),
        ("linear-gradient(1..2deg, red, blue)", "1"),
        ("conic-gradient(45deg, red, blue)", "from"),
        ("conic-gradient(from 45deg 50deg, red, blue)", "start"),
        ("conic-gradient(from 10%, red, blue)", "start"),
        ("radial-gradient(circle 30px, red, blue)", "30px"),
        ("radial-gradient(30% 40%, red, blue)", "30%"),
        ("radial-gradient(circle ellipse, red, blue)", "form"),
        ("radial-gradient(at left right, red, blue)", "place"),
        ("radial-gradient(at top 20%, red, blue)", "place"),
        ("radial-gradient(at 10px 20%, red, blue)", "10px"),
        ("radial-gradient(at, red, blue)", "place"),
        ("radial-gradient(at 1% 2% 3%, red, blue)", "place"),
        ("linear-gradient(rgb(none 0 0), red)", "none"),
        ("linear-gradient(currentcolor, red)", "currentcolor"),
        ("linear-gradient(red 10% 20% 30%, blue)", "two places"),
        ("linear-gradient(red blue, blue)", "more than"),
        ("repeating-linear-gradient(red 50%, blue 50%)", "apart"),
        ("cross-fade(red, blue)", "cross-fade"),
        ("linear-gradient(red 1e9%, blue)", "within"),
        ("linear-gradient(" + "red," * 70 + "red)", "64"),
        ("x" * 30_000, "long"),
        ("linear-gradient(red, 'blue')", "blue"),
        ("linear-gradient(red, [blue])", "blue"),
    ],
)
def test_nonsense_and_what_cannot_be_carried_is_refused_by_name(css, why):
    with pytest.raises(CssError, match=re.escape(why)):
        parse(css)


TOKENS = st.lists(
    st.sampled_from(
        [
            "red",
            "#f00",
            "hsl(20 80% 50%)",
            "in",
            "oklch",
            "longer",
            "hue",
            "to",
            "left",
            "top",
            "from",
            "at",
            "circle",
            "closest-side",
            "45deg",
            "1..2deg",
            "0",
            "20%",
            "-30%",
            "10px",
            ",",
            ",",
            ",",
            "none",
            "1e999%",
            "rgb(",
            ")",
            "calc(1%)",
            "/",
            "nan",
            "{",
            "'",
            "\\",
            "\0",
        ]
    ),
    max_size=14,
).map(" ".join)


@settings(max_examples=400)
@given(
    st.sampled_from(["linear", "radial", "conic", "repeating-linear", "repeating-radial"]),
    TOKENS | st.text(max_size=60),
)
def test_any_text_is_read_or_refused(name, inside):
    with contextlib.suppress(CssError):
        made = parse(f"{name}-gradient({inside})")
        assert from_builtins(to_builtins(made), Gradient) == made


colours = st.builds(Colour, *[st.integers(0, 255)] * 4)
made = st.builds(
    Gradient,
    stops=st.lists(
        st.builds(Stop, st.floats(0, 1).map(lambda v: round(v, 3)), colours), min_size=2, max_size=6
    ).map(lambda found: tuple(sorted(found, key=lambda s: s.at))),
    shape=st.sampled_from(["linear", "radial", "conic"]),
    spread=st.sampled_from(["pad", "repeat"]),
    space=st.sampled_from(["srgb", "oklab", "oklch"]),
    reversed=st.booleans(),
    angle=st.integers(0, 359),
    form=st.sampled_from(["circle", "ellipse"]),
    x=st.sampled_from([0.0, 0.2, -0.7]),
    y=st.sampled_from([0.0, 0.35]),
    extent=st.sampled_from(["farthest-corner", "farthest-side", "closest-side", "closest-corner"]),
)


@given(made)
def test_there_and_back_shows_the_same_colours(gradient):
    again = parse(text(gradient))
    if gradient.spread == "pad":

        def shown(g, t):
            table = table_of(g)
            return table[:, min(max(int((t - g.offset) / g.scale * STEPS), 0), STEPS - 1)]

        ats = [stop.at for stop in gradient.stops]
        for t in (0.11, 0.37, 0.52, 0.83):
            if all(abs(t - at) > 2e-3 and abs(1 - t - at) > 2e-3 for at in ats):
                assert shown(again, t) == pytest.approx(shown(gradient, t), abs=0.02)
    fields = ["shape", "spread", "space"]
    fields += {"linear": [], "radial": ["form", "extent", "x", "y"], "conic": ["x", "y"]}[
        gradient.shape
    ]
    for name in fields:
        assert getattr(again, name) == getattr(gradient, name)
    if gradient.shape != "radial":
        assert again.angle == gradient.angle


@pytest.mark.parametrize(
    "corner", ["to top right", "to top left", "to right bottom", "to left bottom"]
)
def test_corners_are_written_as_corners(corner):
    made = parse(f"linear-gradient({corner}, red, blue)")
    assert made.fitted
    assert parse(text(made)) == made


def test_at_least_thirty_gradients_come_along():
    kept = gradients.ready_made()
    assert len(kept) >= 30
    assert len({k.name for k in kept}) == len(kept)


def test_the_users_gradients_are_kept_in_one_file():
    made = Gradient(angle=33)
    gradients.OWN.keep(NamedGradient("Mine", made))
    gradients.OWN.keep(NamedGradient("Other", Gradient()))
    gradients.OWN.keep(NamedGradient("Mine", Gradient(angle=44)))
    assert [(g.name, g.gradient.angle) for g in gradients.OWN.all()] == [
        ("Mine", 44),
        ("Other", 180),
    ]
    gradients.OWN.remove("Mine")
    assert [g.name for g in gradients.OWN.all()] == ["Other"]


def test_colours_are_found_in_a_picture_with_their_share():
    import numpy as np

    picture = np.zeros((40, 100, 4), np.uint8)
    picture[..., 3] = 255
    picture[:, :60] = (20, 30, 60, 255)
    picture[:, 60:90] = (220, 60, 40, 255)
    picture[:, 90:] = (250, 240, 200, 255)
    found = colours_of(picture, 3)
    assert [f.share for f in found] == pytest.approx([0.6, 0.3, 0.1], abs=0.02)
    assert [
        abs(a - b) < 6
        for f, w in zip(found, ((20, 30, 60), (220, 60, 40), (250, 240, 200)), strict=True)
        for a, b in zip((f.colour.r, f.colour.g, f.colour.b), w, strict=True)
    ] == [True] * 9
    stops = gradient_of(found).stops
    assert [s.at for s in stops] == pytest.approx([0, 0.692, 1], abs=0.02)
    picture[..., 3] = 0
    assert colours_of(picture) == []
    assert len(gradient_of([Found(Colour(1, 2, 3), 1.0)]).stops) == 2


def test_a_pair_has_one_hue():
    light, dark = pair_of(Colour.parse("#c86428"))
    assert sum(light.floats[:3]) > sum(Colour.parse("#c86428").floats[:3]) > sum(dark.floats[:3])
