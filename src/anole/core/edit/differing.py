"""What a step changed: the piece, and the coat where it was one coat alone."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from ..model import Board, Coat, Coated, Piece
from ..model.nesting import every


class ChangedPart(NamedTuple):
    """Ids of a piece and of one of its coats; None where it was all of the board, or all of a piece."""

    piece: str | None
    coat: str | None


def changed_part(before: Board, after: Board) -> ChangedPart:
    """Of the board after a step: what differs; of nested pieces the innermost. What is no longer there
    is looked for in what held it."""
    old = {piece.id: piece for piece in every(before.pieces)}
    changed = [
        piece
        for piece in every(after.pieces)
        # most are the very same, and need not be compared
        if (was := old.get(piece.id)) is not piece and was != piece
    ]
    ids = {piece.id for piece in changed}
    changed = [p for p in changed if not ids & {held.id for held in every((p,))} - {p.id}]
    if not changed:
        return ChangedPart(None, None)
    piece = changed[-1]
    return ChangedPart(piece.id, _changed_coat(old.get(piece.id), piece))


def _changed_coat(before: Piece | None, after: Piece) -> str | None:
    if not isinstance(before, Coated) or not isinstance(after, Coated):
        return None
    fields = (name for name in after.__struct_fields__ if name not in ("style", "worn"))
    if any(getattr(before, name) != getattr(after, name) for name in fields):
        return None
    coats = _differing(before.style, after.style)
    return coats[0].id if len(coats) == 1 else None


def _differing(before: Sequence[Coat], after: Sequence[Coat]) -> list[Coat]:
    old = {coat.id: coat for coat in before}
    return [coat for coat in after if old.get(coat.id) != coat]
