"""Small boards with a built-in style on some words."""

from __future__ import annotations

from anole.core.edit.wearing import put_style
from anole.core.library.styles import built_in, digest
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Font,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
    Stop,
)

STYLES = {kept.style.name: kept.style for kept in built_in()}
GROUND = Gradient(angle=120, stops=(Stop(0.0, Colour(58, 90, 112)), Stop(1.0, Colour(24, 40, 56))))


def styled(
    name: str, family: str, text: str, size: float, width: int, height: int, even: bool = False
) -> Board:
    """Words in the middle of a ground, which is even or runs from light to dark."""
    words = Lettering(
        id="w",
        text=text,
        font=Font(family=family),
        size=Length(size),
        place=Place(x=width / 2, y=height / 2),
    )
    paint = ColourPaint(colour=Colour(58, 90, 112)) if even else GROUND
    board = Board(width=width, height=height, pieces=(Ground(id="g", paint=paint), words))
    return put_style(board, "w", STYLES[name], digest(STYLES[name].coats))
