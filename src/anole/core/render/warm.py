"""Compile every kernel once, so that the next start finds them on disk."""

from __future__ import annotations

from collections.abc import Callable

from ..model import (
    Board,
    Coat,
    ColourPaint,
    Fill,
    Glow,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
    Position,
    Shadow,
    Span,
    Stroke,
)  # fmt: skip
from .export import rgba


def small_board() -> Board:
    """A board that uses every kernel there is."""
    inward = Span(Position(0, "px"), Position(2, "px"))
    coats: tuple[Coat, ...] = (
        Shadow(id="s1", grow=Length(1)), Shadow(id="s2", lift=Length(1), silhouette="letters"),
        Glow(id="g1", softness=1), Stroke(id="k1"), Stroke(id="k2", silhouette="whole"),
        Fill(id="f1", paint=Gradient()), Glow(id="g2", span=inward, blend="plus-lighter"),
        Glow(id="g3", span=inward, silhouette="whole"),
        Fill(id="m1", paint=ColourPaint(), blend="soft-light"),
        Fill(id="m2", paint=ColourPaint(), blend="hue"),
    )  # fmt: skip
    words = Lettering(id="w", text="ag", size=Length(24), place=Place(x=40, y=24), style=coats)
    return Board(width=80, height=48, pieces=(Ground(id="g"), words))


def warm(done: Callable[[float], None] = lambda share: None) -> None:
    """Render a small board both ways; `done` is called with the share done."""
    for number, transparent in enumerate((False, True), 1):
        rgba(small_board(), transparent=transparent)
        done(number / 2)


if __name__ == "__main__":
    warm()
