"""Memory that was freed goes back to the system."""

from __future__ import annotations

import contextlib
import ctypes


def give_back() -> None:
    """Let the allocator return what it holds for nobody; where it cannot, nothing happens."""
    with contextlib.suppress(OSError, AttributeError):
        ctypes.CDLL(None).malloc_trim(0)
