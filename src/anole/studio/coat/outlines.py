"""What is measured of a piece's outlines: at once where that is quick, else while the window goes on.

All of it raises isolation.NotYet for as long as it is made meanwhile; all that shows the board is
told when it is there.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar

from ...core import isolation
from ...core.arrays import Chords
from ...core.cache import Cache
from ...core.model import Coated
from ...core.pieces.registry import coated_kind

T = TypeVar("T")
_measured = Cache(8 * 2**20)


def core(piece: Coated, dpi: float) -> float:
    """The greatest inside distance, board px."""
    kind = coated_kind(piece)
    key = kind.core_kept_under(piece, dpi)
    return _found(piece, "core", key, lambda: kind.core(piece, dpi, _measured))


def chords(piece: Coated, dpi: float) -> Chords:
    """(m, 4) float64 board px of the placed outlines."""
    kind = coated_kind(piece)
    key = ("chords", kind.struct, kind.outline_key(piece, dpi))

    def make() -> Chords:
        return _measured.get(key, lambda: kind.chords(piece, dpi, 1.0))

    return _found(piece, "chords", key, make)


def _found(piece: Coated, what: str, key: tuple, make: Callable[[], T]) -> T:
    if not (coated_kind(piece).measured_quickly(piece) or _measured.has(key)):
        isolation.FETCHER.fetch(key, make, slot=(what, piece.id))
        raise isolation.NotYet
    with isolation.whole():
        return make()
