"""The one place that knows how a command becomes a QAction."""

from __future__ import annotations

from PyQt6.QtGui import QAction, QKeySequence
from PyQt6.QtWidgets import QWidget

from .commands import COMMANDS
from .session import Session


def make(session: Session, window: QWidget) -> dict[str, QAction]:
    """An action for every command, its keys working everywhere in the window."""
    actions: dict[str, QAction] = {}
    for command in COMMANDS:
        if command.id in actions:
            raise ValueError(f"the command {command.id!r} is listed twice")
        action = QAction(command.title, window)
        action.setShortcuts([QKeySequence(keys) for keys in command.keys])
        action.triggered.connect(lambda _=False, c=command: c.when(session) and c.run(session))
        window.addAction(action)
        actions[command.id] = action
    return actions


def refresh(session: Session, actions: dict[str, QAction]) -> None:
    """Switch off what does not apply now."""
    for command in COMMANDS:
        actions[command.id].setEnabled(command.when(session))
