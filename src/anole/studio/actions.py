"""The one place that knows how a command becomes a QAction."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtGui import QAction, QKeySequence

from .commands import COMMANDS

if TYPE_CHECKING:
    from .window import Window


def make(window: Window) -> dict[str, QAction]:
    """An action for every command, its keys working everywhere in the window."""
    actions = {}
    for command in COMMANDS:
        if command.id in actions:
            raise ValueError(f"the command {command.id!r} is listed twice")
        action = QAction(command.title, window)
        action.setShortcuts([QKeySequence(keys) for keys in command.keys])
        action.triggered.connect(lambda _=False, c=command: c.when(window) and c.run(window))
        window.addAction(action)
        actions[command.id] = action
    return actions


def refresh(window: Window, actions: dict[str, QAction]) -> None:
    for command in COMMANDS:
        actions[command.id].setEnabled(command.when(window))
