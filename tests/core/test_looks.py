"""Looks of depth and surface hold when the words and the font change: what makes each of them is
measured again on other letters."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
import pytest
from scipy.ndimage import distance_transform_edt

from anole.core.library.styles import built_in
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Font,
    Ground,
    Ink,
    Length,
    Lettering,
    Paint,
    Pattern,
    Place,
    Pose,
)
from anole.core.render.export import rgba

SIZE = (640, 320)
STYLES = {stored.style.name: stored.style for stored in built_in()}
WORDS = [("Kites", "Anton"), ("Ruhe", "Pacifico"), ("OX 8", "Inter"), ("wall", "Lilita One")]
GREY = ColourPaint(colour=Colour(120, 130, 140))
CHECKS = Pattern(
    generator="checks", frame="board", size=Length(40), count=2,
    inks=(Ink(Colour(60, 70, 80)), Ink(Colour(230, 220, 200))),
)  # fmt: skip


def picture(
    name: str | None, text: str, family: str, ground: Paint, **fields: object
) -> np.ndarray:
    """(H, W, 3) levels; without a style the letters are black."""
    style = STYLES[name].coats if name else STYLES["heat wave"].coats[3:4]
    words = Lettering(
        id="w", text=text, font=Font(family=family), size=Length(150),
        place=Place(x=SIZE[0] / 2, y=SIZE[1] / 2), style=style, **fields,
    )  # fmt: skip
    pieces = (Ground(id="g", paint=ground), words)
    return rgba(Board(width=SIZE[0], height=SIZE[1], pieces=pieces))[..., :3].astype(float)


def bare(ground: Paint) -> np.ndarray:
    board = Board(width=SIZE[0], height=SIZE[1], pieces=(Ground(id="g", paint=ground),))
    return rgba(board)[..., :3].astype(float)


def letters(text: str, family: str, **fields: object) -> np.ndarray:
    """(H, W) bool: the plain face."""
    return np.abs(picture(None, text, family, GREY, **fields) - bare(GREY)).max(-1) > 60


def changed(
    name: str, text: str, family: str, ground: Paint = GREY, **fields: object
) -> np.ndarray:
    return np.abs(picture(name, text, family, ground, **fields) - bare(ground)).max(-1)


def pressed(text: str, family: str) -> None:
    """The ground's own pattern is on top, moved, and light and shade lie on the slope."""
    found, ground = picture("pushed-up ground", text, family, CHECKS), bare(CHECKS)
    face = letters(text, family)
    top = distance_transform_edt(face) > 9
    if top.sum() > 300:
        # what lies there is the ground from 0.02 em to the right and 0.075 em below
        moved = np.roll(ground, (-11, -3), (0, 1))[..., 0]
        assert np.corrcoef(found[top][:, 0], moved[top])[0, 1] > 0.75
    edge = (distance_transform_edt(face) < 4) & face
    assert found[edge].std() > 0.6 * ground[edge].std()
    far = distance_transform_edt(~face) > 60
    np.testing.assert_allclose(found[far], ground[far], atol=2)


def seen_through(text: str, family: str) -> None:
    """Dark and light squares of the ground are told apart inside jelly, in one hue."""
    found, ground = picture("jelly", text, family, CHECKS), bare(CHECKS)
    inside = distance_transform_edt(letters(text, family)) > 3
    light = ground[..., 0] > 150
    assert found[inside & light].mean() > found[inside & ~light].mean() + 8
    assert (found[inside][:, 0] > found[inside][:, 1]).mean() > 0.85


def block(text: str, family: str) -> None:
    """In a pose walls lie beside the face, and a line goes round all."""
    pose = Pose(turn_x=35, turn_y=-12, distance=6)
    touched = changed("pier block", text, family, pose=pose) > 30
    face = letters(text, family, pose=pose)
    below = touched & ~face
    assert below.sum() > 0.35 * face.sum()
    ys = np.nonzero(touched)[0].max(), np.nonzero(face)[0].max()
    assert ys[0] > ys[1] + 15
    found = picture("pier block", text, family, GREY, pose=pose)
    rim = touched & (distance_transform_edt(touched) < 3)
    assert found[rim].mean() < 75


def receding(text: str, family: str) -> None:
    """Walls get darker and nearer to the middle the farther down they run."""
    found = picture("receding block", text, family, GREY)
    beside = distance_transform_edt(~letters(text, family)) > 4
    blue = (found[..., 2] > found[..., 0] + 25) & beside
    ys, xs = np.nonzero(blue & (np.arange(SIZE[1])[:, None] > SIZE[1] * 0.7))
    assert blue.sum() > 1500
    if len(ys) > 400:
        upper, lower = ys < np.percentile(ys, 30), ys > np.percentile(ys, 80)
        assert found[ys[lower], xs[lower]].mean() < found[ys[upper], xs[upper]].mean()
        assert xs[lower].std() < xs[upper].std() * 1.1


def stacked(text: str, family: str) -> None:
    """Cards reach down and to the right by what the path says, and not to the left."""
    touched, face = changed("stack of cards", text, family) > 60, letters(text, family)
    (ys, xs), (fy, fx) = np.nonzero(touched), np.nonzero(face)
    assert abs(xs.max() - fx.max() - 0.15 * 150) < 7
    assert abs(ys.max() - fy.max() - 0.16 * 150) < 9
    assert fx.min() - xs.min() < 6


def blown(text: str, family: str) -> None:
    """More of the wind lies to the left than to the right, all in one hue."""
    touched, face = changed("comet wind", text, family) > 12, letters(text, family)
    fx = np.nonzero(face)[1]
    left, right = touched[:, : fx.min() - 20].sum(), touched[:, fx.max() + 20 :].sum()
    assert left > 3 * right + 200
    found = picture("comet wind", text, family, ColourPaint(colour=Colour(8, 10, 14)))
    lit = (found[:, : fx.min() - 20].max(-1) > 40) if fx.min() > 40 else np.zeros(1, bool)
    streaks = found[:, : fx.min() - 20][lit]
    assert (streaks[:, 1] > streaks[:, 0]).mean() > 0.95


def mirrored(text: str, family: str) -> None:
    """Below the foot lies something darker than above that fades downward."""
    touched = changed("floor mirror", text, family, ColourPaint(colour=Colour(10, 14, 24)))
    plain = np.nonzero(letters(text, family))[0].max()
    rows = touched[min(plain + 8, SIZE[1] - 40) :].mean(1)
    assert rows[:12].mean() > 4
    assert rows[:12].mean() > rows[-12:].mean()


def waved(text: str, family: str) -> None:
    """Outlines move aside by the height of the wave, no farther."""
    face = letters(text, family)
    hot = picture("heat wave", text, family, GREY)
    bright = (hot[..., 0] > 200) & (hot[..., 2] < 140)
    assert (bright & ~face).sum() > 0.02 * face.sum()
    assert not (bright & (distance_transform_edt(~face) > 0.08 * 150)).any()


def cut(text: str, family: str) -> None:
    """The face lies in shade, darkest under its upper edge, and the ground shows in it."""
    found, ground = picture("slate cut", text, family, CHECKS), bare(CHECKS)
    inside = distance_transform_edt(letters(text, family)) > 4
    assert found[inside].mean() < 0.6 * ground[inside].mean()
    light = ground[..., 0] > 150
    assert found[inside & light].mean() > found[inside & ~light].mean() + 3


def painted(text: str, family: str) -> None:
    """Paper shows through, and pigment gathers at the edge."""
    white = ColourPaint(colour=Colour(255, 255, 255))
    found = picture("water-colour", text, family, white).mean(-1)
    deep = distance_transform_edt(letters(text, family))
    rim, within = (deep > 0) & (deep < 3), deep > 6
    if within.sum() > 200:
        assert found[rim].mean() < found[within].mean() - 10
        assert 90 < found[within].mean() < 235


def walled(text: str, family: str) -> None:
    """Under the letters lie walls in their own hue, darker."""
    found, face = picture("candy drop", text, family, GREY), letters(text, family)
    below = np.zeros_like(face)
    below[12:] = face[:-12]
    pink = found[..., 0] > found[..., 1] + 40
    walls = below & ~face & pink
    assert walls.sum() > 100
    assert found[walls].mean() < found[face].mean() - 15


LOOKS: dict[str, Callable[[str, str], None]] = {
    "pushed-up ground": pressed,
    "jelly": seen_through,
    "pier block": block,
    "receding block": receding,
    "stack of cards": stacked,
    "comet wind": blown,
    "floor mirror": mirrored,
    "heat wave": waved,
    "slate cut": cut,
    "water-colour": painted,
    "candy drop": walled,
}


@pytest.mark.sample(15)
@pytest.mark.parametrize(("text", "family"), WORDS)
@pytest.mark.parametrize("name", LOOKS)
def test_a_look_holds_on_other_words_in_another_font(name, text, family):
    LOOKS[name](text, family)
