"""Frames of the board view: a rough one first where a whole one is late."""

from __future__ import annotations

import time
from collections.abc import Callable

import numpy as np

from ...core.box import Box
from ...core.render.renderer import Renderer, Request
from ..runtime.left_out import LeftOut
from .buffers import Buffers
from .frames import Frame, frame_image

SLOW_SECONDS, FORGETTING = 0.045, 0.6
"""A frame that took longer is preceded by a rough one; quick ones after it let that be forgotten."""
SHARES, LATE_SECONDS = (2, 4), 0.04
"""A rough frame has half the scale, or a quarter where half is late too."""
LEAST_SCALE = 0.05


class FrameMaker:
    """Makes the frames of one view, in the worker's thread."""

    def __init__(
        self, left_out: LeftOut, is_stale: Callable[[], bool], told: Callable[[Frame], object]
    ) -> None:
        self._left_out, self._stale, self._told = left_out, is_stale, told
        self._renderer, self.halves = Renderer(), Renderer()
        self._took = self._half_took = 0.0
        self._buffers = Buffers()

    def show(self, request: Request) -> None:
        """A frame that takes longer than one can wait is first shown roughly."""
        if self._took > SLOW_SECONDS and request.scale > 2 * LEAST_SCALE:
            self._told(self._sound(request, self._rough))
            if self._stale():
                return
        start = time.perf_counter()
        frame = self._sound(request, self._frame)
        took = time.perf_counter() - start
        # one quick frame proves little: what was slow may be slow again
        self._took = max(took, self._took * FORGETTING)
        self._told(frame)

    def _sound(self, request: Request, render: Callable[[Request], Frame]) -> Frame:
        """The frame without what fails; it still shows the board that was asked for."""
        frame = self._left_out.tried(
            request.board, lambda board: render(request._replace(board=board))
        )
        return frame._replace(board=request.board)

    def _share(self) -> int:
        """By how much a rough frame is smaller."""
        return SHARES[0] if self._half_took < LATE_SECONDS else SHARES[1]

    def _rough(self, request: Request) -> Frame:
        start, box, share = time.perf_counter(), request.box, self._share()
        small = Box(box.x0 // share, box.y0 // share, -(-box.x1 // share), -(-box.y1 // share))
        rough = request._replace(scale=request.scale / share, window=small)
        planes = self.halves.frame(rough, self._stale)
        pixels = np.zeros((small.height, small.width), np.uint32)
        self.halves.picture(planes, small, False, pixels)
        # what half the scale would take grows with its px
        self._half_took = (time.perf_counter() - start) * (share / SHARES[0]) ** 2
        return Frame(
            frame_image(pixels, request.board), request.board, rough.scale, small, small, pixels
        )

    def _frame(self, request: Request) -> Frame:
        box = request.box
        try:
            planes = self._renderer.frame(request, self._stale)
        except BaseException:
            self._buffers.lost(box)
            raise
        pixels, part = self._buffers.draw(
            box,
            self._renderer.dirty,
            lambda part, into: self._renderer.picture(planes, part, False, into),
        )
        return Frame(
            frame_image(pixels, request.board), request.board, request.scale, box, part, pixels
        )
