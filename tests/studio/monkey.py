"""A monkey at the real window: clicks, pulls, wheels and keys on all that is visible.

`python -m tests.studio.monkey SEED SECONDS` under a display prints what it did and what went wrong; it
ends with 1 when anything did. Nothing may be said to have gone wrong, no turn of the window's loop may
take over a second, frames follow changes, and all that was done can be undone to the first board, bit
for bit.
"""

from __future__ import annotations

import os
import queue
import random
import sys
import threading
import time
import traceback
from collections import Counter, deque
from collections.abc import Callable
from pathlib import Path

import numpy as np
from numba.core.event import Event, Listener, register
from PyQt6 import sip
from PyQt6.QtCore import QPoint, QTimer
from PyQt6.QtWidgets import QApplication, QDialog, QWidget

from anole.core import isolation
from anole.core.model import Board
from anole.core.render.export import part
from anole.studio import app as studio_app
from anole.studio.documents.board_files import demo_boards
from anole.studio.look.status_bar import StatusBar
from anole.studio.main_window.window import OPEN, Window
from anole.studio.runtime import troubles

from .real_hand import DOWN, LEFT, MIDDLE, RIGHT, UP, Hand

CHECK_EVERY = 40
LONGEST_TURN = 1.0
"""Seconds, on a machine with a core for each that wants one; where more want one, as many times that
as they have to share it by."""
PATIENCE = 120.0
"""Seconds within which the window comes to rest."""
TELLING = 25
"""Acts that are told when something went wrong."""
TYPED = list("abcdefgh ktwz0123456789")
KEYS = [
    "Return", "Escape", "Tab", "shift+Tab", "Up", "Down", "Left", "Right", "Delete", "BackSpace",
    "space", "Home", "End", "Page_Down", "Insert", "F1", "F2", "F9", "h", "b", "ctrl+a", "ctrl+c",
    "ctrl+x", "ctrl+v", "ctrl+d", "ctrl+z", "ctrl+shift+z", "ctrl+k", "ctrl+l", "ctrl+shift+l",
    "ctrl+g", "ctrl+shift+g", "ctrl+0", "ctrl+1", "alt+1", "alt+2", "alt+3", "alt+r", "shift+Right",
    "ctrl+Up", "ctrl+Down", "ctrl+shift+k", "ctrl+e",
]  # fmt: skip


def waited_to_run() -> float:
    """Seconds for which this thread could have run and something else did (schedstat, proc(5))."""
    text = Path(f"/proc/self/task/{threading.get_native_id()}/schedstat").read_text()
    return int(text.split()[1]) * 1e-9


class Turns:
    """The longest turns of the loop, less what other programs took of them."""

    def __init__(self) -> None:
        self.longest, self.during = 0.0, ""
        self.stack = ""
        self._seen: tuple[float, Counter[str]] = (0.0, Counter())
        self.act = "the start"
        self._last = (time.monotonic(), waited_to_run())
        self._timer = QTimer()
        self._timer.timeout.connect(self._tick)
        self._timer.start(10)
        self._main = threading.get_ident()
        threading.Thread(target=self._watch, daemon=True).start()

    def _watch(self) -> None:
        """Where the loop is in a turn that takes long."""
        while True:
            time.sleep(0.1)
            start = self._last[0]
            if time.monotonic() - start > 0.6 * LONGEST_TURN:
                frame = sys._current_frames().get(self._main)
                if self._seen[0] != start:
                    self._seen = start, Counter()
                where = (
                    f"  {Path(f.filename).name}:{f.lineno} {f.name}"
                    for f in traceback.extract_stack(frame)
                )
                self._seen[1]["\n".join(where)] += 1

    def _tick(self) -> None:
        now = (time.monotonic(), waited_to_run())
        start, took = self._last[0], (now[0] - self._last[0]) - (now[1] - self._last[1])
        self._last = now
        if took > self.longest:
            self.longest, self.during = took, self.act
            seen = self._seen[1].most_common(2) if self._seen[0] == start else []
            self.stack = "\n".join(f"{count} times at\n{where}" for where, count in seen)

    def forget(self) -> None:
        """What was measured so far, and this turn, does not count."""
        self._last = (time.monotonic(), waited_to_run())


class Monkey:
    def __init__(self, seed: int, seconds: float) -> None:
        self.chance = random.Random(seed)
        self.seconds, self.acts, self.checks = seconds, 0, 0
        self.wrong: list[str] = []
        self.compiled: list[str] = []
        self.told: deque[str] = deque(maxlen=TELLING)
        self._hand, self._jobs = Hand(), queue.Queue[Callable[[], None]]()
        threading.Thread(target=self._work, daemon=True).start()
        self._choosers = QTimer()
        self._choosers.timeout.connect(self._leave_choosers)
        self._choosers.start(250)
        self._boards = demo_boards()
        self.chance.shuffle(self._boards)
        self._listen()

    def _listen(self) -> None:
        say = StatusBar.say

        def listening(bar: StatusBar, message: str, details: str = "") -> None:
            if details:
                self.wrong.append(details)
            say(bar, message, details)

        StatusBar.say = listening  # type: ignore[method-assign]
        caught = troubles.Troubles.caught

        def told(of: troubles.Troubles, error: BaseException, message: str = "") -> None:
            self.wrong.append(message + "".join(traceback.format_exception(error)))
            caught(of, error, message)

        troubles.Troubles.caught = told  # type: ignore[method-assign]

    def hear_compilers(self) -> None:
        """What is compiled while one works holds the window for seconds."""
        compiled = self.compiled

        class Heard(Listener):
            def on_start(self, event: Event) -> None:
                compiled.append(f"{event.data['dispatcher']} {event.data['args']}")

            def on_end(self, event: Event) -> None:
                pass

        register("numba:compile", Heard())

    def _work(self) -> None:
        while True:
            job = self._jobs.get()
            job()
            self._jobs.task_done()

    def _leave_choosers(self) -> None:
        """The system's file chooser is not ours, and has a loop of its own."""
        app = QApplication.instance()
        assert isinstance(app, QApplication)
        dialog = app.activeModalWidget()
        if isinstance(dialog, QDialog):
            self.told.append("leave the chooser")
            dialog.reject()

    # the window

    @property
    def window(self) -> Window:
        """The one that is worked on; opened where the last was closed."""
        there = [w for w in OPEN if not sip.isdeleted(w) and w.isVisible()]
        for extra in there[1:]:
            extra.leave()
        if there:
            return there[0]
        window = Window()
        window.move(0, 0)
        window.show()
        window.activateWindow()
        return window

    def pump(self, done: Callable[[], bool], seconds: float) -> bool:
        """Let the loop turn until something is so; whether it came to that."""
        end, app = time.monotonic() + seconds, QApplication.instance()
        assert app is not None
        while not done():
            if time.monotonic() > end:
                return False
            app.processEvents()
            time.sleep(0.002)
        return True

    def rest(self, what: str) -> None:
        window = self.window
        if not self.pump(lambda: self._jobs.unfinished_tasks == 0, PATIENCE):
            self.wrong.append(f"the hand is held for ever after {what}")
        if not self.pump(lambda: sip.isdeleted(window) or window.idle, PATIENCE):
            self.wrong.append(f"the window comes to no rest after {what}")

    # acts

    def run(self) -> None:
        self.open_board()
        turns = self.turns = Turns()
        end = time.monotonic() + self.seconds
        while time.monotonic() < end and not self.wrong:
            self.act()
            if self.acts % CHECK_EVERY == 0:
                self.check()
        if not self.wrong:
            self.check()
        shared_by = max(os.getloadavg()[0] / (os.cpu_count() or 1), 1.0)
        if turns.longest > LONGEST_TURN * shared_by:
            took = f"a turn of the loop took {turns.longest:.2f} s in {turns.during}"
            self.wrong.append(f"{took}; it was seen\n{turns.stack}")

    def open_board(self) -> None:
        """The next demo board."""
        path = self._boards.pop(0)
        self._boards.append(path)
        window = self.window
        window.document.start(Board())
        window.files.open_copy(path)
        self.rest(f"opening {path.name}")
        self.told.append(f"open {path.stem}")

    def act(self) -> None:
        """One thing, and a moment for the window to follow."""
        window = self.window
        self.acts += 1
        app = QApplication.instance()
        assert isinstance(app, QApplication)
        over = app.activePopupWidget() or window
        if not over.isActiveWindow() and over is window:
            window.activateWindow()
        kind = self.chance.choices(["click", "right", "double", "drag", "wheel", "key", "type"],
                                   [38, 5, 4, 17, 9, 18, 9])[0]  # fmt: skip
        if kind in ("key", "type"):
            chord = self.chance.choice(KEYS if kind == "key" else TYPED)
            chord = "space" if chord == " " else chord
            self._do(f"key {chord}", lambda: self._hand.key(chord))
            return
        target = self._target(over)
        if target is None:
            return
        widget, at = target
        where = f"{type(widget).__name__} “{widget.accessibleName()}” at {at.x()}, {at.y()}"
        self._do(f"{kind} {where}", self._mouse(kind, (at.x(), at.y())))

    def _mouse(self, kind: str, at: tuple[int, int]) -> Callable[[], None]:
        hand, chance = self._hand, self.chance
        if kind == "drag":
            end = (at[0] + chance.randint(-160, 160), at[1] + chance.randint(-120, 120))
            return lambda: hand.drag(at, end)
        if kind == "wheel":
            way, times = chance.choice([UP, DOWN]), chance.randint(1, 4)
            return lambda: hand.click(*at, way, times)
        number = {"right": RIGHT}.get(kind, MIDDLE if chance.random() < 0.03 else LEFT)
        return lambda: hand.click(*at, number, 2 if kind == "double" else 1)

    def _do(self, what: str, act: Callable[[], None]) -> None:
        self.told.append(what)
        self.turns.act = what
        self._jobs.put(act)
        if not self.pump(lambda: self._jobs.unfinished_tasks == 0, PATIENCE):
            self.wrong.append(f"the hand is held for ever in {what}")
        end = time.monotonic() + self.chance.uniform(0.01, 0.09)
        self.pump(lambda: time.monotonic() > end, 1.0)

    def _target(self, over: QWidget) -> tuple[QWidget, QPoint] | None:
        """A widget that can be seen, and a point of it on the screen."""
        seen = [
            widget
            for widget in over.findChildren(QWidget)
            if widget.isVisible() and not widget.visibleRegion().isEmpty()
        ]
        widget = self.chance.choice([over, *seen]) if seen else over
        region = widget.visibleRegion()
        rect = region.boundingRect()
        for _ in range(20):
            at = QPoint(
                self.chance.randint(rect.left(), max(rect.right(), rect.left())),
                self.chance.randint(rect.top(), max(rect.bottom(), rect.top())),
            )
            if region.contains(at):
                return widget, widget.mapToGlobal(at)
        return None

    # checks

    def check(self) -> None:
        """All undone, the board is the first one, and is shown as it is when nothing was done."""
        self.checks += 1
        for _ in range(3):
            self._do("key Escape", lambda: self._hand.key("Escape"))
        app = QApplication.instance()
        assert isinstance(app, QApplication)
        while app.activePopupWidget() is not None:
            app.activePopupWidget().close()  # type: ignore[union-attr]
        self.rest("an escape")
        window = self.window
        window.leave_page()
        document = window.document
        # what was being typed is a step of its own
        window.view.setFocus()
        self.rest("leaving what was typed")
        first = document.history.steps[0].board
        while document.history.at:
            document.undo()
        window.show_stage(0)
        window.view.set_zoom(0.5)
        self.rest("undoing all")
        if document.board != first:
            self.wrong.append("all undone it is another board")
        self._compare(window)
        self.turns.forget()
        if self.chance.random() < 0.4:
            self.open_board()
            self.turns.forget()

    def _compare(self, window: Window) -> None:
        frame, document = window.view.frame, window.document
        follows = lambda: window.view.frame and window.view.frame.board == document.shown  # noqa: E731
        if not self.pump(lambda: bool(follows()), PATIENCE):
            self.wrong.append("the frame does not follow the board")
            return
        self.pump(lambda: window.idle, PATIENCE)
        frame = window.view.frame
        assert frame is not None
        isolation.hurry(False)
        fresh = part(frame.board, frame.scale, frame.box)
        isolation.hurry()
        shown = frame.pixels.view(np.uint8).reshape(fresh.shape)[..., [2, 1, 0, 3]]
        opaque = fresh[..., 3] == 255
        if not (shown[opaque] == fresh[opaque]).all():
            off = int(np.abs(shown[opaque].astype(int) - fresh[opaque]).max())
            self.wrong.append(f"undone, the picture is off by {off} levels")


def main(seed: int, seconds: float) -> int:
    troubles.install()
    app = studio_app.application()
    app.setQuitOnLastWindowClosed(False)
    isolation.start()
    isolation.hurry()
    monkey = Monkey(seed, seconds)
    monkey.pump(lambda: monkey.window.idle, 300)
    monkey.hear_compilers()
    monkey.run()
    print(f"seed {seed}: {monkey.acts} acts, {monkey.checks} checks, "
          f"longest turn {monkey.turns.longest:.2f} s in {monkey.turns.during}")  # fmt: skip
    for line in monkey.compiled:
        print("compiled late:", line)
    for line in monkey.wrong[:3]:
        print("WRONG:", line)
    if monkey.wrong:
        print("\n".join(monkey.told))
    for window in list(OPEN):
        window.leave()
    return 1 if monkey.wrong else 0


if __name__ == "__main__":
    sys.exit(main(int(sys.argv[1]), float(sys.argv[2])))
