"""Pieces within pieces: found, replaced and taken out wherever they are."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

import msgspec

from .pieces import Cluster, Coated, Piece
from .style import Coats


def every(pieces: Iterable[Piece]) -> Iterator[Piece]:
    """All pieces, bottom first; what a cluster holds comes right before it."""
    for piece in pieces:
        if isinstance(piece, Cluster):
            yield from every(piece.pieces)
        yield piece


def coats_of(pieces: Iterable[Piece]) -> Iterator[Coats]:
    """The style of each piece that wears one."""
    return (piece.style for piece in every(pieces) if isinstance(piece, Coated))


def path_to(pieces: Iterable[Piece], piece_id: str) -> tuple[Piece, ...]:
    """The clusters that lead to a piece, outermost first, and itself; empty where there is none."""
    for piece in pieces:
        if piece.id == piece_id:
            return (piece,)
        if isinstance(piece, Cluster):
            rest = path_to(piece.pieces, piece_id)
            if rest:
                return (piece, *rest)
    return ()


def holder_of(pieces: Iterable[Piece], piece_id: str) -> Cluster | None:
    """The cluster that a piece lies in; None for one of the board's own."""
    path = path_to(pieces, piece_id)
    held_by = path[-2] if len(path) > 1 else None
    return held_by if isinstance(held_by, Cluster) else None


def siblings(pieces: tuple[Piece, ...], piece_id: str) -> tuple[Piece, ...]:
    """The pieces among which a piece stands in order, itself included."""
    holder = holder_of(pieces, piece_id)
    return pieces if holder is None else holder.pieces


def exchanged(pieces: tuple[Piece, ...], piece_id: str, by: tuple[Piece, ...]) -> tuple[Piece, ...]:
    """The pieces with others in the place of one; clusters that are left empty are gone."""
    found: list[Piece] = []
    for piece in pieces:
        if piece.id == piece_id:
            found += by
        elif isinstance(piece, Cluster) and path_to(piece.pieces, piece_id):
            inner = exchanged(piece.pieces, piece_id, by)
            if inner:
                found.append(msgspec.structs.replace(piece, pieces=inner))
        else:
            found.append(piece)
    return tuple(found)


def with_siblings(
    pieces: tuple[Piece, ...], holder: Cluster | None, inner: tuple[Piece, ...]
) -> tuple[Piece, ...]:
    """The board's pieces where a cluster, or the board itself, holds others; gone when empty."""
    if holder is None:
        return inner
    kept = (msgspec.structs.replace(holder, pieces=inner),) if inner else ()
    return exchanged(pieces, holder.id, kept)


def clippers(pieces: Iterable[Piece]) -> dict[str, str]:
    """By the id of each clipped piece that of the piece that clips it."""
    return {piece.id: piece.within for piece in every(pieces) if piece.within}


def clipping_ring(pieces: Iterable[Piece]) -> str:
    """The id of a piece that is clipped by itself, by way of others or at once; '' without any."""
    by = clippers(pieces)
    for start in by:
        seen, at = {start}, by.get(start)
        while at is not None:
            if at in seen:
                return start
            seen.add(at)
            at = by.get(at)
    return ""
