"""Anole: words in fat type, styled with a stack of live coats."""

from __future__ import annotations

import importlib
from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from . import coats, paints, pieces, shaping, tones
    from .scripting import (
        FileError,
        ModelError,
        OpenBoard,
        ReadLook,
        asset,
        find_style,
        keep_style,
        new,
        open,
        read_look,
        read_pack,
        style,
        styles,
        write_pack,
        write_style,
    )

__version__ = "0.1.0"
__all__ = [
    "FileError",
    "ModelError",
    "OpenBoard",
    "ReadLook",
    "asset",
    "coats",
    "find_style",
    "keep_style",
    "new",
    "open",
    "paints",
    "pieces",
    "read_look",
    "read_pack",
    "shaping",
    "style",
    "styles",
    "tones",
    "write_pack",
    "write_style",
]
MODULES = ("coats", "paints", "pieces", "shaping", "tones")


def __getattr__(name: str) -> Any:
    # only who asks for it waits for it: the command line begins here too
    if name in MODULES:
        return importlib.import_module(f".{name}", __name__)
    if name in __all__:
        return getattr(importlib.import_module(".scripting", __name__), name)
    raise AttributeError(f"module {__name__!r} has no attribute {name!r}")


def __dir__() -> list[str]:
    return sorted([*__all__, "__version__"])
