"""A window at a real display, worked by a real hand: for scripts that run in a process of their own.

Nothing is waited for by the clock: after each act the window has taken all that the hand did, and rests.
"""

from __future__ import annotations

import threading
import time
from collections.abc import Callable
from pathlib import Path

from PyQt6 import sip
from PyQt6.QtWidgets import QWidget

from anole.core import isolation
from anole.studio.app import application
from anole.studio.main_window.window import Window
from anole.studio.runtime import troubles

from .real_hand import Hand

AFTER = 0.15
"""Seconds after an act for what it began to be under way; then the window is waited for."""
SETTLED = 3
"""Turns of the loop in a row for which the window must rest."""


class Session:
    """Opens the window at the upper left of the display; `leave` ends it and fails when anything went wrong."""

    def __init__(self, width: int = 1280, height: int = 800) -> None:
        troubles.install()
        self.wrong: list[str] = []
        troubles.TROUBLES.happened.connect(lambda event: self.wrong.append(event.trouble.details))
        isolation.start()
        isolation.hurry()
        self.app = application()
        # a busy machine parts two clicks further than a hand would
        self.app.setDoubleClickInterval(5_000)
        self.hand, self.window = Hand(), Window()
        self.window.resize(width, height)
        self.window.move(0, 0)

    def show(self) -> None:
        self.window.show()
        self.window.activateWindow()
        self.until(self.window.isActiveWindow)
        self.rest()

    def open_board(self, path: Path) -> None:
        """A copy of a board, at work."""
        before = self.window.document.board
        self.window.files.open_copy(path)
        self.until(lambda: self.window.document.board is not before)
        self.rest()

    def until(self, holds: Callable[[], object], seconds: float = 60) -> None:
        end = time.monotonic() + seconds
        while not holds():
            assert time.monotonic() < end, holds
            self.app.processEvents()
            time.sleep(0.003)

    def rest(self) -> None:
        """Until the window has done what it was asked."""
        end = time.monotonic() + AFTER
        self.until(lambda: time.monotonic() > end)
        turns = 0

        def settled() -> bool:
            nonlocal turns
            turns = turns + 1 if sip.isdeleted(self.window) or self.window.idle else 0
            return turns >= SETTLED

        self.until(settled)

    def act(self, *acts: Callable[[], object]) -> None:
        """The hand does these, one after the other, beside the window."""
        thread = threading.Thread(target=lambda: [one() for one in acts], daemon=True)
        thread.start()
        self.until(lambda: not thread.is_alive())
        self.rest()

    def key(self, *chords: str) -> None:
        for chord in chords:
            self.act(lambda chord=chord: self.hand.key(chord))

    def type(self, text: str) -> None:
        self.act(lambda: self.hand.type(text))

    def click(self, x: int, y: int, held: str = "", times: int = 1) -> None:
        self.act(
            lambda: self.hand.hold(held, True),
            lambda: self.hand.click(x, y, times=times),
            lambda: self.hand.hold(held, False),
        )

    def wheel(self, x: int, y: int, button: int) -> None:
        """One notch: real_hand.UP or DOWN."""
        self.act(lambda: self.hand.click(x, y, button))

    def drag(self, start: tuple[int, int], end: tuple[int, int]) -> None:
        self.act(lambda: self.hand.drag(start, end))

    def middle(self, widget: QWidget) -> tuple[int, int]:
        """On the screen, px."""
        at = widget.mapToGlobal(widget.rect().center())
        return at.x(), at.y()

    def on_board(self, x: float, y: float) -> tuple[int, int]:
        """A point of the board, px of it, on the screen."""
        view = self.window.view
        at = view.mapToGlobal(view.transform_now().to_widget(x, y).toPoint())
        return at.x(), at.y()

    def leave(self) -> None:
        assert not self.wrong, self.wrong[0]
        self.window.leave()
