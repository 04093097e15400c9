"""Widgets that come and go: remembered beyond the call that showed them, or taken away."""

from __future__ import annotations

import weakref
from typing import Generic, TypeVar

from PyQt6 import sip
from PyQt6.QtCore import QObject
from PyQt6.QtWidgets import QWidget

Q = TypeVar("Q", bound=QObject)


class Remembered(Generic[Q]):
    """One object of Qt's, not kept alive: `get()` is None once Qt or Python has let it go.

    Nobody else asks a remembered widget anything: each access to one whose C++ side is gone raises
    RuntimeError, an `isinstance` with a protocol's properties too.
    """

    def __init__(self, thing: Q | None = None) -> None:
        self._thing = None if thing is None else weakref.ref(thing)

    def get(self) -> Q | None:
        """The object, None where there is none or no longer one."""
        thing = None if self._thing is None else self._thing()
        return None if thing is None or sip.isdeleted(thing) else thing


def discard(widget: QWidget) -> None:
    """Take a widget away: it is not seen from now on, and gone when nobody is amid a call to it."""
    widget.hide()
    widget.deleteLater()
