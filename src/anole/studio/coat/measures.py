"""What the chosen coat is measured by: found once a step, for all that show its lengths."""

from __future__ import annotations

import contextlib

import numpy as np
from PyQt6.QtCore import QObject

from ...core import isolation
from ...core.cache import Cache
from ...core.coats.section import Section, section_of
from ...core.model import Board, Coat, Coated
from ...core.pieces.posed import without_pose
from ...core.pieces.registry import coated_kind, placement
from ..session import Session


def measured_on(piece: Coated, coat: Coat | None, board: Board) -> tuple[Coated, np.ndarray | None]:
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
        self._cache, self._arrivals = Cache(32 * 2**20), 0
        self._for: tuple[Coated | None, Coat | None, Board] | None = None
        self._section: Section | None = None

    def _forget(self) -> None:
        self._for = None

    def section(self) -> Section | None:
        """None when nothing that wears coats is chosen, and while what is chosen is read."""
        piece, coat, board = self.selection.coated, self.selection.coat, self.document.board
        if self._arrivals != isolation.FETCHER.arrivals:
            self._forget()
        if self._for is None or any(
            a is not b for a, b in zip(self._for, (piece, coat, board), strict=True)
        ):
            self._section = None
            with contextlib.suppress(isolation.NotYet):
                self._section = None if piece is None else self._of(piece, coat, board)
                self._for = piece, coat, board
        return self._section

    def _of(self, piece: Coated, coat: Coat | None, board: Board) -> Section:
        flat, _ = measured_on(piece, coat, board)
        em = placement(flat, board).em
        if self._arrivals != isolation.FETCHER.arrivals:
            self._arrivals = isolation.FETCHER.arrivals
            self._cache.clear()
        core = coated_kind(flat).core(flat, board.dpi, self._cache)
        return section_of(self._left_out.sound(piece.style), em, core, board.dpi, board.lamp)
