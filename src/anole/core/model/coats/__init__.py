"""The coats: one frozen struct each, with its fields in the order of its panel."""

from __future__ import annotations

from ..open_union import OpenUnion
from .base import Coat
from .copies import Copies
from .fill import Fill, Repeat
from .glass import Glass
from .gloss import Gloss
from .glow import Glow
from .grain import Grain
from .mirror import Mirror
from .press import Press
from .relief import Gleam, Relief
from .shadow import Shadow
from .sheen import Sheen
from .sparkle import Flare, Sparkle
from .stroke import Stroke
from .thickness import Thickness, WallRim
from .tone import ToneCoat

__all__ = [
    "COATS",
    "Coat",
    "Copies",
    "Fill",
    "Flare",
    "Glass",
    "Gleam",
    "Gloss",
    "Glow",
    "Grain",
    "Mirror",
    "Press",
    "Relief",
    "Repeat",
    "Shadow",
    "Sheen",
    "Sparkle",
    "Stroke",
    "Thickness",
    "ToneCoat",
    "WallRim",
]

COATS = OpenUnion(
    "coat",
    Fill,
    Stroke,
    Glow,
    Shadow,
    Relief,
    Grain,
    Sheen,
    Gloss,
    Sparkle,
    Press,
    Glass,
    ToneCoat,
    Copies,
    Mirror,
    Thickness,
)
"""Every kind of coat that a board may hold."""
