"""The axis of the build-up: outside - edge - core, in board px, laid over widget px."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ....core.coats.scene import on_whole
from ....core.coats.shadow import offset, penumbra
from ....core.lettering.outline import outline
from ....core.model import Board, Coat, Lettering, Shadow, Stroke

LEAST_LETTER, MOST_LETTER = 0.34, 0.62


class Cut(NamedTuple):
    """What the drawing is measured by: em, core and dpi of the lettering, board px."""

    em: float
    core: float
    dpi: float
    grown: float

    def base(self, coat: Coat) -> float:
        """How far the edge that a coat follows lies outside the letters, board px."""
        return self.grown if on_whole(coat) else 0.0


class Axis(NamedTuple):
    """x = edge + position * scale, with a scale for each side of the edge."""

    left: float
    edge: float
    right: float
    outer: float
    core: float

    @property
    def scale_out(self) -> float:
        return (self.edge - self.left) / self.outer

    @property
    def scale_in(self) -> float:
        return (self.right - self.edge) / self.core

    def x(self, position: float) -> float:
        """Widget px of a position in board px, kept within the drawing."""
        scale = self.scale_out if position < 0 else self.scale_in
        return min(max(self.edge + position * scale, self.left), self.right)

    def positions(self, xs: np.ndarray) -> np.ndarray:
        """Board px of many widget px."""
        scale = np.where(xs < self.edge, self.scale_out, self.scale_in)
        return (xs - self.edge) / scale

    def position(self, x: float) -> float:
        scale = self.scale_out if x < self.edge else self.scale_in
        return (x - self.edge) / scale


def ends(coat: Coat, cut: Cut) -> tuple[float, float] | None:
    """A coat's `from` and `to` in board px across the letters' edge; None without a span."""
    span = getattr(coat, "span", None)
    if span is None:
        return None
    base = cut.base(coat)
    first, last = (min(p.px(cut.em, cut.dpi), cut.core) - base for p in (span.from_, span.to))
    return first, last


def thrown(coat: Shadow, cut: Cut, board: Board) -> tuple[float, float]:
    """How far a shadow is thrown and how far its soft edge goes on, board px."""
    lamp = coat.lamp or board.lamp
    lift = coat.lift.px(cut.em, cut.dpi)
    return math.hypot(*offset(lift, lamp)), 2 * penumbra(lift, lamp)


def grown_by(piece: Lettering, cut: Cut) -> float:
    outer = [
        (ends(coat, cut) or (0.0, 0.0))
        for coat in piece.style
        if isinstance(coat, Stroke) and coat.on and coat.silhouette == "letters"
    ]
    return max(0.0, -min((min(pair) for pair in outer), default=0.0))


def cut_of(piece: Lettering, core: float, dpi: float) -> Cut:
    bare = Cut(outline(piece, dpi).em, max(core, 0.5), dpi, 0.0)
    return bare._replace(grown=grown_by(piece, bare))


def axis_for(coats: Sequence[Coat], cut: Cut, board: Board, left: float, right: float) -> Axis:
    """An axis on which every coat has room and the letter keeps at least a third."""
    outer = max(0.6 * cut.core, 4.0)
    for coat in coats:
        pair = ends(coat, cut)
        if pair is not None:
            outer = max(outer, -min(pair) * 1.06)
        elif isinstance(coat, Shadow) and coat.falls == "behind":
            far, soft = thrown(coat, cut, board)
            outer = max(outer, far + soft + cut.base(coat) + coat.grow.px(cut.em, cut.dpi))
    share = cut.core / (cut.core + outer)
    share = min(max(share, LEAST_LETTER), MOST_LETTER)
    edge = right - (right - left) * share
    return Axis(left, edge, right, outer, cut.core)


def nice_step(span: float, room: float, least: float = 30.0) -> float:
    """A round step so that ticks stand at least `least` widget px apart."""
    raw = span * least / max(room, 1.0)
    power = 10.0 ** math.floor(math.log10(max(raw, 1e-9)))
    return next((power * n for n in (1, 2, 5, 10) if power * n >= raw), power * 10)
