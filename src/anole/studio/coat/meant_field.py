"""Fields of coats that are edited late: what is typed comes when its field is left, and another coat may be
worked on by then."""

from __future__ import annotations

from typing import Any, NamedTuple

from ...core.coats.registry import kind_of
from ...core.edit.coats import change_coat
from ...core.model import Board, Coat, Coated
from ...core.model.nesting import path_to
from ..documents.document import Document


class Meant(NamedTuple):
    """The coat that a panel showed last."""

    piece_id: str
    coat_id: str

    def coat(self, board: Board, struct: type[Coat]) -> Coat | None:
        """That coat as it is now; None when it is gone, or another kind has its id."""
        path = path_to(board.pieces, self.piece_id)
        piece = path[-1] if path else None
        coats = piece.style if isinstance(piece, Coated) else ()
        coat = next((c for c in coats if c.id == self.coat_id), None)
        return coat if type(coat) is struct else None

    def set_field(
        self, document: Document, coat: Coat, name: str, value: Any, token: object | None
    ) -> None:
        """Set a field of it, as one step."""
        title = f"{kind_of(coat).title}: {name.replace('_', ' ')}"
        document.apply(
            title,
            lambda b: change_coat(b, self.piece_id, self.coat_id, **{name: value}),
            token,
        )
