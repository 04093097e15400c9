"""How a look is built, shown beside the board: walked by key and click, worked on, taken, left."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest

from anole.core.edit.building import built_to
from anole.core.edit.pieces import remove_piece
from anole.core.model import Fill, Glow, Shadow, Stroke
from anole.studio.coat.walk import walk as walk_file
from anole.studio.commands import styles as commands
from anole.studio.shared.shell import Stage

from ..core.shapes import board

STACK = (Shadow(id="s"), Glow(id="g", on=False), Stroke(id="r", name="rim"), Fill(id="f"))
LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def walked(open_window, settle):
    window = open_window(board(*STACK, text="LAP"))
    window.selection.choose("words")
    window.do("how built")
    settle(window)
    return window, window.unfolded.sheet


def shown(window):
    return [coat.id for coat in window.document.shown.coated("words").style]


def test_it_is_walked_by_keys_and_the_board_follows(walked):
    window, sheet = walked
    whole = window.document.board
    assert window.stage == Stage.COAT and window.panels.right.currentWidget() is sheet
    assert shown(window) == ["s"] and sheet.count.text() == "1 of 3"
    QTest.keyClick(sheet, Qt.Key.Key_Right)
    assert shown(window) == ["s", "g", "r"] and window.selection.coat_id == "r"
    assert (
        "2   rim" in [sheet.steps.item(n).text() for n in range(3)] and "frames" in sheet.why.text()
    )
    QTest.keyClick(sheet, Qt.Key.Key_Down)
    QTest.keyClick(sheet, Qt.Key.Key_Right)
    assert shown(window) == ["s", "g", "r", "f"] and not sheet.on.isEnabled()
    assert window.build_up.state().unbuilt == set()
    QTest.keyClick(sheet, Qt.Key.Key_Left)
    assert shown(window) == ["s", "g", "r"]
    # the build-up has what is not built yet, and dims it
    assert window.build_up.state().unbuilt == {"f"}
    QTest.keyClick(sheet, Qt.Key.Key_Escape)
    assert window.panels.right.currentWidget() is window.coat
    assert window.document.shown is window.document.board is whole


def test_a_number_is_changed_at_its_step_and_the_rest_holds(walked, settle):
    window, sheet = walked
    QTest.mouseClick(sheet.on, LEFT)
    panel = sheet.panels[Stroke]
    assert set(panel.controls) == {"span", "paint", "opacity"}
    panel.controls["opacity"].edited.emit(0.5, None)
    settle(window)
    style = window.document.board.coated("words").style
    assert [coat.id for coat in style] == ["s", "g", "r", "f"] and style[2].opacity == 0.5
    # it is seen at the step at once
    assert (
        shown(window) == ["s", "g", "r"]
        and window.document.shown.coated("words").style[2].opacity == 0.5
    )
    window.document.undo()
    assert window.document.shown.coated("words").style[2].opacity == 1


def test_what_is_typed_late_goes_to_the_coat_it_was_typed_for(open_window, settle):
    window = open_window(board(Stroke(id="a"), Stroke(id="b"), text="LAP"))
    window.selection.choose("words")
    window.do("how built")
    settle(window)
    sheet = window.unfolded.sheet
    # its piece is walked no more when the field is left
    edited = sheet.panels[Stroke].edited
    sheet.left.emit()
    edited.emit("opacity", 0.4, None)
    assert [c.opacity for c in window.document.board.coated("words").style] == [0.4, 1]


def test_a_coat_that_is_chosen_elsewhere_is_the_step(walked):
    window, sheet = walked
    window.selection.choose("words", "f")
    assert sheet.walk.at == 2 and shown(window)[-1] == "f"
    QTest.mouseClick(
        sheet.steps.viewport(), LEFT, pos=sheet.steps.visualItemRect(sheet.steps.item(0)).center()
    )
    assert sheet.walk.at == 0 and shown(window) == ["s"]
    window.selection.choose(None)
    assert not window.unfolded.is_open and window.document.shown is window.document.board


def test_it_is_taken_from_a_step_and_undone(walked):
    window, sheet = walked
    before = window.document.board
    QTest.mouseClick(sheet.on, LEFT)
    QTest.mouseClick(sheet.take, LEFT)
    assert window.document.board == built_to(before, "words", "r") and not window.unfolded.is_open
    assert window.document.shown is window.document.board
    window.document.undo()
    assert window.document.board == before


def test_it_plays_by_itself_to_the_end(walked, qtbot):
    _, sheet = walked
    sheet.walk._clock.setInterval(20)
    QTest.keyClick(sheet, Qt.Key.Key_Space)
    assert sheet.walk.plays and sheet.play.text() == "Pause"
    qtbot.waitUntil(lambda: not sheet.walk.plays, timeout=5_000)
    assert sheet.walk.at == 2 and walk_file.EACH > 1000
    QTest.mouseClick(sheet.play, LEFT)
    assert sheet.walk.at == 0 and sheet.walk.plays
    QTest.mouseClick(sheet.play, LEFT)
    assert not sheet.walk.plays


def test_a_note_is_written_where_the_sentence_stands(walked):
    window, sheet = walked
    assert "lifts" in sheet.why.text()
    sheet.note.setFocus()
    QTest.keyClicks(sheet.note, "So that it floats.")
    QTest.keyClick(sheet.note, Qt.Key.Key_Return)
    assert window.document.board.coated("words").style[0].note == "So that it floats."
    assert sheet.why.text() == "So that it floats."
    QTest.mouseClick(sheet.on, LEFT)
    assert sheet.note.text() == ""


def test_when_its_coat_or_piece_is_gone_it_goes(walked, settle):
    window, _ = walked
    window.do("fold panels")
    window.do("fold panels")
    window.document.apply("Bare", lambda b: built_to(b, "words", "s"))
    assert window.unfolded.is_open
    window.document.apply("Gone", lambda b: remove_piece(b, "words"))
    settle(window)
    assert not window.unfolded.is_open and window.document.shown is window.document.board


@pytest.mark.parametrize("worked_on", [False, True])
def test_a_style_is_put_on_to_be_looked_at_and_taken_off_again(open_window, settle, worked_on):
    window = open_window(board(*STACK, text="LAP"))
    window.selection.choose("words")
    window.show_stage(Stage.COAT)
    before = window.document.board
    stored = next(one for one in window.styles.entries if one.style.name == "cup gold")
    commands._show_how_built(window.session, stored)
    settle(window)
    sheet = window.unfolded.sheet
    assert len(sheet.walk.steps) == len(stored.style.coats) and len(shown(window)) == 1
    if worked_on:
        sheet.panels[type(sheet.walk.coat)].edited.emit("opacity", 0.3, None)
    QTest.mouseClick(sheet.leave, LEFT)
    style = window.document.board.coated("words").style
    assert (style == before.coated("words").style) == (not worked_on)


def test_stages_pages_and_the_sheet_of_coats_take_its_place(walked, settle):
    window, sheet = walked
    window.do("add coats")
    assert not window.unfolded.is_open and window.beside.is_open
    window.do("how built")
    assert window.unfolded.is_open and not window.beside.is_open
    window.show_stage(Stage.ARRANGE)
    assert not window.unfolded.is_open and window.document.shown is window.document.board
    window.do("how built")
    window.do("how built")
    assert not window.unfolded.is_open and sheet.walk.piece_id is None
