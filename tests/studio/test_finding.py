"""Whatever can be done is found: in a menu, by the finder, and, where it has keys, on the sheet."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QContextMenuEvent
from PyQt6.QtWidgets import QApplication, QMenu

from anole.core.coats.registry import KINDS
from anole.core.library import styles
from anole.core.model import Fill, Gradient, Relief, Stroke
from anole.studio.commands import COMMANDS, MENUS
from anole.studio.commands.gestures import GESTURES
from anole.studio.controls.gradients.gradient_bar import GradientBar
from anole.studio.finding.entry import found
from anole.studio.finding.everything import everything
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint
from .menus import entries, menus, plain

LEFT = Qt.MouseButton.LeftButton
CTRL = Qt.KeyboardModifier.ControlModifier
STYLED = board(Stroke(id="s", name="rim"), Fill(id="f", paint=paint("#ff0000")), text="HOWL")


def everywhere(window):
    """Actions of all menus, also those within menus."""
    found_actions = []
    for menu in menus(window):
        for action in menu.actions():
            found_actions.append(action)
            if action.menu() is not None:
                found_actions += action.menu().actions()
    return found_actions


def test_every_command_stands_in_a_menu_with_its_keys(open_window):
    window = open_window(STYLED)
    shown = {plain(a.text()): a for a in everywhere(window)}
    for command in COMMANDS:
        action = shown[command.title]
        assert action is window.actions_by_id[command.id]
        assert len(action.shortcuts()) == len(command.keys)
    assert [plain(m.title()) for m in menus(window)] == [plain(m.title) for m in MENUS]
    # no two menus answer to the same letter, and none takes one that a command has with Alt
    letters = [m.title[m.title.index("&") + 1].upper() for m in MENUS]
    assert len(set(letters)) == len(letters)
    alts = {key.rpartition("+")[2] for c in COMMANDS for key in c.keys if key.startswith("Alt+")}
    assert not alts & set(letters)


def test_the_finder_finds_every_command_that_applies_by_its_title(open_window):
    window = open_window(STYLED)
    things = everything(window.session)
    for command in COMMANDS:
        if command.when(window.session):
            titles = [thing.title for thing in found(things, command.title.lower())]
            assert command.title in titles[:4], command.title


def test_the_finder_finds_pieces_coats_styles_and_fonts(open_window):
    window = open_window(STYLED)
    things = everything(window.session)
    for words, kind in (
        ("words", "piece"), ("rim", "coat"), ("cup gold", "style"), ("lilita", "font"),
    ):  # fmt: skip
        assert any(thing.kind == kind for thing in found(things, words)[:3]), words
    for kind in KINDS.values():
        assert any(thing.title == f"Add {kind.title}" for thing in found(things, kind.title))
    for one in styles.library()[0]:
        assert found(things, one.style.name)[0].title == one.style.name
    assert found(things, "no such thing at all") == []


def test_the_finder_is_walked_looked_at_taken_and_left_by_key(open_window, qtbot, settle):
    window = open_window(STYLED)
    before = window.document.board
    qtbot.keyClick(window, Qt.Key.Key_K, CTRL)
    finder = window.finder
    assert finder.isVisible() and finder.field.hasFocus()
    qtbot.keyClicks(finder.field, "gold")
    assert window.document.shown.lettering("words").worn.name == "cup gold"
    qtbot.keyClick(finder.field, Qt.Key.Key_Escape)
    assert not finder.isVisible()
    assert window.document.shown == window.document.board == before
    qtbot.keyClick(window, Qt.Key.Key_K, CTRL)
    qtbot.keyClicks(finder.field, "cup")
    row = finder.list.currentRow()
    qtbot.keyClick(finder.field, Qt.Key.Key_Down)
    qtbot.keyClick(finder.field, Qt.Key.Key_Up)
    assert finder.list.currentRow() == row
    qtbot.keyClick(finder.field, Qt.Key.Key_Return)
    settle(window)
    assert window.selection.lettering.worn.name == "cup gold"
    assert not finder.isVisible()
    qtbot.keyClick(window, Qt.Key.Key_K, CTRL)
    qtbot.keyClicks(finder.field, "proof")
    qtbot.keyClick(finder.field, Qt.Key.Key_Return)
    assert window.stage == Stage.PROOF


@pytest.mark.parametrize("stage", Stage)
def test_f1_shows_all_keys_of_the_stage_inside_the_window(stage, open_window, qtbot):
    window = open_window(STYLED)
    window.resize(1100, 700)
    window.show_stage(stage)
    qtbot.keyClick(window, Qt.Key.Key_F1)
    sheet = window.key_sheet
    assert sheet.isVisible()
    lines = {what for _, group in sheet.groups() for what, _ in group}
    assert {c.title for c in COMMANDS if c.keys} <= lines
    assert {gesture.what for gesture in GESTURES[stage]} <= lines
    assert sheet.rect().contains(sheet.frame.geometry())
    assert sheet.frame.height() >= sheet.frame.sizeHint().height()
    qtbot.keyClick(sheet, Qt.Key.Key_Escape)
    assert not sheet.isVisible()


def popped() -> QMenu:
    """The menu that is up."""
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    return menu


def ask(widget, at: QPoint) -> list[str]:
    """What a right click there offers; nothing is done."""
    event = QContextMenuEvent(QContextMenuEvent.Reason.Mouse, at, widget.mapToGlobal(at))
    QApplication.sendEvent(widget, event)
    menu = popped()
    titles = [plain(a.text()) for a in menu.actions() if a.text()]
    menu.close()
    return titles


def test_a_right_click_asks_and_changes_nothing(open_window, qtbot, settle):
    window = open_window(board(Stroke(id="s"), Fill(id="f"), text="I", size=150))
    before, many = window.document.board, len(window.document.history.steps)
    words = window.view.transform_now().to_widget(160, 90).toPoint()
    corner = window.view.transform_now().to_widget(3, 3).toPoint()
    assert {"Add words", "Paste", "Undo"} <= set(ask(window.view, corner))
    assert {"Cut", "Duplicate", "Delete", "Line up", "To the top"} <= set(ask(window.view, words))
    item = window.pieces.visualItemRect(window.pieces.item(0)).center()
    assert "Rename" in ask(window.pieces.viewport(), item)
    window.show_stage(Stage.COAT)
    settle(window)
    # the coat that painted what is under the pointer is chosen first
    words = window.view.transform_now().to_widget(160, 90).toPoint()
    assert "Move the coat up" in ask(window.view, words)
    assert window.selection.coat_id in ("f", "s")
    row = window.build_up.state().rows[0].center().toPoint()
    assert "Delete" in ask(window.build_up, row)
    assert window.selection.coat_id == "s"
    chip = window.shelf.chips[0]
    assert {"Put the style on", "Delete the style"} <= set(ask(chip, chip.rect().center()))
    assert window.document.board == before
    assert len(window.document.history.steps) == many


def test_a_saved_colour_is_deleted_by_its_menu_and_not_by_a_bare_right_click(open_window, qtbot):
    window = open_window(STYLED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    colour = (
        window.coat.panel(Fill)
        .controls["paint"]
        .page(type(STYLED.coated("words").style[1].paint))
        .colour
    )
    colour.swatches.keep(colour.value(), "Rink red")
    chips = colour.swatches.saved
    titles = ask(chips, chips.box(0).center().toPoint())
    assert "Delete the saved colour" in titles
    assert len(window.document.board.swatches) == 1
    window.actions_by_id["delete swatch"].trigger()
    assert window.document.board.swatches == ()
    window.document.undo()
    assert len(window.document.board.swatches) == 1


def test_a_style_of_ones_own_is_deleted_from_its_menu_and_brought_back(open_window, qtbot):
    window = open_window(STYLED)
    window.show_stage(Stage.COAT)
    assert window.shelf.save_as("Mine")
    qtbot.waitUntil(lambda: window.shelf.chips[0].isVisible())
    chip = window.shelf.row.reveal("Mine")
    ask(chip, chip.rect().center())
    window.actions_by_id["delete style"].trigger()
    assert all(one.style.name != "Mine" for one in window.shelf.shown)
    window.status.answers[0].click()
    assert styles.find("Mine").coats
    styles.remove("Mine")
    window.shelf.reload()
    # built-in ones stay
    qtbot.waitUntil(lambda: window.shelf.chips[0].isVisible())
    chip = next(c for c in window.shelf.chips if not c.stored.own)
    ask(chip, chip.rect().center())
    assert not window.actions_by_id["delete style"].isEnabled()


def test_the_stops_of_a_gradient_have_a_menu(open_window, qtbot):
    window = open_window(board(Fill(id="f", paint=Gradient())))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    bar = next(b for b in window.coat.findChildren(GradientBar) if b.isVisible())
    at = QPointF(bar._x(bar.gradient.stops[1]), bar.height() / 2).toPoint()
    qtbot.mouseClick(bar, Qt.MouseButton.RightButton, pos=at)
    menu = QApplication.activePopupWidget()
    if menu is not None:
        menu.close()
    assert "Delete the stop" in ask(bar, at)
    assert (bar.index, len(bar.gradient.stops)) == (1, 2)

    def stops():
        return window.selection.coat.paint.stops

    first = stops()
    for name, count in (("double stop", 3), ("reverse stops", 3), ("spread stops", 3)):
        window.actions_by_id[name].trigger()
        assert len(stops()) == count
    assert [s.at for s in stops()] == pytest.approx([0, 0.5, 1])
    assert stops()[-1].colour == first[0].colour
    window.actions_by_id["delete stop"].trigger()
    assert len(stops()) == 2


def test_keys_people_expect(open_window, qtbot, settle):
    window = open_window(STYLED)
    view, document = window.view, window.document
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_D, CTRL)
    assert len(document.board.pieces) == 3
    qtbot.keyClick(view, Qt.Key.Key_Delete)
    assert len(document.board.pieces) == 2
    qtbot.keyClick(window, Qt.Key.Key_Z, CTRL)
    qtbot.keyClick(window, Qt.Key.Key_Y, CTRL)
    assert len(document.board.pieces) == 2
    window.selection.choose("words")
    qtbot.keyClick(view, Qt.Key.Key_X, CTRL)
    assert len(document.board.pieces) == 1
    qtbot.keyClick(view, Qt.Key.Key_V, CTRL)
    assert window.selection.lettering.text == "HOWL"
    zoom = window.zoom
    qtbot.keyClick(window, Qt.Key.Key_Equal, CTRL)
    assert window.zoom > zoom
    qtbot.keyClick(window, Qt.Key.Key_Minus, CTRL)
    assert window.zoom == pytest.approx(zoom)
    window.show_stage(Stage.COAT)
    coats = len(window.selection.coated.style)
    qtbot.keyClick(window, Qt.Key.Key_D, CTRL)
    assert len(window.selection.coated.style) == coats + 1
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Delete)
    assert len(window.selection.coated.style) == coats
    # in a field Delete is the field's own
    window.coat.name.setFocus()
    window.coat.name.setText("x")
    window.coat.name.setCursorPosition(0)
    qtbot.keyClick(window.coat.name, Qt.Key.Key_Delete)
    assert window.coat.name.text() == ""
    assert len(window.selection.coated.style) == coats
    qtbot.keyClick(window, Qt.Key.Key_W, CTRL)
    assert window.status.asks


def test_ctrl_does_on_the_board_what_alt_does(open_window, qtbot, settle):
    from anole.studio.arrange.tools.handles import handles, pulled

    window = open_window(STYLED)
    words, made = window.selection.lettering, window.document.board
    grips = handles(words, made, window.view.transform_now())
    for kind in ("corner", "camber"):
        grip = next(g for g in grips if g.kind == kind)
        both = [
            pulled(words, made, grip, (160, 60), (170, 80), keys)
            for keys in (CTRL, Qt.KeyboardModifier.AltModifier)
        ]
        assert both[0] == both[1]
        assert both[0] != pulled(
            words, made, grip, (160, 60), (170, 80), Qt.KeyboardModifier.NoModifier
        )
    window.show_stage(Stage.COAT)
    settle(window)
    window.selection.choose("words", "s")
    spot = window.view.transform_now().to_widget(160, 90).toPoint()
    qtbot.mouseClick(window.view, LEFT, CTRL, spot)
    assert (
        "Painted there on top" in window.status.text.text() or "ground" in window.status.text.text()
    )


def test_menus_made_of_what_there_is(open_window):
    window = open_window(board(Relief(id="r"), text="HOWL"))
    kinds = next(a for a in entries(window, "Coat") if a.text() == "Add a coat of a kind")
    titles = [a.text() for a in kinds.menu().actions()]
    assert titles == [kind.title for kind in KINDS.values()]
    many = len(window.selection.coated.style)
    kinds.menu().actions()[0].trigger()
    assert len(window.selection.coated.style) == many + 1
    line_up = next(a for a in entries(window, "Piece") if a.text() == "Line up")
    assert len(line_up.menu().actions()) == 6
    backup = next(
        a for a in entries(window, "Board") if a.text() == "When saving, the version before"
    )
    assert [a.isChecked() for a in backup.menu().actions()].count(True) == 1
