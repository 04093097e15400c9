"""What lies beneath all: the ground chosen, and painted with a picture."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QApplication, QFileDialog

from ...core.edit.pieces import change_piece
from ...core.model import ImagePaint
from ...core.pieces.registry import is_ground
from ..exchange.pictures import PICTURES, take_picture
from ..shared.session import Session
from ..shared.shell import Stage
from .command import otherwise


def _topmost(session: Session) -> str | None:
    grounds = [piece.id for piece in session.document.board.pieces if is_ground(piece)]
    return grounds[-1] if grounds else None


@otherwise("the board has no ground")
def has_ground(session: Session) -> bool:
    """Whether the board has one."""
    return _topmost(session) is not None


def choose_ground(session: Session) -> None:
    """The topmost of the grounds, with its paint."""
    session.shell.show_stage(Stage.ARRANGE)
    session.selection.choose(_topmost(session))
    session.shell.show_field("paint")


def ask_ground(session: Session) -> None:
    """Ask for a picture file, and paint the topmost ground with it."""
    ground = _topmost(session)
    name, _ = QFileDialog.getOpenFileName(
        QApplication.activeWindow(), "Picture of the ground", "", PICTURES
    )
    if name and ground is not None:
        take_picture(session, Path(name), lambda sha: put_on_ground(session, sha))


def put_on_ground(session: Session, sha: str) -> None:
    """Paint the topmost ground with a picture that the board carries."""
    ground = _topmost(session)
    if ground is not None:
        paint = ImagePaint(asset=sha, frame="board")
        session.document.apply(
            "Picture as the ground", lambda b: change_piece(b, ground, paint=paint)
        )
