"""The letter's own colour."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..box import Box
from ..field.letter_owners import soften_borders
from ..model import LetterPaint, Tone
from .context import PaintContext
from .frames import WHITE, LetterFrames
from .kind import PaintKind


def rasterise(letters: LetterFrames | None, box: Box) -> Planes:
    """Each pixel in the colour of its letter: (4, H, W) float32, straight; white without letters."""
    units = letters.units if letters is not None else ()
    if letters is None or not units:
        return np.repeat(np.array(WHITE.floats, np.float32)[:, None, None], box.width, 2)
    table = np.array([unit.colour.floats for unit in units], np.float32)
    owners = letters.owners(box)
    planes = np.ascontiguousarray(np.moveaxis(table[owners], -1, 0))
    return soften_borders(planes, owners)


class LetterKind(PaintKind[LetterPaint]):
    """Another paint for each letter in turn."""

    struct = LetterPaint
    title = "the letters' colours"
    about = "Each letter in its own colour: Arrange, Letter by letter."

    def rasterise(self, paint: LetterPaint, context: PaintContext) -> Planes:
        return rasterise(context.frames.letters, context.box)

    def tone(self, paint: LetterPaint) -> tuple[Tone, ...]:
        return paint.tone
