"""What the helper may take: it is killed by the system before it harms the machine."""

from __future__ import annotations

import contextlib
import ctypes
import os
import resource
import signal
from collections.abc import Iterator

MEMORY = 3 << 30
"""Bytes beyond what it takes when it has started."""
OPEN_FILES = 64
ALONE = 60
"""Seconds that a piece of work may take when the program that wants it is gone."""
_SET_NO_NEW_PRIVS = 38
"""Of prctl(2)."""


def _address_space() -> int:
    """Bytes of addresses in use now."""
    with open("/proc/self/statm", encoding="ascii") as file:
        return int(file.read().split()[0]) * os.sysconf("SC_PAGE_SIZE")


@contextlib.contextmanager
def alarmed() -> Iterator[None]:
    """Be ended by the system when the block takes longer than ALONE: work that hangs in a decoder
    does not see that nobody waits for it any more. (A signal at the parent's death would come at
    the end of the thread that started the helper.)"""
    signal.signal(signal.SIGALRM, signal.SIG_DFL)
    signal.alarm(ALONE)
    try:
        yield
    finally:
        signal.alarm(0)


def gain_no_rights() -> None:
    """Whatever is run from here never has more rights than this process."""
    with contextlib.suppress(OSError, AttributeError):
        ctypes.CDLL(None, use_errno=True).prctl(_SET_NO_NEW_PRIVS, 1, 0, 0, 0)


def limit() -> None:
    """From now on: no more memory than MEMORY, no core file, no child, few open files."""
    for what, most in (
        (resource.RLIMIT_CORE, 0),
        (resource.RLIMIT_NOFILE, OPEN_FILES),
        (resource.RLIMIT_AS, _address_space() + MEMORY),
    ):
        with contextlib.suppress(OSError, ValueError):
            resource.setrlimit(what, (most, most))
