"""What can be changed: the fields of the chosen piece, its coats, the board and the chosen export."""

from __future__ import annotations

import functools
from collections.abc import Iterator
from typing import NamedTuple

import msgspec

from ...core.coats.registry import kind_of as coat_kind
from ...core.model import Export, Place
from ...core.model.field_info import FieldInfo, field_info, missing
from ...core.model.fields import BLENDING
from ...core.pieces.registry import kind_of
from ..shared.session import Session
from ..shared.shell import Stage
from .entry import FinderEntry

BOARD = {"width": "Width", "height": "Height", "dpi": "Resolution"}
SECTIONS = {"Shape": "shape", BLENDING: "blending"}
"""Parts of a piece's panel that show the fields of a heading."""
FONT = {"font": "Font", "font.weight": "Weight", "font.italic": "Italic"}


def fields(session: Session) -> Iterator[FinderEntry]:
    """All of them; choosing one opens its panel and gives it the focus."""
    yield from _piece(session)
    yield from _coats(session)
    for name, title in BOARD.items():
        run = functools.partial(_board_field, name=name)
        yield FinderEntry("field", title, "board", run, id=f"field:board.{name}")
    for name, title, about, _ in _infos(Export):
        run = functools.partial(_field, stage=Stage.PROOF, name=name)
        yield FinderEntry("field", title, f"export  {about}", run, id=f"field:export.{name}")


class _Field(NamedTuple):
    """A field as the finder shows it; `why`: what keeps it from meaning anything now."""

    name: str
    title: str
    about: str = ""
    why: str = ""


def _infos(struct: type[msgspec.Struct], value: msgspec.Struct | None = None) -> Iterator[_Field]:
    return (_field_of(info, value) for info in field_info(struct))


def _field_of(info: FieldInfo, value: msgspec.Struct | None) -> _Field:
    others = missing(info.extra.get("when", {}), value) if value is not None else ()
    titles = {} if value is None else {o.name: o.title for o in field_info(type(value))}
    why = f"depends on {', '.join(titles.get(name, name) for name in others)}" if others else ""
    return _Field(info.name, info.title, info.about, why)


def _piece(session: Session) -> Iterator[FinderEntry]:
    piece = session.selection.piece
    if piece is None:
        return
    kind, sections = kind_of(piece).title, kind_of(piece).sections
    infos = (i for i in field_info(type(piece)) if SECTIONS.get(i.group, "fields") in sections)
    named = [_field_of(info, piece) for info in infos]
    if "words" in sections:
        named = [*(_Field(name, title) for name, title in FONT.items()), *named]
    if "place" in sections:
        named += _infos(Place)
    for name, title, about, why in named:
        run = functools.partial(_field, stage=Stage.ARRANGE, name=name)
        yield FinderEntry("field", title, f"{kind}  {about}", run, id=f"field:{name}", why=why)


def _coats(session: Session) -> Iterator[FinderEntry]:
    """Of the chosen coat first, then of the others of its piece, top first."""
    piece, chosen = session.selection.coated, session.selection.coat
    if piece is None:
        return
    coats = [coat for coat in reversed(piece.style) if coat != chosen]
    for coat in coats if chosen is None else [chosen, *coats]:
        called = coat.name or coat_kind(coat).title
        for name, title, about, why in _infos(type(coat), coat):
            run = functools.partial(_coat_field, piece=piece.id, coat=coat.id, name=name)
            about, key = f"{called}  {about}", f"field:{name}"
            yield FinderEntry("field", title, about, run, id=key, why=why)


def _field(session: Session, stage: Stage, name: str) -> None:
    session.shell.show_stage(stage)
    session.shell.show_field(name)


def _coat_field(session: Session, piece: str, coat: str, name: str) -> None:
    session.shell.show_stage(Stage.COAT)
    session.selection.choose(piece, coat)
    session.shell.show_field(name)


def _board_field(session: Session, name: str) -> None:
    session.shell.show_stage(Stage.ARRANGE)
    session.selection.choose(None)
    session.shell.show_field(name)
