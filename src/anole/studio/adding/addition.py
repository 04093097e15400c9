"""Something that can be put on the board: what is looked at, shown small and made is one change."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ...core.model import Board, ModelError
from ..shared.session import Session
from ..shared.shell import Stage


class Made(NamedTuple):
    """A board with it, and the piece and coat that are worked on then."""

    board: Board
    piece: str
    coat: str | None = None


Make = Callable[[Board], Made]


def tried(make: Make, board: Board) -> Board | None:
    """The board with a change that is only looked at; None where it cannot be made, as on a board that
    is full."""
    try:
        return make(board).board
    except (KeyError, ModelError):
        return None


class Addition(NamedTuple):
    """kind : as the finder calls it; id : as the finder's table of the trade's words does
    name : under its picture, in the family of its kind; title : in the finder and in the history
    make : the change, in any thread; `stronger` : the same so that more of it is seen, each more
        than the one before, for where the first shows nothing
    sample : what its picture shows, where what is made shows little of it
    stage : where it is worked on then; why : what keeps it from applying now
    """

    kind: str
    id: str
    name: str
    title: str
    family: str
    about: str
    make: Make
    stronger: tuple[Make, ...] = ()
    stage: Stage = Stage.COAT
    why: str = ""
    sample: Make | None = None

    def look(self, session: Session) -> Board | None:
        """The board with it; None where it does not apply."""
        return None if self.why else tried(self.make, session.document.board)

    def run(self, session: Session, make: Make | None = None) -> None:
        """Put it on (or one of its stronger ways), and choose what is worked on then."""

        def added(board: Board) -> tuple[Board, Made]:
            made = (make or self.make)(board)
            return made.board, made

        made = session.document.make(self.title, added)
        if made is not None:
            session.shell.show_stage(self.stage)
            session.selection.choose(made.piece, made.coat)
