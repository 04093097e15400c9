"""What the helper may take: it is killed by the system before it harms the machine."""

from __future__ import annotations

import contextlib
import ctypes
import os
import resource
import signal

MEMORY = 3 << 30
"""Bytes beyond what it takes when it has started."""
OPEN_FILES = 64
_SET_PDEATHSIG, _SET_NO_NEW_PRIVS = 1, 38
"""Of prctl(2)."""


def _address_space() -> int:
    """Bytes of addresses in use now."""
    with open("/proc/self/statm", encoding="ascii") as file:
        return int(file.read().split()[0]) * os.sysconf("SC_PAGE_SIZE")


def die_with_parent() -> None:
    """End when the program does, whatever happens to it; and never gain rights."""
    with contextlib.suppress(OSError, AttributeError):
        libc = ctypes.CDLL(None, use_errno=True)
        libc.prctl(_SET_PDEATHSIG, signal.SIGKILL, 0, 0, 0)
        libc.prctl(_SET_NO_NEW_PRIVS, 1, 0, 0, 0)


def limit() -> None:
    """From now on: no more memory than MEMORY, no core file, no child, few open files."""
    for what, most in (
        (resource.RLIMIT_CORE, 0),
        (resource.RLIMIT_NOFILE, OPEN_FILES),
        (resource.RLIMIT_AS, _address_space() + MEMORY),
    ):
        with contextlib.suppress(OSError, ValueError):
            resource.setrlimit(what, (most, most))
