"""The Unicode Bidirectional Algorithm (UAX #9): levels of a line's characters, and their order."""

from .levels import levels
from .order import visual_order

__all__ = ["levels", "visual_order"]
