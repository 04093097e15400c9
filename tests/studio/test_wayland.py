"""The window under Wayland: by a real hand on a compositor that has a seat, and on one that has none."""

from __future__ import annotations

import contextlib
import os
import shutil
import subprocess
import sys
import time
from collections.abc import Iterator
from pathlib import Path

import pytest

SIZE = ("1400", "900")
SCRIPT = """
import sys, time, threading
from pathlib import Path
from PyQt6.QtCore import QPoint
from anole.studio.runtime import troubles
from anole.studio.app import application
from anole.studio.look.status_bar import StatusBar
from anole.studio.exchange.pasting import paste
from anole.studio.main_window.window import Window
seated, out = sys.argv[1] == "seat", Path(sys.argv[2])
troubles.install()
wrong = []
troubles.TROUBLES.happened.connect(lambda event: wrong.append(event.trouble.details))
app = application()
assert app.platformName().startswith("wayland"), app.platformName()
window = Window()
window.show_start()
window.showFullScreen() if seated else window.show()

def pump(until, seconds=40):
    end = time.monotonic() + seconds
    while time.monotonic() < end and not until():
        app.processEvents()
        time.sleep(0.005)
    assert until(), until

def wait(seconds):
    end = time.monotonic() + seconds
    pump(lambda: time.monotonic() > end)

def by_hand(act):
    thread = threading.Thread(target=act)
    thread.start()
    pump(lambda: not thread.is_alive())
    wait(0.3)

def on(widget, point=None):
    at = widget.mapTo(window, point or widget.rect().center())
    return at.x(), at.y()

pump(lambda: window.isVisible() and window.idle)
wait(1)
if seated:
    from tests.studio.real_hand import Hand, RIGHT
    hand = Hand()
    by_hand(lambda: hand.click(*on(window.start.words)))
    by_hand(lambda: hand.type("last light"))
    assert window.start.text == "last light", window.start.text
    by_hand(lambda: hand.click(*on(window.start.wall.viewport(), window.start.wall.tile(0).center())))
else:
    window.start.words.setPlainText("last light")
    window.start.wall.take()
pump(lambda: window.pages.currentIndex() == 0 and window.idle)
words = window.selection.lettering
assert words.text == "last light" and words.style
print("words and style")
view = window.view
middle = view.rect().center()
if seated:
    by_hand(lambda: hand.click(*on(view), RIGHT))
    pump(lambda: app.activePopupWidget() is not None)
    by_hand(lambda: hand.key("Escape"))
    pump(lambda: app.activePopupWidget() is None)
    before = window.selection.placed.place
    by_hand(lambda: hand.drag(on(view), on(view, middle + QPoint(60, 40))))
    pump(lambda: window.selection.placed.place != before)
    by_hand(lambda: hand.key("ctrl+c"))
    by_hand(lambda: hand.key("ctrl+v"))
else:
    window.show_menu("board", view.mapToGlobal(middle))
    wait(0.3)
    if app.activePopupWidget() is not None:
        app.activePopupWidget().close()
    window.finder.unfold()
    wait(0.2)
    window.finder.fold()
    app.clipboard().setText("more")
    paste(window.session)
if seated:
    pump(lambda: len(window.document.board.pieces) == 3)
print("popup, drag, clipboard")
for stage in (1, 2, 0):
    window.show_stage(stage)
    pump(lambda: window.idle)
assert window.files.save_to(out / "a.anole")
window.writing.to(out / "a.png")
pump(lambda: window.writing.job is None and (out / "a.png").exists())
assert not wrong, wrong[0]
print("all well")
window.leave()
wait(0.2)
"""


@contextlib.contextmanager
def compositor(run_folder: Path, *how: str) -> Iterator[str]:
    """A compositor; the name of its socket."""
    name = f"anole-{os.getpid()}"
    command = ["weston", f"--socket={name}", "--idle-time=0", f"--width={SIZE[0]}",
               f"--height={SIZE[1]}", "--no-config", "--shell=kiosk-shell.so", *how]  # fmt: skip
    with (run_folder / "weston.log").open("w") as log:
        process = subprocess.Popen(command, stdout=log, stderr=log)
    try:
        end = time.monotonic() + 20
        while not (run_folder / name).exists() and time.monotonic() < end:
            time.sleep(0.05)
        assert (run_folder / name).exists(), (run_folder / "weston.log").read_text()
        yield name
    finally:
        process.terminate()
        process.wait(10)


@contextlib.contextmanager
def display() -> Iterator[str]:
    """An X server for the compositor to stand on."""
    read, write = os.pipe()
    command = ["Xvfb", "-displayfd", str(write), "-screen", "0", "1400x900x24", "-nolisten", "tcp"]
    process = subprocess.Popen(command, pass_fds=[write], stderr=subprocess.DEVNULL)
    os.close(write)
    try:
        with os.fdopen(read) as said:
            yield f":{said.readline().strip()}"
    finally:
        process.terminate()
        process.wait(10)


@pytest.fixture
def run_folder(tmp_path, monkeypatch):
    folder = tmp_path / "run"
    folder.mkdir(mode=0o700)
    monkeypatch.setenv("XDG_RUNTIME_DIR", str(folder))
    return folder


def worked(how: str, socket: str, tmp_path: Path) -> str:
    environment = {**os.environ, "QT_QPA_PLATFORM": "wayland", "WAYLAND_DISPLAY": socket}
    command = [sys.executable, "-X", "faulthandler", "-c", SCRIPT, how, str(tmp_path)]
    found = subprocess.run(
        command, env=environment, capture_output=True, text=True, timeout=150, check=False
    )
    assert found.returncode == 0, found.stdout + found.stderr[-5000:]
    return found.stdout


needs_weston = pytest.mark.skipif(not shutil.which("weston"), reason="weston is not installed")


@needs_weston
def test_on_a_compositor_with_a_seat(run_folder, tmp_path, monkeypatch):
    with display() as screen:
        monkeypatch.setenv("DISPLAY", screen)
        with compositor(run_folder, "--backend=x11-backend.so") as socket:
            assert "all well" in worked("seat", socket, tmp_path)


@needs_weston
def test_on_a_compositor_without_a_seat(run_folder, tmp_path, monkeypatch):
    monkeypatch.delenv("DISPLAY", raising=False)
    with compositor(run_folder, "--backend=headless-backend.so") as socket:
        assert "all well" in worked("none", socket, tmp_path)
