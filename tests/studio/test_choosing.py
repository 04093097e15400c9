"""What is better seen than read: chosen from small pictures, live on the board, left by Esc."""

from __future__ import annotations

import msgspec
import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.model import Fill, Glow, Gradient, Pattern, Relief
from anole.studio.controls.choices.picture_choice import PictureChoice
from anole.studio.controls.gradients.cut_ends import PROFILES
from anole.studio.shared.shell import Stage

from ..core.shapes import board
from .conftest import send_move

LEFT = Qt.MouseButton.LeftButton
COATS = (
    Glow(id="g"),
    Fill(id="d", paint=Gradient()),
    Fill(id="f", paint=Pattern()),
    Relief(id="r", opacity=0.2),
)


@pytest.fixture
def window(open_window, settle):
    window = open_window(board(*COATS, text="HOWL", size=120))
    window.show_stage(Stage.COAT)
    settle(window)
    return window


def choices(window, coat):
    """The picture choices of a coat's panel that can be seen."""
    window.selection.choose("words", coat)
    found = [c for c in window.coat.findChildren(PictureChoice) if not c.isHidden()]
    return [c for c in found if c.isVisibleTo(window)]


def test_blends_falloffs_and_patterns_are_chosen_so(window):
    titles = {c._title for coat in "gfdr" for c in choices(window, coat)}
    assert titles == {"Blend", "Falloff", "Pattern"}


@pytest.mark.parametrize(("coat", "title"), [("g", "Blend"), ("g", "Falloff"), ("f", "Pattern")])
def test_each_is_shown_on_the_words_looked_at_left_and_taken(window, settle, qtbot, coat, title):
    control = next(c for c in choices(window, coat) if c._title == title)
    before, steps = window.document.board, len(window.document.history.steps)
    control.unfold()
    grid = control.sheet.grid
    settle(window)
    assert set(grid.images) == set(grid.options)
    pictures = {i.constBits().asstring(i.sizeInBytes()) for i in grid.images.values()}
    assert len(pictures) > len(grid.options) * 0.6
    # under the pointer it is live
    other = next(n for n, o in enumerate(grid.options) if o != control.value())
    qtbot.mouseMove(grid, grid.box(grid.index).center())
    send_move(grid, grid.box(other).center())
    assert window.document.shown != before
    assert window.document.board == before
    # Esc leaves all as it was
    qtbot.keyClick(grid, Qt.Key.Key_Escape)
    assert window.document.shown == window.document.board == before
    assert len(window.document.history.steps) == steps
    assert control.value() == grid.options[grid.options.index(control.value())]
    # arrows walk, Enter takes, as one step
    control.unfold()
    grid.index = 0
    qtbot.keyClick(grid, Qt.Key.Key_Right)
    qtbot.keyClick(grid, Qt.Key.Key_Down)
    wanted = grid.options[grid.index]
    looked_at = window.document.shown
    qtbot.keyClick(grid, Qt.Key.Key_Return)
    assert not control.sheet.isVisible()
    assert window.document.board == looked_at
    assert control.value() == wanted
    assert len(window.document.history.steps) == steps + 1
    # or a click
    control.unfold()
    qtbot.mouseClick(grid, LEFT, pos=grid.box(0).center())
    assert control.value() == grid.options[0]


def test_trying_changes_nothing_for_anybody(window):
    document, told = window.document, []
    document.stepped.connect(lambda: told.append("stepped"))
    document.settled.connect(lambda: told.append("settled"))
    before = document.board
    for coat in "gfdr":
        for control in choices(window, coat):
            for option in control._options:
                tried = control._trying.board(option)
                assert tried is not None
            # what the panels remember is as it was
            assert control._trying.board(control.value()) == before
    assert document.board == before
    assert told == []
    assert document.tried(lambda: None) is None


def test_mouldings_and_gradients_are_live_under_the_pointer(window, settle, qtbot):
    window.selection.choose("words", "r")
    ends = window.coat.panel(Relief).controls["moulding"].ends
    before = window.document.board
    number = next(n for n, p in enumerate(PROFILES) if p not in (ends.profile, "drawn"))
    send_move(ends, ends.box(number).center().toPoint())
    assert window.document.shown.coated("words").style[3].moulding.profile == PROFILES[number]
    send_move(ends, QPointF(ends.width() - 1, ends.height() - 1).toPoint())
    assert window.document.shown == window.document.board == before
    window.selection.choose("words", "d")
    page = window.coat.panel(Fill).controls["paint"].page(Gradient)
    page.shelf.unfold(True)
    grid = page.shelf.grid
    send_move(grid, grid.box(3).center().toPoint())
    shown = window.document.shown.coated("words").style[1].paint
    assert shown.stops == grid.entries[3].gradient.stops
    grid.leaveEvent(None)
    assert window.document.shown == window.document.board == before


def test_fonts_are_looked_at_by_key_and_left(window, qtbot):
    window.show_stage(Stage.ARRANGE)
    fonts = window.arrange.section("words").fonts
    before = window.document.board
    fonts.list.setFocus()
    qtbot.keyClick(fonts.list, Qt.Key.Key_Down)
    assert window.document.shown != before
    qtbot.keyClick(fonts.list, Qt.Key.Key_Escape)
    assert window.document.shown == window.document.board == before


def test_words_are_plain_and_the_standard_s_keyword_is_in_the_tooltip(window):
    control = next(c for c in choices(window, "g") if c._title == "Blend")
    control.set_value("plus-lighter")
    assert control.button.text() == "add light"
    assert "plus-lighter" in control.button.toolTip()
    control.set_value("color-dodge")
    assert control.button.text() == "colour dodge"
    glow = msgspec.structs.replace(COATS[0], blend="plus-lighter")
    assert b"plus-lighter" in msgspec.json.encode(glow.blend)
