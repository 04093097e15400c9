"""Contact sheets: many styles on the same words, each with its name, as pages of pixels."""

from __future__ import annotations

import io
from collections.abc import Callable, Iterator, Sequence
from pathlib import Path
from typing import NamedTuple

import msgspec
import numpy as np

from .arrays import Pixels
from .atomic import FileError, write_bytes
from .edit.titles import add_title
from .edit.wearing import put_style
from .files import png
from .isolation.client import never
from .model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    FitBox,
    Font,
    Ground,
    Length,
    Lettering,
    Paint,
    Place,
    Style,
)
from .render.export import rgba
from .render.renderer import Cancelled

DPI = 150.0
NAME_HIGH, MARGIN, GAP = 30, 24, 16
"""px: of the line with a style's name, round the page, between tiles."""
PAGE, INK = Colour(244, 243, 238), Colour(38, 42, 40)
GROUND = ColourPaint(colour=Colour(58, 66, 74))
"""A middle dark: glows and shadows both show on it."""


class SheetLayout(NamedTuple):
    """Words, px of a tile, tiles across and down a page, and what lies behind the words."""

    text: str = "Anole"
    wide: int = 320
    high: int = 180
    across: int = 4
    down: int = 6
    ground: Paint = GROUND
    font: Font = Font()

    @property
    def size(self) -> tuple[int, int]:
        """px of a page: across, down."""
        return (
            2 * MARGIN + self.across * self.wide + (self.across - 1) * GAP,
            2 * MARGIN + self.down * (self.high + NAME_HIGH) + (self.down - 1) * GAP,
        )


def tile_board(style: Style, layout: SheetLayout) -> Board:
    """One tile's board: the words as large as go into it, in the style."""
    ground = Ground(id="ground", paint=layout.ground)
    bare = Board(width=layout.wide, height=layout.high, pieces=(ground,))
    plain = Style(name="", coats=())
    board, words = add_title(bare, layout.text, plain)
    if layout.font != Font():
        board = _in_font(board, words, layout.font)
    return put_style(board, words, style)


def _in_font(board: Board, words: str, font: Font) -> Board:
    piece = msgspec.structs.replace(board.lettering(words), font=font)
    pieces = tuple(piece if p.id == words else p for p in board.pieces)
    return msgspec.structs.replace(board, pieces=pieces)


def _name_board(name: str, layout: SheetLayout) -> Board:
    words = Lettering(
        id="n",
        text=name,
        font=Font(family="Inter", weight=500),
        size=Length(15.0),
        align="start",
        box=FitBox(width=layout.wide, height=NAME_HIGH, fit="shrink"),
        place=Place(x=0.0, y=NAME_HIGH / 2, anchor="left"),
        style=(Fill(id="f", paint=ColourPaint(colour=INK)),),
    )
    ground = Ground(id="g", paint=ColourPaint(colour=PAGE))
    return Board(width=layout.wide, height=NAME_HIGH, pieces=(ground, words))


def pages(
    styles: Sequence[Style],
    layout: SheetLayout | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = never,
) -> Iterator[Pixels]:
    """Pages of (H, W, 3) uint8 sRGB, the last as high as it needs. progress is called with 0..1.
    Raises Cancelled."""
    layout = layout or SheetLayout()
    each = layout.across * layout.down
    for first in range(0, max(len(styles), 1), each):
        part = styles[first : first + each]
        rows = -(-len(part) // layout.across) or 1
        wide, high = layout._replace(down=rows).size
        page = np.empty((high, wide, 3), np.uint8)
        page[:] = (PAGE.r, PAGE.g, PAGE.b)
        for number, style in enumerate(part):
            if stop():
                raise Cancelled
            row, column = divmod(number, layout.across)
            y = MARGIN + row * (layout.high + NAME_HIGH + GAP)
            x = MARGIN + column * (layout.wide + GAP)
            both = (tile_board(style, layout), _name_board(style.name, layout))
            for board, top in zip(both, (y, y + layout.high), strict=True):
                page[top : top + board.height, x : x + board.width] = rgba(board)[..., :3]
            progress((first + number + 1) / max(len(styles), 1))
        yield page


def write(
    path: Path,
    styles: Sequence[Style],
    layout: SheetLayout | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = never,
) -> None:
    """Write a contact sheet as its ending says: a PDF of pages, or one PNG with all of them.
    Raises FileError, and Cancelled, and nothing is written then."""
    layout = layout or SheetLayout()
    kind = path.suffix.lower()
    if kind == ".png":
        rows = max(-(-len(styles) // layout.across), 1)
        (page,) = pages(styles, layout._replace(down=rows), progress, stop)
        alpha = np.full((*page.shape[:2], 1), 255, np.uint8)
        write_bytes(path, png.encode(np.concatenate([page, alpha], 2), DPI))
    elif kind == ".pdf":
        write_bytes(path, _pdf(pages(styles, layout, progress, stop)))
    else:
        raise FileError(f"{path.name}: a contact sheet is written as .png or .pdf")


def _pdf(sheets: Iterator[Pixels]) -> bytes:
    from PIL import Image

    images = [Image.fromarray(page) for page in sheets]
    room = io.BytesIO()
    images[0].save(room, "PDF", resolution=DPI, save_all=True, append_images=images[1:], quality=92)
    return room.getvalue()
