"""Spots of a pool of light: the next one."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from ..model import Board, Spot


def next_spot(board: Board, spots: Sequence[Spot]) -> Spot:
    """A spot in the middle of the board, like the last where there is one."""
    like = spots[-1] if spots else Spot(radius=min(max(board.height / 4, 1.0), 64_000.0))
    return msgspec.structs.replace(like, x=board.width / 2, y=board.height / 2)
