"""Steps done more finely than the frame: small things, of which one look a px is not the mean of it."""

from __future__ import annotations

from collections.abc import Hashable, Iterable, Sequence
from typing import NamedTuple

import numpy as np

from .. import bands
from ..arrays import Planes
from ..box import Box, around
from ..kernels import njit
from .dirty_spans import DirtySpans, RowSpans, whole
from .program import Instruction, run
from .steps import Accumulators, PreparedStep, Step


@njit(nogil=True, cache=True, error_model="numpy")
def _spread(coarse: Planes, x0: int, y0: int, by: int, fine: Planes, first: int, last: int) -> None:
    """Rows of the fine planes take the px that they lie in; (x0, y0) is where the fine ones begin."""
    for p in range(fine.shape[0]):
        for y in range(first, last):
            row = coarse[p, y0 + y // by]
            for x in range(fine.shape[2]):
                fine[p, y, x] = row[x0 + x // by]


@njit(nogil=True, cache=True, error_model="numpy")
def _averaged(
    fine: Planes, x0: int, y0: int, by: int, coarse: Planes, spans: RowSpans, first: int, last: int
) -> None:
    """Px of the spans that lie over the fine planes become the means of their parts."""
    share, right = np.float32(1 / (by * by)), x0 + fine.shape[2] // by
    for p in range(fine.shape[0]):
        for y in range(first, last):
            for n in range(spans.many[y]):
                for x in range(max(spans.ends[y, n, 0], x0), min(spans.ends[y, n, 1], right)):
                    total = np.float32(0)
                    for j in range(by):
                        row = fine[p, y * by + j]
                        for i in range(by):
                            total += row[(x - x0) * by + i]
                    coarse[p, y0 + y, x] = total * share


class Finely(NamedTuple):
    """Prepared steps that have accumulators of their own, `by` times as fine, over `box`."""

    by: int
    box: Box
    own: Accumulators
    steps: Sequence[tuple[Step, PreparedStep]]

    def run(self, planes: Accumulators, spans: DirtySpans) -> None:
        """Do them on what the frame shows so far, and put their means in its px."""
        part = self.box.meet(spans.box)
        if part.empty:
            return
        (x0, y0, _, _), by = planes.inner(self.box), self.by
        rows = bands.split(self.own.window.height)
        ground, fine = planes.ground, self.own.ground
        bands.run(lambda a, b: _spread(ground, x0, y0, by, fine, a, b), rows)
        large = part.times(by)
        run_all(within(self.steps, large), self.own, whole(large, self.own.window.x0))
        there, top = spans.rows(part), part.y0 - self.box.y0
        fine = fine[:, top * by :]
        bands.run(
            lambda a, b: _averaged(fine, x0, y0 + top, by, ground, there, a, b),
            bands.split(part.height),
        )


def within(steps: Iterable[tuple[Step, PreparedStep]], part: Box) -> list[Instruction | Finely]:
    """What is to be done by the steps that touch a part."""
    return [
        instruction
        for step, made in steps
        if not step.box.meet(part).empty
        for instruction in made.instructions
    ]


def run_all(
    instructions: Iterable[Instruction | Finely], planes: Accumulators, spans: DirtySpans
) -> None:
    """Do all in their order on the spans."""
    waiting: list[Instruction] = []
    for instruction in instructions:
        if isinstance(instruction, Instruction):
            waiting.append(instruction)
            continue
        run(waiting, planes.window, spans)
        waiting = []
        instruction.run(planes, spans)
    run(waiting, planes.window, spans)


class FineStep(NamedTuple):
    """Steps of a view `by` times as fine, which begin and end with the board on the ground planes."""

    key: Hashable
    box: Box
    by: int
    steps: tuple[Step, ...]

    @classmethod
    def of(cls, steps: Sequence[Step], by: int) -> FineStep:
        """Of the steps of such a view."""
        there = around(step.box for step in steps)
        x0, y0 = there.x0 // by, there.y0 // by
        box = Box(x0, y0, -(-there.x1 // by), -(-there.y1 // by))
        return cls(("finely", by, tuple(step.key for step in steps)), box, by, tuple(steps))

    def prepared(self, planes: Accumulators) -> PreparedStep:
        """Make what all of them need, on accumulators of their own."""
        box = self.box.meet(planes.window)
        if box.empty:
            return PreparedStep([])
        own = Accumulators(box.times(self.by))
        made = [(step, step.prepared(own)) for step in self.steps]
        return PreparedStep([Finely(self.by, box, own, made)])
