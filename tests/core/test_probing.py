"""Which coat painted a pixel; coats carried from piece to piece."""

import msgspec
import pytest

from anole.core.edit.clipboard import carried_coat, paste_coat
from anole.core.model import Fill, Glow, ModelError, Relief, Shadow, Stroke
from anole.core.render.probing import painted_by

from .shapes import board, paint, span

STYLED = board(
    Shadow(id="h", opacity=1.0),
    Stroke(id="s", span=span("-0.1em", "0em"), paint=paint("#ff0000")),
    Fill(id="f", paint=paint("#ffffff")),
    Fill(id="off", on=False),
    Glow(id="g", span=span("0em", "0.04em"), paint=paint("#0000ff")),
    text="I",
    size=150,
)


def test_the_topmost_coat_that_shows_is_named():
    assert painted_by(STYLED, 160, 90) == ("words", "f")
    # the letter's left side lies about 13 px from its middle
    assert painted_by(STYLED, 149, 90) == ("words", "g")
    assert painted_by(STYLED, 139, 90) == ("words", "s")
    assert painted_by(STYLED, 5, 5) is None
    assert painted_by(STYLED, -5, 900) is None


def test_hidden_words_painted_nothing():
    words = msgspec.structs.replace(STYLED.pieces[1], shown=False)
    assert (
        painted_by(msgspec.structs.replace(STYLED, pieces=(STYLED.pieces[0], words)), 160, 90)
        is None
    )


def test_a_coat_is_carried_to_another_piece():
    coat = Relief(id="s", name="tube")
    made, fresh = paste_coat(STYLED, "words", carried_coat(coat), "s")
    style = made.lettering("words").style
    assert [c.name for c in style][2] == "tube"
    assert style[2].id == fresh != "s"
    on_top, _ = paste_coat(STYLED, "words", carried_coat(coat), None)
    assert on_top.lettering("words").style[-1].name == "tube"
    with pytest.raises(ModelError):
        paste_coat(STYLED, "words", b"{}", None)
