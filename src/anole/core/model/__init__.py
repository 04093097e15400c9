"""What a board is: frozen values, validated on the way in."""

from .asset import Asset
from .board import Board
from .coats import Coat, Fill, Glow, Shadow, Stroke
from .codec import ModelError, from_builtins, from_json, to_builtins, to_json
from .colour import Colour
from .lamp import Lamp
from .length import Length, Position
from .outlines import KeptLine, Outlines
from .paints import ColourPaint, Gradient, LetterPaint, Paint, Stop
from .pieces import Font, Ground, Lettering, Piece, Place
from .shaping import Corners, FitBox, Letters, OwnLetter, Pose, Rail, Ring, Wave
from .span import Span
from .style import Style, Worn
from .tags import Tags

__all__ = [
    "Asset",
    "Board",
    "Coat",
    "Colour",
    "ColourPaint",
    "Corners",
    "Fill",
    "FitBox",
    "Font",
    "Glow",
    "Gradient",
    "Ground",
    "KeptLine",
    "Lamp",
    "Length",
    "LetterPaint",
    "Lettering",
    "Letters",
    "ModelError",
    "Outlines",
    "OwnLetter",
    "Paint",
    "Piece",
    "Place",
    "Pose",
    "Position",
    "Rail",
    "Ring",
    "Shadow",
    "Span",
    "Stop",
    "Stroke",
    "Style",
    "Tags",
    "Wave",
    "Worn",
    "from_builtins",
    "from_json",
    "to_builtins",
    "to_json",
]
