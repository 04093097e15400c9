"""How large the letters of a picture are in em, where it is known what they say and in which font."""

from __future__ import annotations

from ..field.shape_fields import bounds
from ..lettering.flatten import flatten
from ..lettering.fonts import families
from ..lettering.matrix import apply
from ..lettering.outline import outline
from ..model import Font, Length, Lettering
from .look import Look
from .seen import Unreadable

DPI, EM = 96.0, 200.0


def caps_of(look: Look, words: str, family: str) -> float:
    """How tall the found letters are in em of a font. Raises Unreadable where that does not draw the
    words."""
    if family not in families():
        raise Unreadable(f"There is no font called {family}.")
    piece = Lettering(id="w", text=words, size=Length(EM), font=Font(family=family))
    line = outline(piece, DPI)
    _, top, _, foot = bounds(flatten(apply(line.matrix, line.block.curves)))
    if foot - top <= 1 or look.ink_height <= 0:
        raise Unreadable(f"{family} draws nothing of these words.")
    em = look.ink_height / ((foot - top) / EM)
    return look.cap_height / em
