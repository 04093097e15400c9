"""A paint laid again and again, each time moved and turned by seeded chance."""

from __future__ import annotations

import msgspec
import numpy as np

from ..model import Fill
from ..paint.frames import FrameBox, Frames
from ..paint.source import turned


def _moved(frame: FrameBox, dx: float, dy: float) -> FrameBox:
    wide, high = frame[2] - frame[0], frame[3] - frame[1]
    x, y = dx * wide, dy * high
    return (frame[0] + x, frame[1] + y, frame[2] + x, frame[3] + y)


def repeats(coat: Fill, frames: Frames) -> list[tuple[Fill, Frames]]:
    """The coat and the frames its paint is stretched over, once for each time it is laid."""
    repeat = coat.repeat
    if repeat is None:
        return [(coat, frames)]
    rng = np.random.default_rng(round(repeat.seed))
    laid: list[tuple[Fill, Frames]] = []
    for _ in range(round(repeat.count)):
        dx, dy, turn = (rng.uniform(-1, 1, 3) * (repeat.shift, repeat.shift, repeat.turn)).tolist()
        again = msgspec.structs.replace(coat, paint=turned(coat.paint, turn))
        moved = frames._replace(
            piece=_moved(frames.piece, dx, dy), board=_moved(frames.board, dx, dy)
        )
        laid.append((again, moved))
    return laid
