"""Words pulled on the board: rails, corners, turn, stretch, snapping; steps; copy and paste."""

import pytest
from PyQt6.QtCore import QEvent, QPointF, Qt
from PyQt6.QtGui import QMouseEvent
from PyQt6.QtWidgets import QApplication

from anole.core.model import Fill, Rail
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint

LEFT = Qt.MouseButton.LeftButton
ALT, CTRL = Qt.KeyboardModifier.AltModifier, Qt.KeyboardModifier.ControlModifier
STYLED = board(Fill(id="f", paint=paint("#fff")), size=80)


def pull(view, start, by, modifiers=Qt.KeyboardModifier.NoModifier):
    """Press, move in steps and release, with modifier keys held."""

    def send(kind, at, button, held):
        event = QMouseEvent(kind, at, view.mapToGlobal(at), button, held, modifiers)
        QApplication.sendEvent(view, event)

    send(QEvent.Type.MouseButtonPress, start, LEFT, LEFT)
    for n in range(1, 6):
        send(QEvent.Type.MouseMove, start + by * n / 5, Qt.MouseButton.NoButton, LEFT)
    send(QEvent.Type.MouseButtonRelease, start + by, LEFT, Qt.MouseButton.NoButton)


def grip(window, kind, which):
    return next(h.at for h in window.tools.pulling.handles() if (h.kind, h.which) == (kind, which))


@pytest.fixture
def window(open_window):
    return open_window(STYLED)


def test_rails_are_bent_tilted_and_waved(window):
    document, selection = window.document, window.selection
    pull(window.view, grip(window, "camber", "head"), QPointF(0, -20))
    assert selection.lettering.head.camber > 0.1
    pull(window.view, grip(window, "slope", "foot right"), QPointF(0, 12))
    assert selection.lettering.foot.slope < -0.1
    pull(window.view, grip(window, "camber", "head"), QPointF(0, -10), ALT)
    assert selection.lettering.head.wave.height > 0.05
    assert [s.name for s in document.history.steps] == [
        "Open",
        "Bend a rail",
        "Tilt a rail",
        "Bend a rail",
    ]
    document.undo()
    document.undo()
    document.undo()
    assert selection.lettering.head == Rail()


def test_a_corner_alone_a_turn_and_a_stretch(window):
    selection = window.selection
    before = grip(window, "corner", "top_left")
    pull(window.view, before, QPointF(-25, 10), ALT)
    assert selection.lettering.corners.top_left[0] < -0.2
    after = grip(window, "corner", "top_left")
    assert (after - before - QPointF(-25, 10)).manhattanLength() < 2
    pull(window.view, grip(window, "turn", ""), QPointF(60, 30))
    assert 20 < selection.lettering.place.rotation < 130
    pull(window.view, grip(window, "side", "right"), QPointF(0, 40))
    assert selection.lettering.place.scale_x != 1


def test_moving_snaps_to_the_middle_and_shows_its_line(window):
    view, selection = window.view, window.selection
    zoom = view.transform_now().zoom
    middle = view.transform_now().to_widget(160, 90)
    pull(view, middle, QPointF(0, 47))
    assert selection.lettering.place.x == 160
    assert not window.tools.pulling.guides
    spot = view.transform_now().to_widget(160, selection.lettering.place.y)
    pull(view, spot, QPointF(5, 4), CTRL)
    assert selection.lettering.place.x == pytest.approx(160 + 5 / zoom, abs=0.1)


def test_steps_are_listed_and_walked(window, settle):
    document = window.document
    for by in (14, -31):
        pull(window.view, grip(window, "camber", "foot"), QPointF(0, by))
    window.do("steps")
    settle(window)
    steps = window.steps.list
    assert [steps.item(i).text() for i in range(3)] == ["Bend a rail", "Bend a rail", "Open"]
    steps.itemClicked.emit(steps.item(2))
    assert document.board == STYLED
    assert document.history.redo_name == "Bend a rail"
    assert not window.steps.isVisible()


def test_copy_and_paste_and_paste_the_style_alone(window):
    document, selection, run = window.document, window.selection, window.actions_by_id
    run["copy"].trigger()
    run["paste"].trigger()
    assert len(document.board.pieces) == 3
    run["words"].trigger()
    run["paste-style"].trigger()
    assert len(selection.lettering.style) == 1


def test_the_board_is_resized_about_a_point(window, qtbot):
    window.selection.choose("ground")
    panel = window.arrange.board
    assert panel.isVisible()
    qtbot.mouseClick(panel.anchor, LEFT, pos=QPointF(12, 12).toPoint())
    panel.across.field.setFocus()
    panel.across.field.selectAll()
    qtbot.keyClicks(panel.across.field, "640")
    qtbot.keyClick(panel.across.field, Qt.Key.Key_Return)
    assert window.document.board.width == 640
    assert window.document.board.lettering("words").place.x == 160
    assert "169 × 48 mm" in panel.print_size.text()


def test_parts_of_the_shape_unfold_and_switch(window, qtbot):
    part = window.arrange.section("shape").panel.controls["pose"]
    qtbot.mouseClick(part.toggle, LEFT)
    assert window.selection.lettering.pose is not None
    assert part.fields.isVisible()
    part.fields.controls["turn_y"].step(30, None)
    assert window.selection.lettering.pose.turn_y == 30
    qtbot.mouseClick(part.toggle, LEFT)
    assert window.selection.lettering.pose is None
    window.document.undo()
    assert window.selection.lettering.pose.turn_y == 30


def test_handles_belong_to_arrange_alone(window, qtbot):
    window.show_stage(Stage.COAT)
    before = window.document.board
    pull(window.view, grip(window, "camber", "head"), QPointF(0, -20))
    assert window.document.board == before
    window.show_stage(Stage.ARRANGE)


def test_escape_puts_a_name_back_and_enter_takes_it(open_window, qtbot):
    window = open_window(board(Fill(id="f", name="base")))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    field = window.coat.name
    for ending, name in ((Qt.Key.Key_Escape, "base"), (Qt.Key.Key_Return, "gold")):
        field.setFocus()
        field.selectAll()
        qtbot.keyClicks(field, "gold")
        qtbot.keyClick(field, ending)
        window.show_stage(Stage.ARRANGE)
        window.show_stage(Stage.COAT)
        assert window.document.board.coated("words").style[0].name == field.text() == name
