"""Font files that the board takes in."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from ...core.edit.font_files import carry_font, font_asset
from ...core.edit.pieces import change_piece
from ...core.lettering.font_file import FontFile, font_bytes
from ...core.model import Asset, Board, Font
from ..look.status_bar import nothing
from ..shared.session import Session


def take_font(session: Session, path: Path, then: Callable[[], object] = nothing) -> None:
    """Let the board carry a font file and put it on the chosen words, in the background; `then`
    follows. What is wrong with it is said."""

    def carry(taken: tuple[Asset, FontFile]) -> None:
        asset, file = taken
        piece = session.selection.lettering
        font = Font(family=file.family, weight=file.weight, italic=file.italic)

        def dressed(board: Board) -> Board:
            board = carry_font(board, asset)
            if piece is None or piece.locked:
                return board
            return change_piece(board, piece.id, font=font)

        session.document.apply(f"Add font {file.family}", dressed)
        then()

    session.reading.read(path.name, lambda _: font_asset(font_bytes(path), path.name), carry)
