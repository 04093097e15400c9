"""The side of the program: one warm helper, killed and started anew when it fails."""

from __future__ import annotations

import atexit
import contextlib
import os
import select
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Sequence
from typing import Any

from ..arrays import AnyArray
from .wire import Header, WireError, receive, send

MODULE = "anole.core.helper"
SECONDS, STARTING = 20.0, 60.0
"""What one piece of work, and the start of the process, may take."""
LOOK = 0.05
"""Seconds between two looks whether the work is still wanted."""


class Refused(Exception):
    """The helper cannot use the bytes; the message says why."""


class HelperError(Exception):
    """The helper died or took too long over the bytes, or is not wanted any more."""


class NotYet(HelperError):
    """Asked for by a thread that must not wait; see hurried.py."""


def never() -> bool:
    """Asked whether to stop."""
    return False


def own_environment() -> dict[str, str]:
    """Of a process of ours: it finds what this one finds."""
    return {**os.environ, "PYTHONPATH": os.pathsep.join(filter(None, sys.path))}


class Helper:
    """One process, one piece of work at a time; for any thread."""

    def __init__(self) -> None:
        self.hurries = never
        """Whether the thread that asks must not wait."""
        self._lock = threading.Lock()
        self._process: subprocess.Popen[bytes] | None = None
        self._talk: socket.socket | None = None
        self.starts = 0
        """How many processes there were."""

    @property
    def pid(self) -> int | None:
        """The running process; None without one."""
        process = self._process
        return None if process is None else process.pid

    def start(self) -> None:
        """Start the process, so that the first work need not wait for it. Raises HelperError."""
        with self._lock:
            self._ready()

    def end(self) -> None:
        """End the process; the next work starts another. What is being done there is given up."""
        process = self._process
        if process is not None:
            with contextlib.suppress(OSError):
                process.kill()
        with self._lock:
            self._kill()

    def ask(
        self,
        task: str,
        meta: Any = None,
        arrays: Sequence[AnyArray] = (),
        seconds: float | None = None,
        stop: Callable[[], bool] = never,
    ) -> tuple[Any, list[AnyArray]]:
        """Do a task in the helper: its answer and its arrays. Raises Refused and HelperError, in a
        thread that hurries NotYet."""
        if self.hurries():
            raise NotYet("it is still being read")
        with self._lock:
            talk = self._ready()
            try:
                send(talk, Header(task=task, meta=meta), arrays)
                header, found = self._answer(talk, SECONDS if seconds is None else seconds, stop)
            except (WireError, OSError) as error:
                self._kill()
                raise HelperError("reading it made the reader crash") from error
            except HelperError:
                self._kill()
                raise
        if header.refused:
            raise Refused(header.refused)
        return header.meta, found

    def _answer(
        self, talk: socket.socket, seconds: float, stop: Callable[[], bool]
    ) -> tuple[Header, list[AnyArray]]:
        end = time.monotonic() + seconds
        while not select.select([talk], [], [], LOOK)[0]:
            if stop():
                raise HelperError("reading it was given up")
            if time.monotonic() > end:
                raise HelperError(f"reading it took longer than {seconds:g} seconds")
        return receive(talk)

    def _ready(self) -> socket.socket:
        """The socket to a process that is there, started where there is none."""
        if self._process is not None and self._process.poll() is not None:
            self._kill()
        if self._talk is not None:
            return self._talk
        own, other = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        with other:
            command = [sys.executable, "-m", MODULE, str(other.fileno())]
            self._process = subprocess.Popen(
                command,
                pass_fds=[other.fileno()],
                stdin=subprocess.DEVNULL,
                stdout=subprocess.DEVNULL,
                stderr=subprocess.DEVNULL,
                env=own_environment(),
            )
        self._talk = own
        self.starts += 1
        try:
            self._answer(own, STARTING, never)
        except (WireError, HelperError) as error:
            self._kill()
            raise HelperError("the process that reads files could not be started") from error
        return own

    def _kill(self) -> None:
        process, talk = self._process, self._talk
        self._process = self._talk = None
        if talk is not None:
            talk.close()
        if process is not None:
            with contextlib.suppress(OSError):
                process.kill()
            process.wait()


HELPER = Helper()
ask, start, end = HELPER.ask, HELPER.start, HELPER.end
atexit.register(end)
