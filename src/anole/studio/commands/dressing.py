"""Styles put on the chosen piece: in place of what it wears, over it, mixed in, and what follows."""

from __future__ import annotations

import functools

import msgspec

from ...core.edit.lengths_in_em import fixed_lengths, lengths_in_em
from ...core.edit.mixing import put_mix
from ...core.edit.pieces import with_piece
from ...core.edit.recolouring import in_colours
from ...core.edit.wearing import add_coats, add_style, put_style
from ...core.library.styles import digest
from ...core.model import Board, Coat, ModelError, Style
from ..look.status_bar import nothing
from ..shared.new_words import remember_style
from ..shared.session import Session

ASKED = "asked_about_px"


def coloured(board: Board, piece_id: str, style: Style, whose: str) -> Style:
    """A style in the colours that are wanted; its own where those cannot be had."""
    try:
        return _coloured(board, piece_id, style, whose)
    except (KeyError, ModelError):
        return style


@functools.lru_cache(400)
def _coloured(board: Board, piece_id: str, style: Style, whose: str) -> Style:
    return in_colours(board, piece_id, style, whose)


def dressed_board(board: Board, piece_id: str, style: Style, whose: str = "style") -> Board:
    """The board with a style on a piece, in any thread."""
    style = coloured(board, piece_id, style, whose)
    return put_style(board, piece_id, style, digest(style.coats))


def dressed(session: Session, style: Style) -> Board | None:
    """The board with a style on the chosen piece; None where nothing is chosen that wears one."""
    piece = session.selection.coated
    if piece is None:
        return None
    return dressed_board(session.document.board, piece.id, style, session.styles.colours)


def _chosen(session: Session) -> str | None:
    piece = session.selection.coated
    if piece is None:
        session.document.said.emit("Choose what the style goes on first.")
        return None
    return piece.id


def wear(session: Session, style: Style) -> None:
    """Put a style on the chosen piece; the next new words wear it too."""
    piece = _chosen(session)
    if piece is None:
        return
    whose = session.styles.colours
    if session.document.apply(
        f"Style: {style.name}", lambda b: dressed_board(b, piece, style, whose)
    ):
        remember_style(session.settings, style.name)
        _ask_about_lengths(session, piece, style)


def _ask_about_lengths(session: Session, piece: str, style: Style) -> None:
    """Lengths that do not grow with the words are offered as em, once for each style."""
    count, asked = fixed_lengths(style.coats), session.settings.texts(ASKED)
    if not count or style.name in asked or session.reading.status.asks:
        return
    session.settings.put(ASKED, [*asked, style.name][-500:])
    lengths = "One length" if count == 1 else f"{count} lengths"
    grow = "does" if count == 1 else "do"
    session.reading.status.ask(
        f"{lengths} of “{style.name}” {grow} not grow with the words.",
        [
            (
                "Let them grow (em)",
                lambda: session.document.apply("Lengths in em", lambda b: lengths_in_em(b, piece)),
            ),
            ("Leave them", nothing),
        ],
    )


def lay(session: Session, style: Style, beneath: bool) -> None:
    """Add a style's coats above those of the chosen piece, or beneath them."""
    piece = _chosen(session)
    if piece is None:
        return
    where, whose = "beneath" if beneath else "on top", session.styles.colours
    session.document.apply(
        f"{style.name}, {where}",
        lambda b: add_style(b, piece, coloured(b, piece, style, whose), beneath),
    )


def lay_coat(session: Session, style: Style, coat: Coat) -> None:
    """Put one coat of a style on the chosen piece, where its kind naturally goes."""
    piece = _chosen(session)
    if piece is not None:
        name = coat.name or "coat"
        session.document.apply(f"{name} of {style.name}", lambda b: add_coats(b, piece, (coat,)))


def mixed_board(session: Session, style: Style, share: float) -> Board | None:
    """The board with so much of a style, 0..1, in the coats of the chosen piece."""
    piece = session.selection.coated
    if piece is None:
        return None
    board = session.document.board
    return put_mix(board, piece.id, coloured(board, piece.id, style, session.styles.colours), share)


def mix(session: Session, style: Style, share: float) -> None:
    """Mix so much of a style into the coats of the chosen piece; all of it is the style itself."""
    piece = session.selection.coated
    if piece is None or share >= 1:
        wear(session, style)
    elif share > 0:
        whose, name = session.styles.colours, f"{round(share * 100)} % {style.name}"
        session.document.apply(
            name, lambda b: put_mix(b, piece.id, coloured(b, piece.id, style, whose), share)
        )


def put_on_coats(session: Session, name: str, coats: tuple[Coat, ...]) -> None:
    """Other values of the coats that the chosen piece wears: it goes on wearing what it wears."""
    piece = session.selection.coated
    if piece is None:
        return

    def changed(board: Board) -> Board:
        made = put_style(board, piece.id, Style(name=name, coats=coats))
        worn = msgspec.structs.replace(made.coated(piece.id), worn=board.coated(piece.id).worn)
        return with_piece(made, worn)

    session.document.apply(name, changed)
