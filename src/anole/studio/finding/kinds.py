"""What can be added or put on: coats, paints, patterns, tones, mouldings, marks and formats."""

from __future__ import annotations

import functools
from collections.abc import Callable, Iterator
from typing import Any, get_args

import msgspec

from ...core.edit.coats import change_coat
from ...core.edit.exports import add_export
from ...core.edit.pieces import change_piece
from ...core.marks.shapes import DRAWN
from ...core.model import Colour, Export, Moulding, Paint, Pattern, Stamps, Tone
from ...core.model.formats import FORMATS
from ...core.model.moulding import Profile
from ...core.model.open_union import tag_of
from ...core.model.paints import PATTERNS
from ...core.paint.kind import SOME_COLOUR
from ...core.paint.source import KINDS as PAINTS
from ...core.tone import OPERATIONS
from ..commands.coats import add, kinds
from ..commands.command import has_coated, why_not
from ..commands.pieces import begin
from ..shared.session import Session
from ..shared.shell import Stage
from .entry import FinderEntry


def coats(session: Session) -> Iterator[FinderEntry]:
    """Every kind of coat, to be added to the chosen piece."""
    why = why_not(has_coated, session)
    for tag, kind in kinds().items():
        run = functools.partial(_add_coat, tag=tag)
        title = f"Add {kind.title}"
        yield FinderEntry("coat", title, kind.about, run, id=f"coat:{tag}", why=why)


def _add_coat(session: Session, tag: str, title: str = "", **fields: Any) -> None:
    session.shell.show_stage(Stage.COAT)
    add(session, tag, title, **fields)


def paints(session: Session) -> Iterator[FinderEntry]:
    """Every kind of paint and every pattern, for the chosen coat or a new fill."""
    why = why_not(has_coated, session)
    for struct, kind in PAINTS.items():
        run = functools.partial(_paint, title=kind.title, begun=kind.begun)
        title, key = f"Paint with {kind.title}", f"paint:{tag_of(struct)}"
        yield FinderEntry("paint", title, kind.about, run, id=key, why=why)
    for name in PATTERNS:
        run = functools.partial(_paint, title=name, begun=functools.partial(_pattern, name))
        title = f"Pattern: {name}"
        yield FinderEntry("pattern", title, "", run, id=f"pattern:{name}", why=why)


def _paint(session: Session, title: str, begun: Callable[[Colour], Paint]) -> None:
    """On the chosen coat where it is painted; else on a new fill."""
    held = getattr(session.selection.coat, "paint", None)
    if type(held) not in PAINTS:
        _add_coat(session, "fill", title, paint=begun(SOME_COLOUR))
    else:
        _change_coat(session, title, paint=begun(PAINTS[type(held)].first_colour(held)))


def _pattern(name: str, colour: Colour) -> Paint:
    return Pattern(generator=name)


def tones(session: Session) -> Iterator[FinderEntry]:
    """Every tone operation: on what has tones, as a coat, or as a wash over all."""
    for struct, operation in OPERATIONS.items():
        run = functools.partial(_tone, title=operation.title, op=operation.begun or struct())
        about = (struct.__doc__ or "").strip()
        key = f"tone:{tag_of(struct)}"
        yield FinderEntry("tone", f"Tone: {operation.title}", about, run, id=key)


def _tone(session: Session, title: str, op: Tone) -> None:
    piece = session.selection.piece
    if piece is not None and hasattr(piece, "tone"):
        more = (*piece.tone, op)
        session.document.apply(title, lambda b: change_piece(b, piece.id, tone=more))
        session.shell.show_stage(Stage.ARRANGE)
    elif session.selection.coated is not None:
        _add_coat(session, "tone", title, tone=(op,))
    else:
        begin(session, "wash", title, tone=(op,))


def mouldings(session: Session) -> Iterator[FinderEntry]:
    """Every cross-section, for the chosen coat or a new relief."""
    why = why_not(has_coated, session)
    for name in get_args(Profile):
        run = functools.partial(_mould, profile=name)
        key = f"moulding:{name}"
        yield FinderEntry("moulding", f"Moulding: {name}", "", run, id=key, why=why)


def _mould(session: Session, profile: Profile) -> None:
    coat = session.selection.coat
    before = getattr(coat, "moulding", None)
    if isinstance(before, Moulding):
        moulding = msgspec.structs.replace(before, profile=profile)
        _change_coat(session, f"Moulding: {profile}", moulding=moulding)
    else:
        _add_coat(session, "relief", f"Moulding: {profile}", moulding=Moulding(profile=profile))


def marks(session: Session) -> Iterator[FinderEntry]:
    """Every mark, for the chosen stamps or new ones."""
    for name in DRAWN:
        run = functools.partial(_mark, mark=name)
        yield FinderEntry("mark", f"Mark: {name}", "", run, id=f"mark:{name}")


def _mark(session: Session, mark: str) -> None:
    piece = session.selection.piece
    if isinstance(piece, Stamps):
        session.document.apply(f"Mark: {mark}", lambda b: change_piece(b, piece.id, mark=mark))
    else:
        begin(session, "scatter", f"Mark: {mark}", mark=mark)


def formats(session: Session) -> Iterator[FinderEntry]:
    """Every format that the board can be exported to."""
    for name, form in FORMATS.items():
        run = functools.partial(_export, name=name)
        title = f"Export as {form.title}"
        yield FinderEntry("export", title, "", run, id=f"export:{name}")


def _export(session: Session, name: str) -> None:
    """The board's export of that format, or a new one; shown with all its fields."""
    if not any(one.format == name for one in session.document.board.exports):
        title = f"Export as {FORMATS[name].title}"
        session.document.make(title, lambda b: add_export(b, Export(format=name)))
    session.shell.show_stage(Stage.PROOF)
    session.shell.show_export(name)


def _change_coat(session: Session, title: str, **fields: Any) -> None:
    piece, coat = session.selection.piece_id, session.selection.coat
    if piece is not None and coat is not None:
        session.document.apply(title, lambda b: change_coat(b, piece, coat.id, **fields))
        session.shell.show_stage(Stage.COAT)
