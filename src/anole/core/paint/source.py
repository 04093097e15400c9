"""Any paint over a box of pixels: the one list of paints."""

from __future__ import annotations

from collections.abc import Hashable, Iterator
from contextlib import contextmanager
from typing import Any

import numpy as np

from ..arrays import Planes
from ..model import Paint
from ..model.open_union import tag_of
from ..model.paints import PAINTS
from ..registry import Registry
from ..tone import Where, margin, toned
from .backdrop import BackdropKind
from .context import PaintContext
from .gradient_kind import GradientKind
from .handles import Laying, PaintHandle
from .image import ImageKind
from .kind import PaintKind
from .letter import LetterKind
from .own import OwnKind
from .pattern import PatternKind
from .solid import ColourKind

KINDS: Registry[type, PaintKind[Any]] = Registry("paint")
for _kind in (
    ColourKind(),
    GradientKind(),
    PatternKind(),
    ImageKind(),
    BackdropKind(),
    LetterKind(),
    OwnKind(),
):
    KINDS.add(_kind.struct, _kind)


@contextmanager
def lent(kind: PaintKind[Any]) -> Iterator[None]:
    """One more kind of paint for as long as a block runs, in files too."""
    with KINDS.lent(kind.struct, kind), PAINTS.members.lent(tag_of(kind.struct), kind.struct):
        yield


def value_of(paint: Paint, context: PaintContext) -> Hashable:
    """All that the paint's colours come from."""
    return KINDS[type(paint)].value(paint, context)


def opaque(paint: Paint) -> bool:
    """Whether nothing can be seen through a paint."""
    return paint.speckle == 0 and KINDS[type(paint)].opaque(paint)


def over_board(paint: Paint) -> bool:
    """Whether it is stretched over the board, whatever it is laid on."""
    return KINDS[type(paint)].over_board(paint)


def handles(paint: Paint, laid: Laying) -> list[PaintHandle]:
    """Where a paint is held on the board."""
    return KINDS[type(paint)].handles(paint, laid)


def pulled(paint: Paint, laid: Laying, kind: str, x: float, y: float) -> Paint:
    """The paint with one of its handles at (x, y), board px."""
    return KINDS[type(paint)].pulled(paint, laid, kind, np.array([x, y]))


def turned(paint: Paint, degrees: float) -> Paint:
    """The paint turned clockwise in its frame, where it has a direction."""
    return KINDS[type(paint)].turned(paint, degrees) if degrees else paint


def source(paint: Paint, context: PaintContext) -> Planes:
    """The paint's colours over the context's box: straight alpha, sRGB-encoded, float32.

    returns (4, H, W); (4, 1, W) where every row is the same, (4, H, 1) where every column is
    """
    kind = KINDS[type(paint)]
    if isinstance(kind, ColourKind):
        return kind.rasterise(paint, context)  # type: ignore[arg-type]
    key = (tag_of(paint), kind.value(paint, context), context.box)
    return context.cache.get(key, lambda: _toned(kind, paint, context))


def _toned(kind: PaintKind[Any], paint: Paint, context: PaintContext) -> Planes:
    tones = kind.tone(paint)
    if not any(op.on for op in tones):
        return kind.rasterise(paint, context)
    wide = context.box.grown(margin(tones, context.units))
    planes = kind.rasterise(paint, context.over(wide))
    planes = np.ascontiguousarray(np.broadcast_to(planes, (4, wide.height, wide.width)))
    rows, columns = context.box.slices_in(wide)
    colours = toned(planes, tones, Where(wide, context.units))[:, rows, columns]
    return np.ascontiguousarray(colours)
