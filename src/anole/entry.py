"""Where the program begins: imports first, without anybody looking for garbage amid them."""

from __future__ import annotations

import gc


def main() -> None:
    """What the command `anole` runs."""
    # tens of thousands of objects that stay: each look through them takes time and finds nothing
    gc.disable()
    from .cli import main as run

    gc.freeze()
    gc.enable()
    run()
