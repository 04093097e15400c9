"""Stamps: one mark laid many times, by hand and by chance."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Literal

from msgspec import Meta, Struct

from ..colour import Colour
from ..fields import HIDDEN, Id, Seed, angle, meta, number, share
from ..open_choice import OpenChoice
from ..paints import ColourPaint, Paint
from .base import Across, Coated, Coordinate, Down

MOST_MARKS = 5000
MARKS = [
    "glint",
    "tall glint",
    "six-ray glint",
    "sunburst",
    "spur star",
    "dot",
    "ring",
    "crystal",
    "fern crystal",
    "plate crystal",
    "leaf",
    "splash",
    "bubble",
    "scratch",
    "lace",
    "toe-stop",
    "whistle",
    "wheel",
    "confetti",
    "streamer",
    "heart",
    "bolt",
    "arrowhead",
]
"""The names of all marks; each is drawn in `marks/shapes.py`."""
if TYPE_CHECKING:
    MarkName = str
else:
    MarkName = OpenChoice("mark", MARKS)


def size(title: str, about: str) -> Meta:
    """Board px of a mark."""
    return number(title, about, 0.5, 32_000, soft=(2, 400), unit="px", step=1)


class Mark(Struct, frozen=True, cache_hash=True, kw_only=True):
    """One mark placed by hand."""

    x: Across = 0.0
    y: Down = 0.0
    size: Annotated[float, size("Size", "Across the mark")] = 80.0
    turn: Annotated[float, angle("Turn", "Clockwise", soft=(-180, 180))] = 0.0
    strength: Annotated[float, share("Strength", "How much of the paint it shows")] = 1.0


class Scatter(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Marks placed by chance, the same for the same seed."""

    count: Annotated[float, number("Count", "How many", 0, MOST_MARKS, soft=(0, 400), step=1)] = (
        60.0
    )
    area: Annotated[
        Literal["board", "within", "around", "frame"],
        meta(
            "Where",
            "Over the board, within a piece, around it, or along the board's border",
            words={
                "board": "over the board",
                "within": "within a piece",
                "around": "around a piece",
                "frame": "along the border",
            },
        ),
    ] = "board"
    of: Annotated[
        Id | None,
        meta("Piece", "That they lie within or around", control="clipped by",
             when={"area": ("within", "around")}),
    ] = None  # fmt: skip
    reach: Annotated[
        float,
        number(
            "Reach", "How far from the piece, or from the border", 1, 32_000,
            soft=(10, 400), unit="px", step=1, when={"area": ("around", "frame")},
        ),
    ] = 120.0  # fmt: skip
    size_from: Annotated[float, size("Size from", "Of the smallest")] = 8.0
    size_to: Annotated[float, size("Size to", "Of the largest")] = 26.0
    turn: Annotated[float, angle("Turn up to", "Either way", 0, 180, soft=(0, 180))] = 180.0
    strength_from: Annotated[float, share("Strength from", "Of the weakest")] = 0.5
    strength_to: Annotated[float, share("Strength to", "Of the strongest")] = 1.0
    seed: Seed = 0


class Stamps(Coated, frozen=True, cache_hash=True, kw_only=True, tag="stamps"):
    """Marks of one kind in one paint.

    home : the point of the marks' own px that lies at its place
    """

    mark: Annotated[MarkName, meta("Mark", "What is stamped", control="pictures")] = "glint"
    asset: Annotated[
        str, Meta(max_length=64), meta("Own mark", "A picture or SVG in its place", control="stamp")
    ] = ""
    own: Annotated[
        bool,
        meta("Its own colours", "Off: its silhouette in the paint", when={"asset": None}),
    ] = True
    soft: Annotated[float, share("Soft edge", "0 is crisp")] = 0.0
    paint: Annotated[Paint, meta("Paint", "What the marks are painted with")] = ColourPaint(
        colour=Colour(255, 255, 255)
    )
    marks: Annotated[
        tuple[Mark, ...],
        Meta(max_length=MOST_MARKS),
        meta("Marks", "Each is placed, sized and turned on the board"),
    ] = ()
    scatter: Annotated[Scatter | None, meta("Scatter", "More of them by chance")] = None
    home: Annotated[tuple[Coordinate, Coordinate], HIDDEN] = (0.0, 0.0)
