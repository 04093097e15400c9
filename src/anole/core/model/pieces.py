"""The pieces a board is made of."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from .colour import Colour
from .fields import BlendField, Id, Name, Opacity, meta, number
from .length import Length
from .outlines import Outlines
from .paints import ColourPaint, Paint
from .shaping import Corners, FitBox, Letters, Pose, Rail, Ring, Shaping
from .style import Coats, Worn
from .tags import Tags

Anchor = Literal[
    "top-left", "top", "top-right", "left", "centre", "right",
    "bottom-left", "bottom", "bottom-right",
]  # fmt: skip

Coordinate = Annotated[float, Meta(ge=-1e6, le=1e6)]
Stretch = Annotated[float, Meta(ge=-100, le=100)]


class Place(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Where a piece stands: the point `anchor` of its box lies at (x, y) board px."""

    x: Annotated[
        Coordinate, meta("Across", "Board px from the left", unit="px", step=1, soft=(0, 2000))
    ] = 0.0
    y: Annotated[
        Coordinate, meta("Down", "Board px from the top", unit="px", step=1, soft=(0, 2000))
    ] = 0.0
    anchor: Anchor = "centre"
    scale_x: Stretch = 1.0
    scale_y: Stretch = 1.0
    rotation: Annotated[
        float,
        number("Turn", "Clockwise", -3600, 3600, soft=(-180, 180), unit="°", step=1, signed=True),
    ] = 0.0
    skew: Annotated[
        float,
        number(
            "Slant", "Leans the letters", -80, 80, soft=(-40, 40), unit="°", step=1, signed=True
        ),
    ] = 0.0


class PieceBase(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
    """What every piece has."""

    id: Id
    name: Name = ""
    shown: bool = True
    locked: bool = False
    opacity: Opacity = 1.0
    blend: BlendField = "normal"


class Ground(PieceBase, frozen=True, cache_hash=True, kw_only=True, tag="ground"):
    """Covers the board."""

    paint: Annotated[Paint, meta("Paint", "What the ground is painted with")] = ColourPaint(
        colour=Colour(24, 42, 60)
    )


class Font(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A typeface by family, weight and slant."""

    family: Name = "Anton"
    weight: Annotated[int, Meta(ge=1, le=1000)] = 400
    italic: bool = False
    axes: Tags = Tags()
    features: Tags = Tags()


class Lettering(PieceBase, frozen=True, cache_hash=True, kw_only=True, tag="lettering"):
    """Live text with a stack of coats."""

    text: Annotated[str, Meta(max_length=20_000, title="Words")] = ""
    font: Annotated[Font, meta("Font", "The typeface")] = Font()
    size: Annotated[
        Length, meta("Size", "One em", soft=(8, 600), low=0.5, high=32_000, no_em=True)
    ] = Length(200.0, "px")
    tracking: Annotated[
        float,
        number(
            "Tracking",
            "Added between letters, in 1/1000 em",
            -1000,
            10_000,
            soft=(-200, 1000),
            step=1,
            signed=True,
        ),
    ] = 0.0
    leading: Annotated[
        Length,
        meta(
            "Leading", "From baseline to baseline", soft=(0.5, 2), low=0.0, high=100, soft_unit="em"
        ),
    ] = Length(1.0, "em")
    align: Annotated[
        Literal["start", "centre", "end", "justify"], meta("Lines", "How lines stand")
    ] = "centre"
    smoothing: Annotated[bool, meta("Smooth edges", "Off: hard pixels")] = True
    underline: Annotated[bool, meta("Underline", "A line under the words")] = False
    strike: Annotated[bool, meta("Strike", "A line through the words")] = False
    box: Annotated[FitBox | None, meta("Fit to a box", "The size follows the words")] = None
    rails: Annotated[
        Literal["block", "line"], meta("Rails bend", "All lines together, or each line")
    ] = "block"
    head: Annotated[Rail, meta("Head rail", "The rail above the words")] = Rail()
    foot: Annotated[Rail, meta("Foot rail", "The rail below the words")] = Rail()
    ring: Annotated[Ring | None, meta("Ring", "Stand the words on a circle")] = None
    letters: Annotated[
        Letters | None, meta("Letter by letter", "Colours by turns; moved and turned by chance")
    ] = None
    corners: Annotated[Corners | None, meta("Corners", "Pull each corner freely")] = None
    pose: Annotated[Pose | None, meta("Pose", "Turn the words in space")] = None
    off: tuple[Shaping, ...] = ()
    """Kinds of shaping that are kept and switched off."""
    place: Place = Place()
    style: Coats = ()
    worn: Worn | None = None
    outlines: Outlines | None = None


Piece = Ground | Lettering
