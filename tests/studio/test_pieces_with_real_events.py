"""Stamps, clusters, clipping and chance by a real pointer and real keys."""

import json
import shutil

import pytest

from .real_window import run

SCRIPT = """
import json, subprocess, sys
from PyQt6.QtCore import QTimer
from PyQt6.QtTest import QTest
from anole.core.edit.pieces import add_lettering
from anole.core.model import Board, Cluster, Fill, Ground, Length, Place
from anole.studio.app import application
from anole.studio.main_window.window import Window
app = application()
window = Window()
window.resize(1280, 800)
window.move(0, 0)
window.show()
window.leave_page()
board = Board(width=800, height=450, pieces=(Ground(id="g"),))
for text, y in (("RINK", 130), ("NIGHT", 300)):
    board, _ = add_lettering(board, text, size=Length(120), place=Place(x=300, y=y), style=(Fill(id=text),))
window.document.start(board)
told = {}

def x(*parts):
    subprocess.run(["xdotool", *map(str, parts)], check=True)

def at(bx, by):
    point = window.view.mapToGlobal(window.view.transform_now().to_widget(bx, by).toPoint())
    return point.x(), point.y()

def move(bx, by):
    x("mousemove", *at(bx, by))
    QTest.qWait(120)

def click(bx, by, *keys):
    move(bx, by)
    for key in keys:
        x("keydown", key)
    x("click", 1)
    for key in keys:
        x("keyup", key)
    QTest.qWait(250)

def key(text):
    x("key", text)
    QTest.qWait(300)

def pieces():
    return window.document.board.pieces

def go():
    x("windowfocus", int(window.winId()))
    QTest.qWait(200)
    window.show_stage(0)
    QTest.qWait(300)
    # two lines as one, by keys
    click(300, 130)
    click(300, 300, "shift")
    told["chosen"] = len(window.selection.ids)
    key("ctrl+g")
    told["cluster"] = [type(p).__name__ for p in pieces()]
    x0 = window.document.board.lettering("lettering-1").place.x
    window.view.setFocus()
    key("shift+Right")
    told["moved"] = window.document.board.lettering("lettering-1").place.x - x0
    # into it by a double click, out by a key, and apart
    move(300, 300)
    x("click", "--repeat", 2, "--delay", 60, 1)
    QTest.qWait(400)
    told["inside"] = window.selection.piece_id
    key("Escape")
    key("alt+Up")
    told["outside"] = window.selection.piece_id
    key("ctrl+shift+g")
    told["apart"] = [type(p).__name__ for p in pieces()]
    # clipped by the line beneath
    window.selection.choose("lettering-2")
    key("alt+i")
    told["within"] = window.document.board.piece("lettering-2").within
    # marks: a click, a drag, a wheel
    window.actions_by_id["stamps"].trigger()
    QTest.qWait(300)
    click(600, 100)
    move(650, 300)
    x("mousedown", 1)
    for step in range(1, 6):
        move(650 + 12 * step, 300)
    x("mouseup", 1)
    QTest.qWait(250)
    stamps = pieces()[-1]
    told["marks"] = [(round(m.x), round(m.y), round(m.size), round(m.turn)) for m in stamps.marks]
    move(600, 100)
    x("click", 4)
    QTest.qWait(250)
    told["wheeled"] = pieces()[-1].marks[0].size / stamps.marks[0].size
    # chance, and the next one
    window.actions_by_id["scatter"].trigger()
    QTest.qWait(300)
    key("alt+r")
    told["seed"] = pieces()[-1].scatter.seed
    print(json.dumps(told))
    window.leave()

QTimer.singleShot(1200, go)
sys.exit(app.exec())
"""


@pytest.mark.skipif(
    not (shutil.which("xvfb-run") and shutil.which("xdotool")),
    reason="xvfb-run or xdotool is not installed",
)
def test_pieces_are_placed_joined_clipped_and_scattered_by_hand():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    assert told["chosen"] == 2
    assert told["cluster"] == ["Ground", "Cluster"]
    assert told["moved"] == 10
    assert told["inside"] == "lettering-2"
    assert told["outside"] == "cluster-1"
    assert told["apart"] == ["Ground", "Lettering", "Lettering"]
    assert told["within"] == "lettering-1"
    first, last = told["marks"]
    assert first[:2] == pytest.approx([600, 100], abs=2)
    assert last[:2] == pytest.approx([650, 300], abs=2)
    assert last[2] == pytest.approx(120, abs=6) and last[3] == pytest.approx(90, abs=3)
    assert told["wheeled"] > 1.1
    assert told["seed"] == 1
