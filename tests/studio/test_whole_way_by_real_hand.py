"""A title made, saved as a style, put on other words and exported: by mouse and keys at a real display."""

from __future__ import annotations

from PIL import Image

from .real_window import run

SCRIPT = """
import os, threading, time
from pathlib import Path
from PyQt6.QtCore import QTimer
from anole.core import isolation
from anole.studio.runtime import troubles
from anole.studio.app import application
from anole.studio.main_window.window import Window
from tests.studio.real_hand import Hand
out = Path(OUT)
os.chdir(out)
troubles.install()
wrong = []
troubles.TROUBLES.happened.connect(lambda event: wrong.append(event.trouble.details))
isolation.start()
isolation.hurry()
app = application()
window, hand = Window(), Hand()
window.move(0, 0)
window.show_start()
window.show()
window.activateWindow()

def pump(until, seconds=40):
    end = time.monotonic() + seconds
    while time.monotonic() < end and not until():
        app.processEvents()
        time.sleep(0.003)
    assert until(), until

def wait(seconds):
    end = time.monotonic() + seconds
    pump(lambda: time.monotonic() > end)

def act(*acts):
    thread = threading.Thread(target=lambda: [one() for one in acts])
    thread.start()
    pump(lambda: not thread.is_alive())
    wait(0.35)
    pump(lambda: window.idle)

def key(*chords):
    act(*(lambda chord=chord: hand.key(chord) for chord in chords))

def typed(text):
    act(lambda: hand.type(text))

def middle(widget):
    at = widget.mapToGlobal(widget.rect().center())
    return at.x(), at.y()

pump(lambda: window.isVisible() and window.idle)
wait(0.5)
act(lambda: hand.click(*middle(window.start.words)))
typed("last light")
key("Return")
words = window.selection.lettering
assert words.text == "last light" and words.style
key("alt+2", "ctrl+shift+k")
typed("mine")
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
typed("mine")
key("Return")
worn = window.selection.coated.worn
assert worn is not None and worn.name == "mine", worn
at = middle(window.view)
before = window.selection.placed.place
act(lambda: hand.drag(at, (at[0] + 40, at[1] - 60)))
assert window.selection.placed.place != before
key("ctrl+z", "ctrl+shift+z")
# the chooser has a loop of its own: it is answered from within
def answer():
    if app.activeModalWidget() is not None:
        timer.stop()
        threading.Thread(target=lambda: (time.sleep(0.6), hand.key("Return"))).start()

timer = QTimer()
timer.timeout.connect(answer)
timer.start(100)
key("ctrl+Return")
pump(lambda: any(out.glob("*.png")) and window.writing.job is None)
assert not wrong, wrong[0]
print("all well")
window.leave()
"""


def test_the_whole_way(tmp_path):
    said = run(SCRIPT.replace("OUT", repr(str(tmp_path))))
    assert "all well" in said
    (picture,) = tmp_path.glob("*.png")
    assert Image.open(picture).size == (1280, 720)
