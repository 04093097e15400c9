"""Undo in view, and the board's name typed over."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import Qt

from anole.core.edit.coats import change_coat
from anole.core.edit.differing import changed_part
from anole.core.edit.pieces import change_piece
from anole.core.model import Board, Cluster, Fill, Ground, Lettering, Place, Stroke
from anole.studio.documents.document import Document
from anole.studio.shared.shell import Stage

LEFT = Qt.MouseButton.LeftButton
WORDS = Lettering(
    id="w", text="OWL", place=Place(x=160, y=90), style=(Stroke(id="s"), Fill(id="f"))
)
BOARD = Board(width=320, height=180, pieces=(Ground(id="g"), WORDS))


@pytest.fixture
def window(open_window):
    window = open_window(BOARD)
    window.selection.choose("w", "f")
    return window


def test_what_a_step_changed_is_found_to_the_coat():
    coat = change_coat(BOARD, "w", "f", opacity=0.5)
    assert changed_part(coat, BOARD) == ("w", "f") == changed_part(BOARD, coat)
    words = change_piece(BOARD, "w", text="OWLS")
    assert changed_part(BOARD, words) == ("w", None)
    both = change_coat(change_coat(BOARD, "w", "f", opacity=0.5), "w", "s", opacity=0.5)
    assert changed_part(BOARD, both) == ("w", None)
    assert changed_part(BOARD, BOARD) == (None, None)
    # a piece that came back, and one within another
    without = Board(width=320, height=180, pieces=(Ground(id="g"),))
    assert changed_part(without, BOARD) == ("w", None)
    held = Board(pieces=(Cluster(id="c", pieces=(WORDS,)),))
    inner = Board(pieces=(Cluster(id="c", pieces=change_piece(BOARD, "w", text="HO").pieces[1:]),))
    assert changed_part(held, inner).piece == "w"


def test_undo_says_what_it_took_back_and_lights_it(window, qtbot):
    window.show_stage(Stage.COAT)
    window.document.apply("Fill: opacity", lambda b: change_coat(b, "w", "f", opacity=0.4))
    size = window.view.size()
    window.actions_by_id["undo"].trigger()
    assert window.view._words == "Undone: Fill: opacity" and window.view.size() == size
    area = window.view._lit
    assert area is not None and area.contains(160, 90) and area.width() < 320
    assert window.build_up._lit == "f"
    qtbot.waitUntil(lambda: window.view._lit is None and window.build_up._lit is None)
    window.actions_by_id["redo"].trigger()
    assert window.view._words == "Done again: Fill: opacity" and window.build_up._lit == "f"
    said = []
    window.document.said.connect(said.append)
    window.show_stage(Stage.PROOF)
    window.actions_by_id["undo"].trigger()
    assert said == ["Undone: Fill: opacity."]


def test_light_is_seen_on_the_board(window, settle):
    window.document.apply("Text", lambda b: change_piece(b, "w", text="HOO"))
    window.document.undo()
    settle(window)
    window.view.light(None)
    before = window.view.grab().toImage()
    window.view.light(window.took_back._box("w"), "Undone: Text")
    assert window.view.grab().toImage() != before
    window.view.light(None)
    assert window.view.grab().toImage() == before


def test_nothing_to_undo_says_nothing(qtbot):
    document = Document(BOARD)
    said = []
    document.went.connect(lambda *one: said.append(one))
    document.undo()
    document.redo()
    assert not said


def test_a_click_on_the_name_types_over_it(window, qtbot):
    name = window.top.name
    qtbot.mouseClick(name, LEFT)
    assert name.field.hasFocus() and name.field.selectedText() == window.document.title
    qtbot.keyClicks(name.field, "Bout & Co")
    qtbot.keyClick(name.field, Qt.Key.Key_Return)
    assert window.document.board.name == "Bout & Co" == window.document.title
    assert name.field.isHidden() and "Bout & Co" in name.text()
    window.document.undo()
    assert window.document.title == BOARD.name
    # Escape leaves it
    window.do("rename board")
    qtbot.keyClicks(name.field, "No")
    qtbot.keyClick(name.field, Qt.Key.Key_Escape)
    assert window.document.title == BOARD.name and name.field.isHidden()


def test_a_saved_board_takes_its_file_along(window, qtbot, tmp_path):
    path, taken = tmp_path / "one.anole", tmp_path / "taken.anole"
    assert window.files.save_to(path)
    taken.write_text("somebody else's")
    said = []
    window.document.said.connect(said.append)
    window.files.rename("taken")
    assert window.document.path == path and taken.read_text() == "somebody else's"
    assert "is there already" in window.status.text.text()
    window.files.rename("A cup / 1.2")
    moved = tmp_path / "A cup - 1.2.anole"
    assert window.document.path == moved and moved.exists() and not path.exists()
    assert window.document.title == "A cup - 1.2" and window.document.is_saved
    assert window.settings.recent[0] == moved and path not in window.settings.recent
    window.document.apply("Text", lambda b: change_piece(b, "w", text="HOO"))
    window.files.save()
    assert window.document.is_saved
    moved.unlink()
    window.files.rename("gone")
    assert "could not be renamed" in window.status.text.text()
