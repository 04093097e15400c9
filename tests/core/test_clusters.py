"""Clusters: several pieces as one silhouette, equal to the same drawn at once."""

from __future__ import annotations

import itertools

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.edit.arranging import moved
from anole.core.edit.clusters import (
    clip,
    dissolve_cluster,
    loses,
    make_cluster,
    move_into,
    open_cluster,
)
from anole.core.edit.pieces import (
    change_piece,
    duplicate_piece,
    insert_piece,
    move_in_order,
    remove_piece,
)
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Corners,
    Fill,
    Font,
    Glow,
    Ground,
    Length,
    Lettering,
    ModelError,
    Place,
    Pool,
    Pose,
    Position,
    Relief,
    Shadow,
    Span,
    Spot,
    Stroke,
    from_json,
    to_json,
)
from anole.core.model.nesting import every, holder_of
from anole.core.render.export import rgba

GREY = Ground(id="g", paint=ColourPaint(colour=Colour(150, 160, 170)))
GOLD, RED = ColourPaint(colour=Colour(250, 200, 60)), ColourPaint(colour=Colour(200, 40, 30))


def stroke(name: str = "k", wide: float = 6.0, **fields) -> Stroke:
    span = Span(from_=Position(0.0, "px"), to=Position(-wide, "px"))
    return Stroke(id=name, span=span, paint=ColourPaint(colour=Colour(20, 20, 40)), **fields)


def words(name: str, text: str, x: float, y: float, style=None, **fields) -> Lettering:
    style = (Fill(id=f"{name}-f", paint=GOLD),) if style is None else style
    base = {"size": Length(60.0), "font": Font(family="Anton"), "place": Place(x=x, y=y)}
    return Lettering(id=name, name=name, text=text, style=style, **{**base, **fields})


def board_of(*pieces, width: int = 240, height: int = 180) -> Board:
    return Board(width=width, height=height, pieces=(GREY, *pieces))


TWO = (words("a", "RINK", 120, 62), words("b", "NIGHT", 120, 118))


def clustered(*pieces, style=(), **fields) -> Board:
    board, fresh = make_cluster(board_of(*pieces), [p.id for p in pieces])
    cluster = msgspec.structs.replace(board.piece(fresh), style=style, **fields)
    return msgspec.structs.replace(board, pieces=(GREY, cluster))


def off(a: Board, b: Board, scale: float = 1.0) -> np.ndarray:
    return np.abs(rgba(a, scale).astype(int) - rgba(b, scale))


@pytest.mark.parametrize("scale", [1.0, 1.7])
def test_without_a_style_it_paints_what_its_pieces_paint(scale):
    lit = [msgspec.structs.replace(p, style=(stroke(p.id), *p.style)) for p in TWO]
    assert off(board_of(*lit), clustered(*lit), scale).max() == 0


@pytest.mark.parametrize(
    "coats",
    [
        (stroke(),),
        (Shadow(id="s"), stroke("k2", 12), stroke()),
        (Glow(id="o"),),
        (stroke(), Relief(id="r")),
    ],
    ids=["stroke", "shadow and strokes", "glow", "relief"],
)
def test_its_coats_follow_all_lines_as_one_block_of_words_does(coats):
    """Two lines as one text under a style, and as two pieces in a cluster with the same style."""
    fill = (Fill(id="f", paint=GOLD),)
    block = words("w", "RINK\nNIGHT", 120, 90, style=(*coats[:-1], *fill, coats[-1])
                  if isinstance(coats[-1], Relief) else (*coats, *fill))  # fmt: skip
    whole = board_of(block)
    parts = board_of(*_lines_of(block))
    assert off(board_of(msgspec.structs.replace(block, style=fill)), parts).max() <= 2
    cluster = clustered(*parts.pieces[1:], style=coats)
    found = off(whole, cluster)
    # a relief above what the pieces paint meets their edge px as they are
    assert found.mean() < (0.5 if isinstance(coats[-1], Relief) else 0.25)
    assert found.max() < 50


def _lines_of(block: Lettering) -> tuple[Lettering, ...]:
    """Each line by itself, where it stands in the block."""
    from anole.core.pieces.registry import coated_kind

    boxes = [coated_kind(block).extent(block, board_of())]
    first, last = block.text.split("\n")
    high = boxes[0][3] - boxes[0][1]
    lines = []
    for name, text, share in (("a", first, 0), ("b", last, 1)):
        style = (Fill(id=f"{name}-f", paint=GOLD),)
        line = words(name, text, 120, 90, style)
        box = coated_kind(line).extent(line, board_of())
        own = box[3] - box[1]
        top = boxes[0][1] + (high - own) * share
        place = msgspec.structs.replace(line.place, y=line.place.y + top - box[1])
        lines.append(msgspec.structs.replace(line, place=place))
    return tuple(lines)


def test_one_stroke_goes_round_both_and_none_between():
    close = (words("a", "OO", 100, 90), words("b", "OO", 128, 90, (Fill(id="bf", paint=RED),)))
    both = rgba(clustered(*close, style=(stroke(),)))[..., :3].astype(int)
    fills = rgba(board_of(*close))[..., :3].astype(int)
    inside = (fills == (200, 40, 30)).all(-1) | (fills == (250, 200, 60)).all(-1)
    assert np.abs(both[inside] - fills[inside]).max() <= 1


def test_its_silhouette_includes_its_pieces_strokes():
    inner = [msgspec.structs.replace(p, style=(stroke(p.id + "k", 4), *p.style)) for p in TWO]
    outer = ColourPaint(colour=Colour(240, 240, 240))
    ring = Stroke(id="o", span=Span(Position(0.0, "px"), Position(-5.0, "px")), paint=outer)
    found = rgba(clustered(*inner, style=(ring,)))[..., :3].astype(int)
    direct = [
        msgspec.structs.replace(
            p,
            style=(
                Stroke(
                    id=p.id + "o",
                    span=Span(Position(-4.0, "px"), Position(-9.0, "px")),
                    paint=outer,
                ),
            ),
        )
        for p in TWO
    ]
    wanted = rgba(board_of(*direct, *[msgspec.structs.replace(p, id=p.id + "2") for p in inner]))
    assert np.abs(found - wanted[..., :3].astype(int)).mean() < 0.3


@pytest.mark.parametrize("join", ["round", "mitre", "cut"])
def test_strokes_that_turn_corners_in_their_own_way_are_followed(join):
    """A white line at no distance from a dark stroke leaves nothing between, whatever its corners."""
    line = words("a", "KVA", 120, 90, (stroke("k", 8, join=join), Fill(id="f", paint=GOLD)))
    light = ColourPaint(colour=Colour(255, 255, 255))
    ring = Stroke(id="o", span=Span(Position(0.0, "px"), Position(-30.0, "px")), paint=light)
    black = msgspec.structs.replace(GREY, paint=ColourPaint(colour=Colour(255, 0, 255)))
    made = clustered(line, style=(ring,))
    found = rgba(msgspec.structs.replace(made, pieces=(black, *made.pieces[1:])))[..., :3].astype(
        int
    )
    near = rgba(board_of(line))[..., 0].astype(int) != 150
    pink = (found[..., 0] - found[..., 1] > 60) & (found[..., 2] - found[..., 1] > 60)
    assert not (pink & near).any()


PLACES = st.builds(
    Place,
    x=st.floats(80, 160),
    y=st.floats(60, 120),
    rotation=st.floats(-180, 180),
    scale_x=st.sampled_from([1.0, 0.7, 1.4, -1.0]),
    scale_y=st.sampled_from([1.0, 0.8]),
    skew=st.floats(-30, 30),
)


@settings(max_examples=12, deadline=None)
@given(PLACES)
def test_taken_apart_without_a_style_the_picture_stays(place):
    board = clustered(*TWO)
    board = change_piece(board, board.pieces[1].id, place=place)
    apart, ids = dissolve_cluster(board, board.pieces[1].id)
    assert ids == ("a", "b") and len(apart.pieces) == 3
    assert off(board, apart).max() <= 1


def test_a_move_of_the_cluster_moves_its_pieces_and_back():
    board = clustered(*TWO, style=(stroke(),))
    there = moved(board, {board.pieces[1].id: (13.0, -7.0)})
    assert there.piece("a").place.x == pytest.approx(133.0)
    parts = rgba(there)[10:100, 40:200].astype(int), rgba(board)[17:107, 27:187]
    assert np.abs(parts[0] - parts[1]).max() <= 1  # dithered by where it is
    assert moved(there, {board.pieces[1].id: (-13.0, 7.0)}) == board


def test_turned_it_is_opened_and_its_pieces_stand_where_they_are_seen():
    board = clustered(*TWO, style=(stroke(),))
    name = board.pieces[1].id
    place = msgspec.structs.replace(board.placed(name).place, rotation=25.0)
    board = change_piece(board, name, place=place)
    opened = open_cluster(board, name)
    assert opened.piece("a").place.rotation == pytest.approx(25.0)
    assert opened.placed(name).place.rotation == 0
    assert off(board, opened).max() <= 2


@pytest.mark.parametrize(
    "bend", [{"pose": Pose(turn_y=40.0)}, {"corners": Corners(top_left=(0.2, 0.1))}]
)
def test_bent_as_one_it_is_like_a_block_that_is_bent(bend):
    """Pose of two lines in a cluster, beside that of the same lines as one text."""
    block = words("w", "RINK\nNIGHT", 120, 90)
    from anole.core.pieces.registry import coated_kind

    lines = _lines_of(block)
    flat = clustered(*lines)
    name = flat.pieces[1].id
    own = coated_kind(flat.piece(name)).placement(flat.piece(name), 96)
    one = coated_kind(block).placement(block, 96)
    bent = change_piece(flat, name, **bend)
    if "corners" in bend:
        return_box = (
            np.ptp(np.array(own.box).reshape(2, 2), axis=0),
            np.ptp(np.array(one.box).reshape(2, 2), axis=0),
        )
        np.testing.assert_allclose(*return_box, rtol=0.2)
    found, wanted = rgba(bent), rgba(board_of(msgspec.structs.replace(block, **bend)))
    both = [(image[..., 2] < 110).astype(float) for image in (found, wanted)]
    assert both[0].sum() == pytest.approx(both[1].sum(), rel=0.08)
    # with a style round it: the silhouette is bent as its pieces are
    dressed = change_piece(bent, name, style=(stroke(),))
    fills = rgba(dressed)[..., 2] < 110
    assert (fills | ~(both[0] > 0)).all()


def test_opacity_and_blend_act_on_all_of_it_at_once():
    over = (words("a", "OO", 100, 90), words("b", "OO", 120, 90))
    half = rgba(clustered(*over, opacity=0.5))[..., :3].astype(float)
    full = rgba(clustered(*over))[..., :3].astype(float)
    bare = np.array([150.0, 160, 170])
    np.testing.assert_allclose(half, (full + bare) / 2, atol=1)
    inner = tuple(msgspec.structs.replace(p, opacity=0.6, blend="multiply") for p in over)
    nested = rgba(clustered(*inner, opacity=0.5, blend="screen"))
    assert len(np.unique(nested.reshape(-1, 4), axis=0)) > 3


# clipping


def test_clipped_by_words_a_piece_is_seen_in_them_alone():
    wide = words("w", "MMMM", 120, 90)
    board = clip(board_of(TWO[0], wide), ["w"], "a")
    # large enough that edges are looked at once a px
    found = rgba(board, 2.0)[..., :3].astype(int)
    red = change_piece(board_of(TWO[0]), "a", style=(Fill(id="x", paint=RED),))
    mask = 1 - (rgba(red, 2.0)[..., 1].astype(float) - 40) / 120
    both = ((TWO[0], wide), (TWO[0],))
    whole, under = (rgba(board_of(*p), 2.0)[..., :3].astype(float) for p in both)
    wanted = under * (1 - mask[..., None]) + whole * mask[..., None]
    np.testing.assert_allclose(found, wanted, atol=2.5)
    assert off(clip(board, ["w"], None), board_of(TWO[0], wide)).max() == 0


def test_a_pool_and_a_cluster_are_clipped_and_clip():
    pool = Pool(id="p", paint=RED, spots=(Spot(x=120, y=90, radius=200, hardness=0.9, strength=1),))
    board = board_of(*TWO, pool)
    board, name = make_cluster(board, ["a", "b"])
    found = rgba(clip(board, ["p"], name))[..., :3].astype(int)
    plain = rgba(board)[..., :3].astype(int)
    gold = np.abs(rgba(board_of(*TWO))[..., :3].astype(int) - (250, 200, 60)).max(-1) < 2
    assert (np.abs(found - (200, 40, 30)).max(-1) < 3)[gold].all()
    grey = (rgba(board_of(*TWO))[..., :3] == (150, 160, 170)).all(-1)
    assert np.abs(found[grey] - (150, 160, 170)).max() <= 2
    assert plain.shape == found.shape


def test_what_is_clipped_moves_with_it_or_apart():
    board = clip(board_of(*TWO), ["b"], "a")
    there = moved(board, {"a": (5.0, 6.0)})
    assert there.piece("b").place == Place(x=125, y=124)
    loose = change_piece(board, "b", together=False)
    assert moved(loose, {"a": (5.0, 6.0)}).piece("b").place == Place(x=120, y=118)
    assert moved(board, {"a": (5.0, 6.0), "b": (1.0, 1.0)}).piece("b").place == Place(x=121, y=119)


def test_rings_of_clipping_and_clusters_in_themselves_are_refused():
    board = clip(board_of(*TWO), ["b"], "a")
    with pytest.raises(ModelError, match="clip"):
        clip(board, ["a"], "b")
    with pytest.raises(ModelError, match="clip"):
        clip(board, ["a"], "a")
    ring = msgspec.structs.replace(board.piece("a"), within="b")
    looped = to_json(msgspec.structs.replace(board, pieces=(GREY, ring, board.piece("b"))))
    with pytest.raises(ModelError, match="clip itself"):
        from_json(looped, Board)
    board, name = make_cluster(board_of(*TWO), ["a", "b"])
    with pytest.raises(ModelError, match="itself"):
        move_into(board, name, name, 0)
    twice = msgspec.structs.replace(board.piece(name), pieces=(board.piece("a"), board.piece("a")))
    with pytest.raises(ModelError, match="twice"):
        from_json(to_json(msgspec.structs.replace(board, pieces=(twice,))), Board)


def test_deep_clusters_in_a_file_are_refused_not_followed():
    inner = words("w", "A", 10, 10)
    text = to_json(inner)
    for n in range(200):
        text = b'{"kind":"cluster","id":"c%d","pieces":[%s]}' % (n, text)
    with pytest.raises(ModelError, match="deep"):
        from_json(b'{"width":9,"height":9,"pieces":[' + text + b"]}", Board)


def test_a_clipper_that_is_taken_off_sets_free_what_it_clipped():
    board = clip(board_of(*TWO), ["b"], "a")
    assert remove_piece(board, "a").piece("b").within is None
    gone = msgspec.structs.replace(board.piece("b"), within="nobody")
    assert off(board_of(TWO[0], gone), board_of(*TWO)).max() == 0


# the order and the ids


def test_made_where_its_topmost_piece_was_and_of_one_level_only():
    third = words("c", "X", 20, 20)
    board, name = make_cluster(board_of(TWO[0], third, TWO[1]), ["a", "b"])
    assert [p.id for p in board.pieces] == ["g", "c", name]
    with pytest.raises(ModelError):
        make_cluster(board, ["a", "c"])
    with pytest.raises(ModelError):
        make_cluster(board, ["g", "c"])
    nested, outer = make_cluster(board, ["c", name])
    assert [p.id for p in every(nested.pieces)] == ["g", "c", "a", "b", name, outer]
    back, _ = dissolve_cluster(nested, outer)
    assert back.pieces == board.pieces


def test_pieces_within_are_changed_ordered_copied_and_taken_off_in_place():
    board, name = make_cluster(board_of(*TWO), ["a", "b"])
    board = change_piece(board, "b", text="LATE")
    assert board.piece(name).pieces[1].text == "LATE"
    board = move_in_order(board, "b", 0)
    assert [p.id for p in board.piece(name).pieces] == ["b", "a"]
    board, fresh = duplicate_piece(board, "a")
    assert holder_of(board.pieces, fresh).id == name
    board = remove_piece(board, "b")
    board = move_into(board, fresh, None, 99)
    assert board.pieces[-1].id == fresh
    board = move_into(board, fresh, name, 0)
    assert [p.id for p in board.piece(name).pieces] == [fresh, "a"]
    assert [p.id for p in remove_piece(remove_piece(board, "a"), fresh).pieces] == ["g"]


def test_a_copy_has_ids_of_its_own_and_clips_within_itself():
    board = clip(board_of(*TWO), ["b"], "a")
    board, name = make_cluster(board, ["a", "b"])
    board, copy = duplicate_piece(board, name)
    ids = [p.id for p in every(board.pieces)]
    assert len(set(ids)) == len(ids)
    first, last = board.piece(copy).pieces
    assert last.within == first.id not in ("a", "b")
    other, fresh = insert_piece(Board(width=99, height=99), board.piece(copy), 0)
    inner = other.piece(fresh).pieces
    assert inner[1].within == inner[0].id
    assert from_json(to_json(other), Board) == other


def test_what_is_lost_is_said():
    board = clustered(*TWO, style=(stroke(),), opacity=0.5, pose=Pose())
    assert loses(board.pieces[1]) == ["its coats", "its corners or pose", "its blending"]
    assert loses(clustered(*TWO).pieces[1]) == []


def test_a_cluster_at_any_window_is_the_same_picture():
    """Tiles of a render know nothing of each other."""
    from anole.core.box import Box
    from anole.core.render.renderer import Renderer, Request

    inner = [msgspec.structs.replace(p, style=(stroke(p.id + "k", 4), *p.style)) for p in TWO]
    board = clustered(*inner, style=(Shadow(id="s"), stroke()))
    whole = Renderer().frame(Request(board)).ground.copy()
    for x, y in itertools.product((0, 120), (0, 90)):
        part = Renderer().frame(Request(board, 1.0, Box(x, y, x + 120, y + 90))).ground
        np.testing.assert_allclose(part, whole[:, y : y + 90, x : x + 120], atol=2e-3)
