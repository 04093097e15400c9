"""All that the finder finds."""

from __future__ import annotations

from ..shared.session import Session
from . import doing, fields, kinds, things
from .entry import FinderEntry

SOURCES = (
    doing.commands,
    kinds.every_coat,
    fields.fields,
    kinds.additions,
    kinds.formats,
    things.pieces,
    things.coats,
    things.styles,
    things.fonts,
    doing.hands,
    doing.missing,
)


def everything(session: Session) -> list[FinderEntry]:
    """All that can be found now, in the order in which it is shown."""
    return [entry for source in SOURCES for entry in source(session)]
