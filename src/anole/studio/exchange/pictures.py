"""Picture files that the board takes in."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtWidgets import QApplication, QFileDialog

from ...core.atomic import read_bytes
from ...core.edit.pictures import add_picture_piece, carry_picture, picture_asset
from ...core.model import Asset
from ...core.paint.image_formats import SUFFIXES
from ..shared.session import Session
from ..shared.shell import Stage

MOST_BYTES = 1 << 29
PICTURES = "Pictures (" + " ".join(f"*{suffix}" for suffix in SUFFIXES) + ")"


def ask_picture(session: Session) -> None:
    """Ask for a picture file, and put it on the board."""
    name, _ = QFileDialog.getOpenFileName(
        QApplication.activeWindow(), "Add a picture", "", PICTURES
    )
    if name:
        take_picture(session, Path(name), lambda sha: place_picture(session, sha))


def place_picture(session: Session, sha: str) -> str | None:
    """Put a picture that the board carries on it, chosen; returns the piece's id."""
    fresh = session.document.make("Place picture", lambda b: add_picture_piece(b, sha))
    if fresh is not None:
        session.shell.show_stage(Stage.ARRANGE)
        session.selection.choose(fresh)
    return fresh


def take_picture(session: Session, path: Path, then: Callable[[str], object]) -> None:
    """Let the board carry a picture file, in the background; `then` is told its SHA-256. What is
    wrong with it is said."""

    take_bytes(session, path.name, lambda: read_bytes(path, MOST_BYTES), then)


def take_bytes(
    session: Session, name: str, read: Callable[[], bytes], then: Callable[[str], object]
) -> None:
    """The same with a picture whose bytes `read` brings."""

    def carry(asset: Asset) -> None:
        session.document.apply(f"Add picture {name}", lambda b: carry_picture(b, asset))
        then(asset.sha)

    read_picture(session, name, read, carry)


def read_picture(
    session: Session, name: str, read: Callable[[], bytes], then: Callable[[Asset], object]
) -> None:
    """Take a picture in, in the background, for whoever will carry it. What is wrong with it is said."""

    def came(taken: tuple[Asset, tuple[str, ...]]) -> None:
        asset, troubles = taken
        # first, for what follows may ask something at the foot
        for trouble in troubles:
            session.document.said.emit(trouble)
        then(asset)

    session.reading.read(name, lambda stop: picture_asset(read(), name, stop), came)
