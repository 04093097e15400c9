"""Pictures go where the coats that paint with them go: other boards, kept styles, the clipboard."""

import io

import msgspec
import numpy as np
import pytest
from PIL import Image

from anole.core import assets
from anole.core.edit.clipboard import carried, carried_coat, paste, paste_coat
from anole.core.edit.pictures import add_picture
from anole.core.edit.wearing import put_style, style_of
from anole.core.library import styles
from anole.core.model import Fill, Grain, ImagePaint, Pattern, Style
from anole.core.model.named_assets import assets_named

from .shapes import board, pixels


def picture(value=90, kind="PNG"):
    room = io.BytesIO()
    Image.fromarray(np.full((8, 8, 3), value, np.uint8)).save(room, kind)
    return room.getvalue()


@pytest.fixture
def painted():
    made, sha, _ = add_picture(board(), picture(), "grey.png")
    style = (
        Fill(id="f", paint=ImagePaint(asset=sha)),
        Grain(id="g", pattern=Pattern(asset=sha), opacity=0),
    )
    words = msgspec.structs.replace(made.pieces[1], style=style)
    return msgspec.structs.replace(made, pieces=(made.pieces[0], words)), sha


def test_every_place_that_names_a_picture_is_found(painted):
    made, sha = painted
    assert assets_named(made.pieces[1]) == [sha]
    assert assets_named(board()) == []


def test_pasted_words_coats_and_styles_bring_their_pictures(painted):
    made, sha = painted
    words = made.lettering("words")
    for other in (
        paste(board(), carried(words))[0],
        paste_coat(board(), "words", carried_coat(words.style[0]), None)[0],
        put_style(board(), "words", style_of(made, "words", "grey")),
    ):
        assert [a.sha for a in other.assets] == [sha]
        assert other.assets[0].media_type == "image/png"
    assert len(put_style(made, "words", style_of(made, "words", "grey")).assets) == 1


def test_a_kept_style_finds_its_picture_again(painted):
    made, sha = painted
    before = pixels(made)
    styles.keep(style_of(made, "words", "Grey Rink"))
    assets.clear()
    kept, troubles = styles.library()
    assert not troubles
    found = next(k.style for k in kept if k.style.name == "Grey Rink")
    again = put_style(board(), "words", found)
    np.testing.assert_array_equal(pixels(again), before)
    assert [a.sha for a in again.assets] == [sha]


def test_a_spoilt_or_missing_picture_is_left_out(painted):
    made, sha = painted
    styles.keep(style_of(made, "words", "Grey Rink"))
    (styles.folder() / "pictures" / sha).write_bytes(b"spoilt")
    assets.clear()
    kept, _ = styles.library()
    found = next(k.style for k in kept if k.style.name == "Grey Rink")
    assert put_style(board(), "words", found).assets == ()
    odd = Style(name="odd", coats=(Fill(id="f", paint=ImagePaint(asset="../../etc/passwd")),))
    styles.keep(odd)
    assert styles.library()[0]
