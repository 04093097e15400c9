"""The wheel over a panel scrolls it; a control changes only when it was clicked or reached by Tab."""

import json
import shutil

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QWidget

from anole.core.model import Fill, Gloss, Relief

from ..core.shapes import board
from .real_window import run

SCRIPT = """
import json, subprocess, sys
from PyQt6.QtCore import QPoint, QTimer
from PyQt6.QtWidgets import QApplication
from anole.studio.app import application
from anole.studio.documents.board_files import demo_folder
from anole.studio.controls.choices.choice import ComboBox
from anole.studio.main_window.window import Window
from tests.studio.real_hand import DOWN, Hand
app = application()
hand = Hand()
window = Window()
window.files.open_copy(demo_folder() / "bout-night.anole")
window.resize(1100, 700)
window.move(0, 0)
window.show()
told = {}

def wait(ms):
    from PyQt6.QtTest import QTest
    QTest.qWait(ms)

def wheel(widget):
    at = widget.mapToGlobal(QPoint(widget.width() // 2, widget.height() // 2))
    hand.move(at.x(), at.y())
    wait(60)
    hand.click(at.x(), at.y(), DOWN)
    wait(120)

def visible_boxes():
    area = panel.viewport()
    found = []
    for box in panel.findChildren(ComboBox):
        at = box.mapTo(area, QPoint(0, 0)) if box.isVisible() else None
        if at is not None and 0 < at.y() < area.height() - box.height():
            found.append(box)
    return found

def go():
    global panel
    title = next(p.id for p in window.document.board.pieces if p.name == "Line")
    window.selection.choose(title)
    window.show_stage(0)
    wait(600)
    panel = window.findChild(__import__("anole.studio.arrange.piece_panel", fromlist=["PiecePanel"]).PiecePanel)
    before = window.document.board
    bar = panel.verticalScrollBar()
    told["scrollable"] = bar.maximum() > 0
    tried = scrolled = 0
    while True:
        boxes = visible_boxes()
        if boxes:
            was = bar.value()
            wheel(boxes[0])
            tried += 1
            scrolled += bar.value() > was
        if bar.value() >= bar.maximum() or tried > 12:
            break
        if not boxes or bar.value() == was:
            bar.setValue(bar.value() + 60)
            wait(60)
    told["tried"], told["scrolled"] = tried, scrolled
    told["same"] = window.document.board == before
    box = visible_boxes()[-1]
    # without a window manager nobody else gives the window the keys
    subprocess.run(["xdotool", "windowfocus", str(int(window.winId()))], check=True)
    wait(200)
    box.setFocus()
    told["focused"] = box.hasFocus()
    index = box.currentIndex()
    box.setCurrentIndex(0)
    wheel(box)
    told["turned"] = box.currentIndex() == 1
    print(json.dumps(told))
    window.leave()

window.files.opened.connect(lambda: QTimer.singleShot(600, go))
sys.exit(app.exec())
"""


@pytest.mark.skipif(
    not (shutil.which("xvfb-run") and shutil.which("xdotool")),
    reason="xvfb-run or xdotool is not installed",
)
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
