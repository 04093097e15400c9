"""Two real windows on one display, killed at once: neither loses what the other one kept."""

from __future__ import annotations

import json

from .real_window import run

SCRIPT = '''
import json, signal, subprocess, sys, time
from pathlib import Path

WINDOW = """
import sys
from PyQt6.QtCore import QTimer
from anole.core.edit.pieces import add_lettering
from anole.studio.documents import journaling
from anole.studio.app import application
from anole.studio.main_window.window import Window
app = application()
window = Window()
window.show()
words = window.document.make("Words", lambda b: add_lettering(b, sys.argv[1]))
assert app.platformName() == "xcb"
def ready():
    if window.journaling.idle and window.journaling.path is not None:
        print("kept", flush=True)
        timer.stop()
timer = QTimer()
timer.timeout.connect(ready)
timer.start(100)
sys.exit(app.exec())
"""
both = [
    subprocess.Popen([sys.executable, "-c", WINDOW, text], stdout=subprocess.PIPE, text=True)
    for text in ("ONE", "TWO")
]
said = [window.stdout.readline().strip() for window in both]
from anole.core.files.journal import folders, read
held = len(folders())
for window in both:
    window.send_signal(signal.SIGKILL)
    window.wait()
texts = sorted(read(path).history.board.pieces[-1].text for path in folders())
print(json.dumps({"said": said, "held": held, "texts": texts}))
'''


def test_two_windows_killed_at_once_both_come_back():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    assert told == {"said": ["kept", "kept"], "held": 0, "texts": ["ONE", "TWO"]}
