"""The steps a frame is composed of. Each has a key (its whole value) and a box it may touch.

A frame has up to three accumulators, all (4, H, W) float32 premultiplied: `ground` takes what
lies outside the letters, `face` what lies inside them, and both are joined once, through the
letters' coverage: the edge keeps that coverage whatever the number of coats, and no ground
shows between a stroke and the face. `kept` is the board beneath a piece painted apart.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import NamedTuple, Protocol

import numpy as np

from ..box import Box
from ..coats.scene import Cover
from ..paint import blend
from .runs import Runs


class Ready(NamedTuple):
    """A step whose fields and colours are made.

    run : does it on the runs of a part of its box
    touches : (H or 1, W) float32 over a box, 0 where it changes nothing; None: all of its box
    """

    run: Callable[[Planes, Box, Runs], None]
    touches: tuple[np.ndarray, Box] | None = None


class Planes:
    """A frame's accumulators over a window."""

    def __init__(self, window: Box) -> None:
        self.window = window
        shape = (4, window.height, window.width)
        self.ground = np.zeros(shape, np.float32)
        self.face = np.zeros(shape, np.float32)
        self.kept = np.zeros(shape, np.float32)

    def inner(self, part: Box) -> tuple[int, int, int, int]:
        """A box of board px as x0, y0, x1, y1 in the planes."""
        x, y = self.window.x0, self.window.y0
        return part.x0 - x, part.y0 - y, part.x1 - x, part.y1 - y

    def cut(self, plane: np.ndarray, part: Box) -> np.ndarray:
        rows, columns = part.slices_in(self.window)
        return plane[:, rows, columns]


class Op(Protocol):
    @property
    def key(self) -> Hashable: ...
    @property
    def box(self) -> Box: ...
    def ready(self) -> Ready:
        """Make what is needed, from the cache where it can; then run on any part of the box."""


class Wipe(NamedTuple):
    """Start from nothing."""

    key: Hashable
    box: Box

    def ready(self) -> Ready:
        def run(planes: Planes, part: Box, runs: Runs) -> None:
            blend.wipe(planes.ground, planes.inner(part), runs.rows(part))

        return Ready(run)


class FaceBegin(NamedTuple):
    """The face starts as a copy of what is there."""

    key: Hashable
    box: Box

    def ready(self) -> Ready:
        def run(planes: Planes, part: Box, runs: Runs) -> None:
            blend.copy(planes.face, planes.ground, planes.inner(part), runs.rows(part))

        return Ready(run)


class FaceEnd(NamedTuple):
    """The face is laid in once, through the letters' coverage."""

    key: Hashable
    box: Box
    coverage: Callable[[], tuple[np.ndarray, Box]]

    def ready(self) -> Ready:
        plane, over = self.coverage()

        def run(planes: Planes, part: Box, runs: Runs) -> None:
            at = (part.x0 - over.x0, part.y0 - over.y0)
            window, rows = planes.inner(part), runs.rows(part)
            blend.lerp(planes.ground, planes.face, window, rows, plane, at, np.float32(1))

        return Ready(run)


class Lay(NamedTuple):
    """One coat, or a ground: a source through a coverage onto one or both sides of the edge.

    within : the letters' coverage and its box, through which the face is laid in
    """

    key: Hashable
    box: Box
    cover: Callable[[], Cover]
    source: Callable[[], np.ndarray]
    opacity: float
    blend: str
    arithmetic: tuple[float, ...]
    seen: str
    within: Callable[[], tuple[np.ndarray, Box]] | None = None

    def ready(self) -> Ready:
        cover, source = self.cover(), self.source()
        mode, opacity = blend.NUMBER[self.blend], np.float32(self.opacity)
        factors = np.array(self.arithmetic, np.float32)
        outside = cover.outside and self.seen != "inside"
        face = cover.face and self.seen != "outside"

        def run(planes: Planes, part: Box, runs: Runs) -> None:
            at = (part.x0 - self.box.x0, part.y0 - self.box.y0)
            window, rows = planes.inner(part), runs.rows(part)
            for plane, wanted in ((planes.ground, outside), (planes.face, face)):
                if wanted:
                    blend.lay(
                        plane, window, rows, source, at, cover.plane, at, opacity, mode, factors
                    )

        if outside or self.within is None:
            return Ready(run, (cover.plane, self.box))
        return Ready(run, self.within())


class ApartBegin(NamedTuple):
    """Set the board aside; a piece with a blend of its own is then painted on nothing."""

    key: Hashable
    box: Box
    on_nothing: bool

    def ready(self) -> Ready:
        def run(planes: Planes, part: Box, runs: Runs) -> None:
            window, rows = planes.inner(part), runs.rows(part)
            blend.copy(planes.kept, planes.ground, window, rows)
            if self.on_nothing:
                blend.wipe(planes.ground, window, rows)

        return Ready(run)


class ApartEnd(NamedTuple):
    """Bring the board back: lerp by opacity, or blend the piece in."""

    key: Hashable
    box: Box
    opacity: float
    blend: str

    def ready(self) -> Ready:
        opacity, mode = np.float32(self.opacity), blend.NUMBER[self.blend]
        ones = np.ones((1, self.box.width), np.float32)
        factors = np.array((0, 1, 1, -0.5), np.float32)

        def run(planes: Planes, part: Box, runs: Runs) -> None:
            window, rows, at = planes.inner(part), runs.rows(part), (0, 0)
            if self.blend == "normal":
                blend.lerp(planes.kept, planes.ground, window, rows, ones, at, opacity)
            else:
                straight = np.ascontiguousarray(planes.cut(planes.ground, part))
                straight[:3] /= np.maximum(straight[3], 1e-7)
                blend.lay(planes.kept, window, rows, straight, at, ones, at, opacity, mode, factors)
            blend.copy(planes.ground, planes.kept, window, rows)

        return Ready(run)
