"""What a board is: frozen values, validated on the way in."""

from .asset import Asset
from .board import Board
from .coats import (
    COATS,
    Coat,
    Fill,
    Gleam,
    Gloss,
    Glow,
    Grain,
    Relief,
    Repeat,
    Shadow,
    Sheen,
    Stroke,
)
from .codec import ModelError, from_builtins, from_json, to_builtins, to_json
from .colour import Colour
from .ink import Ink
from .lamp import Lamp
from .length import Length, Position
from .moulding import Moulding
from .outlines import Outlines, StoredLine
from .paints import (
    Backdrop,
    ColourPaint,
    Gradient,
    ImagePaint,
    LetterPaint,
    OwnPaint,
    Paint,
    Pattern,
)
from .pieces import PIECES, Coated, Font, Ground, Lettering, Piece, Place, Placed, Sourced
from .shaping import Corners, FitBox, Letters, OwnLetter, Pose, Rail, Ring, Wave
from .span import Span
from .stop import Stop
from .style import Style, Worn
from .tags import Tags
from .tones import (
    Bloom,
    Blur,
    Cdl,
    Curves,
    Exposure,
    Flats,
    Grey,
    InkRamp,
    Invert,
    Levels,
    Perceptual,
    Speckle,
    Tint,
    Tone,
)

__all__ = [
    "COATS",
    "PIECES",
    "Asset",
    "Backdrop",
    "Bloom",
    "Blur",
    "Board",
    "Cdl",
    "Coat",
    "Coated",
    "Colour",
    "ColourPaint",
    "Corners",
    "Curves",
    "Exposure",
    "Fill",
    "FitBox",
    "Flats",
    "Font",
    "Gleam",
    "Gloss",
    "Glow",
    "Gradient",
    "Grain",
    "Grey",
    "Ground",
    "ImagePaint",
    "Ink",
    "InkRamp",
    "Invert",
    "Lamp",
    "Length",
    "LetterPaint",
    "Lettering",
    "Letters",
    "Levels",
    "ModelError",
    "Moulding",
    "Outlines",
    "OwnLetter",
    "OwnPaint",
    "Paint",
    "Pattern",
    "Perceptual",
    "Piece",
    "Place",
    "Placed",
    "Pose",
    "Position",
    "Rail",
    "Relief",
    "Repeat",
    "Ring",
    "Shadow",
    "Sheen",
    "Sourced",
    "Span",
    "Speckle",
    "Stop",
    "StoredLine",
    "Stroke",
    "Style",
    "Tags",
    "Tint",
    "Tone",
    "Wave",
    "Worn",
    "from_builtins",
    "from_json",
    "to_builtins",
    "to_json",
]
