"""Where a picture lies in its frame, and how its px come onto the board."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ...arrays import Matrix, Points
from ...box import Box
from ...model import Picture
from .placement import Placement, placement_of

FARTHEST = 1e6
"""px that a corner lies away at most; poses seen edge-on put some far beyond any board."""
Rectangle = tuple[float, float, float, float]


def corners_of(box: Rectangle) -> Points:
    """(4, 2) clockwise from the top left."""
    x0, y0, x1, y1 = box
    return np.array([[x0, y0], [x1, y0], [x1, y1], [x0, y1]])


class PictureFrame(NamedTuple):
    """All in em, one of which is the frame's height: its box, where the whole picture lies, and
    what is to be seen of it."""

    placement: Placement
    content: Rectangle
    seen: Rectangle

    @property
    def empty(self) -> bool:
        """Whether nothing of the picture is within the frame."""
        x0, y0, x1, y1 = self.seen
        return x1 <= x0 or y1 <= y0

    def is_within_reach(self, scale: float) -> bool:
        """Whether its corners lie where a picture can be made of them."""
        quad = self.quad(scale)
        return bool(np.isfinite(quad).all() and np.abs(quad).max() <= FARTHEST)

    def quad(self, scale: float) -> Points:
        """(4, 2) px: the corners of what is seen, at a render scale."""
        return self.placement.on_board(corners_of(self.seen)) * scale

    def matrix(self, size: tuple[int, int], scale: float) -> Matrix:
        """3 x 3 from px of a picture of `size` to px at a render scale, both counted from corners:
        places, corners and poses are projective, so four points say all."""
        own = corners_of((0.0, 0.0, float(size[0]), float(size[1])))
        into = self.placement.on_board(corners_of(self.content)) * scale
        return cv2.getPerspectiveTransform(own.astype(np.float32), into.astype(np.float32))

    def size_on_board(self, scale: float) -> tuple[float, float]:
        """About how many px the whole picture is wide and high where it lies."""
        top_left, top_right, low_right, low_left = (
            self.placement.on_board(corners_of(self.content)) * scale
        )
        across = max(np.hypot(*(top_right - top_left)), np.hypot(*(low_right - low_left)))
        down = max(np.hypot(*(low_left - top_left)), np.hypot(*(low_right - top_right)))
        return float(across), float(down)

    def box(self, scale: float) -> Box:
        """The px round what is seen."""
        quad = np.clip(np.nan_to_num(self.quad(scale)), -FARTHEST, FARTHEST)
        (x0, y0), (x1, y1) = quad.min(0), quad.max(0)
        return Box(
            int(np.floor(x0)) - 1, int(np.floor(y0)) - 1, int(np.ceil(x1)) + 1, int(np.ceil(y1)) + 1
        )


def frame_of(piece: Picture, dpi: float, size: tuple[int, int]) -> PictureFrame:
    """The frame of a piece whose picture has `size` px."""
    high = max(piece.height.px(1.0, dpi), 1e-6)
    wide = piece.width.px(1.0, dpi) / high
    box = (-wide / 2, -0.5, wide / 2, 0.5)
    across, down = wide / size[0], 1.0 / size[1]
    if piece.fit != "stretch":
        across = down = max(across, down) if piece.fit == "cover" else min(across, down)
    half = size[0] * across * piece.zoom / 2, size[1] * down * piece.zoom / 2
    x, y = piece.shift_x * wide, piece.shift_y
    content = (x - half[0], y - half[1], x + half[0], y + half[1])
    seen = (
        max(box[0], content[0]),
        max(box[1], content[1]),
        min(box[2], content[2]),
        min(box[3], content[3]),
    )
    return PictureFrame(placement_of(piece, box, high), content, seen)
