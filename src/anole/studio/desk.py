"""What a control may need of the window it stands in."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from PyQt6.QtWidgets import QWidget

from ..core.model import Colour
from .document import Document
from .settings import Settings
from .worker import Worker


class Desk(NamedTuple):
    """`drop` asks for a colour of the board; it is called with each that is looked at, and at
    the end with the one that was taken."""

    document: Document
    settings: Settings
    worker: Worker
    drop: Callable[[Callable[[Colour, bool], None]], None]


def desk_of(widget: QWidget) -> Desk | None:
    """The desk of the window that the widget stands in; None outside of one."""
    window = widget.window()
    found = getattr(window, "desk", None)
    return found if isinstance(found, Desk) else None
