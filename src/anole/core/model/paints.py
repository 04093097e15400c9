"""Paints: what a coat is coloured with."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Literal

from msgspec import Meta, Struct

from .colour import Colour
from .fields import HIDDEN, Angle, Seed, length, meta, number, share
from .ink import Ink
from .length import Length
from .open_choice import OpenChoice
from .open_union import OpenUnion
from .stop import Stop, Stops
from .tones import Tones

Frame = Literal["letter", "word", "line", "piece", "board"]
FrameField = Annotated[Frame, meta("Stretched over", "The box that the paint is stretched over")]
Move = Annotated[
    float,
    share("Shift", "Share of the frame", -1000, 1000, soft=(-1, 1)),
]
Size = Annotated[float, share("Size", "Against its natural size", 0.001, 1000, soft=(0.1, 4))]
AssetField = Annotated[str, Meta(max_length=64), HIDDEN]
POLAR = ("oklch", "hsl")
ROUND = ("radial", "conic")


class PaintBase(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
    """What every paint has."""

    speckle: Annotated[float, share("Sprayed", "Breaks the paint into specks", order=1)] = 0.0
    speckle_seed: Annotated[
        float,
        number(
            "Spray seed",
            "Another number, another chance",
            0,
            9999,
            step=1,
            when={"speckle": None},
            order=1,
        ),
    ] = 1


class ColourPaint(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="colour"):
    """One colour."""

    colour: Colour = Colour(255, 255, 255)


class Gradient(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="gradient"):
    """Colours along a line, round a point, about it, or along an edge (CSS Images 4, SVG spread)."""

    stops: Annotated[Stops, Meta(title="Stops")] = (
        Stop(0.0, Colour(255, 255, 255)),
        Stop(1.0, Colour(0, 0, 0)),
    )
    shape: Annotated[
        Literal["linear", "radial", "conic", "edge"],
        meta("Shape", "Along a line, outward from a point, round a point, or across the edge"),
    ] = "linear"
    form: Annotated[
        Literal["circle", "ellipse"],
        meta("Outline", "A circle, or stretched like the frame", when={"shape": ("radial",)}),
    ] = "circle"
    sides: Annotated[
        float,
        number(
            "Sides",
            "3 and more make a polygon",
            0,
            12,
            step=1,
            when={"shape": ("radial",)},
            at_zero="round",
        ),
    ] = 0
    frame: Annotated[
        Frame,
        meta(
            "Stretched over",
            "The box that the colours are stretched over",
            when={"shape": ("linear", "radial", "conic")},
        ),
    ] = "piece"
    extent: Annotated[
        Literal["farthest-corner", "farthest-side", "closest-side", "closest-corner"],
        meta("Reaches", "What of the frame a length of 100 % ends at", when={"shape": ("radial",)}),
    ] = "farthest-corner"
    angle: Annotated[Angle, meta("Angle", "0 runs upward, 90 to the right")] = 180.0
    fitted: Annotated[
        bool,
        meta(
            "Fit to the frame",
            "The angle is that of a square, stretched with the frame: 45 runs to the corner",
            when={"shape": ("linear",)},
        ),
    ] = False
    scale: Annotated[
        float,
        share(
            "Length",
            "Share of the frame that one run of colours covers",
            0.001,
            1000,
            soft=(0.05, 2),
        ),
    ] = 1.0
    offset: Annotated[
        Move, meta("Shift", "Moves the colours along their line, outward, or round")
    ] = 0.0
    x: Annotated[
        Move, meta("Shift across", "Moves the middle, in frames", when={"shape": ROUND})
    ] = 0.0
    y: Annotated[Move, meta("Shift down", "Moves the middle, in frames", when={"shape": ROUND})] = (
        0.0
    )
    spread: Annotated[
        Literal["pad", "reflect", "repeat"], meta("Beyond the ends", "What follows the last stop")
    ] = "pad"
    space: Annotated[
        Literal["srgb", "srgb-linear", "oklab", "oklch", "hsl"],
        meta("Mixed in", "Colour space of the blends"),
    ] = "oklab"
    hue: Annotated[
        Literal["shorter", "longer", "increasing", "decreasing"],
        meta("Hue goes", "Which way round the hues", when={"space": POLAR}),
    ] = "shorter"
    reversed: Annotated[bool, meta("Reversed", "Last colour first")] = False


PATTERNS = [
    "stripes",
    "checks",
    "dots",
    "halftone",
    "rays",
    "waves",
    "zigzag",
    "scales",
    "bricks",
    "planks",
    "wood grain",
    "brushed metal",
    "hammered metal",
    "scratches",
    "denim",
    "leather",
    "weave",
    "carbon",
    "felt",
    "paper",
    "marble",
    "stone",
    "speckle",
    "clouds",
    "camouflage",
    "frost",
    "foil",
    "water",
    "water-colour",
]
"""The names of all patterns; each is drawn by its own file in `paint/patterns`."""
if TYPE_CHECKING:
    PatternName = str
else:
    PatternName = OpenChoice("pattern", PATTERNS)


class Pattern(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="pattern"):
    """A seamless pattern drawn by a generator at the render scale, or an image as a tile."""

    generator: Annotated[
        PatternName, meta("Pattern", "What draws it", control="pictures", alone=True)
    ] = "stripes"
    inks: Annotated[
        tuple[Ink, ...],
        Meta(min_length=1, max_length=16),
        meta("Inks", "From the pattern's darkest to its brightest"),
    ] = (
        Ink(Colour(40, 30, 50)),
        Ink(Colour(255, 236, 200)),
    )
    asset: AssetField = ""
    seamless: Annotated[
        bool, meta("Seamless", "Joins the image's opposite sides", when={"asset": None})
    ] = False
    size: Annotated[
        Length,
        length("Tile", "Side of one tile", (0.05, 2), soft_unit="em", low=0.001, high=100_000),
    ] = Length(0.5, "em")
    count: Annotated[
        float,
        number("Count", "How many times its parts stand in a tile", 1, 64, soft=(1, 16), step=1),
    ] = 4
    weight: Annotated[float, share("Weight", "Share of the brighter inks")] = 0.5
    rough: Annotated[float, share("Roughness", "How uneven it is")] = 0.3
    seed: Seed = 1
    angle: Annotated[Angle, meta("Angle", "Turns the pattern clockwise")] = 0.0
    x: Annotated[Move, meta("Shift across", "Tiles to the right")] = 0.0
    y: Annotated[Move, meta("Shift down", "Tiles downward")] = 0.0
    frame: FrameField = "piece"
    tile: Annotated[
        Literal["repeat", "mirror"], meta("Tiles", "One after the other, or mirrored")
    ] = "repeat"
    tone: Tones = ()


class ImagePaint(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="image"):
    """A picture that the board carries."""

    asset: AssetField = ""
    fit: Annotated[
        Literal["cover", "contain", "stretch", "tile"], meta("Fit", "How it meets its frame")
    ] = "cover"
    frame: FrameField = "piece"
    scale: Size = 1.0
    x: Annotated[Move, meta("Shift across", "Share of the frame")] = 0.0
    y: Annotated[Move, meta("Shift down", "Share of the frame")] = 0.0
    angle: Annotated[Angle, meta("Angle", "Turns the picture clockwise")] = 0.0
    tone: Tones = ()


class Backdrop(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="backdrop"):
    """What lies beneath: everything, the ground alone, or one piece."""

    of: Annotated[
        str,
        Meta(
            min_length=1,
            max_length=64,
            title="Shows",
            description="beneath, ground, or the id of a piece",
            extra={"control": "backdrop source"},
        ),
    ] = "ground"
    scale: Size = 1.0
    x: Annotated[Move, meta("Shift across", "Share of the board")] = 0.0
    y: Annotated[Move, meta("Shift down", "Share of the board")] = 0.0
    blur: Annotated[Length, length("Blur", "Twice the deviation", (0, 60), low=0, high=4000)] = (
        Length(0.0)
    )
    tone: Tones = ()


class LetterPaint(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="letter"):
    """The letter's own colour, from the words' colours by turns or one by one."""

    tone: Tones = ()


class OwnPaint(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="own"):
    """What the piece has painted there so far."""

    tone: Tones = ()


PAINTS = OpenUnion(
    "paint", ColourPaint, Gradient, Pattern, ImagePaint, Backdrop, LetterPaint, OwnPaint
)
"""Every kind of paint that a board may hold."""
if TYPE_CHECKING:
    Paint = PaintBase
else:
    Paint = PAINTS
