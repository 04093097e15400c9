"""Every kind of coat, and what coats can be given: paints, patterns, tones, mouldings."""

from __future__ import annotations

import functools
from collections.abc import Callable, Iterator
from typing import Any, get_args

import msgspec

from ...core.coats.kind import CoatKind
from ...core.coats.registry import KINDS, kind_of
from ...core.edit.coats import add_coat, change_coat
from ...core.edit.pieces import change_piece
from ...core.model import Board, Colour, Moulding, Paint, Pattern, Tone
from ...core.model.moulding import Profile
from ...core.model.open_union import tag_of
from ...core.model.paints import PATTERNS
from ...core.paint.kind import SOME_COLOUR
from ...core.paint.source import KINDS as PAINTS
from ...core.tone import OPERATIONS
from ..commands.command import has_coated, why_not
from ..shared.session import Session
from ..shared.shell import Stage
from .addition import Addition, Made, Make
from .pieces import begun


def _with_coat(board: Board, piece: str, tag: str, **fields: Any) -> Made:
    """A board with one more coat where it naturally goes."""
    board, coat = add_coat(board, piece, tag, **fields)
    return Made(board, piece, coat)


def _changed(board: Board, piece: str, coat: str, **fields: Any) -> Made:
    return Made(change_coat(board, piece, coat, **fields), piece, coat)


def _adding(session: Session, tag: str, **fields: Any) -> Make:
    """Adds a coat to the chosen piece."""
    # where none is chosen it does not apply, and is not asked for
    piece = session.selection.piece_id or ""
    return functools.partial(_with_coat, piece=piece, tag=tag, **fields)


def coats(session: Session) -> Iterator[Addition]:
    """Every kind of coat, for the chosen piece."""
    why = why_not(has_coated, session)
    for kind in KINDS.values():
        yield Addition(
            "coat",
            f"coat:{kind.tag}",
            kind.title,
            f"Add {kind.title}",
            kind.family,
            kind.about,
            _adding(session, kind.tag),
            _stronger(session, kind) if not why else (),
            why=why,
        )


def _stronger(session: Session, kind: CoatKind[Any]) -> tuple[Make, ...]:
    return tuple(_adding(session, kind.tag, **fields) for fields in kind.stronger)


def paints(session: Session) -> Iterator[Addition]:
    """Every kind of paint, for the chosen coat or a new fill."""
    why = why_not(has_coated, session)
    for struct, kind in PAINTS.items():
        make, more = _painting(session, kind.begun)
        title, key = f"Paint with {kind.title}", f"paint:{tag_of(struct)}"
        yield Addition("paint", key, kind.title, title, "Paints", kind.about, make, more, why=why)


def patterns(session: Session) -> Iterator[Addition]:
    """Every pattern, for the chosen coat or a new fill."""
    why = why_not(has_coated, session)
    for name in PATTERNS:
        make, more = _painting(session, functools.partial(_pattern, name))
        title, key = f"Pattern: {name}", f"pattern:{name}"
        yield Addition("pattern", key, name, title, "Patterns", "", make, more, why=why)


def _pattern(name: str, colour: Colour) -> Paint:
    return Pattern(generator=name)


def _painting(session: Session, first: Callable[[Colour], Paint]) -> tuple[Make, tuple[Make, ...]]:
    """Paints the chosen coat where it is painted, and a new fill where that shows nothing."""
    coat = session.selection.coat
    held = kind_of(coat).held(coat) if coat is not None else None
    filled = _adding(session, "fill", paint=first(SOME_COLOUR))
    if type(held) not in PAINTS:
        return filled, ()
    return _changing(session, paint=first(PAINTS[type(held)].first_colour(held))), (filled,)


def _changing(session: Session, **fields: Any) -> Make:
    """Changes the chosen coat."""
    piece, coat = session.selection.piece_id or "", session.selection.coat_id or ""
    return functools.partial(_changed, piece=piece, coat=coat, **fields)


def mouldings(session: Session) -> Iterator[Addition]:
    """Every cross-section, for the chosen coat or a new relief."""
    why = why_not(has_coated, session)
    before = getattr(session.selection.coat, "moulding", None)
    for name in get_args(Profile):
        make = _moulding(session, before, name)
        title, key = f"Moulding: {name}", f"moulding:{name}"
        yield Addition("moulding", key, name, title, "Mouldings", "", make, why=why)


def _moulding(session: Session, before: Any, profile: Profile) -> Make:
    if not isinstance(before, Moulding):
        return _adding(session, "relief", moulding=Moulding(profile=profile))
    return _changing(session, moulding=msgspec.structs.replace(before, profile=profile))


def tones(session: Session) -> Iterator[Addition]:
    """Every tone operation: on a piece that has tones, as a coat, or as a wash over all."""
    for struct, operation in OPERATIONS.items():
        make, stage = _toning(session, operation.begun or struct())
        about = (struct.__doc__ or "").strip()
        title, key = f"Tone: {operation.title}", f"tone:{tag_of(struct)}"
        yield Addition("tone", key, operation.title, title, "Tones", about, make, stage=stage)


def _toning(session: Session, op: Tone) -> tuple[Make, Stage]:
    piece = session.selection.piece
    if piece is not None and "tone" in piece.__struct_fields__:
        more = (*piece.tone, op)  # type: ignore[attr-defined]

        def toned(board: Board) -> Made:
            return Made(change_piece(board, piece.id, tone=more), piece.id)

        return toned, Stage.ARRANGE
    if session.selection.coated is not None:
        return _adding(session, "tone", tone=(op,)), Stage.COAT
    return functools.partial(begun, way="wash", tone=(op,)), Stage.ARRANGE
