"""Every kind of piece, ours and the toys': what it declares is what its outlines come from, and each
begins somewhere."""

from __future__ import annotations

import io

import msgspec
import numpy as np
import pytest
from PIL import Image

from anole.core.coats.guard import UndeclaredRead
from anole.core.edit.pictures import add_picture
from anole.core.edit.pieces import add_fresh
from anole.core.failures import RenderError
from anole.core.model import (
    Board,
    Cluster,
    Coated,
    Emblem,
    Font,
    Ground,
    Length,
    Lettering,
    Mark,
    Picture,
    Place,
    Stamps,
    Stroke,
)
from anole.core.pieces import registry
from anole.core.pieces.coated_kind import STANDING
from anole.core.pieces.fresh import with_article
from anole.core.pieces.kinds.lettering import LetteringKind
from anole.core.pieces.registry import KINDS, coated_kind, ways_to_begin

from ..toys import Badge, BadgeKind, registered
from .other_values import changed
from .shapes import board, pixels, sound
from .test_emblems import WHEEL

BEGUN_OTHERWISE = {"words", "picture", "emblem", "cluster", "ground"}
"""Kinds that menus add by commands of their own, or that are always there."""
MIDDLE = Place(x=60, y=40, rotation=7)


@pytest.fixture(autouse=True)
def toys():
    with registered():
        yield


def carried(data: bytes, name: str) -> str:
    return add_picture(Board(width=8, height=8), data, name)[1]


def half_clear() -> bytes:
    planes = np.zeros((20, 30, 4), np.uint8)
    planes[3:17, 4:20] = (200, 90, 30, 255)
    room = io.BytesIO()
    Image.fromarray(planes).save(room, "PNG")
    return room.getvalue()


def samples() -> dict[str, Coated]:
    """One of each kind that has outlines, by its title."""
    words = Lettering(
        id="p", text="Ra\nß", size=Length(30), place=MIDDLE, font=Font(family="Cinzel")
    )
    badge = Badge(id="b", width=Length(20), place=MIDDLE)
    mark = Mark(x=50, y=40, size=30, turn=10)
    made = (
        words,
        Picture(id="p", asset=carried(half_clear(), "p.png"), width=Length(50), height=Length(30)),
        Emblem(id="p", asset=carried(WHEEL, "w.svg"), height=Length(40)),
        Stamps(id="p", marks=(mark,), home=(60, 40), place=Place(x=60, y=40)),
        Cluster(id="p", pieces=(msgspec.structs.replace(words, id="w"), badge), home=(60, 40)),
        msgspec.structs.replace(badge, id="p"),
    )
    return {
        coated_kind(piece).title: msgspec.structs.replace(piece, place=MIDDLE) for piece in made
    }


def test_there_is_a_sample_of_each_kind_with_outlines():
    with_outlines = {kind.title for kind in KINDS.values() if hasattr(kind, "outline_fields")}
    assert set(samples()) == with_outlines


@pytest.mark.parametrize("title", ["words", "picture", "emblem", "stamps", "cluster", "badge"])
def test_outlines_that_differ_are_kept_under_other_keys(title):
    piece = samples()[title]
    kind, seen = coated_kind(piece), set()
    key, chords = kind.outline_key(piece, 96), kind.chords(piece, 96, 1.0)
    assert len(chords)
    for other in changed(piece):
        if other.id != piece.id:
            continue
        fields = {n for n in piece.__struct_fields__ if getattr(other, n) != getattr(piece, n)}
        found = kind.chords(other, 96, 1.0)
        if found.shape != chords.shape or (found != chords).any():
            assert kind.outline_key(other, 96) != key, fields
            assert fields <= {*kind.outline_fields, *STANDING}
            seen |= fields
        elif not fields & {*kind.outline_fields, *STANDING}:
            assert kind.outline_key(other, 96) == key, fields
    # of what is declared most shows, in one sample
    assert "place" in seen and len(seen) > len(kind.outline_fields) / 2


class Careless(BadgeKind):
    outline_fields = ("sides",)


def test_an_undeclared_field_raises_instead_of_going_stale():
    piece = Badge(id="b", place=MIDDLE, style=(Stroke(id="s"),))
    with registry.KINDS.lent(Other, Careless()), pytest.raises(RenderError, match="field width"):
        pixels(Board(width=120, height=80, pieces=(as_other(piece),)))
    assert issubclass(UndeclaredRead, AttributeError)


class Other(Badge, frozen=True, cache_hash=True, kw_only=True, tag="other badge"):
    """The same under another name."""


def as_other(piece: Badge) -> Other:
    return Other(**{name: getattr(piece, name) for name in piece.__struct_fields__})


def test_every_kind_begins_somewhere():
    ways = ways_to_begin()
    assert len({way.id for way in ways}) == len({way.title for way in ways}) == len(ways)
    offered = {registry.kind_of(way.make(Board(width=320, height=180))).title for way in ways}
    assert offered == {kind.title for kind in KINDS.values()} - BEGUN_OTHERWISE
    assert "Add a badge" in [way.title for way in ways]
    assert (with_article("emblem"), with_article("pool")) == ("an emblem", "a pool")


@pytest.mark.parametrize("way", ["stamps", "scatter", "pool", "rim", "wash", "badge"])
def test_a_way_to_begin_adds_a_piece_that_is_drawn_and_undone(way):
    start = board(text="HA")
    made, fresh = add_fresh(start, way)
    assert {p.id for p in made.pieces} - {p.id for p in start.pieces} == {fresh}
    assert sound(pixels(made))
    assert isinstance(made.pieces[0], Ground)
    with pytest.raises(KeyError, match="no kind of piece"):
        add_fresh(start, "nothing of the sort")


def test_words_are_known_by_their_fonts_too():
    piece = samples()["words"]
    assert LetteringKind().outline_values(piece, 96)[1]
