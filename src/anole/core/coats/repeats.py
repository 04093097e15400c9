"""A paint laid again and again, each time moved and turned by seeded chance."""

from __future__ import annotations

from typing import Any

import msgspec
import numpy as np

from ..model import Paint
from ..model.coats import Repeat
from ..paint.frames import FrameBox, Frames


def _moved(frame: FrameBox, dx: float, dy: float) -> FrameBox:
    wide, high = frame[2] - frame[0], frame[3] - frame[1]
    x, y = dx * wide, dy * high
    return (frame[0] + x, frame[1] + y, frame[2] + x, frame[3] + y)


def repeats(paint: Paint, frames: Frames, repeat: Repeat | None) -> list[tuple[Paint, Frames]]:
    """The paint and the frames it is stretched over, once for each time it is laid."""
    if repeat is None:
        return [(paint, frames)]
    rng = np.random.default_rng(round(repeat.seed))
    found: list[tuple[Paint, Frames]] = []
    for _ in range(round(repeat.count)):
        dx, dy, turn = (rng.uniform(-1, 1, 3) * (repeat.shift, repeat.shift, repeat.turn)).tolist()
        laid: Any = paint
        if turn and hasattr(paint, "angle"):
            laid = msgspec.structs.replace(paint, angle=(paint.angle + turn) % 360)
        moved = frames._replace(
            piece=_moved(frames.piece, dx, dy), board=_moved(frames.board, dx, dy)
        )
        found.append((laid, moved))
    return found
