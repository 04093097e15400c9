"""The renderer: composes a board's steps, again only where they changed.

The last frame's steps are compared with the new ones. Steps before the first difference are
not run again: the planes as they stood there are kept (a checkpoint). Nothing outside the
boxes of the steps that differ is touched.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import NamedTuple

import numpy as np

from .. import bands
from ..box import EMPTY, Box, around
from ..cache import Cache
from ..model import Board, Ground
from ..paint import dither
from ..pieces.registry import ops_of
from ..pieces.view import View
from .ops import ApartBegin, ApartEnd, FaceBegin, FaceEnd, Op, Planes, Wipe

BAND_BYTES = 800_000
"""About what stays in a core's own cache while all steps pass over it."""


class Cancelled(Exception):
    """A newer request made this frame useless."""


class Request(NamedTuple):
    """What to render: `window` in px at `scale`; without a window the whole board."""

    board: Board
    scale: float = 1.0
    window: Box | None = None
    transparent: bool = False

    @property
    def box(self) -> Box:
        return self.window or board_box(self.board, self.scale)


class Checkpoint(NamedTuple):
    """The planes as they stood after some steps; `face` and `kept` only where they were in use."""

    keys: tuple
    ground: np.ndarray
    face: np.ndarray | None
    kept: np.ndarray | None


def board_box(board: Board, scale: float) -> Box:
    return Box(0, 0, max(1, round(board.width * scale)), max(1, round(board.height * scale)))


def plan(request: Request, cache: Cache) -> list[Op]:
    """The steps of a frame, bottom first."""

    def picture(board: Board, scale: float, box: Box) -> np.ndarray:
        return Renderer(cache).frame(Request(board, scale, box)).ground

    view = View(request.board, request.scale, request.box, cache, picture)
    steps: list[Op] = [Wipe(("wipe", view.window), view.window)]
    for piece in request.board.pieces:
        if piece.shown and not (request.transparent and isinstance(piece, Ground)):
            steps.extend(ops_of(piece, view))
    return steps


def difference(old: Sequence[Op], new: Sequence[Op]) -> tuple[int, Box]:
    """Index of the first step that differs, and the box around all that do."""
    first = 0
    while first < min(len(old), len(new)) and old[first].key == new[first].key:
        first += 1
    last = 0
    while last < min(len(old), len(new)) - first and old[-1 - last].key == new[-1 - last].key:
        last += 1
    changed = [*old[first : len(old) - last], *new[first : len(new) - last]]
    return first, around(step.box for step in changed)


def in_use(steps: Sequence[Op]) -> tuple[bool, bool]:
    """Whether the face, and the board kept aside, still wait to be joined after these steps."""
    face = sum(isinstance(s, FaceBegin) - isinstance(s, FaceEnd) for s in steps)
    apart = sum(isinstance(s, ApartBegin) - isinstance(s, ApartEnd) for s in steps)
    return face > 0, apart > 0


class Renderer:
    """Keeps fields, coverages and checkpoints between frames; one frame at a time."""

    def __init__(self, cache: Cache | None = None) -> None:
        self.cache = cache or Cache()
        self._planes = Planes(EMPTY)
        self._steps: list[Op] = []
        self._points: list[Checkpoint] = []
        self.dirty = EMPTY
        """What the last frame() changed; pixels outside it are those of the frame before."""

    def frame(self, request: Request, stop: Callable[[], bool] = lambda: False) -> Planes:
        """Compose the frame; the planes are valid until the next call. Raises Cancelled."""
        steps = plan(request, self.cache)
        if self._planes.window != request.box:
            self._planes, self._steps, self._points = Planes(request.box), [], []
        first, dirty = difference(self._steps, steps)
        self.dirty = dirty.meet(request.box)
        if dirty.empty and self._steps:
            self._steps = steps
            return self._planes
        start, point = self._resume(steps, first)
        keep = first > 0 and (point is None or start < first)
        part = request.box if keep else dirty.meet(request.box)
        # once pixels change, the old steps no longer describe the planes
        runs = self._made_ready(steps[start:], stop)
        self._steps = []
        self.dirty = part
        saved = self._fresh_point(steps, first) if keep else None
        self._compose(steps[start:], runs, part, point, saved, first - start)
        if saved is not None:
            self._points = [*self._points[-1:], saved]
        self._steps = steps
        return self._planes

    def _made_ready(
        self, steps: Sequence[Op], stop: Callable[[], bool]
    ) -> list[Callable[[Planes, Box], None]]:
        runs = []
        for step in steps:
            if stop():
                raise Cancelled
            runs.append(step.ready())
        return runs

    def _resume(self, steps: Sequence[Op], first: int) -> tuple[int, Checkpoint | None]:
        """The latest checkpoint whose steps are still the same."""
        keys = tuple(step.key for step in steps[:first])
        best: Checkpoint | None = None
        for point in self._points:
            size = len(point.keys)
            if size <= first and keys[:size] == point.keys and (not best or size > len(best.keys)):
                best = point
        return (len(best.keys), best) if best else (0, None)

    def _fresh_point(self, steps: Sequence[Op], first: int) -> Checkpoint:
        ground = np.empty_like(self._planes.ground)
        face, kept = (np.empty_like(ground) if used else None for used in in_use(steps[:first]))
        return Checkpoint(tuple(step.key for step in steps[:first]), ground, face, kept)

    def _compose(
        self, steps: Sequence[Op], runs: Sequence[Callable[[Planes, Box], None]], part: Box,
        start: Checkpoint | None, saved: Checkpoint | None, save_at: int,
    ) -> None:  # fmt: skip
        planes = self._planes

        def rows(y0: int, y1: int) -> None:
            band = Box(part.x0, part.y0 + y0, part.x1, part.y0 + y1)
            if start is not None:
                _copy(planes, start, band, load=True)
            for index, (step, run) in enumerate(zip(steps, runs, strict=True)):
                if saved is not None and index == save_at:
                    _copy(planes, saved, band, load=False)
                here = step.box.meet(band)
                if not here.empty:
                    run(planes, here)
            if saved is not None and save_at == len(steps):
                _copy(planes, saved, band, load=False)

        height = max(16, BAND_BYTES // (16 * max(part.width, 1)))
        bands.run(rows, bands.split(part.height, max(2, part.height // height)))

    def picture(self, planes: Planes, part: Box, straight: bool, out: np.ndarray) -> None:
        """Round `part` of the planes into out, (H, W) uint32 over the whole window."""
        off = (planes.window.x0, planes.window.y0)
        noise = dither.thresholds()
        x0, y0, x1, y1 = planes.inner(part)
        bands.run(
            lambda a, b: dither.pack(
                planes.ground, (x0, y0 + a, x1, y0 + b), noise, off, straight, out
            ),
            bands.split(y1 - y0),
        )


def _copy(planes: Planes, point: Checkpoint, band: Box, load: bool) -> None:
    for own, kept in (
        (planes.ground, point.ground), (planes.face, point.face), (planes.kept, point.kept)
    ):  # fmt: skip
        if kept is not None:
            source, target = (kept, own) if load else (own, kept)
            planes.cut(target, band)[:] = planes.cut(source, band)
