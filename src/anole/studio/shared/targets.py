"""What a command acts on that is neither a piece nor a coat: the one that was last pointed at."""

from __future__ import annotations

from typing import Protocol, TypeVar, runtime_checkable

from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtWidgets import QWidget

from ...core.library.styles import StoredStyle
from ..runtime.lifetimes import Remembered

T = TypeVar("T")
MOST = 12
"""Widgets that are remembered."""


@runtime_checkable
class StopTarget(Protocol):
    """The stops of a gradient, one of them chosen."""

    @property
    def can_delete_stop(self) -> bool:
        """Whether the gradient can do without it."""

    def delete_stop(self) -> None:
        """Take the stop out."""

    def double_stop(self) -> None:
        """Put one like it beside it."""

    def spread_stops(self) -> None:
        """Set all stops equally far apart."""

    def reverse_stops(self) -> None:
        """Turn the gradient round."""

    def centre_hint(self) -> None:
        """Put the middle of the colours back between the stops."""


@runtime_checkable
class SwatchTarget(Protocol):
    """Saved colours, gradients or other small things, one of them pointed at."""

    @property
    def can_delete_swatch(self) -> bool:
        """Whether it is the user's own."""

    def use_swatch(self) -> None:
        """Take its colour."""

    def delete_swatch(self) -> None:
        """Take it out."""


@runtime_checkable
class StyleTarget(Protocol):
    """A style of the library."""

    @property
    def stored_style(self) -> StoredStyle | None:
        """The style meant; None for none."""


class Targets(QObject):
    """`changed`: another one was pointed at."""

    changed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._widgets: list[Remembered[QWidget]] = []

    def aim(self, widget: QWidget) -> None:
        """From now on commands for things of this kind act on it, as long as it is seen."""
        others = [one for one in self._widgets if one.get() not in (None, widget)]
        self._widgets = [Remembered(widget), *others][:MOST]
        self.changed.emit()

    def find(self, kind: type[T]) -> T | None:
        """The newest of a kind that can be seen; None where there is none."""
        for remembered in self._widgets:
            widget = remembered.get()
            if widget is not None and widget.isVisible() and isinstance(widget, kind):
                return widget
        return None
