"""Lettering: live text, always made again from outlines."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from ..fields import HIDDEN, Name, length, meta, number, share
from ..length import Length
from ..outlines import Outlines
from ..shaping import FitBox, Letters, Rail, Ring
from ..tags import FeatureTags, Tags
from .base import Coated

SHAPE = "Shape"


class Font(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A typeface by family, weight and slant.

    `file` is the SHA-256 of the font file that the board carries for it, "" where it carries none.
    """

    family: Name = "Anton"
    weight: Annotated[int, Meta(ge=1, le=1000)] = 400
    italic: bool = False
    axes: Tags = Tags()
    features: FeatureTags = FeatureTags()
    file: Annotated[str, Meta(pattern=r"^([0-9a-f]{64})?$")] = ""


class Lettering(Coated, frozen=True, cache_hash=True, kw_only=True, tag="lettering"):
    """Live text with a stack of coats."""

    text: Annotated[str, Meta(max_length=20_000, title="Words"), HIDDEN] = ""
    font: Annotated[Font, meta("Font", "The typeface"), HIDDEN] = Font()
    size: Annotated[
        Length, length("Size", "One em", (8, 600), low=0.5, high=32_000, no_em=True)
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
        ),
    ] = 0.0
    leading: Annotated[
        Length,
        length(
            "Leading",
            "From baseline to baseline",
            (0.5, 2),
            low=0.0,
            high=100,
            soft_unit="em",
            when={"lines": ("baselines",)},
        ),
    ] = Length(1.0, "em")
    lines: Annotated[
        Literal["baselines", "ink"],
        meta(
            "Lines stand",
            "By their baselines, or as near as the shapes of the letters allow",
            words={"baselines": "by baselines", "ink": "by their ink"},
        ),
    ] = "baselines"
    gap: Annotated[
        Length,
        length(
            "Gap",
            "Between the ink of two lines",
            (0, 0.6),
            low=0.0,
            high=100,
            soft_unit="em",
            when={"lines": ("ink",)},
        ),
    ] = Length(0.18, "em")
    widths: Annotated[
        Literal["own", "longest"],
        meta(
            "Widths",
            "Each line its own, or all as wide as the longest",
            words={"own": "each its own", "longest": "all as the longest"},
        ),
    ] = "own"
    least: Annotated[
        float,
        share(
            "Smallest line",
            "Of the largest one's size: short lines grow no further",
            0.02,
            1,
            when={"widths": ("longest",)},
        ),
    ] = 0.25
    align: Annotated[
        Literal["start", "centre", "end", "justify"], meta("Align", "How lines stand")
    ] = "centre"
    smoothing: Annotated[bool, meta("Smooth edges", "Off: hard pixels")] = True
    underline: Annotated[bool, meta("Underline", "A line under the words")] = False
    strike: Annotated[bool, meta("Strike", "A line through the words, strikethrough")] = False
    emoji: Annotated[
        Literal["own", "plain"],
        meta(
            "Emoji",
            "In the colours that they have, or painted by the coats like the letters",
            words={"own": "in their own colours", "plain": "in one colour"},
        ),
    ] = "own"
    box: Annotated[
        FitBox | None, meta("Fit to a box", "The size follows the words", group=SHAPE)
    ] = None
    rails: Annotated[
        Literal["block", "line"],
        meta("Rails bend", "All lines together, or each line", group=SHAPE),
    ] = "block"
    head: Annotated[Rail, meta("Head rail", "The rail above the words", group=SHAPE)] = Rail()
    foot: Annotated[Rail, meta("Foot rail", "The rail below the words", group=SHAPE)] = Rail()
    ring: Annotated[Ring | None, meta("Ring", "Stand the words on a circle", group=SHAPE)] = None
    letters: Annotated[
        Letters | None,
        meta("Letter by letter", "Colours by turns; moved and turned by chance", group=SHAPE),
    ] = None
    outlines: Annotated[Outlines | None, HIDDEN] = None
