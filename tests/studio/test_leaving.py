"""A tag under the board tells of words that leave it, and fits them at a click."""

from PyQt6.QtCore import QPoint, Qt

from anole.core.edit.fitting import leaves
from anole.core.model import Fill

from ..core.shapes import board


def click(qtbot, view, at):
    qtbot.mouseMove(view, at)
    qtbot.mouseClick(view, Qt.MouseButton.LeftButton, pos=at)


def middle(window) -> QPoint:
    return window.tools.leaving._button.center().toPoint()


def test_words_that_leave_the_board_are_fitted_by_one_click(open_window, settle, qtbot):
    window = open_window(board(Fill(id="f"), text="A VERY LONG TITLE", size=120))
    for stage in (0, 1):
        window.show_stage(stage)
        settle(window)
        window.view.repaint()
        assert window.tools.leaving.piece() is not None
        button = window.tools.leaving._button
        assert window.view.rect().contains(button.toAlignedRect())
        click(qtbot, window.view, middle(window))
        settle(window)
        assert not leaves(window.selection.lettering, window.document.board)
        assert window.document.history.steps[-1].name == "Fit to board"
        window.view.repaint()
        assert window.tools.leaving.piece() is None
        assert window.tools.leaving._button.isEmpty()
        window.actions_by_id["undo"].trigger()


def test_words_on_the_board_say_nothing(open_window, settle):
    window = open_window(board(Fill(id="f"), text="HO", size=60))
    settle(window)
    window.view.repaint()
    assert window.tools.leaving.piece() is None


def test_the_command_fits_what_is_chosen(open_window, settle):
    window = open_window(board(Fill(id="f"), text="A VERY LONG TITLE", size=120))
    window.actions_by_id["fit words"].trigger()
    assert not leaves(window.selection.lettering, window.document.board)
