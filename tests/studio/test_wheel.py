"""The wheel over a panel scrolls it; a control changes only when it was clicked or reached by Tab."""

import json

from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtWidgets import QApplication, QComboBox, QWidget

from anole.core.model import Fill, Gloss, Relief

from ..core.shapes import board
from .real_window import run

SCRIPT = """
import json
from PyQt6.QtCore import QPoint
from anole.studio.arrange.piece_panel import PiecePanel
from anole.studio.controls.choices.combo_box import ComboBox
from anole.studio.documents.board_files import demo_folder
from tests.studio.real_hand import DOWN
from tests.studio.real_session import Session
session = Session(1100, 700)
window = session.window
session.show()
session.open_board(demo_folder() / "bout-night.anole")
title = next(p.id for p in window.document.board.pieces if p.name == "Line")
window.selection.choose(title)
window.show_stage(0)
session.rest()
panel = window.findChild(PiecePanel)
before = window.document.board
bar = panel.verticalScrollBar()
told = {"scrollable": bar.maximum() > 0}

def visible_boxes():
    area = panel.viewport()
    found = []
    for box in panel.findChildren(ComboBox):
        at = box.mapTo(area, QPoint(0, 0)) if box.isVisible() else None
        if at is not None and 0 < at.y() < area.height() - box.height():
            found.append(box)
    return found

tried = scrolled = 0
while bar.value() < bar.maximum() and tried <= 12:
    was = bar.value()
    if boxes := visible_boxes():
        session.wheel(*session.middle(boxes[0]), DOWN)
        tried += 1
        scrolled += bar.value() > was
    if bar.value() == was:
        bar.setValue(was + 60)
        session.rest()
told |= {"tried": tried, "scrolled": scrolled, "same": window.document.board == before}
box = visible_boxes()[-1]
box.setFocus()
told["focused"] = box.hasFocus()
box.setCurrentIndex(0)
session.wheel(*session.middle(box), DOWN)
told["turned"] = box.currentIndex() == 1
print(json.dumps(told))
session.leave()
"""


def test_a_real_wheel_scrolls_the_words_panel_and_changes_nothing():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    assert told["scrollable"]
    assert told["same"], told
    assert told["tried"] >= 2
    assert told["scrolled"] >= 1
    # one that was reached on purpose does turn
    assert told["focused"]
    assert told["turned"], told


def test_nothing_takes_the_focus_from_a_wheel(open_window, settle):
    window = open_window(board(Fill(id="f"), Relief(id="r"), Gloss(id="o")))
    for stage in range(3):
        window.show_stage(stage)
        for coat in ("f", "r", "o"):
            window.selection.choose("words", coat)
            settle(window)
            taking = [
                w
                for w in window.findChildren(QWidget)
                if w.focusPolicy() == Qt.FocusPolicy.WheelFocus
            ]
            assert not taking, taking


def test_no_box_of_any_panel_is_turned_without_the_focus(open_window, qtbot):
    window = open_window()
    boxes = [box for box in window.findChildren(QComboBox) if box.count() > 1]
    assert len(boxes) > 12
    for box in boxes:
        box.setCurrentIndex(0)
        box.clearFocus()
        centre = QPointF(box.rect().center())
        event = QWheelEvent(
            centre, QPointF(box.mapToGlobal(centre.toPoint())), QPoint(0, -120), QPoint(0, -120),
            Qt.MouseButton.NoButton, Qt.KeyboardModifier.NoModifier,
            Qt.ScrollPhase.NoScrollPhase, False,
        )  # fmt: skip
        QApplication.sendEvent(box, event)
        assert box.currentIndex() == 0, box.accessibleName()
