"""The shape of a piece that is a picture: its own coverage, and outlines traced from it."""

from __future__ import annotations

from ...cache import Cache
from ...coats.shape import Shape, sound_outline
from ...field.raster import Raster, traced_alpha
from ...field.shape_fields import bounds, greatest_inside


def raster_shape(key: tuple, raster: Raster, em: float, cache: Cache) -> Shape:
    """What coats of a picture work on.

    key : the value that the raster came from; raster : px of the render scale; em : board px
    """
    chords = cache.get(
        ("traced", *key), lambda: sound_outline(traced_alpha(raster.plane, raster.box))
    )
    core = cache.get(("core", *key), lambda: greatest_inside(chords))
    return Shape(key, chords, em, core, bounds(chords), raster=raster)
