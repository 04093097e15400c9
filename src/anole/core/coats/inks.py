"""Colours that stand out where a coat as it is born would show nothing."""

from __future__ import annotations

from ..model import Colour, ColourPaint

LIGHT = ColourPaint(colour=Colour(255, 252, 244))
DARK = ColourPaint(colour=Colour(24, 34, 66))
WARM = ColourPaint(colour=Colour(255, 122, 62))
