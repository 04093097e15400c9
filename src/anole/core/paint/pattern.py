"""Patterns: a generator looked at px by px, or a tile of it when the tile is small."""

from __future__ import annotations

import math
from collections.abc import Hashable

import msgspec
import numpy as np

from .. import bands
from ..arrays import Numbers, Plane, Planes, Points
from ..box import Box
from ..cache import Cache
from ..field.finer import averaged
from ..model import Colour, Ink, Pattern, Tone
from . import pictures
from .clusters import pair_of
from .context import PaintContext
from .frames import FrameBox
from .handles import Laying, PaintHandle
from .inks import coloured, looked_up, table
from .kind import SOME_COLOUR, PaintKind
from .letter import rasterise as letter_planes
from .own import rasterise as own_planes
from .own import straight
from .patterns import GENERATORS
from .patterns.grid import Grid, PatternParams
from .tile_handles import pattern_handles, pattern_pulled
from .tiling import Lines, lines, places, sample

OVERSAMPLED = 1.5
INKED = 4
"""Places a texel each way that are inked."""
MOST_FRAMES = 64
LEAST_TILE, MOST_TILE = 4, 640
"""px of a side between which one tile is drawn and then looked up."""
STAND_IN = Ink(Colour(200, 190, 170))
"""For inks that take their colour from the picture."""


def params_of(paint: Pattern) -> PatternParams:
    """The numbers of a pattern as kernels take them."""
    return PatternParams(round(paint.count), paint.weight, paint.rough, round(paint.seed))


def _direct(paint: Pattern, at: Lines, side: float, box: Box) -> Plane:
    """The generator at every px: exact at any size and angle."""
    out = np.empty((box.height, box.width), np.float32)
    generator, params = GENERATORS[paint.generator], params_of(paint)

    def rows(y0: int, y1: int) -> None:
        u, v = places(at, paint.tile == "mirror", (y0, y1), box.width)
        out[y0:y1] = np.clip(generator(Grid(u, v, 1 / side), params), 0, 1)

    # bands small enough that a generator's steps stay near the core
    bands.run(rows, bands.split(box.height, max(2, box.height * box.width // 65536)))
    return out


def _texels(side: float) -> int:
    return math.ceil(OVERSAMPLED * side)


def _drawn(paint: Pattern, n: int) -> Plane:
    """(n, n) float32 of the generator over a tile."""
    return _direct(paint, Lines(0.5 / n, 1 / n, 0.0, 0.5 / n, 0.0, 1 / n), n, Box(0, 0, n, n))


def _tile(paint: Pattern, side: float) -> Planes:
    """(1, n, n): one tile finer than the picture, each averaged with its neighbours."""
    return _with_neighbours(_drawn(paint, _texels(side))[None], paint)


def _colour_tile(paint: Pattern, side: float) -> Planes:
    """(4, n, n) premultiplied: one in colours. The mean of two of three inks is not what lies between
    their values, so it is taken of what is inked."""
    inked = looked_up(_drawn(paint, INKED * _texels(side)), table(paint.inks))
    inked[:3] *= inked[3]
    return np.stack([averaged(plane, INKED) for plane in inked])


def _with_neighbours(fine: Planes, paint: Pattern) -> Planes:
    n = fine.shape[1]
    if paint.tile == "mirror":
        right, low = np.minimum(np.arange(n) + 1, n - 1), np.minimum(np.arange(n) + 1, n - 1)
    else:
        right, low = (np.arange(n) + 1) % n, (np.arange(n) + 1) % n
    half = fine + fine[:, :, right]
    return np.ascontiguousarray((half + half[:, low]) * np.float32(0.25))


def values(paint: Pattern, at: Lines, side: float, box: Box, cache: Cache) -> Plane:
    """(H, W) float32 0..1 of the pattern over a box; `side` of a tile in px."""
    # the way is chosen by the tile alone: parts of one picture must not differ
    if not LEAST_TILE < side < MOST_TILE:
        return _direct(paint, at, side, box)
    key = ("tile", paint.generator, params_of(paint), side, paint.tile)
    tile = cache.get(key, lambda: _tile(paint, side))
    # averaging with the next px moved the picture by half a px of the tile
    half = 0.5 / _texels(side)
    moved = at._replace(u0=at.u0 - half, v0=at.v0 - half)
    return sample(tile, moved, paint.tile == "mirror", box)[0]


def colours(paint: Pattern, at: Lines, side: float, box: Box, cache: Cache) -> Planes:
    """(4, H, W) straight: the pattern over a box in inks that are colours."""
    key = ("inked tile", paint.generator, params_of(paint), paint.inks, side, paint.tile)
    tile = cache.get(key, lambda: _colour_tile(paint, side))
    return straight(sample(tile, at, paint.tile == "mirror", box))


def is_inked(paint: Pattern, side: float) -> bool:
    """Whether its tile is laid in colours: where more than two inks meet within a px."""
    plain = all(ink.colour is not None for ink in paint.inks)
    return plain and len(paint.inks) > 2 and not paint.asset and LEAST_TILE < side < MOST_TILE


def _frame_boxes(paint: Pattern, context: PaintContext) -> tuple[Numbers | None, list[FrameBox]]:
    letters = context.frames.letters
    if paint.frame in ("letter", "word", "line") and letters is not None and letters.units:
        groups, boxes = letters.grouped(paint.frame)
        return groups[letters.owners(context.box)], boxes
    return None, [context.frames.board if paint.frame == "board" else context.frames.piece]


def _tiled(paint: Pattern, frame: FrameBox, context: PaintContext, image_: Planes | None) -> Planes:
    side = max(context.units.px(paint.size), 0.5)
    tall = side if image_ is None else side * image_.shape[1] / image_.shape[2]
    at = lines((frame[0], frame[1]), (side, tall), paint.angle, (paint.x, paint.y), context.box)
    if is_inked(paint, side):
        return colours(paint, at, side, context.box, context.cache)
    if image_ is None:
        return values(paint, at, side, context.box, context.cache)[None]
    return sample(image_, at, paint.tile == "mirror", context.box)


def _apart(boxes: list[FrameBox], paint: Pattern, context: PaintContext) -> list[FrameBox]:
    """Frames to start from; a text of very many letters shares those of its first ones."""
    return boxes if len(boxes) <= MOST_FRAMES else [context.frames.piece]


def _ink(name: str, context: PaintContext) -> Planes:
    """(4, H, W) of an ink that is no colour, ``letter`` or ``own``."""
    own = name == "own"
    planes = own_planes(context) if own else letter_planes(context.frames.letters, context.box)
    return np.broadcast_to(planes, (4, context.box.height, context.box.width))


class PatternKind(PaintKind[Pattern]):
    """A generator of our own, its ramp laid over its values."""

    struct = Pattern
    title = "pattern"

    def rasterise(self, paint: Pattern, context: PaintContext) -> Planes:
        """(4, H, W) straight sRGB; in a frame of letters every letter has its own start."""
        owner, boxes = _frame_boxes(paint, context)
        own_image = None
        if paint.asset:
            own_image = pictures.tile(
                paint.asset, context.units.px(paint.size), paint.seamless, context.cache
            )
        tiles = [
            _tiled(paint, frame, context, own_image) for frame in _apart(boxes, paint, context)
        ]
        planes = tiles[0]
        if owner is not None and len(tiles) > 1:
            planes = np.take_along_axis(np.stack(tiles), owner[None, None], 0)[0]
        if own_image is not None:
            return straight(planes)
        if len(planes) == 4:
            return planes
        return coloured(planes[0], paint.inks, lambda name: _ink(name, context))

    def value(self, paint: Pattern, context: PaintContext) -> Hashable:
        own = any(ink.name == "own" for ink in paint.inks)
        key = context.backdrop.key("own") if own and context.backdrop is not None else None
        return (paint, context.frames, context.units, key)

    def tone(self, paint: Pattern) -> tuple[Tone, ...]:
        return paint.tone

    def over_board(self, paint: Pattern) -> bool:
        return paint.frame == "board"

    def turned(self, paint: Pattern, degrees: float) -> Pattern:
        return msgspec.structs.replace(paint, angle=(paint.angle + degrees) % 360)

    def begun(self, colour: Colour) -> Pattern:
        light, dark = pair_of(colour)
        return Pattern(inks=(Ink(dark), Ink(light)))

    def first_colour(self, paint: Pattern) -> Colour:
        return next((ink.colour for ink in paint.inks if ink.colour), SOME_COLOUR)

    def handles(self, paint: Pattern, laid: Laying) -> list[PaintHandle]:
        return pattern_handles(paint, laid)

    def pulled(self, paint: Pattern, laid: Laying, kind: str, at: Points) -> Pattern:
        return pattern_pulled(paint, laid, kind, at)

    def stand_in(self, paint: Pattern) -> Pattern:
        inks = tuple(ink if ink.colour else STAND_IN for ink in paint.inks)
        return msgspec.structs.replace(paint, inks=inks)
