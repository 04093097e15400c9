"""A title made, saved as a style, put on other words and exported: by mouse and keys at a real display."""

from __future__ import annotations

from PIL import Image

from .real_window import run

SCRIPT = """
import os, threading, time
from pathlib import Path
from PyQt6.QtCore import QTimer
from tests.studio.real_session import Session
out = Path(OUT)
os.chdir(out)
session = Session()
window, key, type, middle = session.window, session.key, session.type, session.middle
window.show_start()
session.show()
# words, on the look that is clicked
session.click(*middle(window.start.words))
type("last light")
wall = window.start.wall
assert sum(wall.picture(one.style.name) is not None for one in wall.styles) >= 12
gold = next(n for n, one in enumerate(wall.styles) if one.style.name == "cup gold")
at = wall.viewport().mapToGlobal(wall.tile(gold).center())
session.click(at.x(), at.y())
words = window.selection.lettering
assert words.text == "last light" and words.worn.name == "cup gold"
key("alt+2", "ctrl+shift+k")
type("mine")
key("Return")
assert window.styles.find("mine") is not None
# every stage still opens after the first style was saved
for chord, stage in (("alt+1", 0), ("alt+3", 2), ("alt+2", 1), ("alt+1", 0)):
    key(chord)
    assert window.stage == stage, (window.stage, stage)
key("ctrl+t")
other = window.selection.lettering
assert other.id != words.id, "new words"
key("Escape", "ctrl+k")
type("mine")
key("Return")
worn = window.selection.coated.worn
assert worn is not None and worn.name == "mine", worn
at = middle(window.view)
before = window.selection.placed.place
session.drag(at, (at[0] + 40, at[1] - 60))
assert window.selection.placed.place != before
key("ctrl+z", "ctrl+shift+z")
# the chooser has a loop of its own: it is answered from within
def answer():
    if session.app.activeModalWidget() is not None:
        timer.stop()
        threading.Thread(target=lambda: (time.sleep(0.6), session.hand.key("Return"))).start()

timer = QTimer()
timer.timeout.connect(answer)
timer.start(100)
key("ctrl+Return")
session.until(lambda: any(out.glob("*.png")) and window.writing.job is None)
print("all well")
session.leave()
"""


def test_the_whole_way(tmp_path):
    said = run(SCRIPT.replace("OUT", repr(str(tmp_path))))
    assert "all well" in said
    (picture,) = tmp_path.glob("*.png")
    assert Image.open(picture).size == (1280, 720)
