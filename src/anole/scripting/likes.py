"""Types of the values that Python users write for fields of the model."""

from __future__ import annotations

import os
from collections.abc import Iterable, Mapping
from typing import Any

from ..core.model import Colour, Font, Ink, Length, Place
from ..core.model.paints import PaintBase
from ..core.model.span import Span
from ..core.model.stop import Stop

Fields = Mapping[str, Any]
"""Of a struct by name."""
ColourLike = str | tuple[int, int, int] | tuple[int, int, int, int] | Colour
"""CSS text, or bytes of red, green, blue and alpha."""
InkLike = ColourLike | Ink
LengthLike = float | str | Length
"""A number is px; text is a number and px, em, pt, mm or in."""
SpanLike = tuple[LengthLike, LengthLike] | Span | Fields
"""From where to where across the edge: below 0 outside, 0 the edge, "core" the innermost place."""
PaintLike = ColourLike | os.PathLike[str] | PaintBase | Fields
"""A colour, a gradient of CSS text, a picture's file, or a paint."""
StopsLike = Iterable[
    str | Colour | tuple[float, ColourLike] | tuple[float, ColourLike, float] | Stop
]
"""Colours at even distances, or each with its place from 0 to 1."""
FontLike = str | Font | Fields
PlaceLike = tuple[float, float] | tuple[float, float, str] | Place | Fields
