"""Stacks and rows without margins."""

from __future__ import annotations

from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget


def column(owner: QWidget, *parts: QWidget, gap: int = 6) -> QVBoxLayout:
    """Widgets one under the other, without margins."""
    layout = QVBoxLayout(owner)
    layout.setContentsMargins(0, 0, 0, 0)
    layout.setSpacing(gap)
    for part in parts:
        layout.addWidget(part)
    return layout


def row(*parts: QWidget, gap: int = 6, stretch: int = -1) -> QHBoxLayout:
    """A row to be added to a layout; `stretch` is the number of the part that grows."""
    made = QHBoxLayout()
    made.setContentsMargins(0, 0, 0, 0)
    made.setSpacing(gap)
    for number, part in enumerate(parts):
        made.addWidget(part, int(number == stretch))
    return made
