"""How words are bent: rails, ring, letters, corners, pose, and the box they are fitted to."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from .colour import Colour
from .fields import HIDDEN, Angle, Seed, angle, length, meta, number, share
from .length import Length

Bend = Annotated[float, Meta(ge=-1, le=1, extra={"step": 0.01})]
Offset = Annotated[float, Meta(ge=-20, le=20)]
Corner = tuple[Offset, Offset]
Shaping = Literal["rails", "ring", "letters", "corners", "pose"]


class Wave(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A sine along a rail."""

    height: Annotated[Bend, meta("Wave", "Height of the wave, as a share of the block")] = 0.0
    count: Annotated[
        float, number("Waves", "How many over the block's width", 0, 50, soft=(0, 8), step=0.25)
    ] = 1.0
    phase: Annotated[
        float,
        number(
            "Start",
            "Where the wave starts, in turns",
            -100,
            100,
            soft=(-1, 1),
            step=0.01,
        ),
    ] = 0.0


class Rail(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A line that lettering is ruled by; upward is positive, 1 is the block's height."""

    slope: Annotated[Bend, meta("Tilt", "Raises the right end, lowers the left")] = 0.0
    camber: Annotated[Bend, meta("Bend", "Raises the middle")] = 0.0
    wave: Annotated[Wave, meta("Wave", "A wave along the rail")] = Wave()


class Ring(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Words with their foot on a circle."""

    radius: Annotated[
        Length,
        length(
            "Radius",
            "Of the circle the letters stand on",
            (0.5, 8),
            low=0.05,
            high=1000,
            soft_unit="em",
        ),
    ] = Length(1.5, "em")
    start: Annotated[
        Angle, meta("Middle at", "Where the middle of the words stands; 0 is the top")
    ] = 0.0
    inside: Annotated[bool, meta("Inside", "Stand on the inside of the circle")] = False


def _moved(title: str, about: str) -> Meta:
    """How far a letter is moved, in em."""
    return number(title, about, -10, 10, soft=(-0.5, 0.5), unit="em", step=0.005)


class OwnLetter(Struct, frozen=True, cache_hash=True, kw_only=True):
    """What one letter has for itself; `at` is its place in the text."""

    at: Annotated[int, Meta(ge=0, le=20_000), HIDDEN]
    colour: Annotated[Colour | None, HIDDEN] = None
    rise: Annotated[
        float,
        _moved("Baseline", "Lifts the letter off its baseline"),
    ] = 0.0
    aside: Annotated[
        float,
        _moved("Shift across", "Moves the letter along its line"),
    ] = 0.0
    turn: Annotated[float, angle("Turn", "Clockwise", -360, 360, soft=(-90, 90), step=0.5)] = 0.0
    grow: Annotated[
        float, share("Grow", "Larger or smaller than its neighbours", -0.9, 9, soft=(-0.5, 1))
    ] = 0.0

    @property
    def moved(self) -> bool:
        """Whether anything of it differs from its place on the line."""
        return any((self.rise, self.aside, self.turn, self.grow))


class Letters(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Colours letter by letter, chance that is always the same from its seed, and own ways."""

    colours: Annotated[
        tuple[Colour, ...],
        Meta(max_length=64),
        meta("Colours", "Letters take them by turns, wherever a coat's paint is `letter`"),
    ] = ()
    cycle: Annotated[
        Literal["letter", "word", "line"], meta("Next colour", "With each letter, word or line")
    ] = "letter"
    shift: Annotated[
        float,
        number("Shift", "Up to how far letters move", 0, 10, soft=(0, 0.5), unit="em", step=0.005),
    ] = 0.0
    turn: Annotated[
        float,
        angle("Turn", "Up to how far letters turn", 0, 360, soft=(0, 45), step=0.5),
    ] = 0.0
    grow: Annotated[float, share("Grow", "Up to how much letters grow or shrink", 0, 0.9)] = 0.0
    seed: Seed = 1
    own: Annotated[tuple[OwnLetter, ...], Meta(max_length=2000), HIDDEN] = ()

    @property
    def moves(self) -> bool:
        """Whether any letter leaves its place."""
        return any((self.shift, self.turn, self.grow)) or any(o.moved for o in self.own)

    def own_of(self, at: int) -> OwnLetter | None:
        """What was set by hand for the letter at `at`; None if nothing."""
        return next((o for o in self.own if o.at == at), None)


class Corners(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A free quad: each corner's way from the corner of the block, in em, x and y downward."""

    top_left: Annotated[Corner, meta("Top left", "Way of the corner in em: across, down")] = (
        0.0,
        0.0,
    )
    top_right: Annotated[Corner, meta("Top right", "Way of the corner in em: across, down")] = (
        0.0,
        0.0,
    )
    bottom_right: Annotated[
        Corner, meta("Bottom right", "Way of the corner in em: across, down")
    ] = (
        0.0,
        0.0,
    )
    bottom_left: Annotated[Corner, meta("Bottom left", "Way of the corner in em: across, down")] = (
        0.0,
        0.0,
    )


class Pose(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A turn in space, seen from `distance` em in front of the middle of the block."""

    turn_x: Annotated[
        float,
        angle("Tilt", "Turns about the level axis; the head goes back", -85, 85),
    ] = 0.0
    turn_y: Annotated[
        float,
        angle("Turn", "Turns about the upright axis; the right side goes back", -85, 85),
    ] = 0.0
    turn_z: Annotated[
        float,
        angle("Roll", "Turns in the plane, clockwise", -180, 180),
    ] = 0.0
    distance: Annotated[
        float,
        number(
            "Seen from",
            "Near is dramatic, far is calm",
            0.5,
            1000,
            soft=(2, 40),
            unit="em",
            step=0.5,
        ),
    ] = 12.0


class FitBox(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A box that the size of the words follows."""

    width: Annotated[
        float, number("Box width", "Board px", 1, 64_000, soft=(50, 4000), unit="px", step=1)
    ] = 800.0
    height: Annotated[
        float, number("Box height", "Board px", 1, 64_000, soft=(50, 4000), unit="px", step=1)
    ] = 300.0
    fit: Annotated[
        Literal["none", "shrink", "fill"],
        meta("Fit", "Never, only when the words are too large, or always"),
    ] = "fill"
