"""Every kernel used once: compiled where it is not, and loaded, before anybody waits for it."""

from __future__ import annotations

import functools
from collections.abc import Callable

import msgspec
import numpy as np

from ..box import Box
from ..coats.registry import KINDS
from ..marks import laying
from ..model import Board, Coat, Ground, Length, Lettering, Place, Pool, Rim, Scatter, Spot, Stamps
from .export import rgba


def _coats() -> tuple[Coat, ...]:
    """What each kind of coat says it takes to use its kernels."""
    samples = [coat for kind in KINDS.values() for coat in kind.samples()]
    return tuple(
        msgspec.structs.replace(coat, id=f"coat-{number}") for number, coat in enumerate(samples)
    )


def _board(*style: Coat) -> Board:
    words = Lettering(id="w", text="ag", size=Length(24), place=Place(x=40, y=24), style=style)
    return Board(width=80, height=48, pieces=(Ground(id="g"), words))


def small_board() -> Board:
    """A board that uses every kernel there is."""
    pool = Pool(id="p", spots=(Spot(x=40, y=20, radius=30),), rim=Rim())
    stamps = Stamps(id="s", scatter=Scatter(count=3))
    below, words = _board(*_coats()).pieces
    return Board(width=80, height=48, pieces=(below, pool, stamps, words))


def boards() -> list[Callable[[], object]]:
    """The same in parts, for several processes: each renders a coat by itself."""
    return [functools.partial(rgba, _board(coat)) for coat in _coats()]


_warmed: list[bool] = []
"""Not empty once all kernels of this process are there."""


def is_warm() -> bool:
    """Whether they are."""
    return bool(_warmed)


def warm(done: Callable[[float], None] = lambda share: None) -> None:
    """Render a small board both ways, once in a process; `done` is called with the share done."""
    if _warmed:
        done(1.0)
        return
    laid = np.zeros((4, 2, 2), np.float32)
    laying.pictures({2: laid}, np.array([[1.0, 1.0, 2.0, 1.0, 0.0, 1.0]]), Box(0, 0, 2, 2))
    for number, transparent in enumerate((False, True), 1):
        rgba(small_board(), transparent=transparent)
        done(number / 2)
    _warmed.append(True)
