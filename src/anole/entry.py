"""Where the program begins: imports first, without anybody looking for garbage amid them, while the
process that reads files starts beside them."""

from __future__ import annotations

import contextlib
import gc
import sys
import threading

READ_NOTHING = ("styles", "schema", "--help", "--version")
"""First words of commands that read no file of a stranger."""


def _start_reader() -> None:
    from .core import isolation

    # whoever needs it tries again, and says what is wrong
    with contextlib.suppress(isolation.HelperError):
        isolation.start()


def main() -> None:
    """What the command `anole` runs."""
    # tens of thousands of objects that stay: each look through them takes time and finds nothing
    gc.disable()
    if not set(sys.argv[1:2]) & set(READ_NOTHING):
        threading.Thread(target=_start_reader, name="anole-start", daemon=True).start()
    from .cli import main as run

    gc.freeze()
    gc.enable()
    run()
