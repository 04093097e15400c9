"""Tone: the piece's own picture so far, in other colours."""

from __future__ import annotations

import numpy as np

from ... import bands
from ...arrays import Planes
from ...box import Box
from ...kernels import njit
from ...model import Exposure, Grey, ToneCoat
from ...paint.own import straight
from ...tone import margin, toned
from ...tone.where import Where
from ..context import CoatContext
from ..kind import ActingKind


class ToneKind(ActingKind[ToneCoat]):
    """A piece that wears one is painted apart, so that there is a picture to act on."""

    struct = ToneCoat
    title, family, about = "Tone", "Face", "changes what the coats beneath painted"
    stronger = ({"tone": (Grey(),)}, {"tone": (Exposure(stops=-0.8),)})
    tells = ("tone", "opacity")
    mark = '<circle cx="8" cy="8" r="5.5"/><path d="M8 2.5a5.5 5.5 0 0 1 0 11z" fill="currentColor" stroke="none"/>'

    def why(self, coat: ToneCoat) -> str:
        return "All that the coats beneath painted is turned to another tone."

    def reworks(self, coat: ToneCoat) -> bool:
        return True

    def rework_margin(self, coat: ToneCoat, context: CoatContext) -> float:
        return float(margin([op for op in coat.tone if op.on], context.units))

    def reworked(self, coat: ToneCoat, planes: Planes, box: Box, context: CoatContext) -> Planes:
        ops = [op for op in coat.tone if op.on]
        made = straight(planes)
        if ops:
            made = np.ascontiguousarray(toned(made, ops, Where(box, context.units)), np.float32)
        return blended_in(made, planes, coat.opacity)

    def samples(self) -> tuple[ToneCoat, ...]:
        return (ToneCoat(id="sample", tone=(Grey(), Exposure(stops=0.7))),)


def blended_in(colours: Planes, planes: Planes, share: float) -> Planes:
    """(4, H, W) premultiplied: so much of straight colours, the rest of premultiplied ones."""
    out = np.empty(planes.shape, np.float32)
    bands.run(
        lambda a, b: _blended_in(colours, planes, np.float32(share), out, a, b),
        bands.split(planes.shape[1]),
    )
    return out


@njit(nogil=True, cache=True)
def _blended_in(
    colours: Planes, planes: Planes, share: float, out: Planes, first: int, last: int
) -> None:
    zero, one = np.float32(0), np.float32(1)
    for y in range(first, last):
        for x in range(planes.shape[2]):
            alpha = colours[3, y, x]
            for p in range(4):
                old = planes[p, y, x]
                new = colours[p, y, x] * alpha if p < 3 else alpha
                out[p, y, x] = min(max(old + share * (new - old), zero), one)
