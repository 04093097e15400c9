"""Operations on the text of lettering and on single letters."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ..lettering.shaping import drawable
from ..model import Board, Letters, OwnLetter
from .checked import replaced
from .pieces import with_piece

MOST = 20_000


def replace_text(board: Board, piece_id: str, start: int, end: int, text: str) -> Board:
    """Put `text` in place of the characters start..end; letters' own ways keep to their letters."""
    piece = board.lettering(piece_id)
    old, text = drawable(piece.text), drawable(text.replace("\r\n", "\n").replace("\r", "\n"))
    text = text[: max(MOST - len(old) + end - start, 0)]
    fields: dict[str, Any] = {"text": old[:start] + text + old[end:]}
    letters = piece.letters
    if letters is not None and letters.own:
        by = len(text) - (end - start)
        kept = [o for o in letters.own if not start <= o.at < end]
        own = tuple(replaced(o, at=o.at + by) if o.at >= end else o for o in kept)
        fields["letters"] = replaced(letters, own=own)
    return with_piece(board, replaced(piece, **fields))


def capitals(board: Board, piece_id: str) -> Board:
    """All letters as capitals (Unicode's full mapping); letters' own ways keep to their letters."""
    piece = board.lettering(piece_id)
    fields: dict[str, Any] = {"text": piece.text.upper()[:MOST]}
    if piece.letters is not None:
        own = (replaced(o, at=len(piece.text[: o.at].upper())) for o in piece.letters.own)
        kept = tuple(o for o in own if o.at < MOST)
        fields["letters"] = replaced(piece.letters, own=kept)
    return with_piece(board, replaced(piece, **fields))


def change_letters(board: Board, piece_id: str, places: Iterable[int], **fields: Any) -> Board:
    """Set what the letters at those places have for themselves. Raises ModelError."""
    piece = board.lettering(piece_id)
    letters = piece.letters or Letters()
    own = {o.at: o for o in letters.own}
    for at in places:
        own[at] = replaced(own.get(at, OwnLetter(at=at)), **fields)
    plain = tuple(o for _, o in sorted(own.items()) if o != OwnLetter(at=o.at))
    return with_piece(board, replaced(piece, letters=replaced(letters, own=plain)))


def free_letters(board: Board, piece_id: str, places: Iterable[int]) -> Board:
    """Let letters be like their neighbours again."""
    piece = board.lettering(piece_id)
    if piece.letters is None:
        return board
    gone = set(places)
    own = tuple(o for o in piece.letters.own if o.at not in gone)
    return with_piece(board, replaced(piece, letters=replaced(piece.letters, own=own)))
