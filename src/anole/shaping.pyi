"""How words and pieces are bent, ringed, turned and cut, made from plain values: `anole.shaping.Rail(...)`."""

import anole.core.model.moulding
import anole.core.model.shaping
import msgspec
from collections.abc import Iterable
from typing import Literal

from .scripting.likes import ColourLike, Fields, LengthLike

class Corners(anole.core.model.shaping.Corners, frozen=True):
    """A free quad: each corner's way from the corner of the block, in em, x and y downward."""

    def __init__(
        self,
        *,
        top_left: tuple[float, float] = ...,
        top_right: tuple[float, float] = ...,
        bottom_right: tuple[float, float] = ...,
        bottom_left: tuple[float, float] = ...,
    ) -> None: ...

class FitBox(anole.core.model.shaping.FitBox, frozen=True):
    """A box that the size of the words follows."""

    def __init__(
        self,
        *,
        width: float = ...,
        height: float = ...,
        fit: Literal['none', 'shrink', 'fill'] = ...,
    ) -> None: ...

class Letters(anole.core.model.shaping.Letters, frozen=True):
    """Colours letter by letter, chance that is always the same from its seed, and own ways."""

    def __init__(
        self,
        *,
        colours: Iterable[ColourLike] = ...,
        cycle: Literal['letter', 'word', 'line'] = ...,
        shift: float = ...,
        turn: float = ...,
        grow: float = ...,
        seed: float = ...,
        own: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class Moulding(anole.core.model.moulding.Moulding, frozen=True):
    """A joiner's profile, or one that was drawn: points from left to right."""

    def __init__(
        self,
        *,
        profile: Literal['chamfer', 'hollow', 'round-over', 'ogee', 'scoop', 'bead', 'step', 'reeds', 'flutes', 'louvres', 'drawn'] = ...,
        count: float = ...,
        turned: bool = ...,
        points: Iterable[tuple[float, float]] = ...,
    ) -> None: ...

class OwnLetter(anole.core.model.shaping.OwnLetter, frozen=True):
    """What one letter has for itself; `at` is its place in the text."""

    def __init__(
        self,
        *,
        at: int = ...,
        colour: ColourLike | None = ...,
        rise: float = ...,
        aside: float = ...,
        turn: float = ...,
        grow: float = ...,
    ) -> None: ...

class Pose(anole.core.model.shaping.Pose, frozen=True):
    """A turn in space, seen from `distance` em in front of the middle of the block."""

    def __init__(
        self,
        *,
        turn_x: float = ...,
        turn_y: float = ...,
        turn_z: float = ...,
        distance: float = ...,
    ) -> None: ...

class Rail(anole.core.model.shaping.Rail, frozen=True):
    """A line that lettering is ruled by; upward is positive, 1 is the block's height."""

    def __init__(
        self,
        *,
        slope: float = ...,
        camber: float = ...,
        wave: msgspec.Struct | Fields = ...,
    ) -> None: ...

class Ring(anole.core.model.shaping.Ring, frozen=True):
    """Words with their foot on a circle."""

    def __init__(
        self,
        *,
        radius: LengthLike = ...,
        start: float = ...,
        inside: bool = ...,
    ) -> None: ...

class Wave(anole.core.model.shaping.Wave, frozen=True):
    """A sine along a rail."""

    def __init__(
        self,
        *,
        height: float = ...,
        count: float = ...,
        phase: float = ...,
    ) -> None: ...
