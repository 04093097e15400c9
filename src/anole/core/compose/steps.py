"""The steps a frame is composed of. Each has a key (its whole value) and a box it may touch.

A frame has up to three accumulators, all (4, H, W) float32 premultiplied: `ground` takes what
lies outside the shape, `face` what lies inside it, and both are joined once, through the
shape's coverage: the edge keeps that coverage whatever the number of coats, and no ground
shows between a stroke and the face. `beneath` are the boards beneath pieces painted apart, each
within the one before.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable, Sequence
from typing import Any, NamedTuple, Protocol

import numpy as np

from ..arrays import Plane, Planes
from ..box import Box
from . import blend
from .cover import Cover
from .program import COMPOSITE, COPY, LERP, MERGE, WIPE, Instruction


class Accumulators:
    """A frame's accumulators over a window."""

    def __init__(self, window: Box) -> None:
        self.window = window
        shape = (4, window.height, window.width)
        self.ground = np.zeros(shape, np.float32)
        self.face = np.zeros(shape, np.float32)
        self._beneath: list[Planes] = []

    def beneath(self, depth: int) -> Planes:
        """The board as it was when the piece painted apart at a depth, from 0, began."""
        while len(self._beneath) <= depth:
            self._beneath.append(np.zeros_like(self.ground))
        return self._beneath[depth]

    def inner(self, part: Box) -> tuple[int, int, int, int]:
        """A box of board px as x0, y0, x1, y1 in the planes."""
        x, y = self.window.x0, self.window.y0
        return part.x0 - x, part.y0 - y, part.x1 - x, part.y1 - y


class PreparedStep(NamedTuple):
    """A step whose fields and colours are made.

    instructions : what it does to the planes: each an Instruction, or Finely
    changed_mask : (H or 1, W) float32 over a box, 0 where it changes nothing; None: all of its box
    """

    instructions: Sequence[Any]
    changed_mask: tuple[Plane, Box] | None = None


class Step(Protocol):
    """One step of painting a board: a rectangle, and what it does to the accumulators there."""

    @property
    def key(self) -> Hashable:
        """Equal keys paint the same."""

    @property
    def box(self) -> Box:
        """Where it can change a pixel."""

    def prepared(self, planes: Accumulators) -> PreparedStep:
        """Make what is needed, from the cache where it can; then say what to do."""


class Wipe(NamedTuple):
    """The board, before anything is painted."""

    key: Hashable
    box: Box

    def prepared(self, planes: Accumulators) -> PreparedStep:
        return PreparedStep([Instruction(WIPE, self.box, planes.ground)])


class FaceBegin(NamedTuple):
    """The face starts out as what lies beneath the letters."""

    key: Hashable
    box: Box

    def prepared(self, planes: Accumulators) -> PreparedStep:
        return PreparedStep([Instruction(COPY, self.box, planes.face, planes.ground)])


class FaceEnd(NamedTuple):
    """The painted face is composited once through the shape's coverage."""

    key: Hashable
    box: Box
    coverage: Callable[[], tuple[Plane, Box]]

    def prepared(self, planes: Accumulators) -> PreparedStep:
        plane, box = self.coverage()
        at = (box.x0, box.y0)
        return PreparedStep([Instruction(LERP, self.box, planes.ground, planes.face, plane, at)])


class CompositeStep(NamedTuple):
    """One coat, or a ground: a source through a coverage onto one or both sides of the edge.

    made : all that the coverage and the source come from
    within : the shape's coverage and its box, through which the face is laid in
    """

    made: Hashable
    box: Box
    cover: Callable[[], Cover]
    source: Callable[[], Planes]
    opacity: float
    blend: str
    arithmetic: tuple[float, ...]
    clip_side: str
    within: Callable[[], tuple[Plane, Box]] | None = None

    @property
    def key(self) -> Hashable:
        return (self.made, self.box, self.opacity, self.blend, self.arithmetic, self.clip_side)

    def prepared(self, planes: Accumulators) -> PreparedStep:
        cover, source = self.cover(), np.ascontiguousarray(self.source(), np.float32)
        outside = cover.outside and self.clip_side != "inside"
        face = cover.face and self.clip_side != "outside"
        instructions = [
            Instruction(
                COMPOSITE,
                self.box,
                plane,
                source,
                cover.plane,
                (self.box.x0, self.box.y0),
                self.opacity,
                blend.NUMBER[self.blend],
                self.arithmetic,
            )
            for plane, wanted in ((planes.ground, outside), (planes.face, face))
            if wanted
        ]
        if outside or self.within is None:
            return PreparedStep(instructions, (cover.plane, self.box))
        return PreparedStep(instructions, self.within())


class ApartBegin(NamedTuple):
    """Keep the board as it is; then go on painting on it, or on nothing.

    depth : how many pieces painted apart this one lies in
    """

    key: Hashable
    box: Box
    on_nothing: bool
    depth: int = 0

    def prepared(self, planes: Accumulators) -> PreparedStep:
        kept = planes.beneath(self.depth)
        instructions = [Instruction(COPY, self.box, kept, planes.ground)]
        if self.on_nothing:
            instructions.append(Instruction(WIPE, self.box, planes.ground))
        return PreparedStep(instructions)


class ApartEnd(NamedTuple):
    """Join what was painted apart with the board beneath.

    on_nothing : whether it was painted on nothing, so that the board lies beneath it
    through : of a piece that another clips, that one's coverage and its box; the step's box lies
        within it
    """

    key: Hashable
    box: Box
    opacity: float
    blend: str
    depth: int = 0
    through: Callable[[], tuple[Plane, Box]] | None = None
    on_nothing: bool = False

    def prepared(self, planes: Accumulators) -> PreparedStep:
        ground, beneath, box = planes.ground, planes.beneath(self.depth), self.box
        if self.blend == "normal" and not self.on_nothing:
            cover, at = np.ones((1, box.width), np.float32), box
            if self.through is not None:
                cover, at = self.through()
            joined = Instruction(LERP, box, beneath, ground, cover, (at.x0, at.y0), self.opacity)
        else:
            mode = blend.NUMBER[self.blend]
            joined = Instruction(MERGE, box, beneath, ground, share=self.opacity, mode=mode)
        return PreparedStep([joined, Instruction(COPY, box, ground, beneath)])
