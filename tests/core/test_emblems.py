"""Emblems: SVG artwork on the board, in its own colours and as one silhouette under a style."""

from __future__ import annotations

import io

import msgspec
import numpy as np
import pytest
from PIL import Image

from anole.core.edit.pictures import add_picture, add_picture_piece
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Emblem,
    Fill,
    Ground,
    Invert,
    Length,
    Picture,
    Place,
    Pose,
    Position,
    Relief,
    Shadow,
    Span,
    Stroke,
)
from anole.core.paint.svg_files import drawn_side, svg_file
from anole.core.pieces.registry import coated_kind
from anole.core.render.export import rgba
from anole.core.svg.content import read

from .test_svg import SHAPES, svg

GREY = Ground(id="g", paint=ColourPaint(colour=Colour(128, 128, 128)))
WHEEL = svg(
    '<circle cx="50" cy="50" r="46" fill="#c8452c"/><path fill="#f4e4b8" fill-rule="evenodd" '
    'd="M50 16 L80 76 L20 76 Z M50 40 L62 66 L38 66 Z"/><rect x="4" y="44" width="92" height="8"/>'
)
STYLE = (
    Shadow(id="s"),
    Stroke(id="k", span=Span(from_=Position(0.0, "px"), to=Position(-0.03, "em"))),
    Fill(id="f", paint=ColourPaint(colour=Colour(240, 190, 60))),
    Relief(id="r"),
)


def with_emblem(data: bytes = WHEEL, **fields) -> Board:
    board, sha, _ = add_picture(Board(width=240, height=180, pieces=(GREY,)), data, "wheel.svg")
    base = {"height": Length(120.0), "place": Place(x=120, y=90)}
    return msgspec.structs.replace(
        board, pieces=(GREY, Emblem(id="e", asset=sha, **{**base, **fields}))
    )


@pytest.mark.parametrize("scale", [1.0, 2.5])
def test_in_its_own_colours_it_is_its_drawing(scale):
    found = rgba(with_emblem(), scale)[..., :3].astype(float)
    side = round(120 * scale)
    drawing = read(WHEEL).drawn(side * 4).astype(float)
    alpha = drawing[..., 3:] / 255
    over = drawing[..., :3] * alpha + 128 * (1 - alpha)
    wanted = over.reshape(side, 4, side, 4, 3).mean((1, 3))
    x, y = round(60 * scale), round(30 * scale)
    part = found[y : y + side, x : x + side]
    assert np.abs(part - wanted).mean() < 0.6
    assert np.abs(part - wanted).max() < 60
    assert (found[: y - 1] == 128).all()


@pytest.mark.sample(4)
@pytest.mark.parametrize("name", ["curves", "even odd", "arcs", "clip", "dashes"])
@pytest.mark.parametrize("turned", [0.0, 31.0])
def test_under_a_style_it_is_like_its_raster_twin(name, turned):
    data, place = svg(SHAPES[name]), Place(x=120, y=90, rotation=turned)
    board = with_emblem(data, own=False, style=STYLE, place=place)
    room = io.BytesIO()
    Image.fromarray(read(data).drawn(960)).save(room, "PNG")
    board, sha, _ = add_picture(board, room.getvalue(), "twin.png")
    side = Length(120.0)
    twin = Picture(id="e", asset=sha, width=side, height=side, place=place, style=STYLE)
    both = [
        rgba(msgspec.structs.replace(board, pieces=(GREY, piece)))[..., :3].astype(float)
        for piece in (board.pieces[1], twin)
    ]
    off = np.abs(both[0] - both[1])
    assert np.abs(both[0] - 128).mean() > 3
    assert off.mean() < 0.5


def test_its_silhouette_is_one_whatever_colours_it_has():
    """As a silhouette, a drawing in clear colours is as full as one in full colours."""
    clear = WHEEL.replace(b'fill="#c8452c"', b'fill="#c8452c" fill-opacity="0.4"')
    full, half = (with_emblem(d, own=False, style=STYLE[2:3]) for d in (WHEEL, clear))
    np.testing.assert_array_equal(rgba(full), rgba(half))
    assert not svg_file(with_emblem(clear).pieces[1].asset).solid
    own = rgba(with_emblem(clear))[90, 120 - 40, :3].astype(int)
    opaque = rgba(with_emblem(WHEEL))[90, 120 - 40, :3].astype(int)
    assert abs(own - opaque).max() < 3
    lit = rgba(with_emblem(clear))[64, 120 - 36, :3].astype(float)
    np.testing.assert_allclose(lit, 0.4 * np.array([200, 69, 44]) + 0.6 * 128, atol=2)


def test_tone_changes_its_own_colours_alone():
    toned = rgba(with_emblem(tone=(Invert(),)))
    assert tuple(toned[64, 84, :3]) == (255 - 200, 255 - 69, 255 - 44)
    assert (toned[5, 5, :3] == 128).all()
    bare = with_emblem(own=False, style=STYLE)
    both = [msgspec.structs.replace(bare.pieces[1], tone=t) for t in ((), (Invert(),))]
    boards = [msgspec.structs.replace(bare, pieces=(GREY, one)) for one in both]
    np.testing.assert_array_equal(rgba(boards[0]), rgba(boards[1]))


def test_posed_and_turned_it_stays_one_picture():
    pose = Pose(turn_x=30.0, turn_y=-25.0)
    found = rgba(with_emblem(pose=pose, place=Place(x=120, y=90, rotation=12.0)))
    assert len(np.unique(found.reshape(-1, 4), axis=0)) > 20
    assert (found[..., 3] == 255).all()


def test_a_drawing_is_made_once_for_many_sizes_and_never_smaller_than_wanted():
    sides = {drawn_side(wanted) for wanted in np.linspace(20, 4000, 500)}
    assert len(sides) < 16
    assert all(drawn_side(w) >= w for w in np.linspace(1, 8000, 200))


@pytest.mark.sample(4)
@pytest.mark.parametrize("share", [0.05, 0.3, 0.5, 0.8])
@pytest.mark.parametrize("kind", ["emblem", "picture"])
def test_what_is_translucent_all_over_is_there_with_its_alpha(kind, share):
    if kind == "emblem":
        disc = f'<circle cx="50" cy="50" r="46" fill="#c8452c" fill-opacity="{share}"/>'
        board, half = with_emblem(svg(disc)), 0.46 * 120
    else:
        y, x = np.mgrid[:120, :120] - 59.5
        alpha = np.where(np.hypot(x, y) < 55, round(share * 255), 0)
        px = np.stack([*(np.full_like(alpha, part) for part in (200, 69, 44)), alpha], -1)
        room = io.BytesIO()
        Image.fromarray(px.astype(np.uint8)).save(room, "PNG")
        board, sha, _ = add_picture(with_emblem(), room.getvalue(), "p.png")
        size = {"width": Length(120.0), "height": Length(120.0), "place": Place(x=120, y=90)}
        board = msgspec.structs.replace(board, pieces=(GREY, Picture(id="e", asset=sha, **size)))
        half = 55.0
    alone = msgspec.structs.replace(board, pieces=board.pieces[1:])
    found = rgba(alone)[..., 3] / 255
    assert found[90, 120] == pytest.approx(share, abs=0.006)
    assert found.sum() == pytest.approx(share * np.pi * half**2, rel=0.04)
    # and a line round it lies at its edge
    line = Stroke(id="k", span=Span(from_=Position(0.0, "px"), to=Position(-6.0, "px")))
    lined = (msgspec.structs.replace(alone.pieces[0], style=(line,)),)
    ring = rgba(msgspec.structs.replace(alone, pieces=lined))[..., 3] / 255
    assert ring[90, int(120 - half - 3)] > 0.99 and ring[90, int(120 - half - 8)] < 0.01


def test_an_svg_placed_becomes_an_emblem_of_its_form():
    data = svg(SHAPES["rect"], 'viewBox="0 0 200 100"')
    board, sha, _ = add_picture(Board(width=1000, height=1000), data, "long name.svg")
    board, fresh = add_picture_piece(board, sha)
    piece = board.piece(fresh)
    assert isinstance(piece, Emblem) and piece.name == "long name"
    x0, y0, x1, y1 = coated_kind(piece).extent(piece, board)
    assert (x1 - x0) / (y1 - y0) == pytest.approx(2.0, rel=0.01)
    assert x1 - x0 <= 600.5


def test_a_missing_or_broken_file_paints_nothing():
    for asset in ("", "0" * 64):
        board = Board(width=60, height=60, pieces=(GREY, Emblem(id="e", asset=asset, style=STYLE)))
        assert (rgba(board)[..., :3] == 128).all()


def test_its_core_and_em_follow_its_size():
    small, large = (with_emblem(height=Length(h)).pieces[1] for h in (60.0, 240.0))
    kind = coated_kind(small)
    assert kind.placement(large, 72).em == pytest.approx(240.0)
    from anole.core.cache import Cache

    cores = [kind.core(piece, 72, Cache()) for piece in (small, large)]
    assert cores[1] == pytest.approx(4 * cores[0], rel=0.02)
