"""What a board is: frozen values, validated on the way in."""

from .board import Board
from .coats import Coat, Fill, Glow, Shadow, Stroke
from .codec import ModelError, from_builtins, from_json, to_builtins, to_json
from .colour import Colour
from .lamp import Lamp
from .length import Length, Position
from .paints import ColourPaint, Gradient, Paint, Stop
from .pieces import Font, Ground, Lettering, Piece, Place
from .span import Span
from .style import Style, Worn

__all__ = [
    "Board",
    "Coat",
    "Colour",
    "ColourPaint",
    "Fill",
    "Font",
    "Glow",
    "Gradient",
    "Ground",
    "Lamp",
    "Length",
    "Lettering",
    "ModelError",
    "Paint",
    "Piece",
    "Place",
    "Position",
    "Shadow",
    "Span",
    "Stop",
    "Stroke",
    "Style",
    "Worn",
    "from_builtins",
    "from_json",
    "to_builtins",
    "to_json",
]
