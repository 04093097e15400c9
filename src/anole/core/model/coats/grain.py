"""Grain: the face roughened by a pattern, and lit."""

from __future__ import annotations

from typing import Annotated

from ..fields import PATTERN, length, meta, share
from ..length import Length
from ..paints import Pattern
from .base import SHADING, Coat, OwnLampField, Ramp


class Grain(Coat, frozen=True, cache_hash=True, kw_only=True, tag="grain"):
    """The face roughened by a pattern and lit."""

    pattern: Annotated[
        Pattern, meta("Pattern", "Its light and dark are high and low", group=PATTERN)
    ] = Pattern(generator="leather")
    amount: Annotated[
        Length,
        length("Amount", "Height of the pattern's brightest", (-20, 20), group=PATTERN),
    ] = Length(0.015, "em")
    edge: Annotated[float, share("Edge", "How far it fades toward the rim", group=PATTERN)] = 0.2
    ramp: Ramp = SHADING
    lamp: OwnLampField = None
