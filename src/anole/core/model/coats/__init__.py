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
from .ripple import Ripple
from .shadow import Shadow
from .sheen import Sheen
from .sparkle import Flare, Sparkle
from .streak import Streak
from .stroke import Stroke
from .thickness import Thickness, WallRim
from .tone import ToneCoat
from .wear import Wear

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
    "Ripple",
    "Shadow",
    "Sheen",
    "Sparkle",
    "Streak",
    "Stroke",
    "Thickness",
    "ToneCoat",
    "WallRim",
    "Wear",
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
    Wear,
    Ripple,
    Streak,
)
"""Every kind of coat that a board may hold."""
