"""Font files that the board takes in."""

from __future__ import annotations

from pathlib import Path

from ..core.edit.font_files import add_font
from ..core.edit.pieces import change_piece
from ..core.lettering.font_file import FontError, font_bytes
from ..core.model import Font
from .session import Session


def take_font(session: Session, path: Path) -> bool:
    """Let the board carry a font file and put it on the chosen words; says what is wrong with it."""
    document, piece = session.document, session.selection.lettering
    try:
        board, file = add_font(document.board, font_bytes(path), path.name)
    except FontError as error:
        document.said.emit(str(error))
        return False
    if piece is not None and not piece.locked:
        font = Font(family=file.family, weight=file.weight, italic=file.italic)
        board = change_piece(board, piece.id, font=font)
    document.apply(f"Add font {file.family}", lambda _: board)
    return True
