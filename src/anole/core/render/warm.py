"""Compile every kernel once, so that the next start finds them on disk."""

from __future__ import annotations

from collections.abc import Callable

from ..model import (
    Board,
    Coat,
    ColourPaint,
    Fill,
    Gleam,
    Gloss,
    Glow,
    Gradient,
    Grain,
    Grey,
    Ground,
    Ink,
    Length,
    Lettering,
    Pattern,
    Place,
    Position,
    Relief,
    Shadow,
    Sheen,
    Span,
    Stroke,
    Tint,
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
        Fill(id="p1", paint=Gradient(shape="conic")), Fill(id="p2", paint=Gradient(frame="letter")),
        Fill(id="p3", paint=Gradient(shape="edge", angle=30)),
        Fill(id="p4", paint=Pattern(generator="leather", angle=20, tone=(Grey(), Tint()))),
        Fill(id="p5", paint=Pattern(generator="bricks", tile="mirror", speckle=0.5)),
        Fill(id="p6", paint=Pattern(inks=(Ink("letter"), Ink("own")))),
        Stroke(id="k3", join="mitre"), Relief(id="r1"), Relief(id="r2", rounding=1, gleam=Gleam()),
        Grain(id="n1"), Sheen(id="e1"), Gloss(id="o1"), Gloss(id="o2", frame="letter"),
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
