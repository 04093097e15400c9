"""From the start page to an exported title, with the keys and the mouse of a real display."""

from __future__ import annotations

import json
import shutil

import pytest

from .real_window import run

SCRIPT = """
import json, os, subprocess, sys, tempfile, time
from pathlib import Path
from PyQt6.QtCore import QPoint, QTimer
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QFileDialog
from anole.studio.app import application
from anole.studio.main_window.window import Window

app = application()
folder = Path(tempfile.mkdtemp())
os.chdir(folder)
window = Window()
window.show_start()
window.resize(1280, 800)
window.move(0, 0)
window.show()
told = {"actions": 0}

def hands(*words):
    told["actions"] += 1
    subprocess.run(["xdotool", *words], check=True)

def until(holds, seconds=40):
    end = time.monotonic() + seconds
    while not holds() and time.monotonic() < end:
        QTest.qWait(20)
    assert holds(), told

def focus(widget):
    # without a window manager nobody else gives a window the keys
    subprocess.run(["xdotool", "windowfocus", "--sync", str(int(widget.winId()))], check=True)
    QTest.qWait(200)

def go():
    focus(window)
    wall = window.start.wall
    until(lambda: window.worker.idle)
    hands("type", "--delay", "20", "ROLLER BOUT")
    until(lambda: window.start.text == "ROLLER BOUT")
    until(lambda: window.worker.idle)
    told["pictures"] = sum(wall.picture(one.style.name) is not None for one in wall.styles)
    gold = next(n for n, one in enumerate(wall.styles) if one.style.name == "cup gold")
    at = wall.viewport().mapToGlobal(wall.tile(gold).center())
    hands("mousemove", str(at.x()), str(at.y()), "click", "1")
    until(lambda: window.selection.lettering is not None and window.worker.idle)
    words = window.selection.lettering
    told["text"], told["worn"] = words.text, words.worn.name
    told["at work"] = window.pages.currentIndex() == 0
    QTimer.singleShot(100, answer)
    hands("key", "ctrl+Return")
    until(lambda: window.writing.job is None and (folder / "bout.png").exists())
    told["bytes"] = (folder / "bout.png").stat().st_size
    print(json.dumps(told))
    window.leave()

def answer():
    dialog = app.activeModalWidget()
    if not isinstance(dialog, QFileDialog):
        QTimer.singleShot(100, answer)
        return
    focus(dialog)
    hands("key", "ctrl+a")
    hands("type", str(folder / "bout.png"))
    hands("key", "Return")

QTimer.singleShot(500, go)
sys.exit(app.exec())
"""


@pytest.mark.skipif(
    not (shutil.which("xvfb-run") and shutil.which("xdotool")),
    reason="xvfb-run or xdotool is not installed",
)
def test_from_the_start_to_an_exported_title_in_under_ten_actions():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    assert told["actions"] < 10
    assert told["pictures"] >= 12
    assert told["text"].split() == ["ROLLER", "BOUT"]
    assert told["worn"] == "cup gold"
    assert told["at work"]
    assert told["bytes"] > 10_000
