"""Work on strangers' bytes in a process of its own: what crashes or hangs there costs one message."""

from .client import HelperError, Refused, ask, end, start

__all__ = ["HelperError", "Refused", "ask", "end", "start"]
