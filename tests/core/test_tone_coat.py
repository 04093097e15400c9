"""Tone as a coat: what the coats beneath it painted in other colours, and nothing else."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.edit.clusters import make_cluster
from anole.core.model import (
    Blur,
    Board,
    Colour,
    ColourPaint,
    Exposure,
    Fill,
    Glow,
    Grey,
    Ground,
    Invert,
    Length,
    Lettering,
    Mark,
    Place,
    Relief,
    Shadow,
    Stamps,
    Stroke,
    ToneCoat,
)
from anole.core.render.export import rgba

from .test_emblems import with_emblem

GREY = Ground(id="g", paint=ColourPaint(colour=Colour(120, 130, 140)))
RED = Fill(id="f", paint=ColourPaint(colour=Colour(200, 40, 10)))
INVERT = ToneCoat(id="t", tone=(Invert(),))
RICH = (Shadow(id="s"), Glow(id="o"), Stroke(id="k"), RED, Relief(id="r"))


def board(*style, **fields) -> Board:
    words = Lettering(
        id="w", text="RB8", size=Length(120.0), place=Place(x=160, y=90), style=style, **fields
    )
    return Board(width=320, height=180, pieces=(GREY, words))


def test_the_face_is_inverted_and_the_ground_is_not():
    found = rgba(board(RED, INVERT))[..., :3].astype(int)
    plain = rgba(board(RED))[..., :3].astype(int)
    full = (plain == (200, 40, 10)).all(-1)
    assert full.sum() > 2000
    assert np.abs(found[full] - (55, 215, 245)).max() <= 1
    bare = (plain == (120, 130, 140)).all(-1)
    np.testing.assert_array_equal(found[bare], plain[bare])


@pytest.mark.parametrize("style", [RICH, (RED,), (Glow(id="o"),)], ids=["rich", "flat", "glow"])
def test_edges_keep_their_coverage(style):
    """Alone on nothing: the alpha of the piece stays, whatever its colours become."""
    plain = rgba(board(*style), transparent=True)
    toned = rgba(board(*style, INVERT), transparent=True)
    assert np.abs(plain[..., 3].astype(int) - toned[..., 3]).max() <= 1
    solid = plain[..., 3] > 250
    total = plain[..., :3].astype(int) + toned[..., :3]
    assert np.abs(total[solid] - 255).max(initial=0) <= 3


def test_twice_inverted_it_is_as_before():
    both = board(*RICH, INVERT, msgspec.structs.replace(INVERT, id="t2"))
    off = np.abs(rgba(both).astype(int) - rgba(board(*RICH)))
    assert off.mean() < 0.1
    assert off.max() <= 6


def test_coats_above_it_keep_their_colours():
    white = Stroke(id="k2", paint=ColourPaint(colour=Colour(255, 255, 255)))
    found = rgba(board(RED, INVERT, white))[..., :3].astype(int)
    assert ((found == 255).all(-1)).sum() > 500
    assert (np.abs(found - (55, 215, 245)).max(-1) <= 1).sum() > 2000


def test_opacity_goes_part_of_the_way_and_off_is_off():
    half = rgba(board(RED, msgspec.structs.replace(INVERT, opacity=0.5)))[..., :3].astype(int)
    full = (rgba(board(RED))[..., :3] == (200, 40, 10)).all(-1)
    assert np.abs(half[full] - 127.5).max() <= 1.5
    off = board(RED, msgspec.structs.replace(INVERT, on=False))
    np.testing.assert_array_equal(rgba(off), rgba(board(RED)))


def test_the_piece_s_own_opacity_and_blend_come_after():
    faint = rgba(board(RED, INVERT, opacity=0.5))[..., :3].astype(float)
    full = (rgba(board(RED))[..., :3] == (200, 40, 10)).all(-1)
    wanted = (np.array([55, 215, 245]) + (120, 130, 140)) / 2
    assert np.abs(faint[full] - wanted).max() <= 1.5
    multiplied = rgba(board(RED, INVERT, blend="multiply"))[..., :3].astype(float)
    wanted = np.array([55, 215, 245]) * (120, 130, 140) / 255
    assert np.abs(multiplied[full] - wanted).max() <= 1.5


def test_a_blur_spreads_beyond_what_was_painted():
    found = rgba(board(RED, ToneCoat(id="t", tone=(Blur(radius=Length(12.0)),))), transparent=True)
    plain = rgba(board(RED), transparent=True)
    assert (found[..., 3] > 0).sum() > (plain[..., 3] > 0).sum() + 500
    assert found[..., 3].astype(int).sum() == pytest.approx(
        plain[..., 3].astype(int).sum(), rel=0.03
    )


def test_pictures_stamps_and_clusters_are_toned_with_their_own_colours():
    grey = ToneCoat(id="t", tone=(Grey(),))
    emblem = rgba(with_emblem(style=(grey,)))[..., :3].astype(int)
    assert np.ptp(emblem[60:120, 80:160], axis=-1).max() <= 2
    dots = Stamps(
        id="s", mark="dot", marks=(Mark(x=160, y=90, size=100),), paint=RED.paint, style=(INVERT,)
    )
    found = rgba(Board(width=320, height=180, pieces=(GREY, dots)))
    assert tuple(found[90, 160, :3]) == (55, 215, 245)
    made, name = make_cluster(board(RED), ["w"])
    worn = msgspec.structs.replace(made.piece(name), style=(INVERT,))
    clustered = rgba(msgspec.structs.replace(made, pieces=(GREY, worn))).astype(int)
    assert np.abs(clustered - rgba(board(RED, INVERT))).max() <= 1


def test_light_added_stays_within_the_silhouette():
    bright = ToneCoat(id="t", tone=(Exposure(stops=3.0),))
    found = rgba(board(RED, bright))[..., :3].astype(int)
    plain = rgba(board(RED))[..., :3].astype(int)
    bare = (plain == (120, 130, 140)).all(-1)
    np.testing.assert_array_equal(found[bare], plain[bare])
