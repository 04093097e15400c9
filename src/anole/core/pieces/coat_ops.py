"""A coat as a step of a frame: its coverage and its colours are kept apart in the cache."""

from __future__ import annotations

import msgspec

from ..coats.registry import kind_of
from ..coats.repeats import repeats
from ..coats.scene import Cover, Scene, Under
from ..model import Coat, ColourPaint, Paint
from ..paint.source import Backing, Edge, Spot, source, value_of
from ..paint.spray import sprayed
from ..render.ops import Lay
from ..units import Units

PLAIN = ColourPaint()


def shape_of(coat: Coat) -> Coat:
    """The coat with all that does not touch its coverage set to one value."""
    plain = {"repeat": None} if hasattr(coat, "repeat") else {}
    return msgspec.structs.replace(
        coat, id="-", name="", opacity=1.0, blend="normal", arithmetic=(0.0, 1.0, 1.0, -0.5),
        seen="everywhere", paint=PLAIN, **plain,
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
    return [
        _op(coat, paint, scene._replace(frames=frames), under, backing)
        for paint, frames in repeats(coat.paint, scene.frames, getattr(coat, "repeat", None))
    ]


def _op(coat: Coat, paint: Paint, scene: Scene, under: Under, backing: Backing) -> Lay:
    paints = kind_of(coat).paints
    box = paints.box(coat, scene)
    letters = scene.letters
    shape = (
        "cover", shape_of(coat), letters.key, letters.box, scene.grown, under, box,
        scene.lamp if getattr(coat, "lamp", 1) is None else None,
    )  # fmt: skip
    units = Units(scene.em, scene.dpi, scene.scale)
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
        (shape, value_of(paint, spot), coat.opacity, coat.blend, coat.arithmetic, coat.seen),
        box, specks if paint.speckle > 0 else cover, lambda: source(paint, spot),
        coat.opacity, coat.blend, coat.arithmetic, coat.seen,
    )  # fmt: skip
