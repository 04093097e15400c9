"""Giving the focus to what stands in a panel."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QScrollArea, QWidget


def focus_within(area: QScrollArea, widget: QWidget) -> None:
    """Scroll to a widget, and give the focus to the first in it that a key could reach."""
    area.ensureWidgetVisible(widget, 0, 40)
    first: QWidget | None = widget
    while first is not None and (first is widget or widget.isAncestorOf(first)):
        if first.focusPolicy() & Qt.FocusPolicy.TabFocus and first.isVisibleTo(area):
            first.setFocus(Qt.FocusReason.TabFocusReason)
            return
        first = first.nextInFocusChain()
