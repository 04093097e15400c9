"""Tone: the piece's own picture so far, in other colours."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..box import Box
from ..compose.cover import full
from ..model import Exposure, Grey, ToneCoat
from ..paint.context import PaintContext
from ..paint.own import straight
from ..tone import margin, toned
from ..tone.where import Where
from .context import CoatContext, Overlap, Reads
from .kind import CoatKind, Cover


class ToneKind(CoatKind[ToneCoat]):
    """A piece that wears one is painted apart, so that there is a picture to act on."""

    struct = ToneCoat
    title, family, about = "Tone", "Face", "changes what the coats beneath painted"
    mark = '<circle cx="8" cy="8" r="5.5"/><path d="M8 2.5a5.5 5.5 0 0 1 0 11z" fill="currentColor" stroke="none"/>'
    coverage_reads = Reads.NOTHING

    def reworks(self, coat: ToneCoat) -> bool:
        return True

    def cover(self, coat: ToneCoat, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(full(box) * 0, outside=True, face=True)

    def source(self, coat: ToneCoat, context: CoatContext, paint: PaintContext) -> np.ndarray:
        return np.zeros((4, 1, paint.box.width), np.float32)

    def rework_margin(self, coat: ToneCoat, context: CoatContext) -> float:
        return float(margin([op for op in coat.tone if op.on], context.units))

    def reworked(self, coat: ToneCoat, planes: Planes, box: Box, context: CoatContext) -> Planes:
        ops = [op for op in coat.tone if op.on]
        made = toned(straight(planes), ops, Where(box, context.units)) if ops else straight(planes)
        made = np.ascontiguousarray(made, np.float32)
        made[:3] *= made[3]
        return planes + np.float32(coat.opacity) * (made - planes)

    def samples(self) -> tuple[ToneCoat, ...]:
        return (ToneCoat(id="sample", tone=(Grey(), Exposure(stops=0.7))),)
