"""Windows killed while somebody works in them: how many seconds of work are lost."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path
from random import Random
from typing import NamedTuple

SCRIPT = """
import sys, time
from PyQt6.QtCore import QTimer
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.studio.app import application
from anole.studio.documents.board_files import demo_boards
from anole.studio.main_window.window import Window
app = application()
window = Window()
window.document.take(board_file.read(demo_boards()[0]), None)
window.show()
words = next(p.id for p in window.document.board.pieces if hasattr(p, "text"))
def type_on():
    name = repr(time.time())
    window.document.apply(name, lambda b: change_piece(b, words, text=name[-9:]))
    print(name, flush=True)
timer = QTimer()
timer.timeout.connect(type_on)
timer.start(40)
sys.exit(app.exec())
"""


class WindowKills(NamedTuple):
    """Seconds between the last step before a kill and the last one that came back."""

    kills: int
    worst: float
    mean: float


def run(count: int, told: Callable[[int], None]) -> WindowKills:
    """Kill `count` windows after some seconds of work each."""
    rng, losses = Random(11), []
    for number in range(count):
        losses.append(_kill_one(rng.uniform(1.5, 4.0)))
        told(number + 1)
    return WindowKills(count, max(losses), sum(losses) / len(losses))


def _kill_one(seconds: float) -> float:
    with tempfile.TemporaryDirectory() as home:
        names = ("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME")
        environment = {**os.environ, **dict.fromkeys(names, home), "QT_QPA_PLATFORM": "offscreen"}
        child = subprocess.Popen(
            [sys.executable, "-c", SCRIPT],
            env=environment,
            stdout=subprocess.PIPE,
            stderr=subprocess.DEVNULL,
            text=True,
        )
        assert child.stdout is not None
        first = child.stdout.readline()
        time.sleep(seconds)
        child.send_signal(signal.SIGKILL)
        said = [first, *child.stdout.readlines()]
        child.wait()
        done = float(said[-1] if said[-1].endswith("\n") else said[-2])
        return max(done - _last_kept(Path(home)), 0.0)


def _last_kept(home: Path) -> float:
    from anole.core.files.journal import read

    (log,) = home.glob("anole/journals/*/steps.log")
    history = read(log.parent).history
    return float(history.steps[history.at].name)
