"""Glow: colour that fades along a span."""

from __future__ import annotations

from typing import Annotated

from ..colour import Colour
from ..fields import EDGE, meta, share
from ..paints import ColourPaint
from ..span import Span
from .base import Coat, Falloff, PaintField, ShapeFields, em_span


class Glow(Coat, frozen=True, cache_hash=True, kw_only=True, tag="glow"):
    """Colour that fades along a span, outward or inward."""

    paint: PaintField = ColourPaint(colour=Colour(255, 196, 84))
    span: Annotated[
        Span,
        meta("Span", "From full strength to nothing", soft=(-300, 120), group=EDGE),
    ] = em_span(0.0, -0.25)
    hot: Annotated[
        float, share("Solid for", "Share of the span at full strength", 0, 0.98, group=EDGE)
    ] = 0.0
    softness: Annotated[float, share("Softness", "Rounds the glow's form", group=EDGE)] = 0.5
    falloff: Annotated[
        Falloff,
        meta("Falloff", "How the strength falls along the span", group=EDGE, control="pictures"),
    ] = "ease-in"
    silhouette: ShapeFields = "letters"
