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
    def ready(self) -> Callable[[Planes, Box], None]:
        """Make what is needed, from the cache where it can; then run on any part of the box."""


class Wipe(NamedTuple):
    """Start from nothing."""

    key: Hashable
    box: Box

    def ready(self) -> Callable[[Planes, Box], None]:
        def run(planes: Planes, part: Box) -> None:
            planes.cut(planes.ground, part)[:] = 0

        return run


class FaceBegin(NamedTuple):
    """The face starts as a copy of what is there."""

    key: Hashable
    box: Box

    def ready(self) -> Callable[[Planes, Box], None]:
        def run(planes: Planes, part: Box) -> None:
            planes.cut(planes.face, part)[:] = planes.cut(planes.ground, part)

        return run


class FaceEnd(NamedTuple):
    """The face is laid in once, through the letters' coverage."""

    key: Hashable
    box: Box
    coverage: Callable[[], tuple[np.ndarray, Box]]

    def ready(self) -> Callable[[Planes, Box], None]:
        plane, over = self.coverage()

        def run(planes: Planes, part: Box) -> None:
            at = (part.x0 - over.x0, part.y0 - over.y0)
            window = planes.inner(part)
            blend.lerp(planes.ground, planes.face, window, plane, at, np.float32(1))

        return run


class Lay(NamedTuple):
    """One coat, or a ground: a source through a coverage onto one or both sides of the edge."""

    key: Hashable
    box: Box
    cover: Callable[[], Cover]
    source: Callable[[], np.ndarray]
    opacity: float
    blend: str
    arithmetic: tuple[float, ...]
    seen: str

    def ready(self) -> Callable[[Planes, Box], None]:
        cover, source = self.cover(), self.source()
        mode, opacity = blend.NUMBER[self.blend], np.float32(self.opacity)
        factors = np.array(self.arithmetic, np.float32)

        def run(planes: Planes, part: Box) -> None:
            at = (part.x0 - self.box.x0, part.y0 - self.box.y0)
            window = planes.inner(part)
            for plane, wanted in (
                (planes.ground, cover.outside and self.seen != "inside"),
                (planes.face, cover.face and self.seen != "outside"),
            ):
                if wanted:
                    blend.lay(plane, window, source, at, cover.plane, at, opacity, mode, factors)

        return run


class ApartBegin(NamedTuple):
    """Set the board aside; a piece with a blend of its own is then painted on nothing."""

    key: Hashable
    box: Box
    on_nothing: bool

    def ready(self) -> Callable[[Planes, Box], None]:
        def run(planes: Planes, part: Box) -> None:
            ground = planes.cut(planes.ground, part)
            planes.cut(planes.kept, part)[:] = ground
            if self.on_nothing:
                ground[:] = 0

        return run


class ApartEnd(NamedTuple):
    """Bring the board back: lerp by opacity, or blend the piece in."""

    key: Hashable
    box: Box
    opacity: float
    blend: str

    def ready(self) -> Callable[[Planes, Box], None]:
        def run(planes: Planes, part: Box) -> None:
            painted = planes.cut(planes.ground, part)
            if self.blend == "normal":
                kept = planes.cut(planes.kept, part)
                painted[:] = kept + (painted - kept) * np.float32(self.opacity)
                return
            straight = np.ascontiguousarray(painted)
            straight[:3] /= np.maximum(straight[3], 1e-7)
            ones = np.ones((1, part.width), np.float32)
            factors = np.array((0, 1, 1, -0.5), np.float32)
            blend.lay(
                planes.kept, planes.inner(part), straight, (0, 0), ones, (0, 0),
                np.float32(self.opacity), blend.NUMBER[self.blend], factors,
            )  # fmt: skip
            painted[:] = planes.cut(planes.kept, part)

        return run
