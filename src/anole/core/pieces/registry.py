"""The one list of kinds of piece."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from ..model import Ground, Lettering, Piece
from ..render.ops import Op
from . import ground, lettering
from .view import View

KINDS: dict[type, Callable[[Any, View], list[Op]]] = {}


def register(kind: type, ops: Callable[[Any, View], list[Op]]) -> None:
    if kind in KINDS:
        raise ValueError(f"the piece {kind.__name__!r} is registered twice")
    KINDS[kind] = ops


register(Ground, ground.ops)
register(Lettering, lettering.ops)


def ops_of(piece: Piece, view: View) -> list[Op]:
    return KINDS[type(piece)](piece, view)
