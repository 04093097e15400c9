"""A coat as a step of a frame: its coverage and its colours are kept apart in the cache."""

from __future__ import annotations

import msgspec

from ..coats.registry import kind_of
from ..coats.scene import Cover, Scene, Under
from ..model import Coat, ColourPaint
from ..paint.source import Spot, source
from ..render.ops import Lay

PLAIN = ColourPaint()


def shape_of(coat: Coat) -> Coat:
    """The coat with all that does not touch its coverage set to one value."""
    return msgspec.structs.replace(
        coat, id="-", name="", opacity=1.0, blend="normal", arithmetic=(0.0, 1.0, 1.0, -0.5),
        seen="everywhere", paint=PLAIN,
    )  # fmt: skip


def coat_op(coat: Coat, scene: Scene, under: Under) -> Lay:
    paints = kind_of(coat).paints
    box = paints.box(coat, scene)
    letters = scene.letters
    shape = (
        "cover", shape_of(coat), letters.key, letters.box, scene.grown, under, box,
        scene.lamp if getattr(coat, "lamp", 1) is None else None,
    )  # fmt: skip

    def cover() -> Cover:
        return scene.cache.get(shape, lambda: paints.cover(coat, scene, box, under))

    return Lay(
        (shape, coat.paint, scene.frames, coat.opacity, coat.blend, coat.arithmetic, coat.seen),
        box, cover, lambda: source(coat.paint, Spot(scene.frames, box, scene.cache)),
        coat.opacity, coat.blend, coat.arithmetic, coat.seen,
    )  # fmt: skip
