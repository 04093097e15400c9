"""Work that only matters while a widget can be seen: put off until it is shown."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QEvent, QObject
from PyQt6.QtWidgets import QWidget


class WhenVisible(QObject):
    """Call it like the function it holds; a hidden widget's call waits for its next showing."""

    def __init__(self, widget: QWidget, work: Callable[[], None]) -> None:
        super().__init__(widget)
        self._widget, self._work, self._waiting = widget, work, False
        widget.installEventFilter(self)

    def __call__(self, *_: object) -> None:
        if self._widget.isVisible():
            self._work()
        else:
            self._waiting = True

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if self._waiting and event is not None and event.type() == QEvent.Type.Show:
            self._waiting = False
            self._work()
        return super().eventFilter(watched, event)
