"""Stroke: paint over a span along the edge."""

from __future__ import annotations

from typing import Annotated, Literal

from ..colour import Colour
from ..fields import EDGE, meta, number
from ..paints import ColourPaint
from .base import Coat, PaintField, ShapeFields, SpanField, em_span

Join = Annotated[
    Literal["round", "mitre", "cut"],
    meta("Joins", "How the stroke turns outer corners", group=EDGE),
]
Limit = Annotated[
    float,
    number(
        "Limit",
        "Longest mitre, in widths",
        1,
        100,
        soft=(1, 10),
        step=0.1,
        group=EDGE,
        when={"join": ("mitre",)},
    ),
]


class Stroke(Coat, frozen=True, cache_hash=True, kw_only=True, tag="stroke"):
    """Paints a span along the edge."""

    paint: PaintField = ColourPaint(colour=Colour(32, 18, 36))
    span: SpanField = em_span(-0.06, 0.0)
    join: Join = "round"
    limit: Limit = 4.0
    silhouette: ShapeFields = "letters"
