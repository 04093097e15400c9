"""The command line: the same operations and the same renderer as the window."""

from .program import main

__all__ = ["main"]
