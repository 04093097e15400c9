"""Starting the window."""

from __future__ import annotations

import gc
import signal
import sys
import threading
from pathlib import Path

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QApplication

from ..core import isolation
from ..core.library.keeping import tidy
from .documents import picture_memory
from .documents.board_files import demo_folder
from .documents.settings import Settings
from .look import theme
from .main_window.window import OPEN, Window
from .runtime import troubles

DEMO = "bout-night.anole"
SWITCH_SECONDS = 0.0005
COLLECT_AFTER = (20_000, 20, 100)


def application() -> QApplication:
    """The one QApplication, dressed."""
    # the renderer's thread asks for the interpreter many times a frame: it must not wait long
    sys.setswitchinterval(SWITCH_SECONDS)
    # boards are many small tuples without rings: looking through all of them often finds nothing
    gc.set_threshold(*COLLECT_AFTER)
    existing = QApplication.instance()
    app = existing if isinstance(existing, QApplication) else QApplication(sys.argv[:1])
    app.setApplicationName("Anole")
    app.setDesktopFileName("org.anole_studio.Anole")
    picture_memory.keep(Settings())
    wanted = theme.LIGHT if Settings().get("theme", "dark") == "light" else theme.DARK
    if not theme.is_on(wanted):
        theme.load_fonts()
        theme.put_on(app, wanted)
    return app


def end_all() -> None:
    """Close every window without a question, and lose nothing."""
    for window in list(OPEN):
        window.leave(stays=not window.document.is_saved)


def run(file: Path | None, *, demo: bool = False) -> int:
    """Open the window and stay until it is closed; returns the exit code."""
    troubles.install()
    isolation.hurry()
    app = application()
    threading.Thread(target=tidy, name="anole-tidy", daemon=True).start()
    window = Window()
    if demo:
        window.files.open_copy(demo_folder() / DEMO)
    elif file is not None:
        window.files.open(file)
    else:
        window.show_start()
    window.show()
    if demo or file is not None:
        # the start page shows it as cards
        window.recovery.offer()
    # ended from outside nobody can answer: what was done stays for the next start; the timer lets
    # Python see the signal
    for ending in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(ending, lambda *_: end_all())
    heartbeat = QTimer()
    heartbeat.timeout.connect(lambda: None)
    heartbeat.start(300)
    return app.exec()
