"""What a coat may read, and what it gives back."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ..box import Box
from ..cache import Cache
from ..field.closest import Nearest
from ..field.growth import Growth
from ..field.joins import Joined
from ..field.silhouette import Silhouette
from ..model import Coat, Lamp, Length, Span
from ..paint.source import Frames
from ..units import Units
from .band import between

EDGE = 0.01
"""px within which a span's end counts as lying on the edge."""


def on_whole(coat: Coat) -> bool:
    return getattr(coat, "silhouette", "") == "whole"


class Scene(NamedTuple):
    """The surroundings of one piece's coats at the render scale.

    em is in board px; `growth` is what the strokes on the letters add to them, in px of the
    render scale; window is the part of the board that is being rendered.
    """

    letters: Silhouette
    em: float
    dpi: float
    scale: float
    lamp: Lamp
    frames: Frames
    window: Box
    growth: Growth
    cache: Cache

    @property
    def units(self) -> Units:
        return Units(self.em, self.dpi, self.scale)

    def px(self, length: Length) -> float:
        """A length in px of the render scale."""
        return length.px(self.em, self.dpi) * self.scale

    def ends(self, span: Span) -> tuple[float, float]:
        """A span's outer and inner end, px of the render scale; infinite from the core on."""
        outer, inner = span.ends(self.em, self.letters.core / self.scale, self.dpi)
        outer, inner = outer * self.scale, inner * self.scale
        # A(core) = 0: a span that goes to the core leaves no hole on the ridge
        return outer, math.inf if inner >= self.letters.core - EDGE else inner

    def base(self, coat: Coat) -> float:
        """How far the edge that a coat follows lies outside the letters, px."""
        return self.growth.by if on_whole(coat) else 0.0

    def tips(self, coat: Coat) -> float:
        """How much further its corners may stick out, px."""
        return self.growth.tips if on_whole(coat) else 0.0

    def edge(self, coat: Coat, inside: bool) -> tuple[Nearest, Growth]:
        """An edge of whose distance the one that a coat follows is a line, and how far it lies
        outside the letters; `inside`: whether what lies within is wanted too."""
        letters, whole = self.letters, self.growth
        if not self.base(coat) or (whole.round and not inside):
            return letters.nearest, Growth()
        return letters.grown(whole), whole

    def between(
        self, nearest: Nearest, box: Box, outer: float, inner: float,
        turned: Joined | None = None,
    ) -> np.ndarray:  # fmt: skip
        """(H, W) float32 over `box`, 0..1: coverage from one distance of an edge to another.

        turned : the same distance with its corners turned for strokes that end at `outer`
        """
        field, part = nearest.distance, box.slices_in(self.letters.box)
        if turned is None:
            return between(field, outer, inner, nearest, part)
        made = between(turned.distance, outer, inner, nearest, part)
        deeper = np.zeros(field.shape, np.float32)
        deeper[turned.where] = turned.deeper
        made[turned.where[part]] = deeper[part][turned.where[part]]
        return made

    def field(self, plane: np.ndarray, box: Box) -> np.ndarray:
        """The part of a plane over the letters' field box that lies in `box`."""
        return plane[box.slices_in(self.letters.box)]

    def around(self, reach: float) -> Box:
        """The letters' box grown by `reach`, within the fields and the window."""
        return self.letters.ink.grown(max(reach, 0) + 1).meet(self.letters.box).meet(self.window)


class Under(NamedTuple):
    """px by which a coat's ends run under neighbours above that meet it there."""

    outer: float = 0.0
    inner: float = 0.0


class Reach(NamedTuple):
    """How far a coat needs the distance field, and how far it throws pixels, px."""

    distance: float = 0.0
    throw: float = 0.0


class Cover(NamedTuple):
    """Coverage of a coat and on which side of the edge it paints.

    plane : (H, W) float32, 0..1, or (1, W) where all rows are the same
    outside, face : the side may be true for both; the renderer keeps the ground and the face
    apart and joins them once through the letters' coverage, so a coverage here simply runs on
    across an edge that it does not end at.
    """

    plane: np.ndarray
    outside: bool
    face: bool


def full(box: Box) -> np.ndarray:
    return np.ones((1, box.width), np.float32)
