"""What coats and pieces are painted with, made from plain values: `anole.paints.Pattern(generator="denim")`."""

import anole.core.model.paints
import anole.core.model.stop
import msgspec
import os
from collections.abc import Iterable
from typing import Literal

from .scripting.likes import ColourLike, Fields, InkLike, LengthLike, StopsLike

class Backdrop(anole.core.model.paints.Backdrop, frozen=True):
    """What lies beneath: everything, the ground alone, or one piece."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        of: str = ...,
        scale: float = ...,
        x: float = ...,
        y: float = ...,
        blur: LengthLike = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class ColourPaint(anole.core.model.paints.ColourPaint, frozen=True):
    """One colour."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        colour: ColourLike = ...,
    ) -> None: ...

class Gradient(anole.core.model.paints.Gradient, frozen=True):
    """Colours along a line, round a point, about it, or along an edge (CSS Images 4, SVG spread)."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        stops: StopsLike = ...,
        shape: Literal['linear', 'radial', 'conic', 'edge'] = ...,
        form: Literal['circle', 'ellipse'] = ...,
        sides: float = ...,
        frame: Literal['letter', 'word', 'line', 'piece', 'board'] = ...,
        extent: Literal['farthest-corner', 'farthest-side', 'closest-side', 'closest-corner'] = ...,
        angle: float = ...,
        fitted: bool = ...,
        scale: float = ...,
        offset: float = ...,
        x: float = ...,
        y: float = ...,
        spread: Literal['pad', 'reflect', 'repeat'] = ...,
        space: Literal['srgb', 'srgb-linear', 'oklab', 'oklch', 'hsl'] = ...,
        hue: Literal['shorter', 'longer', 'increasing', 'decreasing'] = ...,
        reversed: bool = ...,
    ) -> None: ...

class ImagePaint(anole.core.model.paints.ImagePaint, frozen=True):
    """A picture that the board carries."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        asset: str | os.PathLike[str] = ...,
        fit: Literal['cover', 'contain', 'stretch', 'tile'] = ...,
        frame: Literal['letter', 'word', 'line', 'piece', 'board'] = ...,
        scale: float = ...,
        x: float = ...,
        y: float = ...,
        angle: float = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class LetterPaint(anole.core.model.paints.LetterPaint, frozen=True):
    """The letter's own colour, from the words' colours by turns or one by one."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class OwnPaint(anole.core.model.paints.OwnPaint, frozen=True):
    """What the piece has painted there so far."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class Pattern(anole.core.model.paints.Pattern, frozen=True):
    """A seamless pattern drawn by a generator at the render scale, or an image as a tile."""

    def __init__(
        self,
        *,
        speckle: float = ...,
        speckle_seed: float = ...,
        generator: str = ...,
        inks: Iterable[InkLike] = ...,
        asset: str | os.PathLike[str] = ...,
        seamless: bool = ...,
        size: LengthLike = ...,
        count: float = ...,
        weight: float = ...,
        rough: float = ...,
        seed: float = ...,
        angle: float = ...,
        x: float = ...,
        y: float = ...,
        frame: Literal['letter', 'word', 'line', 'piece', 'board'] = ...,
        tile: Literal['repeat', 'mirror'] = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class Stop(anole.core.model.stop.Stop, frozen=True):
    """A gradient stop; `hint` is where the halfway colour to the next stop lies (0..1)."""

    def __init__(
        self,
        *,
        at: float = ...,
        colour: ColourLike = ...,
        hint: float = ...,
    ) -> None: ...
