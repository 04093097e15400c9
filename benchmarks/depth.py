"""What depth and ground cost: walls, copies, reflections, presses and glass, each beside OpenCV."""

from __future__ import annotations

from collections.abc import Callable

import cv2
import msgspec
import numpy as np

from anole.core.model import (
    Board,
    Coat,
    Copies,
    Exposure,
    Fill,
    Font,
    Glass,
    Gradient,
    Ground,
    Length,
    Lettering,
    Mirror,
    Place,
    Press,
    Ripple,
    Streak,
    Thickness,
    ToneCoat,
    Wear,
)
from anole.core.render.renderer import Renderer, Request

from .scenes import FACE, planes
from .timing import Result, race

MANY = 400
"""Values of a drag: more than there are rounds, so that none comes again."""
COPY = "copy of the planes"


def _board(*coats: Coat) -> Board:
    """Two lines over a gradient, their face painted."""
    words = Lettering(
        id="w", text="BOUT\nNIGHT", size=Length(280), font=Font(family="Lilita One"),
        leading=Length(0.95, "em"), place=Place(x=640, y=340), style=coats,
    )  # fmt: skip
    return Board(pieces=(Ground(id="g", paint=Gradient(angle=120)), words))


def _copies() -> Callable[[], object]:
    made = planes()
    return lambda: np.copyto(np.empty_like(made), made)


def _drag(boards: list[Board]) -> Callable[[], object]:
    """Another value each time, as in a drag: what the coat itself makes is made anew."""
    renderer, count = Renderer(), iter(range(1 << 30))
    renderer.frame(Request(boards[0]))
    return lambda: renderer.frame(Request(boards[next(count) % len(boards)]))


def _remap() -> Callable[[], object]:
    made = planes()
    ys, xs = np.mgrid[: made.shape[1], : made.shape[2]].astype(np.float32)
    xs, ys = xs + 3.3, ys - 2.7
    return lambda: [cv2.remap(p, xs, ys, cv2.INTER_CUBIC) for p in made]


def depth() -> list[Result]:
    fill = Fill(id="f", paint=FACE)

    def turns(coat: Coat, field: str, first: float, last: float, *above: Coat) -> list[Board]:
        values = np.linspace(first, last, MANY)
        changed = (
            msgspec.structs.replace(coat, **{field: Length(float(v)) if isinstance(
                getattr(coat, field), Length) else float(v)}) for v in values
        )  # fmt: skip
        return [_board(one, *above) for one in changed]

    walls = Thickness(id="c", throw_x=Length(70.0), throw_y=Length(97.0))
    scenes = (
        ("thickness, 120 px deep", turns(walls, "throw_x", 65, 75, fill), 15.0),
        ("press", turns(Press(id="c"), "push_y", -8, -24, fill), 8.0),
        ("glass", turns(Glass(id="c"), "bend", 8, 24), 8.0),
        ("mirror", [_board(fill, *m) for m in ((Mirror(id="c", lean=30 * n / MANY),) for n in range(MANY))], 8.0),
        ("tone", [
            _board(fill, ToneCoat(id="c", tone=(Exposure(stops=n / MANY),))) for n in range(MANY)
        ], 8.0),
        ("50 copies of the picture",
         turns(Copies(id="c", of="picture", count=50.0), "to_x", 30, 60, fill), 25.0),
    )  # fmt: skip
    scenes += (
        ("ripple of the outline", turns(Ripple(id="c"), "height_x", 8, 16, fill), 8.0),
        ("ripple of the picture",
         [_board(fill, *one.pieces[1].style) for one in turns(
             Ripple(id="c", drives="picture", by="turbulence"), "amount", 8, 16)], 8.0),
        ("streak", turns(Streak(id="c"), "reach", 150, 200, fill), 12.0),
        ("streak, three directions", turns(Streak(id="c", count=3.0), "reach", 150, 200, fill), None),
        ("wear, five octaves, size", turns(Wear(id="c"), "size", 25, 40, fill), 15.0),
        ("wear, amount", turns(Wear(id="c"), "amount", 0.1, 0.3, fill), 15.0),
    )  # fmt: skip
    found = [
        race(name, _drag(boards), _copies(), COPY, budget, rounds=13)
        for name, boards, budget in scenes
    ]
    press = turns(Press(id="c"), "push_y", -8, -24, fill)
    return [*found, race("press", _drag(press), _remap(), "OpenCV, cubic remap", None, rounds=13)]
