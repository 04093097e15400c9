"""A saved export: one file that a board is written to."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct

from .fields import HIDDEN, Id, Name, meta, number
from .formats import FormatName, Those, Titles

LOSSY, WITH_ALPHA, PRINTED, SAYING_DPI, MOVING = map(
    Those, ("lossy", "alpha", "printed", "says_dpi", "moving")
)
SIZE, FILE = "Size", "File"


class Export(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Format, size, quality and limit of a picture of the board."""

    id: Id = "export-1"
    name: Name = ""
    on: Annotated[bool, HIDDEN] = True
    format: Annotated[FormatName, meta("Format", "What is written", words=Titles())] = "png"
    quality: Annotated[
        float,
        number(
            "Quality",
            "Of what loses some of the picture",
            1,
            100,
            step=1,
            when={"format": LOSSY},
        ),
    ] = 90
    most: Annotated[
        float,
        number(
            "At most",
            "The best quality that fits is found",
            0,
            1e9,
            soft=(0, 5e6),
            unit="kB",
            factor=0.001,
            step=1000,
            at_zero="no limit",
            when={"format": LOSSY},
        ),
    ] = 0
    scale: Annotated[
        float,
        number("Scale", "The board's size", 0.001, 100, soft=(0.25, 4), step=0.25, group=SIZE),
    ] = 1.0
    width: Annotated[
        float,
        number(
            "Exact width",
            "In place of the scale",
            0,
            32_000,
            soft=(0, 3840),
            step=1,
            at_zero="as it comes",
            unit="px",
            group=SIZE,
        ),
    ] = 0
    height: Annotated[
        float,
        number(
            "Exact height",
            "In place of the scale",
            0,
            32_000,
            soft=(0, 2160),
            step=1,
            at_zero="as it comes",
            unit="px",
            group=SIZE,
        ),
    ] = 0
    trim: Annotated[bool, meta("Trim", "To what is painted besides grounds", group=SIZE)] = False
    padding: Annotated[
        float,
        number(
            "Padding",
            "Board px round what is left",
            0,
            4000,
            soft=(0, 100),
            step=1,
            unit="px",
            group=SIZE,
            when={"trim": None},
        ),
    ] = 0
    transparent: Annotated[
        bool,
        meta(
            "Transparent background",
            "Leaves the grounds out",
            group=FILE,
            when={"format": WITH_ALPHA},
        ),
    ] = False
    srgb: Annotated[
        bool, meta("Tag as sRGB", "A tag that programs read the colours by", group=FILE)
    ] = True
    dpi: Annotated[
        float,
        number(
            "Resolution",
            "That the file says",
            0,
            10_000,
            soft=(0, 600),
            step=1,
            unit="dpi",
            at_zero="the board's own",
            group=FILE,
            when={"format": SAYING_DPI},
        ),
    ] = 0
    bleed: Annotated[
        float,
        number(
            "Bleed",
            "mm of the picture beyond the cut",
            0,
            20,
            soft=(0, 6),
            step=0.5,
            unit="mm",
            group=FILE,
            when={"format": PRINTED},
        ),
    ] = 0
    names: Annotated[
        bool,
        meta("Names", "What comes is named at the foot", group=FILE, when={"format": MOVING}),
    ] = False
    marks: Annotated[
        bool,
        meta("Crop marks", "Lines where the sheet is cut", group=FILE, when={"format": PRINTED}),
    ] = False
    file: Annotated[Name, Meta(title="File name")] = "{board}"

    @property
    def has_quality(self) -> bool:
        """Whether some of the picture is lost, more or less."""
        return self.format in LOSSY

    @property
    def alpha(self) -> bool:
        """Whether what lies behind is left clear."""
        return self.transparent and self.format in WITH_ALPHA
