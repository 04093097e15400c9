"""Ids and names that are free on a board."""

from __future__ import annotations

from typing import Any, TypeVar, cast

import msgspec

from ..model import Board, Cluster, Coated, Piece
from ..model.nesting import coats_of, every
from ..model.open_union import tag_of

P = TypeVar("P", bound=Piece)


def taken(board: Board) -> set[str]:
    """Every id of a piece or a coat."""
    ids = {piece.id for piece in every(board.pieces)}
    for style in coats_of(board.pieces):
        ids.update(coat.id for coat in style)
    return ids


def free(board: Board, stem: str, count: int = 1) -> list[str]:
    """The next `count` ids of the form stem-1, stem-2, ... that nothing has."""
    return _next(taken(board), stem, count)


def _next(used: set[str], stem: str, count: int) -> list[str]:
    number, ids = 1, list[str]()
    while len(ids) < count:
        if f"{stem}-{number}" not in used:
            ids.append(f"{stem}-{number}")
        number += 1
    return ids


def renewed(board: Board, piece: P) -> P:
    """A piece of whatever ids, with all that it holds, under ids that are free on the board; what
    clips what stays so within it, and else where the board has the piece that clips."""
    used, fresh = taken(board), dict[str, str]()
    there = {own.id for own in every(board.pieces)}

    def take(stem: str, count: int) -> list[str]:
        ids = _next(used, stem, count)
        used.update(ids)
        return ids

    def named(one: Piece) -> Piece:
        fields: dict[str, Any] = {"id": take(tag_of(one), 1)[0]}
        fresh[one.id] = fields["id"]
        if isinstance(one, Cluster):
            fields["pieces"] = tuple(named(held) for held in one.pieces)
        if isinstance(one, Coated):
            ids = take("coat", len(one.style))
            coats = zip(one.style, ids, strict=True)
            fields["style"] = tuple(msgspec.structs.replace(c, id=i) for c, i in coats)
        return msgspec.structs.replace(one, **fields)

    def clipped(one: Piece) -> Piece:
        fields: dict[str, Any] = {}
        if isinstance(one, Cluster):
            fields["pieces"] = tuple(clipped(held) for held in one.pieces)
        if one.within is not None:
            same = one.within if one.within in there else None
            fields["within"] = fresh.get(one.within, same)
        return msgspec.structs.replace(one, **fields) if fields else one

    return cast("P", clipped(named(piece)))


def free_name(board: Board, name: str) -> str:
    """The name, or with the first number that makes it another than all there are."""
    names = {piece.name for piece in every(board.pieces)}
    number, fresh = 2, name
    while fresh in names:
        fresh = f"{name} {number}"
        number += 1
    return fresh
