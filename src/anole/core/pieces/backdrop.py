"""Pictures of what was painted before a coat, for paints that look at it."""

from __future__ import annotations

from collections.abc import Hashable

import msgspec
import numpy as np

from ..arrays import Planes
from ..box import Box
from ..coats.kind import StackPlace
from ..coats.registry import kind_of
from ..model import Board, Coated, Piece
from .placing.view import View

PAINTED = "painted"
"""What really lies beneath in this picture: without grounds where they are left out of it."""
WHOLE = ("face", "lit", "mirrored")
"""Pictures of the whole piece, without what lies on the ground and the coats that say so."""


class BackdropRenderer:
    """What a coat of a piece can see; `coats` of it are painted already. begun : whether what the
    piece paints of its own is there: its own paint sees nothing of it."""

    def __init__(self, view: View, piece: Piece, coats: int = 0, begun: bool = True) -> None:
        self.view, self.piece, self.coats, self._begun = view, piece, coats, begun

    def _so_far(self) -> Piece | None:
        """The piece with the coats that are painted already."""
        if not isinstance(self.piece, Coated) or not self.coats:
            return None
        style = self.piece.style[: self.coats]
        return msgspec.structs.replace(self.piece, style=style)

    def _own(self) -> tuple[Piece, ...]:
        """The piece alone, its own colours included, before any coat too."""
        if not isinstance(self.piece, Coated) or not self._begun:
            return ()
        style = self.piece.style[: self.coats]
        alone = msgspec.structs.replace(
            self.piece, style=style, opacity=1.0, blend="normal", within=None
        )
        return (alone,)

    def _whole(self, of: str) -> tuple[Piece, ...]:
        """The whole piece alone, without what lies on the ground and what is left out of that."""
        if not isinstance(self.piece, Coated):
            return ()
        style = tuple(
            coat
            for coat in self.piece.style
            if of not in kind_of(coat).left_out_of
            and (kind_of(coat).place != StackPlace.GROUND or kind_of(coat).left_out_of)
        )
        alone = msgspec.structs.replace(
            self.piece, style=style, opacity=1.0, blend="normal", within=None
        )
        return (alone,)

    def _pieces(self, of: str) -> tuple[Piece, ...]:
        pieces = self.view.board.pieces
        at = next((n for n, p in enumerate(pieces) if p.id == self.piece.id), 0)
        below, so_far = pieces[:at], self._so_far()
        if of == "own":
            return self._own()
        if of in WHOLE:
            return self._whole(of)
        if of in ("beneath", PAINTED):
            return (*below, so_far) if so_far else below
        if of == "ground":
            return tuple(piece for piece in below if self.view.is_ground(piece))
        return tuple(p for p in below if p.id == of)

    def _board(self, of: str) -> Board:
        return msgspec.structs.replace(self.view.board, pieces=self._pieces(of))

    def key(self, of: str) -> Hashable:
        """Equal keys give the same picture beneath the piece `of`."""
        board = self.view.board
        bare = of == PAINTED and self.view.transparent
        return (of, self._pieces(of), bare, board.lamp, board.width, board.height, board.dpi)

    def planes(self, of: str, scale: float, box: Box) -> Planes:
        """(4, H, W) premultiplied; not to be written to."""
        if box.empty or not self._pieces(of):
            return np.zeros((4, box.height, box.width), np.float32)
        bare = of == PAINTED and self.view.transparent
        fine = self.view.scale * scale
        # a drag on a coat that looks at it asks for the same picture again
        return self.view.cache.get(
            ("looked at", self.key(of), fine, box),
            lambda: self.view.picture(self._board(of), fine, box, bare),
            ("looked at", of, self.piece.id, self.coats),
        )
