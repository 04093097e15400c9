"""A paint, a tone operation, a pattern and a mark that nobody knows: drawn, kept, refused by name."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.box import Box
from anole.core.coats.kinds.fill import plain
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Ground,
    Ink,
    Length,
    Mark,
    ModelError,
    Pattern,
    Place,
    Stamps,
    from_json,
    to_json,
)
from anole.core.model.schema import json_schema
from anole.core.paint.handles import Laying
from anole.core.paint.source import handles, pulled, turned
from anole.core.render.export import part, rgba

from ..toys import Badge, Half, Swap, registered

BLACK, WHITE = Colour(0, 0, 0), Colour(255, 255, 255)


@pytest.fixture(autouse=True)
def toys():
    with registered():
        yield


def box(paint) -> Board:
    """A square of 100 px in the middle."""
    square = Badge(
        id="s",
        sides=4,
        width=Length(100 * 2**0.5),
        place=Place(x=160, y=90, rotation=45),
        style=(Fill(id="f", paint=paint),),
    )
    return Board(width=320, height=180, pieces=(Ground(id="g", paint=ColourPaint()), square))


def test_a_paint_is_drawn_in_every_cut_and_held_by_its_handle():
    board = box(Half(at=0.25))
    found = rgba(board)
    assert tuple(found[90, 120][:3]) == (255, 0, 0) and tuple(found[90, 150][:3]) == (0, 0, 255)
    np.testing.assert_array_equal(part(board, 1.0, Box(100, 60, 180, 130)), found[60:130, 100:180])
    laid = Laying((60.0, 40.0, 260.0, 140.0))
    (middle,) = handles(Half(at=0.25), laid)
    assert (middle.x, middle.y) == (110, 90)
    assert pulled(Half(), laid, "middle", 210, 0) == Half(at=0.75)
    assert turned(Half(), 30) == Half()


def test_a_paint_has_the_tones_and_specks_that_all_have():
    sprayed = rgba(box(Half(speckle=0.5)))[50:130, 120:200].reshape(-1, 4)
    assert len(np.unique(sprayed, axis=0)) > 2


def test_a_tone_is_applied_by_its_amount():
    red = (Ink(Colour(200, 40, 10)),)
    swapped = rgba(box(Pattern(inks=red, tone=(Swap(),))))
    assert tuple(swapped[90, 160][:3]) == (10, 40, 200)
    off = rgba(box(Pattern(inks=red, tone=(Swap(on=False),))))
    assert tuple(off[90, 160][:3]) == (200, 40, 10)


def test_a_pattern_is_laid_in_tiles():
    paint = Pattern(generator="steps", inks=(Ink(BLACK), Ink(WHITE)), size=Length(40))
    found = rgba(box(paint))[50:130, 120:200, 0]
    dark = float((found < 128).mean())
    assert dark == pytest.approx(0.25, abs=0.03)
    # a px's place in its tile is not exact in float32
    assert np.abs(found[:, 40:].astype(int) - found[:, :-40]).max() <= 1


def test_a_mark_is_stamped_to_its_size():
    stamps = Stamps(
        id="m", mark="square", marks=(Mark(x=160, y=90, size=50),), style=(plain(BLACK),)
    )
    board = Board(width=320, height=180, pieces=(Ground(id="g", paint=ColourPaint()), stamps))
    area = (255 - rgba(board)[..., 0].astype(float)).sum() / 255
    assert area == pytest.approx((0.8 * 50) ** 2, rel=0.01)


EACH = [
    box(Half(left=Colour(1, 2, 3))),
    box(Pattern(generator="steps", tone=(Swap(amount=0.5),))),
    Board(pieces=(Stamps(id="m", mark="square"),)),
]


@pytest.mark.parametrize("board", EACH)
def test_they_are_kept_in_files(board):
    assert from_json(to_json(board), Board) == board


def test_they_are_in_the_schema():
    defs = json_schema()["$defs"]
    assert {"Half", "Swap"} <= set(defs)
    assert "steps" in defs["Pattern"]["properties"]["generator"]["enum"]
    assert "square" in defs["Stamps"]["properties"]["mark"]["enum"]


@pytest.mark.parametrize(
    ("text", "message"),
    [
        (
            '{"kind": "ground", "id": "g", "paint": {"kind": "hlaf"}}',
            "kind of paint; nearest are .*half",
        ),
        (
            '{"kind": "ground", "id": "g", "paint": {"kind": "pattern", "tone": [{"kind": "swop"}]}}',
            "kind of tone operation; nearest are .*swap",
        ),
        (
            '{"kind": "ground", "id": "g", "paint": {"kind": "pattern", "generator": "stepz"}}',
            "no pattern 'stepz'; nearest are steps",
        ),
        ('{"kind": "stamps", "id": "s", "mark": "sqare"}', "no mark 'sqare'; nearest are .*square"),
        (
            '{"kind": "ground", "id": "g", "paint": {"kind": "half", "at": 2}}',
            r"at `\$.pieces\[0\].paint.at`",
        ),
    ],
)
def test_what_nobody_knows_is_refused_by_name(text, message):
    with pytest.raises(ModelError, match=message):
        from_json(f'{{"pieces": [{text}]}}'.encode(), Board)


def test_once_they_are_gone_nobody_takes_them():
    assert isinstance(msgspec.structs.replace(Half(), at=0.1), Half)
    with pytest.raises(ValueError, match="registered twice"), registered():
        pass
