"""The series in the window: a table typed, pasted and opened, every row seen, all of them written."""

from __future__ import annotations

import pytest
from PIL import Image
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QApplication

from anole.core.edit.series import series_of
from anole.core.model import Fill
from anole.core.model.series import Binding

from ..core.shapes import board

Key, LEFT = Qt.Key, Qt.MouseButton.LeftButton
TEXT = "Words\tInk\nOne\t#ff0000\nTwo\t#00ff00\n"


@pytest.fixture
def opened(open_window, settle):
    window = open_window(board(Fill(id="f"), text="LAP"))
    window.do("series")
    settle(window)
    return window, window.series


def paste(page, text: str) -> None:
    QApplication.clipboard().setText(text)
    page.paste_rows()


def test_a_pasted_table_is_bound_by_names_and_every_row_is_seen(opened, settle):
    window, page = opened
    paste(page, TEXT)
    settle(window)
    series = series_of(window.document.board)
    assert series.columns == ("Words", "Ink") and len(series.rows) == 2
    assert series.bindings == (Binding(column="Words", piece="words"),)
    assert set(page.model.images) == {0, 1}
    assert page.model.images[0] != page.model.images[1]
    assert window.pages.currentWidget() is page
    # a column bound to a colour changes every picture
    before = dict(page.model.images)
    picker = page.bindings.pickers["Ink"]
    picker.set_value(next(o for o in picker.options if o.startswith("colour of")))
    picker.picked.emit()
    settle(window)
    assert page.model.images[0] != before[0]
    window.document.undo()
    assert len(series_of(window.document.board).bindings) == 1


def test_cells_are_typed_and_rows_come_and_go(opened, qtbot, settle):
    window, page = opened
    paste(page, TEXT)
    model = page.model
    assert model.setData(model.index(2, 1), "Three")
    assert series_of(window.document.board).rows[2] == ("Three", "")
    model.setData(model.index(0, 1), "First")
    assert series_of(window.document.board).rows[0] == ("First", "#ff0000")
    settle(window)
    assert set(model.images) == {0, 1, 2}
    page.view.selectRow(1)
    qtbot.keyClick(page, Key.Key_Delete)
    assert [row[0] for row in series_of(window.document.board).rows] == ["First", "Three"]
    # rows pasted under the same columns are added
    paste(page, "Four\t#000\nFive\t#111\n")
    assert [row[0] for row in series_of(window.document.board).rows][2:] == ["Four", "Five"]
    for _ in range(4):
        window.document.undo()
    assert len(series_of(window.document.board).rows) == 2


def test_what_is_wrong_with_a_row_is_marked(opened, settle):
    window, page = opened
    paste(page, "Words\nFine\n漢字\n")
    settle(window)
    assert page.model.warnings[0] == () and "has no" in page.model.warnings[1][0]
    assert page.state.text().startswith("1 row has")


def test_a_long_table_stays_in_its_file(opened, settle, tmp_path):
    window, page = opened
    path = tmp_path / "long.csv"
    path.write_text("Words\n" + "\n".join(f"row {n}" for n in range(6000)))
    page.open_table(path)
    settle(window)
    assert len(page.table.rows) == 6000 and page.folder == tmp_path
    assert series_of(window.document.board).rows == ()
    page.model.setData(page.model.index(1, 1), "other")
    assert page.table.rows[1] == ("other",)


def test_a_table_that_is_none_is_told(opened, settle, tmp_path):
    window, page = opened
    path = tmp_path / "a.xlsx"
    path.write_bytes(b"nothing")
    page.open_table(path)
    settle(window)
    assert "a.xlsx" in window.status.text.text()
    paste(page, "   ")
    assert "empty" in window.status.text.text()


def test_all_rows_are_written_and_a_second_time_none(opened, qtbot, settle, tmp_path):
    window, page = opened
    paste(page, TEXT)
    page.file.setText("{row}-{words}")
    page.file.editingFinished.emit()
    settle(window)
    page.render_to(tmp_path, jobs=1)
    qtbot.waitUntil(lambda: page.job is None, timeout=60_000)
    names = sorted(p.name for p in tmp_path.glob("*.png"))
    assert names == ["001-One.png", "002-Two.png"]
    assert Image.open(tmp_path / names[0]).size == (320, 180)
    assert "2 of 2" in window.status.text.text()
    page.render_to(tmp_path, jobs=1)
    qtbot.waitUntil(lambda: page.job is None, timeout=60_000)
    assert "2 were there already" in window.status.text.text()


def test_escape_goes_back_to_the_board_and_the_series_is_saved(opened, qtbot, tmp_path):
    from anole.core.files import board_file

    window, page = opened
    paste(page, TEXT)
    qtbot.keyClick(page, Key.Key_Escape)
    assert window.pages.currentIndex() == 0
    path = tmp_path / "a.anole"
    assert window.files.save_to(path)
    assert board_file.read(path).board.series == window.document.board.series
