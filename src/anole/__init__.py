"""Anole: words in fat type, styled with a stack of live coats."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from .scripting import OpenBoard, find_style, new, open, styles

__version__ = "0.1.0"
__all__ = ["OpenBoard", "find_style", "new", "open", "styles"]


def __getattr__(name: str) -> Any:
    # only who asks for it waits for it: the command line begins here too
    if name in __all__:
        from . import scripting

        return getattr(scripting, name)
    raise AttributeError(f"module {__name__!r} has no attribute {name!r}")


def __dir__() -> list[str]:
    return sorted([*__all__, "__version__"])
