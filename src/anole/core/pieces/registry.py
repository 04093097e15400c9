"""The one list of kinds of piece."""

from __future__ import annotations

import functools
import math
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from typing import Any

from ..arrays import Chords
from ..compose.finely import FineStep
from ..compose.steps import Step
from ..failures import blaming
from ..model import PIECES, Board, Cluster, Coated, Piece, Placed
from ..model.nesting import path_to
from ..model.open_union import tag_of
from ..registry import Registry
from .clipping import clipped
from .coated_kind import CoatedKind
from .fresh import Fresh
from .kind import PieceKind, PlacedKind
from .kinds.cluster import ClusterKind, board_map
from .kinds.emblem import EmblemKind
from .kinds.ground import GroundKind
from .kinds.lettering import LetteringKind
from .kinds.picture import PictureKind
from .kinds.pool import PoolKind
from .kinds.stamps import StampsKind
from .kinds.wash import WashKind
from .placing.located import located
from .placing.placement import Placement
from .placing.view import View
from .shapes.reshaped import shape_of

SMALL_EM, MOST_TIMES, MOST_FINE = (18.0, 72.0), 2, 2_000_000
"""px of an em between which a piece is painted more finely (smaller ones are not read), how many times
at the most, and the most px that it may then have."""
KINDS: Registry[type[Piece], PieceKind[Any]] = Registry("piece")


@contextmanager
def lent(kind: PieceKind[Any]) -> Iterator[PieceKind[Any]]:
    """One more kind of piece for as long as a block runs, in files too. Raises ValueError when
    its struct or its tag is taken."""
    tag = tag_of(kind.struct)
    with KINDS.lent(kind.struct, kind), PIECES.members.lent(tag, kind.struct):
        yield kind


def ways_to_begin() -> list[Fresh]:
    """What menus that add pieces offer, kind by kind."""
    return [one for kind in KINDS.values() for one in kind.fresh()]


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
    """A piece's box, and how that comes onto the board, by way of the clusters that it lies in."""
    path = path_to(board.pieces, piece.id)
    standing = where_it_stands((*path[:-1], piece), board.dpi) if len(path) > 1 else piece
    return placed_kind(piece).placement(standing, board.dpi)


def is_ground(piece: Piece) -> bool:
    """Whether a piece covers the board."""
    return kind_of(piece).ground


@functools.lru_cache(4096)
def sees_others(piece: Piece) -> bool:
    """Whether the steps of a piece may come from other pieces of the board."""
    return bool(piece.within) or kind_of(piece).sees_others(piece)


def steps_of(piece: Piece, view: View) -> list[Step]:
    """What paints a piece, bottom first, as far as the piece that clips it lets it be seen."""
    by = fineness(piece, view)
    if by == 1:
        return _steps(piece, view)
    steps = _steps(piece, view.finer(by))
    return [FineStep.of(steps, by)] if steps else []


def fineness(piece: Piece, view: View) -> int:
    """How many times as finely as its view a piece is painted, so that what is thinner than a px
    still counts by its area. It is the same in any window."""
    if not isinstance(piece, Coated) or not coated_kind(piece).refinable(piece):
        return 1
    there = coated_kind(piece).placement(piece, view.board.dpi)
    x0, y0, x1, y1 = there.extent
    em, area = there.em * view.scale, (x1 - x0) * (y1 - y0) * view.scale**2
    least, enough = SMALL_EM
    by = min(math.ceil(enough / em), MOST_TIMES) if em >= least else 1
    while by > 1 and area * by * by > MOST_FINE:
        by -= 1
    return by


def _steps(piece: Piece, view: View) -> list[Step]:
    with blaming(piece):
        kind, by = kind_of(piece), clipper_of(piece, view.board)
        if by is None:
            return kind.steps(piece, view)
        shape = shape_of(coated_kind(by), by, view)
        return clipped(lambda inner: kind.steps(piece, inner), shape, view)


def clipper_of(piece: Piece, board: Board) -> Coated | None:
    """The piece whose silhouette clips this one, where it stands; None where it is gone."""
    return standing(board, piece.within) if piece.within and piece.within != piece.id else None


def standing(board: Board, piece_id: str) -> Coated | None:
    """A piece that has a silhouette, as it stands on the board; None where there is none."""
    path = path_to(board.pieces, piece_id)
    return where_it_stands(path, board.dpi) if path and isinstance(path[-1], Coated) else None


def outline_of(piece: Coated, dpi: float, scale: float) -> Chords:
    """(m, 4) px at a render scale, without what is no outline."""
    return coated_kind(piece).sound_chords(piece, dpi, scale)


def where_it_stands(path: Sequence[Piece], dpi: float) -> Any:
    """The last of a path of clusters and what they hold, as it stands on the board; the corners and
    poses of clusters do not count."""
    *holders, piece = path
    for holder in reversed(holders):
        assert isinstance(holder, Cluster) and isinstance(piece, Placed)
        piece = located(piece, board_map(holder, dpi))
    return piece


KINDS.add(ClusterKind.struct, ClusterKind(kind_of, steps_of))
KINDS.add(EmblemKind.struct, EmblemKind())
KINDS.add(GroundKind.struct, GroundKind())
KINDS.add(LetteringKind.struct, LetteringKind())
KINDS.add(PictureKind.struct, PictureKind())
KINDS.add(PoolKind.struct, PoolKind())
KINDS.add(StampsKind.struct, StampsKind(standing, outline_of))
KINDS.add(WashKind.struct, WashKind())
