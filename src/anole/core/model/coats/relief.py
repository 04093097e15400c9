"""Relief: a span given a cross-section, and lit."""

from __future__ import annotations

from typing import Annotated

from msgspec import Struct

from ..colour import Colour
from ..fields import EDGE, LIGHT, length, meta, number, share
from ..length import Length
from ..moulding import Moulding
from ..paints import ColourPaint, Paint
from .base import SHADING, Coat, OwnLampField, Ramp, ShapeFields, SpanField, em_span


class Gleam(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A highlight where the surface mirrors the lamp to the eye."""

    strength: Annotated[float, share("Strength", "Of the highlight", 0, 4, soft=(0, 1.5))] = 0.6
    tightness: Annotated[
        float,
        number("Tightness", "Small and hard, or wide and soft", 1, 500, soft=(1, 120), step=1),
    ] = 30
    paint: Annotated[Paint, meta("Paint", "What the highlight is coloured with")] = ColourPaint(
        colour=Colour(255, 250, 235)
    )


class Relief(Coat, frozen=True, cache_hash=True, kw_only=True, tag="relief"):
    """Gives a span a cross-section and lights it."""

    span: SpanField = em_span(0.0, 0.05)
    moulding: Annotated[Moulding, meta("Moulding", "The cross-section", group=EDGE)] = Moulding()
    height: Annotated[
        Length,
        length(
            "Height",
            "Of the moulding's top; below zero it is sunk",
            (-80, 80),
            group=EDGE,
        ),
    ] = Length(0.05, "em")
    rounding: Annotated[
        float, share("Rounding", "From a crisp ridge to a swollen form", group=EDGE)
    ] = 0.0
    ramp: Ramp = SHADING
    gleam: Annotated[Gleam | None, meta("Highlight", "A highlight", group=LIGHT)] = None
    silhouette: ShapeFields = "letters"
    lamp: OwnLampField = None
