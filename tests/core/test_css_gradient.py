"""CSS gradient text: the standard's own examples, nonsense, and the way there and back."""

import contextlib

import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.files.css_gradient import CssError, parse, text
from anole.core.library import gradients
from anole.core.model import Colour, Gradient, Stop
from anole.core.model.board import NamedGradient
from anole.core.paint.clusters import Found, colours_of, gradient_of, pair_of
from anole.core.paint.stops import STEPS, table_of


def places(css):
    made = parse(css)
    return [
        (str(s.colour), pytest.approx(made.offset + s.at * made.scale, abs=1e-4))
        for s in made.stops
    ]


@pytest.mark.parametrize(("css", "found"), [
    # CSS Images 4, examples of sections 3.1 to 3.5
    ("linear-gradient(yellow, blue)", [("#ffff00", 0), ("#0000ff", 1)]),
    ("linear-gradient(white 20%, black 0%, red)", [("#ffffff", 0.2), ("#000000", 0.2), ("#ff0000", 1)]),
    ("linear-gradient(red 40%, white, black, blue)", [("#ff0000", 0.4), ("#ffffff", 0.6), ("#000000", 0.8), ("#0000ff", 1)]),
    ("linear-gradient(red -50%, white, blue)", [("#ff0000", -0.5), ("#ffffff", 0.25), ("#0000ff", 1)]),
    ("linear-gradient(red, white 70%, blue 40%)", [("#ff0000", 0), ("#ffffff", 0.7), ("#0000ff", 0.7)]),
    ("linear-gradient(#f00 0 50%, #00f 50% 100%)".replace("0 50%", "0% 50%"), [("#ff0000", 0), ("#ff0000", 0.5), ("#0000ff", 0.5), ("#0000ff", 1)]),
    ("conic-gradient(red 0deg, blue 90deg)", [("#ff0000", 0), ("#0000ff", 0.25)]),
    ("repeating-linear-gradient(red 10%, blue 20%)", [("#ff0000", 0.1), ("#0000ff", 0.2)]),
])  # fmt: skip
def test_stops_stand_where_css_puts_them(css, found):
    assert places(css) == found


@pytest.mark.parametrize(("css", "angle"), [
    ("linear-gradient(red, blue)", 180), ("linear-gradient(to right, red, blue)", 90),
    ("linear-gradient(to top left, red, blue)", 315), ("linear-gradient(.25turn, red, blue)", 90),
    ("background: linear-gradient(100grad in oklch, red, blue);", 90),
    ("conic-gradient(from 45deg at center, red, blue)", 45), ("conic-gradient(red, blue)", 180),
])  # fmt: skip
def test_directions(css, angle):
    assert parse(css).angle == pytest.approx(angle)


def test_spaces_hues_and_hints():
    made = parse(
        "linear-gradient(in oklch longer hue, rgb(255 0 0 / 50%), 20%, oklch(0.7 0.1 200))"
    )
    assert (made.space, made.hue, made.stops[0].hint) == ("oklch", "longer", pytest.approx(0.2))
    assert made.stops[0].colour.a == 128
    assert parse("linear-gradient(red, blue)").space == Gradient().space
    assert parse("radial-gradient(circle at center, red, blue)").form == "circle"


@pytest.mark.parametrize("css", [
    "", "red", "linear-gradient()", "linear-gradient(red", "linear-gradient(red, blue))",
    "linear-gradient(red, notacolour)", "linear-gradient(20%, red)", "linear-gradient(red, 20%, 30%, blue)",
    "linear-gradient(in lab, red, blue)", "linear-gradient(red 10px, blue)", "linear-gradient(up, red, blue)",
    "linear-gradient(" * 50,
])  # fmt: skip
def test_nonsense_is_refused(css):
    with pytest.raises(CssError):
        parse(css)


@given(st.text(max_size=60))
def test_any_text_is_read_or_refused(inside):
    with contextlib.suppress(CssError):
        parse(f"linear-gradient({inside})")


colours = st.builds(Colour, *[st.integers(0, 255)] * 4)
made = st.builds(
    Gradient,
    stops=st.lists(st.builds(Stop, st.floats(0, 1).map(lambda v: round(v, 3)), colours), min_size=2, max_size=6)
    .map(lambda found: tuple(sorted(found, key=lambda s: s.at))),
    shape=st.sampled_from(["linear", "radial", "conic"]), spread=st.sampled_from(["pad", "repeat"]),
    space=st.sampled_from(["srgb", "oklab", "oklch"]), reversed=st.booleans(), angle=st.integers(0, 359),
)  # fmt: skip


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
    assert (again.shape, again.spread, again.space) == (
        gradient.shape,
        gradient.spread,
        gradient.space,
    )


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
    assert [abs(a - b) < 6 for f, w in zip(found, ((20, 30, 60), (220, 60, 40), (250, 240, 200)), strict=True)
            for a, b in zip((f.colour.r, f.colour.g, f.colour.b), w, strict=True)] == [True] * 9  # fmt: skip
    stops = gradient_of(found).stops
    assert [s.at for s in stops] == pytest.approx([0, 0.692, 1], abs=0.02)
    picture[..., 3] = 0
    assert colours_of(picture) == []
    assert len(gradient_of([Found(Colour(1, 2, 3), 1.0)]).stops) == 2


def test_a_pair_has_one_hue():
    light, dark = pair_of(Colour.parse("#c86428"))
    assert sum(light.floats[:3]) > sum(Colour.parse("#c86428").floats[:3]) > sum(dark.floats[:3])
