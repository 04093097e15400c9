"""A paint, a tone operation, a pattern and a mark that nobody knows, in the window's own controls."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF

from anole.core.model import Board, Fill, Ground, Mark, Pattern, Stamps
from anole.core.tone import OPERATIONS
from anole.studio.coat.build_up.profile import colours
from anole.studio.controls.choices.picture_choice import PictureChoice
from anole.studio.shared.shell import Stage

from ..toys import Half, Swap, registered


@pytest.fixture(autouse=True)
def toys():
    with registered():
        yield


@pytest.fixture
def window(open_window):
    stamps = Stamps(id="m", marks=(Mark(x=160, y=90, size=80),), style=(Fill(id="f"),))
    return open_window(Board(width=320, height=180, pieces=(Ground(id="g"), stamps)))


def fill(window):
    return window.document.board.piece("m").style[0]


def test_a_paint_is_chosen_edited_and_pulled(window, drag, settle):
    window.show_stage(Stage.COAT)
    window.selection.choose("m", "f")
    paint = window.coat.panel(Fill).controls["paint"]
    paint.switch("half and half")
    assert fill(window).paint == Half()
    page = paint.page(Half)
    page.fields.controls["at"].edited.emit(0.25, None)
    assert fill(window).paint.at == 0.25
    assert colours(fill(window).paint, 8).shape == (4, 8)
    settle(window)
    view, transform = window.view, window.view.transform_now()
    box = 120.0, 200.0
    start = transform.to_widget(box[0] + 0.25 * (box[1] - box[0]), 90)
    drag(view, start, start + QPointF(20 * transform.zoom, 0))
    assert fill(window).paint.at > 0.3


def test_a_tone_and_a_pattern_are_offered(window):
    window.show_stage(Stage.COAT)
    window.selection.choose("m", "f")
    paint = window.coat.panel(Fill).controls["paint"]
    paint.switch("pattern")
    controls = paint.page(Pattern).fields.controls
    tone = controls["tone"]
    titles = [tone.add.itemText(n) for n in range(tone.add.count())]
    assert titles[-1] == "Red for blue"
    tone._added(1 + list(OPERATIONS).index(Swap))
    assert fill(window).paint.tone == (Swap(),)
    choice = controls["generator"]
    assert isinstance(choice, PictureChoice) and choice._options[-1] == "steps"


def test_a_mark_is_offered(window):
    window.selection.choose("m")
    choice = window.arrange.section("fields").panel.controls["mark"]
    assert isinstance(choice, PictureChoice) and choice._options[-1] == "square"
    choice.edited.emit("square", None)
    assert window.document.board.piece("m").mark == "square"
