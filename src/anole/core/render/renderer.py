"""The renderer: composes a board's steps, again only where they changed.

The last frame's steps are compared with the new ones. Steps before the first difference are
not run again: the planes as they stood there are kept (a checkpoint). Nothing outside the
boxes of the steps that differ is touched.
"""

from __future__ import annotations

import weakref
from collections.abc import Callable, Hashable, Sequence
from typing import Any, NamedTuple

import numpy as np

from .. import bands, isolation
from ..arrays import Packed, Plane, Planes
from ..box import EMPTY, Box, around
from ..cache import Cache
from ..compose import dither
from ..compose.dirty_spans import DirtySpans, of, whole
from ..compose.finely import run_all
from ..compose.program import COPY, Instruction
from ..compose.steps import (
    Accumulators,
    ApartBegin,
    ApartEnd,
    FaceBegin,
    FaceEnd,
    PreparedStep,
    Step,
    Wipe,
)
from ..model import Board
from ..pieces.placing.view import View
from ..pieces.registry import is_ground, sees_others, steps_of


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
        """The px asked for: the window, or the whole board."""
        return self.window or board_box(self.board, self.scale)


class Checkpoint(NamedTuple):
    """The planes as they stood after some steps; `face` and `beneath` only where they were in use."""

    keys: tuple
    ground: Planes
    face: Planes | None
    beneath: tuple[Planes, ...]


def board_box(board: Board, scale: float) -> Box:
    """The whole board at `scale`, one px at least each way."""
    return Box(0, 0, max(1, round(board.width * scale)), max(1, round(board.height * scale)))


APRON = 2
"""px round the window over which coats are made too: what looks at its neighbours finds the same
ones however a picture is cut."""
Planned = dict[str, tuple[tuple, list[Step]]]
"""By the id of a piece, the steps that it had in the last frame and all that they came from."""


def plan(request: Request, cache: Cache, planned: Planned | None = None) -> list[Step]:
    """The steps of a frame, bottom first. Pieces that see no others and are as they were in the last
    frame keep their steps, which `planned` holds then."""

    def picture(board: Board, scale: float, box: Box, bare: bool) -> Planes:
        return Renderer(cache).frame(Request(board, scale, box, bare)).ground

    around = request.box.grown(APRON)
    view = View(
        request.board, request.scale, around, cache, picture, is_ground, request.transparent
    )
    steps: list[Step] = [Wipe(("wipe", view.window), view.window)]
    board, before = request.board, dict(planned or {})
    where = (board.width, board.height, board.dpi, board.lamp, request.scale, view.window)
    if planned is not None:
        planned.clear()
    for piece in board.pieces:
        if not piece.shown or (request.transparent and is_ground(piece)):
            continue
        came_from = (piece, where, request.transparent)
        known = before.get(piece.id)
        if known is None or known[0] != came_from:
            known = came_from, steps_of(piece, view)
        steps.extend(known[1])
        if planned is not None and not sees_others(piece):
            planned[piece.id] = known
    return steps


class Difference(NamedTuple):
    """Index of the first step that differs, and those of the old and of the new that do."""

    first: int
    old: Sequence[Step]
    new: Sequence[Step]

    @property
    def box(self) -> Box:
        """Where the pictures can differ."""
        return around(step.box for step in (*self.old, *self.new))


def difference(old: Sequence[Step], new: Sequence[Step]) -> Difference:
    """The steps of two lists between the keys that they begin and end alike with."""
    first = 0
    while first < min(len(old), len(new)) and old[first].key == new[first].key:
        first += 1
    last = 0
    while last < min(len(old), len(new)) - first and old[-1 - last].key == new[-1 - last].key:
        last += 1
    return Difference(first, old[first : len(old) - last], new[first : len(new) - last])


def in_use(steps: Sequence[Step]) -> tuple[bool, int]:
    """Whether the face, and how many boards kept aside, still wait to be joined after these steps."""
    face = sum(isinstance(s, FaceBegin) - isinstance(s, FaceEnd) for s in steps)
    apart = sum(isinstance(s, ApartBegin) - isinstance(s, ApartEnd) for s in steps)
    return face > 0, apart


class DirtyMemo(NamedTuple):
    """The last spans and what they were made from: a drag on an opacity asks for them again."""

    box: Box
    planes: list[Planes]
    spans: DirtySpans


class Renderer:
    """Keeps fields, coverages and checkpoints between frames; one frame at a time."""

    def __init__(self, cache: Cache | None = None) -> None:
        self.cache = cache or Cache()
        self._planes = Accumulators(EMPTY)
        self._steps: list[Step] = []
        self._points: list[Checkpoint] = []
        self._planned: Planned = {}
        self._changed_masks: dict[Hashable, tuple[weakref.ref[Plane], Box]] = {}
        self._dirty: DirtyMemo | None = None
        self.dirty = EMPTY
        """What the last frame() changed; pixels outside it are those of the frame before."""

    @isolation.whole()
    def frame(self, request: Request, stop: Callable[[], bool] = lambda: False) -> Accumulators:
        """Compose the frame; the planes are valid until the next call. Raises Cancelled, and in a
        thread that must not wait isolation.NotYet."""
        steps = plan(request, self.cache, self._planned)
        if self._planes.window != request.box:
            self._planes, self._steps, self._points = Accumulators(request.box), [], []
            self._dirty = None
        changed = difference(self._steps, steps)
        first, self.dirty = changed.first, changed.box.meet(request.box)
        if changed.box.empty and self._steps:
            self._steps = steps
            return self._planes
        start, point = self._resume(steps, first)
        keep = first > 0 and (point is None or start < first)
        if keep:
            self.dirty = request.box
        old = [self._changed_mask(step) for step in changed.old]
        prepared = self._prepared(steps[start:], stop)
        if keep:
            spans = whole(self.dirty, request.box.x0)
        else:
            spans = self._changed([*old, *(self._changed_mask(step) for step in changed.new)])
        # once pixels change, the old steps no longer describe the planes
        self._steps = []
        saved = self._fresh_point(steps, first) if keep else None
        self._compose(steps[start:], prepared, spans, point, saved, first - start)
        if saved is not None:
            self._points = [*self._points[-1:], saved]
        self._steps = steps
        there = {step.key for step in steps}
        self._changed_masks = {key: ref for key, ref in self._changed_masks.items() if key in there}
        return self._planes

    def release(self) -> None:
        """Let go of all that is kept. What lies in a cache knows the cache, so that nothing of it goes
        by itself when nobody has the renderer any more."""
        self.cache.clear()
        self._planes, self._steps, self._points = Accumulators(EMPTY), [], []
        self._planned, self._changed_masks, self._dirty = {}, {}, None

    def _prepared(self, steps: Sequence[Step], stop: Callable[[], bool]) -> list[PreparedStep]:
        prepared = []
        for step in steps:
            if stop():
                raise Cancelled
            prepared.append(step.prepared(self._planes))
        self._changed_masks.update(
            {
                s.key: (weakref.ref(r.changed_mask[0]), r.changed_mask[1])
                for s, r in zip(steps, prepared, strict=True)
                if r.changed_mask is not None
            }
        )
        return prepared

    def _changed_mask(self, step: Step) -> tuple[Plane, Box] | None:
        """Where a step changes anything, as far as that is still known."""
        memo, box = self._changed_masks.get(step.key, (lambda: None, EMPTY))
        plane = memo()
        return None if plane is None else (plane, box)

    def _changed(self, changed_masks: Sequence[tuple[Plane, Box] | None]) -> DirtySpans:
        """Where steps that differ touch anything: all of their boxes when one does not say."""
        part, left = self.dirty, self._planes.window.x0
        told = {id(there[0]): there for there in changed_masks if there is not None}
        if None in changed_masks:
            return whole(part, left)
        memo, planes = self._dirty, [plane for plane, _ in told.values()]
        if memo is None or memo.box != part or [id(p) for p in memo.planes] != list(told):
            memo = self._dirty = DirtyMemo(part, planes, of(told.values(), part, left))
        return memo.spans

    def _resume(self, steps: Sequence[Step], first: int) -> tuple[int, Checkpoint | None]:
        """The latest checkpoint whose steps are still the same."""
        keys = tuple(step.key for step in steps[:first])
        best: Checkpoint | None = None
        for point in self._points:
            size = len(point.keys)
            if size <= first and keys[:size] == point.keys and (not best or size > len(best.keys)):
                best = point
        return (len(best.keys), best) if best else (0, None)

    def _fresh_point(self, steps: Sequence[Step], first: int) -> Checkpoint:
        ground = np.empty_like(self._planes.ground)
        faced, apart = in_use(steps[:first])
        face = np.empty_like(ground) if faced else None
        beneath = tuple(np.empty_like(ground) for _ in range(apart))
        return Checkpoint(tuple(step.key for step in steps[:first]), ground, face, beneath)

    def _compose(
        self,
        steps: Sequence[Step],
        prepared: Sequence[PreparedStep],
        spans: DirtySpans,
        start: Checkpoint | None,
        saved: Checkpoint | None,
        save_at: int,
    ) -> None:
        planes, part = self._planes, spans.box
        instructions: list[Any] = _restored(planes, start, part) if start is not None else []
        for index, (step, made) in enumerate(zip(steps, prepared, strict=True)):
            if saved is not None and index == save_at:
                instructions += _stored(planes, saved, part)
            if not step.box.meet(part).empty:
                instructions += made.instructions
        if saved is not None and save_at == len(steps):
            instructions += _stored(planes, saved, part)
        run_all(instructions, planes, spans)

    def picture(self, planes: Accumulators, part: Box, straight: bool, out: Packed) -> None:
        """Round `part` of the planes into out, (H, W) uint32 over the whole window. Raises
        ValueError for another window's `out`."""
        if out.shape != (planes.window.height, planes.window.width):
            raise ValueError(f"{out.shape} px are not those of {planes.window}")
        off = (planes.window.x0, planes.window.y0)
        noise = dither.thresholds()
        x0, y0, x1, y1 = planes.inner(part.meet(planes.window))
        bands.run(
            lambda a, b: dither.pack(
                planes.ground, (x0, y0 + a, x1, y0 + b), noise, off, straight, out
            ),
            bands.split(y1 - y0),
        )


def _pairs(planes: Accumulators, point: Checkpoint) -> list[tuple[Planes, Planes]]:
    """The planes in use at a checkpoint, each with its copy there."""
    pairs = [(planes.ground, point.ground)]
    if point.face is not None:
        pairs.append((planes.face, point.face))
    return pairs + [(planes.beneath(depth), saved) for depth, saved in enumerate(point.beneath)]


def _restored(planes: Accumulators, point: Checkpoint, part: Box) -> list[Instruction]:
    return [Instruction(COPY, part, own, saved) for own, saved in _pairs(planes, point)]


def _stored(planes: Accumulators, point: Checkpoint, part: Box) -> list[Instruction]:
    return [Instruction(COPY, part, saved, own) for own, saved in _pairs(planes, point)]
