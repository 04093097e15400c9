"""The first minutes: a start till the page takes words, a thumbnail by command, the wall after a key."""

from __future__ import annotations

import os
import subprocess
import sys
import tempfile
import time
from pathlib import Path

from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from anole.studio.documents.board_files import demo_boards
from anole.studio.main_window.window import Window
from anole.studio.styles.wall import ROUGH_FIRST

from .timing import Result, race

RUNS = 5
PAGE = """
import gc
gc.disable()
import os
from anole.studio.app import application
from anole.studio.styles.wall import ROUGH_FIRST
from anole.studio.main_window.window import Window
app = application()
window = Window()
window.show_start()
window.show()
app.processEvents()
assert window.focusWidget() is window.start.words
os._exit(0)
"""
LIBRARIES = "import gc; gc.disable(); import numba, numpy, PyQt6.QtWidgets, cv2, skia, uharfbuzz"
WORDS = "ROLLER BOUT TEN"


def _python(code: str) -> None:
    environment = {**os.environ, "QT_QPA_PLATFORM": "offscreen"}
    environment.pop("PYTHONDONTWRITEBYTECODE", None)
    subprocess.run([sys.executable, "-c", code], env=environment, check=True)


def _render() -> None:
    with tempfile.TemporaryDirectory() as folder:
        out = Path(folder) / "title.png"
        words = ["anole", "render", str(demo_boards()[0]), "-o", str(out)]
        _python(f"import sys; sys.argv = {words!r}; from anole.entry import main; main()")


def starting() -> list[Result]:
    """Whole processes, beside one that only imports the libraries they are made of."""
    return [
        race(name, own, lambda: _python(LIBRARIES), "importing its libraries", None, rounds=RUNS)
        for name, own in (
            ("start till the page takes words", lambda: _python(PAGE)),
            ("anole render, 1280 × 720", _render),
        )
    ]


def wall() -> list[Result]:
    """From the last key till all that is seen of the wall is there, roughly and sharp."""
    app = QApplication.instance()
    assert app is not None
    window = Window()
    window.resize(1280, 800)
    window.show_start()
    window.show()
    shown: dict[tuple, float] = {}
    window.worker.drawn.connect(lambda key, _: shown.__setitem__(key, time.perf_counter()))

    def settle() -> None:
        """Till every tile that is seen has come sharp."""
        many = len(window.start.wall.seen())
        while sum(key[0] == "wall" and key[2] == 1.0 for key in shown) < many:
            app.processEvents()
            time.sleep(0.005)

    settle()
    rough_share = ROUGH_FIRST[0]
    took: dict[float, list[float]] = {share: [] for share in ROUGH_FIRST}
    for letter in WORDS:
        shown.clear()
        begun = time.perf_counter()
        QTest.keyClick(window.start.words, letter)
        settle()
        for share, times in took.items():
            times.append(
                max(at for key, at in shown.items() if key[0] == "wall" and key[2] == share) - begun
            )
    window.leave()
    rough, sharp = (sorted(times)[len(times) // 2] for times in took.values())
    return [
        Result(
            "wall after a key, first whole", rough, max(took[rough_share]), sharp, "all sharp", None
        )
    ]
