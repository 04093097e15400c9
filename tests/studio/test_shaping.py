"""What shapes the letters is switched off and on at the foot of the build-up, and kept."""

import msgspec
import numpy as np
import pytest
from PyQt6.QtCore import Qt

from anole.core.edit.pieces import change_piece, switch_shaping
from anole.core.lettering.bends import bends_of, shapings
from anole.core.lettering.outline import outline
from anole.core.model import Corners, Fill, Letters, ModelError, Pose, Rail, Ring
from anole.core.model.codec import from_json, to_json
from anole.studio.arrange.tools.handles import handles
from anole.studio.shared.shell import Stage

from ..core.shapes import board, pixels

SHAPED = {
    "rails": {"head": Rail(camber=0.3)},
    "ring": {"ring": Ring()},
    "letters": {"letters": Letters(turn=20)},
    "corners": {"corners": Corners(top_left=(0.3, 0.2))},
    "pose": {"pose": Pose(turn_y=30)},
}


@pytest.mark.parametrize("kind", SHAPED)
def test_shaping_that_is_off_leaves_the_words_as_they_would_be_without_it(kind):
    plain = board(Fill(id="f"))
    shaped = change_piece(plain, "words", **SHAPED[kind])
    assert shapings(shaped.lettering("words")) == (kind,)
    off = switch_shaping(shaped, "words", kind)
    assert np.abs(pixels(shaped) - pixels(plain)).max() > 0.2
    np.testing.assert_array_equal(pixels(off), pixels(plain))
    assert shapings(off.lettering("words")) == (kind,)
    assert switch_shaping(off, "words", kind) == shaped
    assert from_json(to_json(off), type(off)) == off


def test_one_is_switched_without_the_others_and_working_on_it_switches_it_on():
    made = change_piece(board(Fill(id="f")), "words", head=Rail(slope=0.2), pose=Pose(turn_x=20))
    off = switch_shaping(switch_shaping(made, "words", "rails"), "words", "pose")
    assert bends_of(off.lettering("words"), 100, 96).bent is False
    again = change_piece(off, "words", foot=Rail(slope=0.1))
    assert again.lettering("words").off == ("pose",)
    assert change_piece(off, "words", text="Hey").lettering("words").off == ("rails", "pose")
    with pytest.raises(ModelError):
        switch_shaping(made, "words", "wind")


def test_the_switches_in_the_window(open_window, qtbot):
    window = open_window()
    window.show_stage(Stage.COAT)
    document, selection = window.document, window.selection
    switches = window.under_build_up.shaping
    document.apply("Words", lambda b: change_piece(b, selection.piece_id, head=Rail(), foot=Rail()))
    assert switches.isHidden()
    document.apply("Rails", lambda b: change_piece(b, selection.piece_id, head=Rail(camber=0.4)))
    assert not switches.isHidden()
    rails = switches.switches["rails"]
    assert rails.isChecked() and not rails.isHidden()
    assert switches.switches["pose"].isHidden()
    dpi = document.board.dpi
    bent = outline(selection.lettering, dpi).bends.bent
    qtbot.mouseClick(rails, Qt.MouseButton.LeftButton)
    assert (bent, outline(selection.lettering, dpi).bends.bent) == (True, False)
    assert not rails.isChecked()
    assert document.history.undo_name == "Rails off"
    rails.setFocus()
    qtbot.keyClick(rails, Qt.Key.Key_Space)
    assert outline(selection.lettering, dpi).bends.bent
    document.undo()
    assert not rails.isChecked()


def test_handles_of_a_rail_come_back_when_a_ring_is_off(open_window):
    window = open_window()
    document, selection = window.document, window.selection
    document.apply("Ring", lambda b: change_piece(b, selection.piece_id, ring=Ring()))
    now = window.view.transform_now()
    kinds = {h.kind for h in handles(selection.lettering, document.board, now)}
    document.apply("Ring off", lambda b: switch_shaping(b, selection.piece_id, "ring"))
    more = {h.kind for h in handles(selection.lettering, document.board, now)}
    assert "camber" in more - kinds
    assert msgspec.structs.asdict(selection.lettering)["ring"] == Ring()
