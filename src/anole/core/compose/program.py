"""All steps of a frame as one table of instructions, so that one compiled loop takes a few rows through
every step while they stay near the core. A call for each step and band would cost more than the
work, and let the planes fall out of the cache between the steps.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from numba import carray, types
from numba.core import cgutils
from numba.extending import intrinsic

from .. import bands
from ..arrays import Indices, Numbers, Plane, Planes
from ..box import Box
from ..kernels import njit
from . import blend
from .dirty_spans import DirtySpans, RowSpans

WIPE, COPY, LERP, MERGE, COMPOSITE = range(5)
(
    TO,
    FROM,
    COVER,
    HEIGHT,
    WIDTH,
    COVER_HEIGHT,
    COVER_WIDTH,
    AT_X,
    AT_Y,
    LEFT,
    TOP,
    RIGHT,
    LOW,
    MODE,
) = range(1, 15)
ROWS = 4
"""Rows that go through all instructions together."""
NO_FACTORS = (0.0, 1.0, 1.0, -0.5)


class Instruction(NamedTuple):
    """What is done to an accumulator within a box.

    kind : WIPE to 0; COPY another; LERP toward another through a coverage; MERGE another,
        premultiplied, with a blend; COMPOSITE a straight source through a coverage with a blend
    to, other : (4, H, W) float32 accumulators; of COMPOSITE other is the source, (4, h or 1, w or 1)
    cover : (h or 1, w) float32; at : board px of its corner, and of a source's
    share : opacity, 0..1; mode : number in blend.MODES
    """

    kind: int
    box: Box
    to: Planes
    other: Planes | None = None
    cover: Plane | None = None
    at: tuple[int, int] = (0, 0)
    share: float = 1.0
    mode: int = 0
    factors: tuple[float, ...] = NO_FACTORS


@intrinsic
def _pointer(typingctx, address):  # type: ignore[no-untyped-def]
    def code(context, builder, signature, args):  # type: ignore[no-untyped-def]
        return builder.inttoptr(args[0], cgutils.voidptr_t)

    return types.voidptr(types.int64), code


def _address(plane: Plane | None) -> int:
    if plane is None:
        return 0
    # the loop takes what lies there on trust
    if plane.dtype != np.float32 or not plane.flags.c_contiguous:
        raise TypeError("an instruction's planes are float32 in C order")
    return plane.ctypes.data


def _numbers(instruction: Instruction, x0: int, y0: int) -> list[int]:
    other, cover, box = instruction.other, instruction.cover, instruction.box
    size = other.shape[1:] if other is not None else (0, 0)
    covered = cover.shape if cover is not None else (0, 0)
    return [
        instruction.kind,
        _address(instruction.to),
        _address(other),
        _address(cover),
        *size,
        *covered,
        instruction.at[0] - x0,
        instruction.at[1] - y0,
        box.x0 - x0,
        box.y0 - y0,
        box.x1 - x0,
        box.y1 - y0,
        instruction.mode,
    ]


@njit(nogil=True, cache=True, error_model="numpy")
def _do(
    instruction: Indices,
    share: Plane,
    factors: Plane,
    height: int,
    width: int,
    window: tuple[int, int, int, int],
    spans: RowSpans,
) -> None:
    """One line of a program: planes by their address, brought to (4, H, W) float32, and the operation of
    its kind over the window's spans.
    """
    kind, at = instruction[0], (window[0] - instruction[AT_X], window[1] - instruction[AT_Y])
    size = (4, height, width)
    to = carray(_pointer(instruction[TO]), size, np.float32)
    if kind == WIPE:
        blend.wipe(to, window, spans)
        return
    other = carray(
        _pointer(instruction[FROM]), (4, instruction[HEIGHT], instruction[WIDTH]), np.float32
    )
    if kind == COPY:
        blend.copy(to, other, window, spans)
        return
    if kind == MERGE:
        blend.merge(to, other, window, spans, share, instruction[MODE], factors)
        return
    cover = carray(
        _pointer(instruction[COVER]),
        (instruction[COVER_HEIGHT], instruction[COVER_WIDTH]),
        np.float32,
    )
    if kind == LERP:
        blend.lerp(to, other, window, spans, cover, at, share)
    else:
        blend.composite(to, window, spans, other, at, cover, at, share, instruction[MODE], factors)


@njit(nogil=True, cache=True, error_model="numpy")
def _run(
    instructions: Indices,
    factors: Plane,
    height: int,
    width: int,
    many: Numbers,
    ends: Numbers,
    top: int,
    first: int,
    last: int,
) -> None:
    """Rows first..last of the spans, which begin at row `top` of the accumulators."""
    for y0 in range(top + first, top + last, ROWS):
        y1 = min(y0 + ROWS, top + last)
        for n in range(instructions.shape[0]):
            instruction = instructions[n]
            a, b = max(y0, instruction[TOP]), min(y1, instruction[LOW])
            if a < b and instruction[LEFT] < instruction[RIGHT]:
                window = (instruction[LEFT], a, instruction[RIGHT], b)
                spans = RowSpans(many[a - top : b - top], ends[a - top : b - top])
                _do(instruction, factors[n, 0], factors[n, 1:], height, width, window, spans)


def run(instructions: Sequence[Instruction], window: Box, spans: DirtySpans) -> None:
    """Do the instructions on the spans; accumulators lie over `window`, boxes are in px of the board."""
    if not instructions or spans.box.empty:
        return
    x0, y0 = window.x0, window.y0
    table = np.array([_numbers(instruction, x0, y0) for instruction in instructions], np.int64)
    factors = np.array(
        [(instruction.share, *instruction.factors) for instruction in instructions], np.float32
    )
    top = spans.box.y0 - y0
    bands.run(
        lambda a, b: _run(
            table, factors, window.height, window.width, spans.many, spans.ends, top, a, b
        ),
        bands.split(spans.box.height),
    )
