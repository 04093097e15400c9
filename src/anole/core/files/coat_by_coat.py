"""How a board was made, as a moving picture: the pieces come one after the other, and what wears a
style comes coat by coat."""

from __future__ import annotations

import io
from collections.abc import Callable

import msgspec
import numpy as np

from ..model import Board, Coated, Piece
from .export_target import Target, rendered
from .formats.format import flattened

EACH, LAST = 420, 2200
"""Milliseconds that a picture stands, and the last one."""
MOST = 48
"""Pictures at most; with more coats some come together."""
COLOURS = 256


def stages(board: Board) -> list[Board]:
    """The board as it grows; the last is the whole of it."""
    found: list[tuple[Piece, ...]] = []
    done: tuple[Piece, ...] = ()
    for piece in board.pieces:
        if not piece.shown:
            continue
        if isinstance(piece, Coated) and len(piece.style) > 1:
            for count in range(1, len(piece.style)):
                part = msgspec.structs.replace(piece, style=piece.style[:count])
                if piece.style[count - 1].on:
                    found.append((*done, part))
        done = (*done, piece)
        found.append(done)
    if len(found) > MOST:
        picked = np.linspace(0, len(found) - 1, MOST).round().astype(int)
        found = [found[n] for n in picked]
    return [msgspec.structs.replace(board, pieces=pieces) for pieces in found] or [board]


def animated(
    target: Target,
    webp: bool = False,
    *,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> bytes:
    """The bytes of a GIF, or of an animated WebP. Raises TooLarge and Cancelled."""
    from PIL import Image

    boards = stages(target.board)
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
