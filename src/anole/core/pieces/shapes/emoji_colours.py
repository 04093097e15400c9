"""What letters with colours of their own paint on their face, as a step of the frame."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ...arrays import Plane, Planes
from ...box import Box
from ...coats.context import CoatContext
from ...compose.cover import Cover
from ...compose.program import NO_FACTORS
from ...compose.steps import CompositeStep
from ...lettering.colour_letters import coloured, drawn
from ...lettering.outline import Outline
from ..placing.view import View

RIM = np.ones((3, 3), np.uint8)
LEAST = np.float32(0.5)
"""Alpha from which on a px knows its own colour well; others take that of those beside them."""


class _Colours(NamedTuple):
    """(H, W) how much of a px they paint, (4, H, W) straight colours, alpha 1; float32."""

    cover: Plane
    planes: Planes


def emoji_steps(line: Outline, key: tuple, context: CoatContext, view: View) -> list[CompositeStep]:
    """The colours of an outline's coloured glyphs within the shape; none where it has none.

    key : all that the outline came from
    """
    box = context.around(0)
    if box.empty or view.bare or not coloured(line):
        return []
    made = ("emoji", *key, view.scale, box)

    def colours() -> _Colours:
        return view.cache.get(made, lambda: _colours(line, view.scale, box))

    return [
        CompositeStep(
            made,
            box,
            lambda: Cover(colours().cover, outside=False, face=True),
            lambda: colours().planes,
            1.0,
            "normal",
            NO_FACTORS,
            "everywhere",
            context.shape.covered,
        )
    ]


def _colours(line: Outline, scale: float, box: Box) -> _Colours:
    """The silhouette brings the edges: there the colours go on a px further, at full strength."""
    planes = drawn(line, scale, box).astype(np.float32) / np.float32(255)
    alpha = np.ascontiguousarray(planes[..., 3])
    about = cv2.blur(planes, (3, 3), borderType=cv2.BORDER_CONSTANT)
    solid = (alpha >= LEAST)[..., None]
    weighed = np.where(solid, planes, about)
    straight = weighed[..., :3] / np.maximum(weighed[..., 3:], np.float32(1e-6))
    out = np.ones((4, box.height, box.width), np.float32)
    out[:3] = np.minimum(straight, 1).transpose(2, 0, 1)
    return _Colours(cv2.dilate(alpha, RIM), out)
