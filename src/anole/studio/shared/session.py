"""What the parts of one window share."""

from __future__ import annotations

from typing import NamedTuple

from PyQt6.QtCore import QPoint
from PyQt6.QtWidgets import QWidget

from ..documents.document import Document
from ..documents.reading import Reading
from ..documents.selection import Selection
from ..documents.settings import Settings
from ..documents.style_library import StyleLibrary
from ..rendering.worker import Worker
from ..runtime.left_out import LeftOut
from .shell import Shell


class Session(NamedTuple):
    """One open window's board, what is chosen on it, the thread that renders, settings, styles."""

    document: Document
    selection: Selection
    worker: Worker
    settings: Settings
    shell: Shell
    reading: Reading
    styles: StyleLibrary

    @property
    def left_out(self) -> LeftOut:
        """The coats and pieces that failed."""
        return self.worker.left_out


def aim(widget: QWidget) -> None:
    """From now on commands for things of this kind act on the widget."""
    session = session_of(widget)
    if session is not None:
        session.shell.targets.aim(widget)


def ask_menu(widget: QWidget, kind: str, at: QPoint) -> None:
    """The context menu of a kind of thing, acting on the widget; at a point of the screen."""
    session = session_of(widget)
    if session is not None:
        session.shell.targets.aim(widget)
        session.shell.show_menu(kind, at)


def session_of(widget: QWidget) -> Session | None:
    """The session of the window that a widget stands in; None outside of one."""
    found = getattr(widget.window(), "session", None)
    return found if isinstance(found, Session) else None
