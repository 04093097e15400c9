"""The pieces of a board, made from plain values: `anole.pieces.Pool(paint="#ffecc4", spots=[...])`."""

import anole.core.model.lamp
import anole.core.model.pieces.base
import anole.core.model.pieces.cluster
import anole.core.model.pieces.emblem
import anole.core.model.pieces.ground
import anole.core.model.pieces.lettering
import anole.core.model.pieces.picture
import anole.core.model.pieces.pool
import anole.core.model.pieces.stamps
import anole.core.model.pieces.wash
import msgspec
import os
from collections.abc import Iterable
from typing import Any, Literal

from .scripting.likes import ColourLike, Fields, FontLike, LengthLike, PaintLike, PlaceLike

class Cluster(anole.core.model.pieces.cluster.Cluster, frozen=True):
    """Pieces that keep their own styles, and are one to its coats, its place and its pose."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        corners: msgspec.Struct | Fields | None = ...,
        pose: msgspec.Struct | Fields | None = ...,
        off: Iterable[Literal['rails', 'ring', 'letters', 'corners', 'pose']] = ...,
        place: PlaceLike = ...,
        style: Iterable[msgspec.Struct | Fields] = ...,
        worn: msgspec.Struct | Fields | None = ...,
        pieces: Iterable[msgspec.Struct | Fields] = ...,
        home: tuple[float, float] = ...,
    ) -> None: ...

class Emblem(anole.core.model.pieces.emblem.Emblem, frozen=True):
    """An SVG file of the board; its silhouette is all that it paints."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        corners: msgspec.Struct | Fields | None = ...,
        pose: msgspec.Struct | Fields | None = ...,
        off: Iterable[Literal['rails', 'ring', 'letters', 'corners', 'pose']] = ...,
        place: PlaceLike = ...,
        style: Iterable[msgspec.Struct | Fields] = ...,
        worn: msgspec.Struct | Fields | None = ...,
        asset: str | os.PathLike[str] = ...,
        height: LengthLike = ...,
        own: bool = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class Font(anole.core.model.pieces.lettering.Font, frozen=True):
    """A typeface by family, weight and slant."""

    def __init__(
        self,
        *,
        family: str = ...,
        weight: int = ...,
        italic: bool = ...,
        axes: Any = ...,
        features: Any = ...,
        file: str = ...,
    ) -> None: ...

class Ground(anole.core.model.pieces.ground.Ground, frozen=True):
    """Covers the board."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        paint: PaintLike = ...,
    ) -> None: ...

class Lamp(anole.core.model.lamp.Lamp, frozen=True):
    """A light far away: where it comes from, how wide, what colour, how strong."""

    def __init__(
        self,
        *,
        bearing: float = ...,
        elevation: float = ...,
        size: float = ...,
        colour: ColourLike = ...,
        strength: float = ...,
    ) -> None: ...

class Lettering(anole.core.model.pieces.lettering.Lettering, frozen=True):
    """Live text with a stack of coats."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        corners: msgspec.Struct | Fields | None = ...,
        pose: msgspec.Struct | Fields | None = ...,
        off: Iterable[Literal['rails', 'ring', 'letters', 'corners', 'pose']] = ...,
        place: PlaceLike = ...,
        style: Iterable[msgspec.Struct | Fields] = ...,
        worn: msgspec.Struct | Fields | None = ...,
        text: str = ...,
        font: FontLike = ...,
        size: LengthLike = ...,
        tracking: float = ...,
        leading: LengthLike = ...,
        lines: Literal['baselines', 'ink'] = ...,
        gap: LengthLike = ...,
        widths: Literal['own', 'longest'] = ...,
        least: float = ...,
        align: Literal['start', 'centre', 'end', 'justify'] = ...,
        smoothing: bool = ...,
        underline: bool = ...,
        strike: bool = ...,
        emoji: Literal['own', 'plain'] = ...,
        box: msgspec.Struct | Fields | None = ...,
        rails: Literal['block', 'line'] = ...,
        head: msgspec.Struct | Fields = ...,
        foot: msgspec.Struct | Fields = ...,
        ring: msgspec.Struct | Fields | None = ...,
        letters: msgspec.Struct | Fields | None = ...,
        outlines: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class Mark(anole.core.model.pieces.stamps.Mark, frozen=True):
    """One mark placed by hand."""

    def __init__(
        self,
        *,
        x: float = ...,
        y: float = ...,
        size: float = ...,
        turn: float = ...,
        strength: float = ...,
    ) -> None: ...

class Picture(anole.core.model.pieces.picture.Picture, frozen=True):
    """A picture file of the board, cut by its frame; its silhouette is what is not clear of it."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        corners: msgspec.Struct | Fields | None = ...,
        pose: msgspec.Struct | Fields | None = ...,
        off: Iterable[Literal['rails', 'ring', 'letters', 'corners', 'pose']] = ...,
        place: PlaceLike = ...,
        style: Iterable[msgspec.Struct | Fields] = ...,
        worn: msgspec.Struct | Fields | None = ...,
        asset: str | os.PathLike[str] = ...,
        width: LengthLike = ...,
        height: LengthLike = ...,
        fit: Literal['cover', 'contain', 'stretch'] = ...,
        zoom: float = ...,
        shift_x: float = ...,
        shift_y: float = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class Place(anole.core.model.pieces.base.Place, frozen=True):
    """Where a piece stands: the point `anchor` of its box lies at (x, y) board px."""

    def __init__(
        self,
        *,
        x: float = ...,
        y: float = ...,
        anchor: Literal['top-left', 'top', 'top-right', 'left', 'centre', 'right', 'bottom-left', 'bottom', 'bottom-right'] = ...,
        scale_x: float = ...,
        scale_y: float = ...,
        rotation: float = ...,
        skew: float = ...,
    ) -> None: ...

class Pool(anole.core.model.pieces.pool.Pool, frozen=True):
    """Soft spots of one paint, and a rim of it."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        paint: PaintLike = ...,
        spots: Iterable[msgspec.Struct | Fields] = ...,
        rim: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class Rim(anole.core.model.pieces.pool.Rim, frozen=True):
    """Along the board's border, darkest in the corners."""

    def __init__(
        self,
        *,
        reach: float = ...,
        roundness: float = ...,
        strength: float = ...,
    ) -> None: ...

class Scatter(anole.core.model.pieces.stamps.Scatter, frozen=True):
    """Marks placed by chance, the same for the same seed."""

    def __init__(
        self,
        *,
        count: float = ...,
        area: Literal['board', 'within', 'around', 'frame'] = ...,
        of: str | None = ...,
        reach: float = ...,
        size_from: float = ...,
        size_to: float = ...,
        turn: float = ...,
        strength_from: float = ...,
        strength_to: float = ...,
        seed: float = ...,
    ) -> None: ...

class Spot(anole.core.model.pieces.pool.Spot, frozen=True):
    """A soft disc: full as far as `hardness` of its radius, gone at the radius."""

    def __init__(
        self,
        *,
        x: float = ...,
        y: float = ...,
        radius: float = ...,
        hardness: float = ...,
        strength: float = ...,
    ) -> None: ...

class Stamps(anole.core.model.pieces.stamps.Stamps, frozen=True):
    """Marks of one kind in one paint."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        corners: msgspec.Struct | Fields | None = ...,
        pose: msgspec.Struct | Fields | None = ...,
        off: Iterable[Literal['rails', 'ring', 'letters', 'corners', 'pose']] = ...,
        place: PlaceLike = ...,
        style: Iterable[msgspec.Struct | Fields] = ...,
        worn: msgspec.Struct | Fields | None = ...,
        mark: str = ...,
        asset: str | os.PathLike[str] = ...,
        own: bool = ...,
        soft: float = ...,
        paint: PaintLike = ...,
        marks: Iterable[msgspec.Struct | Fields] = ...,
        scatter: msgspec.Struct | Fields | None = ...,
        home: tuple[float, float] = ...,
    ) -> None: ...

class Wash(anole.core.model.pieces.wash.Wash, frozen=True):
    """Changes the colours of everything beneath it."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        shown: bool = ...,
        locked: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        within: str | None = ...,
        together: bool = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...
