"""A coat as a step of a frame: its coverage and its colours are kept apart in the cache."""

from __future__ import annotations

from typing import Any

import msgspec
import numpy as np

from ..box import Box
from ..coats.registry import kind_of
from ..coats.repeats import repeats
from ..coats.scene import Cover, Scene, Under, on_whole
from ..model import Coat, ColourPaint, Paint
from ..paint.source import Backing, Edge, Spot, source, value_of
from ..paint.spray import sprayed
from ..render.ops import Lay
from .gleaming import lit, painted

PLAIN = ColourPaint()


def shape_of(coat: Coat) -> Coat:
    """The coat with all that does not touch its coverage set to one value."""
    plain: dict[str, Any] = {"repeat": None} if hasattr(coat, "repeat") else {}
    if hasattr(coat, "paint"):
        plain["paint"] = PLAIN
    return msgspec.structs.replace(
        coat, id="-", name="", opacity=1.0, blend="normal", arithmetic=(0.0, 1.0, 1.0, -0.5),
        seen="everywhere", **plain,
    )  # fmt: skip


def edge_of(coat: Coat, scene: Scene) -> Edge:
    """What a gradient along the edge runs over: the coat's span, or from the edge to the core."""
    letters, span = scene.letters, getattr(coat, "span", None)
    outer, inner = (0.0, letters.core) if span is None else scene.ends(span)
    return Edge(
        (letters.key, letters.box), lambda box: scene.field(letters.distance, box), outer,
        min(inner, letters.core),
    )  # fmt: skip


def coat_ops(coat: Coat, scene: Scene, under: Under, backing: Backing) -> list[Lay]:
    """One step, or as many as the paint is laid again."""
    paint = getattr(coat, "paint", None)
    if paint is None:
        return [_lit_op(coat, scene, under, backing)]
    return [
        _op(coat, laid, scene._replace(frames=frames), under, backing)
        for laid, frames in repeats(paint, scene.frames, getattr(coat, "repeat", None))
    ]


def _shape(coat: Coat, scene: Scene, under: Under, box: Box) -> tuple:
    """All that a coat's coverage comes from."""
    letters = scene.letters
    framed = scene.frames if getattr(coat, "frame", None) is not None else scene.frames.piece
    whole = scene.growth if on_whole(coat) else None
    return (
        "cover", shape_of(coat), letters.key, letters.box, whole, under, box, framed,
        scene.lamp if getattr(coat, "lamp", 1) is None else None, scene.units,
    )  # fmt: skip


def _lit_op(coat: Coat, scene: Scene, under: Under, backing: Backing) -> Lay:
    """A coat that makes its colours itself, from light."""
    paints = kind_of(coat).paints
    box = paints.box(coat, scene)
    shape = _shape(coat, scene, under, box)
    place = (coat.id, scene.letters.key, box)
    spot = Spot(scene.frames, box, scene.cache, scene.units, edge_of(coat, scene), backing)
    shown = value_of(coat.gleam.paint, spot) if painted(coat) else None  # type: ignore[union-attr]

    def cover() -> Cover:
        return scene.cache.get(
            shape, lambda: paints.cover(coat, scene, box, under), ("cover", *place)
        )

    def made() -> np.ndarray:
        return paints.source(coat, scene, box) if shown is None else lit(coat, scene, spot)

    def light() -> np.ndarray:
        return scene.cache.get(("lit", shown, *shape[1:]), made, ("lit", *place))

    return Lay(
        (shape, shown), box, cover, light, coat.opacity, coat.blend, coat.arithmetic, coat.seen,
        scene.letters.covered,
    )  # fmt: skip


def _op(coat: Coat, paint: Paint, scene: Scene, under: Under, backing: Backing) -> Lay:
    paints = kind_of(coat).paints
    box = paints.box(coat, scene)
    shape, units = _shape(coat, scene, under, box), scene.units
    spot = Spot(scene.frames, box, scene.cache, units, edge_of(coat, scene), backing)

    def cover() -> Cover:
        return scene.cache.get(shape, lambda: paints.cover(coat, scene, box, under))

    def specks() -> Cover:
        key = ("spray", paint.speckle, paint.speckle_seed, shape)
        whole = cover()
        return whole._replace(
            plane=scene.cache.get(key, lambda: sprayed(whole.plane, paint, box, units))
        )

    return Lay(
        (shape, value_of(paint, spot)), box, specks if paint.speckle > 0 else cover, lambda: source(paint, spot),
        coat.opacity, coat.blend, coat.arithmetic, coat.seen,
        scene.letters.covered,
    )  # fmt: skip
