"""What is typed into a field comes when the field is left: whose it is then."""

from __future__ import annotations

import pytest

from anole.core.edit.pieces import remove_piece
from anole.core.model import Fill, Glow, Stroke
from anole.studio.shared.shell import Stage

from ..core.shapes import board

LATE = 0.31


@pytest.mark.parametrize(
    ("field", "kind"), [("softness", Glow), ("opacity", Glow), ("opacity", Fill)]
)
def test_it_goes_to_the_coat_it_was_typed_for(open_window, field, kind):
    window = open_window(board(Glow(id="glow"), Stroke(id="stroke"), Fill(id="fill")))
    window.show_stage(Stage.COAT)
    words = window.document.board.pieces[-1].id
    tag = kind.__name__.lower()
    window.selection.choose(words, tag)
    panel = window.coat.panel(kind)
    window.selection.choose(words, "stroke")
    panel.edited.emit(field, LATE, None)
    for coat in window.document.board.lettering(words).style:
        assert (getattr(coat, field, None) == LATE) == (coat.id == tag)


def test_for_a_coat_that_is_gone_it_is_nothing(open_window):
    window = open_window(board(Glow(id="glow"), Fill(id="fill")))
    window.show_stage(Stage.COAT)
    words = window.document.board.pieces[-1].id
    window.selection.choose(words, "glow")
    panel = window.coat.panel(Glow)
    window.document.apply("gone", lambda b: remove_piece(b, words))
    before = window.document.board
    panel.edited.emit("softness", LATE, None)
    assert window.document.board is before


def test_it_goes_to_the_piece_it_was_typed_for(open_window):
    window = open_window(board(Fill(id="fill")))
    window.show_stage(Stage.ARRANGE)
    ground, words = (window.document.board.pieces[n].id for n in (0, -1))
    window.selection.choose(words)
    section = window.arrange.section("blending")
    window.arrange.show_piece()
    window.selection.choose(ground)
    section.panel.edited.emit("opacity", LATE, None)
    pieces = {piece.id: piece.opacity for piece in window.document.board.pieces}
    assert pieces == {ground: 1.0, words: LATE}
