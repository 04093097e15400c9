"""How a board was made, as a moving picture: the pieces come one after the other, and what wears a
style comes coat by coat."""

from __future__ import annotations

import io
from collections.abc import Callable
from typing import NamedTuple

import msgspec
import numpy as np

from ..coats.registry import kind_of
from ..model import (
    Board,
    Coat,
    Coated,
    Colour,
    ColourPaint,
    Fill,
    FitBox,
    Font,
    Length,
    Lettering,
    Piece,
    Place,
    Position,
    Span,
    Stroke,
)
from ..model.nesting import every
from .export_target import Target, rendered
from .formats.format import flattened

EACH, LAST = 420, 2200
"""Milliseconds that a picture stands, and the last one."""
MOST = 48
"""Pictures at most; with more coats some come together."""
COLOURS = 256
CAPTION, INSET, LEAST = 0.05, 0.03, 14
"""Size of a name and its distance from the border, of the board; its least size, px."""
RIM = Span(Position(-0.14, "em"), Position(0.0, "em"))


class Stage(NamedTuple):
    """The board as far as it has grown, and what came last: a coat, or a piece."""

    board: Board
    name: str


def stages(board: Board) -> list[Stage]:
    """The board as it grows; the last is the whole of it."""
    found: list[tuple[tuple[Piece, ...], str]] = []
    done: tuple[Piece, ...] = ()
    for piece in board.pieces:
        if not piece.shown:
            continue
        if isinstance(piece, Coated) and len(piece.style) > 1:
            for count in range(1, len(piece.style)):
                part = msgspec.structs.replace(piece, style=piece.style[:count])
                if piece.style[count - 1].on:
                    found.append(((*done, part), _called(piece.style[count - 1])))
        done = (*done, piece)
        worn = piece.style if isinstance(piece, Coated) else ()
        found.append((done, _called(worn[-1]) if worn else piece.name))
    if len(found) > MOST:
        picked = np.linspace(0, len(found) - 1, MOST).round().astype(int)
        found = [found[n] for n in picked]
    grown = [Stage(msgspec.structs.replace(board, pieces=pieces), name) for pieces, name in found]
    return grown or [Stage(board, "")]


def _called(coat: Coat) -> str:
    return coat.name or kind_of(coat).title


def _free_id(board: Board) -> str:
    taken, number = {piece.id for piece in every(board.pieces)}, 1
    while f"caption-{number}" in taken:
        number += 1
    return f"caption-{number}"


def captioned(stage: Stage) -> Board:
    """The board with what came last written at its foot."""
    board, name = stage
    if not name:
        return board
    side, size = INSET * min(board.width, board.height), max(CAPTION * board.height, LEAST)
    words = Lettering(
        id=_free_id(board),
        text=name,
        font=Font(family="Inter", weight=600),
        size=Length(size),
        align="start",
        box=FitBox(width=board.width - 2 * side, height=2 * size, fit="shrink"),
        place=Place(x=side, y=board.height - side, anchor="bottom-left"),
        style=(
            Stroke(id="caption-rim", span=RIM, paint=ColourPaint(colour=Colour(12, 14, 18, 225))),
            Fill(id="caption-face", paint=ColourPaint(colour=Colour(255, 255, 255))),
        ),
    )
    return msgspec.structs.replace(board, pieces=(*board.pieces, words))


def animated(
    target: Target,
    webp: bool = False,
    *,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> bytes:
    """The bytes of a GIF, or of an animated WebP. Raises TooLarge and Cancelled."""
    from PIL import Image

    grown = stages(target.board)
    boards = [captioned(one) if target.export.names else one.board for one in grown]
    images = []
    for number, board in enumerate(boards):
        pixels = rendered(target._replace(board=board), stop=stop)
        images.append(Image.fromarray(flattened(pixels)))
        progress((number + 1) / len(boards))
    times = [EACH] * (len(images) - 1) + [LAST]
    room = io.BytesIO()
    options = {"save_all": True, "append_images": images[1:], "duration": times, "loop": 0}
    if webp:
        images[0].save(room, "WEBP", quality=round(target.export.quality), method=3, **options)
    else:
        # the last has all colours: one palette for all, so that nothing flickers
        palette = images[-1].quantize(COLOURS)
        drawn = [image.quantize(palette=palette) for image in images]
        options["append_images"] = drawn[1:]
        drawn[0].save(room, "GIF", optimize=False, **options)
    return room.getvalue()
