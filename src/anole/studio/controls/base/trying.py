"""What the board would be with another value of a control, before anybody takes it."""

from __future__ import annotations

from typing import Any

from ....core.model import Board
from ...shared.session import session_of
from .control import Control


class Trying:
    """Tries values of one control. Nothing is changed until `take`."""

    def __init__(self, control: Control) -> None:
        self._control = control

    def board(self, value: Any) -> Board | None:
        """The board with the value; None where that changes nothing, or nothing is open."""
        control, session = self._control, session_of(self._control)
        if session is None:
            return None
        was = control.value()
        tried = session.document.tried(lambda: control.edited.emit(value, None))
        # whoever listens may have remembered the value on its way
        session.document.tried(lambda: control.edited.emit(was, None))
        return tried

    def look(self, value: Any) -> None:
        """Show the board with the value."""
        session = session_of(self._control)
        if session is not None:
            session.document.look_at(self.board(value))

    def leave(self) -> None:
        """Show the board as it is."""
        session = session_of(self._control)
        if session is not None:
            session.document.look_at(None)
