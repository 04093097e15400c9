"""Sparkle: flares of light, each a star of slim rays in a halo."""

from __future__ import annotations

import math

import numpy as np

from ... import bands
from ...arrays import Plane, Records
from ...box import Box
from ...kernels import njit
from ...model import Lamp, Length, Sparkle
from ..context import CoatContext, Overlap, Reads
from ..inks import WARM
from ..kind import Cover, PaintedCoat
from ..shading.flares import by_hand, found

THICKEST = 0.5
"""Half the width of a ray at its foot, of half a flare's size, where slimness is 0."""
CORE, LEAST = 0.16, 0.6
"""Of half its size: the bright middle; px that a ray is wide at the least, dimmer for it."""


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    flares: Records,
    points: int,
    slim: float,
    halo: float,
    x0: int,
    y0: int,
    first: int,
    last: int,
    clear: Plane,
) -> None:
    """Each flare takes its light from what is left of the ground: clear *= 1 - strength light.

    With r the distance from its middle in halves of its size: a halo h (1 - r)^3 and a core
    smoothstep(1 - r / CORE), screened over each other; a ray along the nearest of `points` directions,
    its width slim (1 - along)^2 at `along` of its length, never under LEAST px and as much paler.

    flares : (n, 5) x, y, size px, turn in radians, strength; clear : (H, W) what is left of the ground.
    """
    for k in range(flares.shape[0]):
        half = flares[k, 2] / 2.0
        top = max(first, math.floor(flares[k, 1] - half) - y0)
        low = min(last, math.ceil(flares[k, 1] + half) - y0)
        left = max(0, math.floor(flares[k, 0] - half) - x0)
        right = min(clear.shape[1], math.ceil(flares[k, 0] + half) - x0)
        for row in range(top, low):
            dy = row + y0 + 0.5 - flares[k, 1]
            for column in range(left, right):
                dx = column + x0 + 0.5 - flares[k, 0]
                far = math.sqrt(dx * dx + dy * dy) / half
                if far >= 1.0:
                    continue
                fade = 1.0 - far
                glow = halo * fade * fade * fade
                core = max(1.0 - far / CORE, 0.0)
                light = 1.0 - (1.0 - glow) * (1.0 - core * core * (3.0 - 2.0 * core))
                ray = 0.0
                step = 2.0 * math.pi / points
                turn = math.atan2(dx, -dy) - flares[k, 3]
                away = turn - step * math.floor(turn / step + 0.5)
                along, aside = far * math.cos(away), abs(far * math.sin(away))
                if 0.0 < along < 1.0:
                    wide = slim * (1.0 - along) * (1.0 - along)
                    drawn = max(wide, LEAST / half)
                    ray = (
                        max(1.0 - aside / drawn, 0.0) * (wide / drawn) * min(4.0 * (1 - along), 1.0)
                    )
                light = 1.0 - (1.0 - light) * (1.0 - ray)
                clear[row, column] *= np.float32(1.0 - flares[k, 4] * light)


class SparkleKind(PaintedCoat[Sparkle]):
    """Flares on every equal letter at the same spot, on corners, and on rims in the light."""

    struct = Sparkle
    title, family, about = "Sparkle", "Light", "small flares, by hand or found"
    stronger = (
        {"size": Length(1.0, "em"), "smallest": 0.8},
        {"paint": WARM, "size": Length(1.0, "em"), "smallest": 0.8},
    )
    tells = ("size", "count", "slimness")
    mark = (
        '<path d="M8 1.5q.8 5.7 6.5 6.5q-5.7.8-6.5 6.5q-.8-5.7-6.5-6.5q5.7-.8 6.5-6.5z" '
        'fill="currentColor" stroke="none"/>'
    )
    coverage = (
        "size",
        "points",
        "slimness",
        "halo",
        "turn",
        "flares",
        "find",
        "count",
        "smallest",
        "weakest",
        "seed",
        "lamp",
    )
    coverage_reads = Reads.FIELDS | Reads.UNITS | Reads.FRAME | Reads.LETTERS | Reads.LAMP

    def why(self, coat: Sparkle) -> str:
        return "Small flares where the light would catch say that the surface is bright."

    def lamp(self, coat: Sparkle) -> Lamp | None:
        return coat.lamp

    def measure(self, coat: Sparkle) -> tuple[str, Length]:
        return "size", coat.size

    def _farthest(self, coat: Sparkle, context: CoatContext) -> float:
        """px beyond the shape: as far as flares may lie from the letters' boxes, and half of one."""
        size = context.px(coat.size)
        x0, y0, x1, y1 = context.frames.piece
        far = size * max((flare.grow for flare in coat.flares), default=1.0)
        for flare in coat.flares:
            beyond = max(-flare.x, flare.x - 1, -flare.y, flare.y - 1, 0.0)
            far = max(far, beyond * max(x1 - x0, y1 - y0) + size * flare.grow)
        return far

    def box(self, coat: Sparkle, context: CoatContext) -> Box:
        return context.shape.ink.grown(self._farthest(coat, context) + 1).meet(context.window)

    def cover(self, coat: Sparkle, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        size = context.px(coat.size)
        placed = [*found(coat, context, size), *by_hand(coat, context, size)]
        flares = np.array([p for p in placed if p[2] > 0.5], float).reshape(-1, 5)
        flares[:, 3] = np.radians(flares[:, 3])
        clear = np.ones((box.height, box.width), np.float32)
        slim = THICKEST * (1.0 - coat.slimness) ** 2 + 0.01

        def rows(first: int, last: int) -> None:
            _rows(flares, round(coat.points), slim, coat.halo, box.x0, box.y0, first, last, clear)

        bands.run(rows, bands.split(box.height))
        return Cover(1 - clear, outside=True, face=True)

    def samples(self) -> tuple[Sparkle, ...]:
        return (Sparkle(id="sample", size=Length(0.8, "em")),)
