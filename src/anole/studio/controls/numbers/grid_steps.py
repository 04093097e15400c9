"""Arrow keys in rows of cells."""

from __future__ import annotations

from PyQt6.QtCore import Qt


def grid_steps(per_row: int) -> dict[Qt.Key, int]:
    """By how many cells each arrow key goes on."""
    return {
        Qt.Key.Key_Left: -1,
        Qt.Key.Key_Right: 1,
        Qt.Key.Key_Up: -per_row,
        Qt.Key.Key_Down: per_row,
    }
