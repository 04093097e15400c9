"""What can be added or put on: coats, paints, patterns, tones, mouldings, marks and formats."""

from __future__ import annotations

import functools
from collections.abc import Callable, Iterator

from ...core.edit.exports import add_export
from ...core.model import Export
from ...core.model.formats import FORMATS
from ..adding import coats, pieces
from ..adding.addition import Addition
from ..shared.session import Session
from ..shared.shell import Stage
from .entry import FinderEntry

ADDITIONS = (coats.paints, coats.patterns, coats.tones, coats.mouldings, pieces.marks)


def _entry(addition: Addition) -> FinderEntry:
    return FinderEntry(
        addition.kind,
        addition.title,
        addition.about,
        addition.run,
        addition.look,
        id=addition.id,
        why=addition.why,
    )


def every_coat(session: Session) -> Iterator[FinderEntry]:
    """Every kind of coat, to be added to the chosen piece."""
    return map(_entry, coats.coats(session))


def additions(session: Session) -> Iterator[FinderEntry]:
    """What coats are painted, toned and moulded with, and what stamps are made of."""
    for source in ADDITIONS:
        yield from map(_entry, source(session))


def formats(session: Session) -> Iterator[FinderEntry]:
    """Every format that the board can be exported to."""
    for name, form in FORMATS.items():
        run: Callable[[Session], None] = functools.partial(_export, name=name)
        title = f"Export as {form.title}"
        yield FinderEntry("export", title, "", run, id=f"export:{name}")


def _export(session: Session, name: str) -> None:
    """The board's export of that format, or a new one; shown with all its fields."""
    if not any(one.format == name for one in session.document.board.exports):
        title = f"Export as {FORMATS[name].title}"
        session.document.make(title, lambda b: add_export(b, Export(format=name)))
    session.shell.show_stage(Stage.PROOF)
    session.shell.show_export(name)
