"""The one list of kinds of piece."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from ..compose.steps import Step
from ..failures import blaming
from ..model import PIECES, Board, Coated, Piece, Placed
from ..model.open_union import tag_of
from ..registry import Registry
from .emblem import EmblemKind
from .ground import GroundKind
from .kind import CoatedKind, PieceKind, PlacedKind
from .lettering import LetteringKind
from .picture import PictureKind
from .placement import Placement
from .pool import PoolKind
from .view import View
from .wash import WashKind

KINDS: Registry[type[Piece], PieceKind[Any]] = Registry("piece")
KINDS.add(EmblemKind.struct, EmblemKind())
KINDS.add(GroundKind.struct, GroundKind())
KINDS.add(LetteringKind.struct, LetteringKind())
KINDS.add(PictureKind.struct, PictureKind())
KINDS.add(PoolKind.struct, PoolKind())
KINDS.add(WashKind.struct, WashKind())


@contextmanager
def lent(kind: PieceKind[Any]) -> Iterator[PieceKind[Any]]:
    """One more kind of piece for as long as a block runs, in files too. Raises ValueError when
    its struct or its tag is taken."""
    tag = tag_of(kind.struct)
    with KINDS.lent(kind.struct, kind), PIECES.members.lent(tag, kind.struct):
        yield kind


def kind_of(piece: Piece) -> PieceKind[Any]:
    """What a piece's kind declares."""
    return KINDS[type(piece)]


def placed_kind(piece: Placed) -> PlacedKind[Any]:
    """The same of a piece that stands somewhere."""
    kind = KINDS[type(piece)]
    assert isinstance(piece, Placed)
    return kind  # type: ignore[return-value]


def coated_kind(piece: Coated) -> CoatedKind[Any]:
    """The same of a piece that wears a style."""
    kind = KINDS[type(piece)]
    assert isinstance(piece, Coated)
    return kind  # type: ignore[return-value]


def placement(piece: Placed, board: Board) -> Placement:
    """A piece's box, and how that comes onto the board."""
    return placed_kind(piece).placement(piece, board.dpi)


def is_ground(piece: Piece) -> bool:
    """Whether a piece covers the board."""
    return kind_of(piece).ground


def steps_of(piece: Piece, view: View) -> list[Step]:
    """What paints a piece, bottom first."""
    with blaming(piece):
        return kind_of(piece).steps(piece, view)
