"""Clusters: made of what is chosen, and taken apart again."""

from __future__ import annotations

from collections.abc import Iterable

import msgspec

from ..model import Board, Cluster, ModelError, Piece, Place, Placed
from ..model.nesting import (
    every,
    exchanged,
    holder_of,
    path_to,
    siblings,
    with_siblings,
)
from ..pieces.kinds.cluster import board_map, is_bent
from ..pieces.placing.located import located
from ..pieces.registry import placed_kind
from .checked import replaced
from .ids import free, free_name
from .pieces import change_piece, with_piece

NAME = "Cluster"


def make_cluster(board: Board, ids: Iterable[str]) -> tuple[Board, str]:
    """Pieces that stand among each other as one, where the topmost of them was; returns the board
    and the cluster's id. Raises KeyError and ModelError."""
    wanted = set(ids)
    first = next((board.piece(piece_id) for piece_id in wanted), None)
    if first is None:
        raise ModelError("a cluster needs a piece at least")
    order = siblings(board.pieces, first.id)
    held = tuple(p for p in order if p.id in wanted and isinstance(p, Placed))
    if len(held) != len(wanted):
        raise ModelError("only pieces that stand somewhere, all on one level, make a cluster")
    (fresh,) = free(board, "cluster")
    cluster = Cluster(id=fresh, name=free_name(board, NAME), pieces=held)
    x0, y0, x1, y1 = placed_kind(cluster).extent(cluster, board)
    middle = (round((x0 + x1) / 2, 3), round((y0 + y1) / 2, 3))
    cluster = replaced(cluster, home=middle, place=Place(x=middle[0], y=middle[1]))
    top = max(n for n, piece in enumerate(order) if piece.id in wanted)
    rest = [p for n, p in enumerate(order) if p.id not in wanted or n == top]
    inner = tuple(cluster if p.id in wanted else p for p in rest)
    pieces = with_siblings(board.pieces, holder_of(board.pieces, first.id), inner)
    return msgspec.structs.replace(board, pieces=pieces), fresh


def _freed(cluster: Cluster, board: Board) -> tuple[Piece, ...]:
    """What a cluster holds, where it is seen; corners and pose are let go."""
    matrix = board_map(cluster, board.dpi)
    moved = (located(held, matrix) for held in cluster.pieces)
    return tuple(
        msgspec.structs.replace(held, shown=held.shown and cluster.shown) for held in moved
    )


def loses(cluster: Cluster) -> list[str]:
    """What of its own is lost when it is taken apart."""
    found = ["its coats"] if any(coat.on for coat in cluster.style) else []
    found += ["its corners or pose"] if is_bent(cluster) else []
    found += ["its blending"] if cluster.opacity < 1 or cluster.blend != "normal" else []
    return found + (["what clips it"] if cluster.within else [])


def dissolve_cluster(board: Board, cluster_id: str) -> tuple[Board, tuple[str, ...]]:
    """Its pieces in its place; returns the board and their ids. Raises KeyError and ModelError."""
    cluster = board.piece(cluster_id)
    if not isinstance(cluster, Cluster):
        raise ModelError(f"{cluster.name or 'that piece'} is no cluster")
    freed = _freed(cluster, board)
    pieces = exchanged(board.pieces, cluster_id, freed)
    made = msgspec.structs.replace(board, pieces=pieces)
    return _without_clipper(made, cluster_id), tuple(piece.id for piece in freed)


def _without_clipper(board: Board, gone: str) -> Board:
    """What a piece clipped is whole again."""
    for piece in list(every(board.pieces)):
        if piece.within == gone:
            board = with_piece(board, msgspec.structs.replace(piece, within=None))
    return board


def open_cluster(board: Board, cluster_id: str) -> Board:
    """Turn, stretch and slant handed on to its pieces, so that they stand where they are seen and
    can be worked on in place. Raises KeyError."""
    cluster = board.piece(cluster_id)
    if not isinstance(cluster, Cluster) or is_bent(cluster):
        return board
    matrix = board_map(cluster, board.dpi)
    place = Place(x=cluster.place.x, y=cluster.place.y)
    plain = (place.x, place.y) == cluster.home and place == cluster.place
    if plain:
        return board
    held = tuple(located(one, matrix) for one in cluster.pieces)
    return with_piece(
        board,
        msgspec.structs.replace(cluster, pieces=held, place=place, home=(place.x, place.y)),
    )


def move_into(board: Board, piece_id: str, holder_id: str | None, to: int) -> Board:
    """Put a piece at place `to` of what a cluster, or the board itself, holds. Raises KeyError and
    ModelError for a cluster that would lie in itself."""
    piece = board.piece(piece_id)
    if holder_id is not None and path_to((piece,), holder_id):
        raise ModelError("a cluster cannot lie in itself")
    if holder_id is not None and not isinstance(piece, Placed):
        raise ModelError("only what stands somewhere can lie in a cluster")
    before = holder_of(board.pieces, piece_id)
    if before is not None and isinstance(piece, Placed):
        piece = located(piece, board_map(before, board.dpi))
    target = board.piece(holder_id) if holder_id is not None else None
    pieces = exchanged(board.pieces, piece_id, ())
    if target is not None:
        found = path_to(pieces, target.id)
        if not found or not isinstance(found[-1], Cluster):
            raise ModelError("that is no cluster")
        opened = open_cluster(msgspec.structs.replace(board, pieces=pieces), target.id)
        pieces, target = opened.pieces, opened.piece(target.id)
    assert target is None or isinstance(target, Cluster)
    inner = pieces if target is None else target.pieces
    to = min(max(to, 0), len(inner))
    inner = (*inner[:to], piece, *inner[to:])
    return msgspec.structs.replace(board, pieces=with_siblings(pieces, target, inner))


def clip(board: Board, ids: Iterable[str], by: str | None) -> Board:
    """Let a piece's silhouette clip others, or none clip them. Raises KeyError and ModelError."""
    if by is not None:
        board.coated(by)
    for piece_id in ids:
        board = change_piece(board, piece_id, within=by)
    return board
