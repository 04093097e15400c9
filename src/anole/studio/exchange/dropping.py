"""Files dropped on the window: what each kind does."""

from __future__ import annotations

import functools
from collections.abc import Callable
from pathlib import Path
from typing import NamedTuple

from PyQt6.QtCore import QMimeData

from ...core.coats.kind import StackPlace
from ...core.coats.registry import kind_of as coat_kind
from ...core.edit.coats import change_coat
from ...core.edit.pieces import change_piece, remove_piece
from ...core.edit.wearing import put_style
from ...core.model import Board, Coat, Coated, ImagePaint, Piece, Style
from ...core.paint.image_formats import SUFFIXES
from ...core.paint.svg_files import svg_file
from ...core.pieces.registry import kind_of
from ...core.registry import Registry
from ...core.series import tables
from ..look.status_bar import nothing
from ..shared.session import Session
from ..shared.shell import Stage
from .pictures import place_picture, take_picture

FONTS = (".ttf", ".otf", ".woff", ".woff2")
MOST = 50
"""Files taken at one drop."""


def use_picture(session: Session, path: Path) -> None:
    """In Coat the chosen coat is painted with it; elsewhere it stands on the board, and the bar at
    the foot offers what else it can be."""
    take_picture(session, path, lambda sha: use_asset(session, sha))


def use_asset(session: Session, sha: str) -> None:
    """The same with a picture that the board carries."""
    document, selection = session.document, session.selection
    piece, coat = selection.coated, selection.coat
    if session.shell.stage == Stage.COAT and piece and coat and coat_kind(coat).held(coat):
        paint = ImagePaint(asset=sha)
        document.apply(
            "Picture in the letters", lambda b: change_coat(b, piece.id, coat.id, paint=paint)
        )
        return
    _offer(session, sha, piece, selection.piece)


class Meaning(NamedTuple):
    """What else a picture may be: the answer, and the board with it."""

    title: str
    change: Callable[[Board], Board]
    chosen: str


def _offer(session: Session, sha: str, words: Coated | None, chosen: Piece | None) -> None:
    """Show it as a picture, and ask whether it is meant as another thing: each answer is seen on
    the board while the pointer is over it."""
    taker = _taker(session.document.board, chosen, sha)
    fresh = place_picture(session, sha)
    if fresh is None:
        return
    meanings = _meanings(fresh, sha, words, taker)
    document, foot = session.document, session.reading.status
    answers = [(one.title, functools.partial(_take, session, one)) for one in meanings]
    foot.ask("The picture stands on the board.", [*answers, ("Keep it so", nothing)])
    for button, one in zip(foot.answers, meanings, strict=False):
        button.pointed.connect(
            lambda on, one=one: document.look_at(one.change(document.board) if on else None)
        )


def _take(session: Session, meaning: Meaning) -> None:
    session.document.apply(meaning.title, meaning.change)
    session.selection.choose(meaning.chosen)


def _meanings(
    fresh: str, sha: str, words: Coated | None, taker: tuple[Piece, dict] | None
) -> list[Meaning]:
    """What a picture may be besides the piece that it is now."""
    found = []
    if taker is not None:
        piece, fields = taker
        found.append(
            Meaning(
                f"Make it the {kind_of(piece).title}",
                lambda b: change_piece(remove_piece(b, fresh), piece.id, **fields),
                piece.id,
            )
        )
    if words is not None and words.style and svg_file(sha) is not None:
        found.append(Meaning("Dress it like the words", lambda b: _dressed(b, fresh, words), fresh))
    if words is not None and _painted(words):
        coat, paint = _painted(words)[0], ImagePaint(asset=sha)
        found.append(
            Meaning(
                "Paint the words with it",
                lambda b: change_coat(remove_piece(b, fresh), words.id, coat.id, paint=paint),
                words.id,
            )
        )
    return found


def _dressed(board: Board, emblem: str, words: Coated) -> Board:
    """Artwork as one silhouette in the words' style."""
    name = words.worn.name if words.worn else words.name
    board = put_style(board, emblem, Style(name=name, coats=words.style))
    return change_piece(board, emblem, own=False)


def _painted(words: Coated) -> list[Coat]:
    """The coats of the face that have a paint, lowest first."""
    return [c for c in words.style if coat_kind(c).held(c) and coat_kind(c).place >= StackPlace.TOP]


def _taker(board: Board, chosen: Piece | None, sha: str) -> tuple[Piece, dict] | None:
    """The chosen piece, or else the lowest, that a dropped picture changes; and how."""
    for piece in (*([chosen] if chosen else []), *board.pieces):
        fields = kind_of(piece).dropped(piece, sha)
        if fields is not None and not piece.locked:
            return piece, fields
    return None


def _open(session: Session, path: Path) -> None:
    session.shell.open_file(path)


def _open_table(session: Session, path: Path) -> None:
    session.shell.open_table(path)


def _take_styles(session: Session, path: Path) -> None:
    session.shell.take_styles(path)


def _add_font(session: Session, path: Path) -> None:
    session.shell.add_font(path)


TAKERS: Registry[str, Callable[[Session, Path], None]] = Registry(
    "kind of file",
    {
        ".anole": _open,
        ".anolepack": _take_styles,
        ".anolestyle": _take_styles,
        **dict.fromkeys(SUFFIXES, use_picture),
        **dict.fromkeys(FONTS, _add_font),
        **dict.fromkeys(tables.SUFFIXES, _open_table),
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
