"""How like each other styles look: the distance of small renders in OKLab, and their colours."""

from __future__ import annotations

import functools
from collections.abc import Sequence

import numpy as np

from ..arrays import Planes
from ..colour.spaces import to_oklab
from ..library.styles import digest
from ..model import (
    Board,
    Coat,
    Colour,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
    Stop,
    Style,
)
from ..render.export import rgba
from .recolouring import main_hue

WIDE, HIGH, EM = 72, 40, 30.0
TEXT = "Sg"
GROUND = Gradient(
    stops=(Stop(0.0, Colour(46, 50, 58)), Stop(1.0, Colour(178, 184, 190))), angle=90.0
)
"""Dark at the left, light at the right: glows and shadows both show."""
MOST_KEPT = 1000
_pictures: dict[str, Planes] = {}


def sample_board(coats: Sequence[Coat]) -> Board:
    """Two letters in the coats before a ground that is dark and light."""
    words = Lettering(
        id="w",
        text=TEXT,
        size=Length(EM),
        place=Place(x=WIDE / 2, y=HIGH / 2),
        style=tuple(coats),
    )
    return Board(width=WIDE, height=HIGH, pieces=(Ground(id="g", paint=GROUND), words))


def small_render(coats: Sequence[Coat]) -> Planes:
    """(3, HIGH, WIDE) OKLab of a sample in the coats; each stack is rendered once."""
    key = digest(coats)
    if key not in _pictures:
        if len(_pictures) >= MOST_KEPT:
            _pictures.clear()
        pixels = rgba(sample_board(coats))[..., :3].astype(float) / 255
        _pictures[key] = to_oklab(np.moveaxis(pixels, -1, 0)).astype(np.float32)
    return _pictures[key]


def distance(a: Sequence[Coat], b: Sequence[Coat]) -> float:
    """Root of the mean squared distance in OKLab of two samples, px by px; 0 for the same."""
    between = small_render(a) - small_render(b)
    return float(np.sqrt((between**2).sum(0).mean()))


def by_likeness(styles: Sequence[Style], to: Style) -> list[Style]:
    """The styles, those first that look most like one of them."""
    return sorted(styles, key=lambda style: (distance(style.coats, to.coats), style.name))


@functools.lru_cache(MOST_KEPT)
def colour_rank(coats: tuple[Coat, ...]) -> tuple[bool, float]:
    """By which styles are sorted by colour: hues from red round to pink, then greys from dark to
    light."""
    hue = main_hue(coats)
    if hue is not None:
        return False, hue
    return True, float(small_render(coats)[0].mean())
