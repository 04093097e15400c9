"""Paints: what a coat is coloured with."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from .colour import Colour
from .fields import Angle, Share, meta, number


class ColourPaint(Struct, frozen=True, kw_only=True, tag_field="kind", tag="colour"):
    """One colour."""

    colour: Colour = Colour(255, 255, 255)


class Stop(Struct, frozen=True):
    """A gradient stop; `hint` is where the halfway colour to the next stop lies (0..1)."""

    at: Share
    colour: Colour
    hint: Annotated[float, Meta(ge=0, le=1)] = 0.5


class Gradient(Struct, frozen=True, kw_only=True, tag_field="kind", tag="gradient"):
    """Colours along a line through a frame (CSS Images 4 stops, SVG spread)."""

    stops: Annotated[tuple[Stop, ...], Meta(min_length=1, max_length=64, title="Stops")] = (
        Stop(0.0, Colour(255, 255, 255)),
        Stop(1.0, Colour(0, 0, 0)),
    )
    shape: Literal["linear"] = "linear"
    angle: Annotated[Angle, meta("Angle", "0 runs upward, 90 to the right")] = 180.0
    spread: Annotated[
        Literal["pad", "reflect", "repeat"], meta("Beyond the ends", "What follows the last stop")
    ] = "pad"
    space: Annotated[
        Literal["srgb", "srgb-linear", "oklab"], meta("Mixed in", "Colour space of the blends")
    ] = "oklab"
    frame: Annotated[
        Literal["letter", "word", "line", "piece", "board"],
        meta("Laid over", "The box that the colours are stretched over"),
    ] = "piece"
    scale: Annotated[
        float,
        number(
            "Length",
            "Share of the frame that one run of colours covers",
            0.001,
            1000,
            soft=(0.05, 2),
            unit="%",
            factor=100,
            step=0.01,
        ),
    ] = 1.0
    offset: Annotated[
        float,
        number(
            "Shift",
            "Moves the colours along their line",
            -1000,
            1000,
            soft=(-1, 1),
            unit="%",
            factor=100,
            step=0.01,
            signed=True,
        ),
    ] = 0.0
    reversed: Annotated[bool, meta("Reversed", "Last colour first")] = False


class LetterPaint(Struct, frozen=True, kw_only=True, tag_field="kind", tag="letter"):
    """The letter's own colour, from the words' colours by turns or one by one."""


Paint = ColourPaint | Gradient | LetterPaint
