"""What the demo boards are put together with."""

from __future__ import annotations

from collections.abc import Iterable

import msgspec

from anole.core.coats.kind import StackPlace
from anole.core.coats.registry import kind_of
from anole.core.edit.clusters import make_cluster
from anole.core.edit.pictures import carry_picture, picture_asset
from anole.core.edit.wearing import put_style
from anole.core.library.styles import built_in, digest
from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Fill,
    FitBox,
    Font,
    Length,
    Lettering,
    Place,
    Position,
    Span,
    Stop,
    Stroke,
    Style,
)


def stops(*parts: tuple[float, str]) -> tuple[Stop, ...]:
    return tuple(Stop(at, Colour.parse(text)) for at, text in parts)


def flat(text: str) -> ColourPaint:
    return ColourPaint(colour=Colour.parse(text))


def fill(text: str, name: str = "fill") -> Fill:
    return Fill(id=name, paint=flat(text))


def stroke(name: str, to: float, text: str, start: float = 0.0) -> Stroke:
    """From the edge, or from `start`, so many em outward."""
    span = Span(Position(-start, "em"), Position(-to, "em"))
    return Stroke(id=name, span=span, paint=flat(text))


def words(
    name: str, text: str, family: str, size: float, x: float, y: float, **more: object
) -> Lettering:
    return Lettering(
        id=name.lower().replace(" ", "-"),
        name=name,
        text=text,
        font=Font(family=family),
        size=Length(size),
        place=Place(x=x, y=y, **more.pop("place", {})),
        **more,  # type: ignore[arg-type]
    )


def shrink(width: float, height: float) -> FitBox:
    """Room that words keep to, however long they get."""
    return FitBox(width=width, height=height, fit="shrink")


def style_of(name: str) -> Style:
    return next(kept.style for kept in built_in() if kept.style.name == name)


def styled(board: Board, piece: str, name: str, *more: Coat) -> Board:
    style = style_of(name)
    board = put_style(board, piece, style, digest(style.coats))
    if not more:
        return board
    return put_style(board, piece, msgspec.structs.replace(style, coats=(*style.coats, *more)))


def parted(style: Style) -> tuple[Style, Style]:
    """What of a style goes round several pieces as one, and what lies on each of their faces."""
    round_all = tuple(
        c for c in style.coats if kind_of(c).place in (StackPlace.GROUND, StackPlace.LINE)
    )
    on_each = tuple(c for c in style.coats if c not in round_all)
    return (
        msgspec.structs.replace(style, coats=round_all),
        msgspec.structs.replace(style, coats=on_each),
    )


def clustered(
    board: Board, ids: Iterable[str], name: str, style: Style | None
) -> tuple[Board, str]:
    board, fresh = make_cluster(board, ids)
    named = msgspec.structs.replace(board.piece(fresh), name=name)
    pieces = tuple(named if p.id == fresh else p for p in board.pieces)
    board = msgspec.structs.replace(board, pieces=pieces)
    return (put_style(board, fresh, style) if style is not None else board), fresh


def carrying(board: Board, data: bytes, name: str) -> tuple[Board, str]:
    """The board with a file; also its SHA-256."""
    asset, troubles = picture_asset(data, name)
    assert not troubles, troubles
    return carry_picture(board, asset), asset.sha
