"""Wash: what lies beneath, in changed colours."""

from __future__ import annotations

import msgspec

from ...compose.cover import full
from ...compose.steps import ApartBegin, ApartEnd, Step
from ...model import Backdrop, Board, Exposure, Wash
from ..backdrop import PAINTED
from ..fresh import Fresh
from ..kind import PieceKind
from ..placing.view import View
from ..whole_board import painted


class WashKind(PieceKind[Wash]):
    """It takes the place of what it changes, clear parts included; opacity goes back half the way."""

    struct = Wash
    title = "wash"
    on_others = True

    def fresh(self) -> tuple[Fresh, ...]:
        about = "tones all that lies beneath"
        return (Fresh("wash", "Add a wash over all", self.bare, about=about),)

    def bare(self, board: Board) -> Wash:
        """A little lighter, so that it is seen to be there."""
        return Wash(id="new", name="Wash", tone=(Exposure(stops=0.2),))

    def steps(self, piece: Wash, view: View) -> list[Step]:
        if not self.has_content(piece):
            return []
        box, paint = view.window, Backdrop(of=PAINTED, tone=piece.tone)
        plain = msgspec.structs.replace(piece, opacity=1.0, blend="normal")
        return [
            ApartBegin(("apart", box, "wash"), box, True, view.depth),
            painted("wash", plain, paint, view, box, lambda: full(box)),
            ApartEnd(
                ("merged", box, piece.opacity, piece.blend),
                box,
                piece.opacity,
                piece.blend,
                view.depth,
            ),
        ]

    def has_content(self, piece: Wash) -> bool:
        return any(op.on for op in piece.tone)

    def summary(self, piece: Wash) -> str:
        count = len(piece.tone)
        return f"wash, {count} tone{'' if count == 1 else 's'}"
