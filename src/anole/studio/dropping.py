"""Files dropped on the window: what each kind does."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QMimeData

from ..core.coats.registry import kind_of as coat_kind
from ..core.edit.coats import change_coat
from ..core.edit.pieces import change_piece
from ..core.model import Board, ImagePaint, Piece
from ..core.paint.image_formats import SUFFIXES
from ..core.pieces.registry import kind_of
from ..core.registry import Registry
from .pictures import take_picture
from .session import Session
from .shell import Stage

FONTS = (".ttf", ".otf", ".woff", ".woff2")
MOST = 50
"""Files taken at one drop."""


def use_picture(session: Session, path: Path) -> None:
    """In Coat the chosen coat is painted with it; elsewhere the piece that takes it."""
    take_picture(session, path, lambda sha: _use(session, sha))


def _use(session: Session, sha: str) -> None:
    document, selection = session.document, session.selection
    piece, coat = selection.coated, selection.coat
    if session.shell.stage == Stage.COAT and piece and coat and coat_kind(coat).held(coat):
        paint = ImagePaint(asset=sha)
        document.apply(
            "Picture in the letters", lambda b: change_coat(b, piece.id, coat.id, paint=paint)
        )
        return
    taker = _taker(document.board, selection.piece, sha)
    if taker is not None:
        target, fields = taker
        document.apply(
            f"Picture as {kind_of(target).title}", lambda b: change_piece(b, target.id, **fields)
        )


def _taker(board: Board, chosen: Piece | None, sha: str) -> tuple[Piece, dict] | None:
    """The chosen piece, or else the lowest, that a dropped picture changes; and how."""
    for piece in (*([chosen] if chosen else []), *board.pieces):
        fields = kind_of(piece).dropped(piece, sha)
        if fields is not None and not piece.locked:
            return piece, fields
    return None


def _open(session: Session, path: Path) -> None:
    session.shell.open_file(path)


def _add_font(session: Session, path: Path) -> None:
    session.shell.add_font(path)


TAKERS: Registry[str, Callable[[Session, Path], None]] = Registry(
    "kind of file",
    {
        ".anole": _open,
        **dict.fromkeys(SUFFIXES, use_picture),
        **dict.fromkeys(FONTS, _add_font),
    },
)


def files_in(mime: QMimeData | None) -> list[Path]:
    """The files of a drop that something can be done with."""
    urls = mime.urls() if mime is not None else []
    paths = [Path(url.toLocalFile()) for url in urls if url.isLocalFile()]
    return [path for path in paths if path.suffix.lower() in TAKERS][:MOST]


def take(session: Session, paths: list[Path]) -> None:
    """Do with each file what its kind asks for."""
    for path in paths:
        TAKERS[path.suffix.lower()](session, path)
