"""Picture files that the board takes in."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from ..core.atomic import read_bytes
from ..core.edit.pictures import carry_picture, picture_asset
from ..core.model import Asset
from .session import Session

MOST_BYTES = 1 << 29


def take_picture(session: Session, path: Path, then: Callable[[str], object]) -> None:
    """Let the board carry a picture file, in the background; `then` is told its SHA-256. What is
    wrong with it is said."""

    def carry(taken: tuple[Asset, tuple[str, ...]]) -> None:
        asset, troubles = taken
        session.document.apply(f"Add picture {path.name}", lambda b: carry_picture(b, asset))
        for trouble in troubles:
            session.document.said.emit(trouble)
        then(asset.sha)

    def work(stop: Callable[[], bool]) -> tuple[Asset, tuple[str, ...]]:
        return picture_asset(read_bytes(path, MOST_BYTES), path.name, stop)

    session.reading.read(path.name, work, carry)
