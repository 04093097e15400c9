"""A series: one board rendered many times from a table."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from .fields import HIDDEN, Id, Name

Target = Literal["words", "picture", "colour", "style", "shown"]
Cell = Annotated[str, Meta(max_length=20_000)]
MOST_ROWS, MOST_COLUMNS = 100_000, 200


class Binding(Struct, frozen=True, cache_hash=True, kw_only=True):
    """What a column of the table sets: the words of a lettering, the image of a picture, the colour of
    a piece's lowest painted coat, the style that it wears, or whether it is shown."""

    column: Name
    piece: Annotated[Id, HIDDEN]
    sets: Target = "words"


class Series(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A table and what its columns are bound to; `file` is the pattern of the files' names, in which
    columns stand in braces."""

    columns: Annotated[tuple[Name, ...], Meta(max_length=MOST_COLUMNS)] = ()
    rows: Annotated[
        tuple[Annotated[tuple[Cell, ...], Meta(max_length=MOST_COLUMNS)], ...],
        Meta(max_length=5000),
    ] = ()
    bindings: Annotated[tuple[Binding, ...], Meta(max_length=MOST_COLUMNS)] = ()
    file: Name = "{row} {board}"
