"""The one handler of errors nobody expected: they are said, and the window goes on."""

from __future__ import annotations

import platform
import sys
import threading
import time
import traceback
from importlib.metadata import version
from types import TracebackType
from typing import NamedTuple

import msgspec
import PyQt6.QtCore
from PyQt6.QtCore import QObject, pyqtSignal

from ...core.failures import RenderError
from ...core.isolation import NotYet
from ...core.text import short

STILL_READING = "A picture of this board is still being read; try that again in a moment."
QUIET_SECONDS = 5.0
"""For how long the same error is not said again: painting may meet it at every frame."""


class Trouble(NamedTuple):
    """`message` : one plain line; `details` : what a maintainer needs to find the cause."""

    message: str
    details: str


class Event(NamedTuple):
    """An error as it is told: never itself, for its traceback holds what failed alive."""

    trouble: Trouble
    error: str
    part: msgspec.Struct | None


def trouble_of(error: BaseException, message: str) -> Trouble:
    """An error as it is said, with its traceback and the versions it happened under."""
    about = (
        f"Anole {version('anole')}, Python {platform.python_version()}, "
        f"Qt {PyQt6.QtCore.qVersion()}, {platform.platform()}"
    )
    return Trouble(message, f"{message}\n{about}\n\n{''.join(traceback.format_exception(error))}")


def what(error: BaseException) -> str:
    """What an error says, or what it is where it says nothing; one short line."""
    return short(error) or type(error).__name__


class Troubles(QObject):
    """`happened(Event)` in whatever thread caught it: connect to it queued."""

    happened = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self._lock = threading.Lock()
        self._last: dict[tuple, float] = {}

    def caught(self, error: BaseException, message: str = "") -> None:
        """Say an error, unless the same one was said a moment ago."""
        if not self._is_news(error, message):
            return
        if isinstance(error, NotYet):
            self.happened.emit(Event(Trouble(STILL_READING, ""), short(error), None))
            return
        text = message or (
            f"Something went wrong here ({what(error)}); the board is as it was and can be saved."
        )
        trouble = trouble_of(error, text)
        print(trouble.details, file=sys.stderr)
        part = error.part if isinstance(error, RenderError) else None
        self.happened.emit(Event(trouble, short(error), part))

    def _is_news(self, error: BaseException, message: str) -> bool:
        frames = traceback.extract_tb(error.__traceback__)
        last = (frames[-1].filename, frames[-1].lineno) if frames else ()
        key, now = (type(error), short(error), last, message), time.monotonic()
        with self._lock:
            told = self._last.get(key, -QUIET_SECONDS)
            self._last = {k: t for k, t in self._last.items() if now - t < QUIET_SECONDS}
            self._last.setdefault(key, now)
        return now - told >= QUIET_SECONDS


TROUBLES = Troubles()


def install() -> None:
    """From now on errors in slots, events, painting and threads come here."""

    def hook(kind: type[BaseException], error: BaseException, trace: TracebackType | None) -> None:
        # what Python keeps of the last error keeps the widgets of its frames alive
        for name in ("last_exc", "last_type", "last_value", "last_traceback"):
            setattr(sys, name, None)
        if issubclass(kind, KeyboardInterrupt | SystemExit):
            sys.__excepthook__(kind, error, trace)
        else:
            TROUBLES.caught(error)

    def in_thread(caught: threading.ExceptHookArgs) -> None:
        if caught.exc_value is not None:
            hook(caught.exc_type, caught.exc_value, caught.exc_traceback)

    sys.excepthook, threading.excepthook = hook, in_thread
