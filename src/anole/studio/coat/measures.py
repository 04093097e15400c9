"""What the chosen coat is measured by: found once a step, for all that show its lengths."""

from __future__ import annotations

import contextlib

from PyQt6.QtCore import QObject

from ...core import isolation
from ...core.arrays import Chords
from ...core.coats.section import CrossSection, section_of
from ...core.model import Board, Coat, Coated
from ...core.pieces.placing.posed import without_pose
from ...core.pieces.registry import placement
from ..controls.base.control import Context
from ..shared.session import Session
from . import outlines


def measured_on(piece: Coated, coat: Coat | None, board: Board) -> tuple[Coated, Chords | None]:
    """What a coat is measured on: the piece as it is seen, or the one on whose face it lies and
    how its pose turns that."""
    placed = placement(piece, board)
    if coat is None or coat.plane == "board" or placed.pose is None:
        return piece, None
    return without_pose(piece), placed.pose_on_board()


class Measures(QObject):
    """The section of the chosen piece, as it is now."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.document, self.selection = session.document, session.selection
        self._left_out = session.left_out
        self._left_out.changed.connect(self._forget)
        self._arrivals = 0
        self._for: tuple[Coated | None, Coat | None, Board] | None = None
        self._section: CrossSection | None = None
        self._piece_id: str | None = None

    def _forget(self) -> None:
        self._for = None

    def section(self) -> CrossSection | None:
        """None when nothing that wears coats is chosen, and while what is chosen is read."""
        piece, coat, board = self.selection.coated, self.selection.coat, self.document.board
        if self._arrivals != isolation.FETCHER.arrivals:
            self._arrivals = isolation.FETCHER.arrivals
            self._forget()
        if self._for is None or any(
            a is not b for a, b in zip(self._for, (piece, coat, board), strict=True)
        ):
            if piece is None or piece.id != self._piece_id:
                self._section = None
            self._piece_id = None if piece is None else piece.id
            # the last one stands in for as long as the next is measured
            with contextlib.suppress(isolation.NotYet):
                self._section = None if piece is None else self._of(piece, coat, board)
                self._for = piece, coat, board
        return self._section

    def context(self) -> Context:
        """What the fields of the chosen piece's coats are shown against."""
        board, piece, section = self.document.board, self.selection.coated, self.section()
        em = section.em if section is not None else 100.0
        core = section.core if section is not None else em / 10
        posed = piece is not None and piece.pose is not None
        return Context(em, board.dpi, core, board.lamp, posed)

    def _of(self, piece: Coated, coat: Coat | None, board: Board) -> CrossSection:
        flat, _ = measured_on(piece, coat, board)
        em = placement(flat, board).em
        core = outlines.core(flat, board.dpi)
        return section_of(self._left_out.sound(piece.style), em, core, board.dpi, board.lamp)
