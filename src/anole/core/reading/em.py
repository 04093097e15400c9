"""How large the letters of a picture are in em, where it is known what they say and in which font."""

from __future__ import annotations

from ..lettering.fonts import families
from ..model import Font, Length, Lettering
from ..pieces.registry import coated_kind
from .look import Look
from .seen import Unreadable

DPI, EM = 96.0, 200.0


def caps_of(look: Look, words: str, family: str) -> float:
    """How tall the found letters are in em of a font. Raises Unreadable where that does not draw the
    words."""
    if family not in families():
        raise Unreadable(f"There is no font called {family}.")
    piece = Lettering(id="w", text=words, size=Length(EM), font=Font(family=family))
    ink = coated_kind(piece).ink(piece, DPI)
    tall = ink[3] - ink[1] if ink is not None else 0.0
    if tall <= 1 or look.ink_height <= 0:
        raise Unreadable(f"{family} draws nothing of these words.")
    em = look.ink_height / (tall / EM)
    return look.cap_height / em
