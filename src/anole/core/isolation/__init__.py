"""Work on strangers' bytes in a process of its own: what crashes or hangs there costs one message."""

from .client import HelperError, NotYet, Refused, ask, end, start
from .hurried import FETCHER, at_hand, hurry, needed, whole

__all__ = [
    "FETCHER",
    "HelperError",
    "NotYet",
    "Refused",
    "ask",
    "at_hand",
    "end",
    "hurry",
    "needed",
    "start",
    "whole",
]
