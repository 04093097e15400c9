"""What a coat may read, and what it gives back."""

from __future__ import annotations

import math
from enum import Flag, auto
from typing import NamedTuple

import numpy as np

from ..arrays import Chords, Plane
from ..box import Box
from ..cache import Cache
from ..field.closest import Nearest
from ..field.extrusion import DepthAxis
from ..field.joins import TurnedDistance
from ..field.outset import Outset
from ..field.polygons import with_strokes
from ..field.shape_fields import ShapeFields
from ..model import Lamp, Length, Span
from ..paint.context import BackdropSource
from ..paint.frames import Frames
from ..units import Units
from .band import between

EDGE = 0.01
"""px within which a span's end counts as lying on the edge."""


class Reads(Flag):
    """What of its context a coat's coverage, or its colours, come from."""

    NOTHING = 0
    FIELDS = auto()
    """The shape: its outlines, coverage, distance, normals, core."""
    OUTSET = auto()
    """What strokes add to the shape, where the coat follows the whole."""
    UNITS = auto()
    """em, dpi and render scale."""
    FRAME = auto()
    """The boxes of the piece and of the board."""
    LETTERS = auto()
    """The boxes of letters, words and lines."""
    LAMP = auto()
    """Its own lamp, or else the board's."""
    BENEATH = auto()
    """The picture of all that lies beneath the coat."""
    PAINTED = auto()
    """The same as far as it is in this picture: without grounds where they are left out."""
    FACE = auto()
    """What the piece paints on its face and about its edge: without walls, too."""
    LIT = auto()
    """All that the piece paints but for shadows, presses, copies and reflections."""
    MIRRORED = auto()
    """The same with its copies."""
    OWN = auto()
    """What the piece has painted so far."""


class CoatContext(NamedTuple):
    """The surroundings of one piece's coats at the render scale.

    em is in board px; `outset` is what the strokes on the shape add to it, px of the render scale;
    `lamp` is the board's; `depth_axis` the way straight back of a posed piece; window is the part of
    the board that is being rendered.
    """

    shape: ShapeFields
    em: float
    dpi: float
    scale: float
    lamp: Lamp
    frames: Frames
    window: Box
    outset: Outset
    cache: Cache
    backdrop: BackdropSource | None = None
    depth_axis: DepthAxis | None = None

    @property
    def units(self) -> Units:
        """What lengths are measured by here: em in px, dots per inch and scale."""
        return Units(self.em, self.dpi, self.scale)

    def px(self, length: Length) -> float:
        """A length in px of the render scale."""
        return length.px(self.em, self.dpi) * self.scale

    def ends(self, span: Span) -> tuple[float, float]:
        """A span's outer and inner end, px of the render scale; infinite from the core on."""
        outer, inner = span.ends(self.em, self.shape.core / self.scale, self.dpi)
        outer, inner = outer * self.scale, inner * self.scale
        # A(core) = 0: a span that goes to the core leaves no hole on the ridge
        return outer, math.inf if inner >= self.shape.core - EDGE else inner

    def base(self, whole: bool) -> float:
        """How far the edge that a coat follows lies outside the shape, px."""
        return self.outset.by if whole else 0.0

    def mitre_overhang(self, whole: bool) -> float:
        """How much further its corners may stick out, px."""
        return self.outset.mitre_overhang if whole else 0.0

    def edge_chords(self, whole: bool) -> Chords:
        """(m, 4) px: the shape's outline, alone or with what strokes add to it."""
        if not whole or not self.outset.strokes:
            return self.shape.chords
        key = ("with strokes", self.shape.key, self.outset)
        return self.cache.get(key, lambda: with_strokes(self.shape.chords, self.outset.strokes))

    def edge(self, whole: bool, inside: bool) -> tuple[Nearest, Outset]:
        """An edge of whose distance the one that a coat follows is a line, and how far it lies
        outside the shape; `inside`: whether what lies within is wanted too."""
        if not self.base(whole) or (self.outset.round and not inside):
            return self.shape.nearest, Outset()
        return self.shape.grown(self.outset), self.outset

    def between(
        self,
        nearest: Nearest,
        box: Box,
        outer: float,
        inner: float,
        turned: TurnedDistance | None = None,
    ) -> Plane:
        """(H, W) float32 over `box`, 0..1: coverage from one distance of an edge to another.

        turned : the same distance with its corners turned for strokes that end at `outer`
        """
        field, part = nearest.distance, box.slices_in(self.shape.box)
        if turned is None:
            return between(field, outer, inner, nearest, part)
        plane = between(turned.distance, outer, inner, nearest, part)
        deeper = np.zeros(field.shape, np.float32)
        deeper[turned.where] = turned.deeper
        plane[turned.where[part]] = deeper[part][turned.where[part]]
        return plane

    def field(self, plane: Plane, box: Box) -> Plane:
        """The part of a plane over the shape's field box that lies in `box`."""
        return plane[box.slices_in(self.shape.box)]

    def around(self, reach: float) -> Box:
        """The shape's box grown by `reach`, within the fields and the window."""
        return self.shape.ink.grown(max(reach, 0) + 1).meet(self.shape.box).meet(self.window)


class Overlap(NamedTuple):
    """px by which a coat's ends run under neighbours above that meet it there."""

    outer: float = 0.0
    inner: float = 0.0


class Reach(NamedTuple):
    """How far a coat needs the distance field, and how far it throws pixels, px."""

    distance: float = 0.0
    throw: float = 0.0
