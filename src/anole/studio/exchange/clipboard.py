"""Pieces and coats copied and pasted through the clipboard."""

from __future__ import annotations

from PyQt6.QtCore import QMimeData
from PyQt6.QtGui import QGuiApplication

from ...core import assets
from ...core.coats.registry import kind_of as coat_kind
from ...core.edit import clipboard
from ...core.model import Coat, Lettering, Piece
from ...core.model.named_assets import assets_named
from ...core.pieces.registry import kind_of
from ..shared.session import Session
from ..shared.shell import Stage

PIECE = "application/x-anole-piece+json"
COAT = "application/x-anole-coat+json"
SHIFT = 0.03
"""Of the board's shorter side: how far a pasted piece stands from where it was copied."""


def copy(session: Session) -> None:
    """In Coat the chosen coat, elsewhere the piece."""
    coat, piece = session.selection.coat, session.selection.piece
    if session.shell.stage == Stage.COAT and coat is not None:
        _put(COAT, coat, clipboard.carried_coat(coat), coat_kind(coat).title)
    elif piece is not None:
        _put(PIECE, piece, clipboard.carried(piece), kind_of(piece).text(piece))


def _put(kind: str, thing: Piece | Coat, data: bytes, text: str) -> None:
    board = QGuiApplication.clipboard()
    if board is not None:
        mime = QMimeData()
        # the board it came from may be closed before it is pasted
        font = thing.font.file if isinstance(thing, Lettering) else ""
        assets.hold("clipboard", [*assets_named(thing), *([font] if font else [])])
        mime.setData(kind, data)
        mime.setText(text)
        board.setMimeData(mime)


def _carried(kind: str) -> bytes | None:
    board = QGuiApplication.clipboard()
    mime = board.mimeData() if board is not None else None
    return bytes(mime.data(kind).data()) if mime is not None and mime.hasFormat(kind) else None


def paste(session: Session) -> bool:
    """A copied coat above the chosen one, or a copied piece on top of the board; False when
    neither was copied."""
    if _paste_coat(session):
        return True
    text, document = _carried(PIECE), session.document
    if text is None:
        return False
    by = SHIFT * min(document.board.width, document.board.height)
    fresh = document.make("Paste", lambda b: clipboard.paste(b, text, by))
    if fresh is not None:
        session.selection.choose(fresh)
    return True


def _paste_coat(session: Session) -> bool:
    """False when none was copied."""
    text, piece, above = _carried(COAT), session.selection.coated, session.selection.coat_id
    if text is None or piece is None:
        return False
    fresh = session.document.make(
        "Paste coat", lambda b: clipboard.paste_coat(b, piece.id, text, above)
    )
    if fresh is not None:
        session.selection.choose(piece.id, fresh)
    return True


def paste_style(session: Session) -> None:
    """The copied piece's coats, on the chosen one."""
    text, piece = _carried(PIECE), session.selection.coated
    if text is not None and piece is not None:
        session.document.apply("Paste style", lambda b: clipboard.paste_style(b, piece.id, text))
