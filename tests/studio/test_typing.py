"""Words typed on the board by mouse and keyboard: caret, selection, clipboard, single letters."""

import pytest
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QGuiApplication, QInputMethodEvent
from PyQt6.QtWidgets import QApplication

from anole.core.lettering.outline import outline
from anole.core.model import Colour, Fill, LetterPaint
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint
from .test_by_hand import grip, pull

LEFT, SHIFT = Qt.MouseButton.LeftButton, Qt.KeyboardModifier.ShiftModifier
CTRL = Qt.KeyboardModifier.ControlModifier
STYLED = board(Fill(id="f", paint=paint("#fff")), text="ROLL ON", size=60)


@pytest.fixture
def typing(open_window, qtbot):
    """A window with the caret behind the last letter."""
    window = open_window(STYLED)
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Return)
    qtbot.keyClick(window.view, Qt.Key.Key_End, CTRL)
    return window


def test_a_double_click_puts_the_caret_where_it_was(open_window, qtbot):
    window = open_window(STYLED)
    middle = window.view.transform_now().to_widget(160, 90).toPoint()
    qtbot.mouseDClick(window.view, LEFT, pos=middle)
    assert window.tools.typing.on
    assert 2 <= window.tools.typing.caret <= 5
    qtbot.keyClicks(window.view, "x")
    assert window.selection.lettering.text in ("ROxLL ON", "ROLxL ON", "ROLLx ON", "ROLL xON")
    qtbot.keyClick(window.view, Qt.Key.Key_Escape)
    assert not window.tools.typing.on
    assert [s.name for s in window.document.history.steps] == ["Open", "Type"]


def test_keys_move_select_and_erase(typing, qtbot):
    view, piece = typing.view, lambda: typing.selection.lettering
    qtbot.keyClick(view, Qt.Key.Key_Left, CTRL | SHIFT)
    assert typing.tools.typing.marked == (5, 7)
    qtbot.keyClicks(view, "IN")
    assert piece().text == "ROLL IN"
    qtbot.keyClick(view, Qt.Key.Key_Home)
    qtbot.keyClick(view, Qt.Key.Key_Delete)
    qtbot.keyClick(view, Qt.Key.Key_End)
    qtbot.keyClick(view, Qt.Key.Key_Backspace, CTRL)
    assert piece().text == "OLL "
    qtbot.keyClick(view, Qt.Key.Key_Return)
    qtbot.keyClicks(view, "b")
    qtbot.keyClick(view, Qt.Key.Key_Up)
    qtbot.keyClicks(view, "a")
    assert piece().text.index("a") < piece().text.index("\n")


def test_one_key_goes_over_a_letter_with_its_accent_and_over_a_joined_emoji(typing, qtbot):
    window, tool = typing, typing.tools.typing
    text = "e\u0301👩\u200d🚀"
    tool.select(0, len(tool.text))
    tool.insert(text)
    assert window.document.board.lettering("words").text == text
    qtbot.keyClick(window.view, Qt.Key.Key_Left)
    assert tool.caret == 2
    qtbot.keyClick(window.view, Qt.Key.Key_Left)
    assert tool.caret == 0
    qtbot.keyClick(window.view, Qt.Key.Key_End)
    qtbot.keyClick(window.view, Qt.Key.Key_Backspace)
    assert window.document.board.lettering("words").text == "e\u0301"
    qtbot.keyClick(window.view, Qt.Key.Key_Backspace)
    assert window.document.board.lettering("words").text == ""


def test_the_clipboard_goes_in_and_out(typing, qtbot):
    view = typing.view
    qtbot.keyClick(view, Qt.Key.Key_A, CTRL)
    qtbot.keyClick(view, Qt.Key.Key_X, CTRL)
    assert typing.selection.lettering.text == ""
    assert QGuiApplication.clipboard().text() == "ROLL ON"
    QGuiApplication.clipboard().setText("one\r\ntwo")
    qtbot.keyClick(view, Qt.Key.Key_V, CTRL)
    assert typing.selection.lettering.text == "one\ntwo"
    assert typing.tools.typing.caret == 7


def test_an_input_method_shows_before_it_writes(typing):
    event = QInputMethodEvent("ni", [])
    QApplication.sendEvent(typing.view, event)
    assert typing.selection.lettering.text == "ROLL ON"
    done = QInputMethodEvent()
    done.setCommitString("に")
    QApplication.sendEvent(typing.view, done)
    assert typing.selection.lettering.text == "ROLL ONに"
    where = typing.view.inputMethodQuery(Qt.InputMethodQuery.ImCursorRectangle)
    assert where.height() > 5


def test_letters_chosen_on_the_board_get_a_colour_and_a_lift(typing, qtbot):
    panel = typing.arrange.section("words").letters
    assert not panel.isVisible()
    qtbot.keyClick(typing.view, Qt.Key.Key_Left, SHIFT)
    assert panel.isVisible()
    assert panel.head.text().endswith("N")
    panel.colour.edited.emit(Colour.parse("#ff8800"), None)
    panel.fields.controls["rise"].edited.emit(0.25, None)
    (own,) = typing.selection.lettering.letters.own
    assert (own.at, own.colour, own.rise) == (6, Colour.parse("#ff8800"), 0.25)
    qtbot.mouseClick(panel.free, LEFT)
    assert typing.selection.lettering.letters.own == ()


def test_the_arched_title_of_two_lines_is_set_by_hand_alone(open_window, qtbot, drag, settle):
    """From an empty board: words, font, size, two lines, the upper one arched, the lower slanted."""
    from anole.studio.documents.board_files import new_board

    window = open_window(new_board(1280, 720))
    document, selection = window.document, window.selection
    qtbot.keyClick(window, Qt.Key.Key_T, CTRL)
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Return)
    qtbot.keyClick(window.view, Qt.Key.Key_A, CTRL)
    qtbot.keyClicks(window.view, "BOUT")
    qtbot.keyClick(window.view, Qt.Key.Key_Return)
    qtbot.keyClicks(window.view, "NIGHT")
    qtbot.keyClick(window.view, Qt.Key.Key_Escape)
    fonts = window.arrange.section("words").fonts
    qtbot.keyClicks(fonts.search, "lilita")
    qtbot.mouseClick(
        fonts.list.viewport(), LEFT, pos=fonts.list.visualRect(fonts.model.index(0)).center()
    )
    size = window.arrange.section("fields").panel.controls["size"].findChild(type(fonts.search))
    size.setFocus()
    size.selectAll()
    qtbot.keyClicks(size, "250")
    qtbot.keyClick(size, Qt.Key.Key_Return)
    lines = window.arrange.section("fields").panel.controls["align"].box
    lines.setFocus()
    for _ in range(5):
        qtbot.keyClick(lines, Qt.Key.Key_Up)
    while selection.lettering.align != "centre":
        qtbot.keyClick(lines, Qt.Key.Key_Down)
    pull(window.view, grip(window, "camber", "head"), QPointF(0, -52))
    pull(window.view, grip(window, "slope", "foot right"), QPointF(0, 16))
    words = selection.lettering
    assert (words.text, words.font.family, words.align) == ("BOUT\nNIGHT", "Lilita One", "centre")
    assert words.size.value == 250
    assert words.head.camber > 0.15
    assert words.foot.slope < -0.05
    assert document.history.steps[0].name == "Open"
    qtbot.keyClick(window.view, Qt.Key.Key_Return)
    qtbot.keyClick(window.view, Qt.Key.Key_End, CTRL)
    qtbot.keyClicks(window.view, "S")
    assert (selection.lettering.text, selection.lettering.head) == ("BOUT\nNIGHTS", words.head)
    settle(window)
    assert window.view.frame.board == document.board


def test_letter_paint_is_chosen_in_the_coat_and_coloured_in_arrange(open_window):
    window = open_window(board(Fill(id="f", paint=LetterPaint()), text="ROLL"))
    part = window.arrange.section("shape").panel.controls["letters"]
    part.toggle.click()
    part.fields.controls["colours"].edited.emit(
        (Colour.parse("#ff0000"), Colour.parse("#00ff00")), None
    )
    assert len(window.selection.lettering.letters.colours) == 2
    window.show_stage(Stage.ARRANGE)
    assert outline(window.selection.lettering, 96).em == 120
