"""The coats of a style, made from plain values: `anole.coats.Stroke(span=("-0.08em", 0), paint="#fff3dc")`."""

import anole.core.model.coats.copies
import anole.core.model.coats.fill
import anole.core.model.coats.glass
import anole.core.model.coats.gloss
import anole.core.model.coats.glow
import anole.core.model.coats.grain
import anole.core.model.coats.mirror
import anole.core.model.coats.press
import anole.core.model.coats.relief
import anole.core.model.coats.ripple
import anole.core.model.coats.shadow
import anole.core.model.coats.sheen
import anole.core.model.coats.sparkle
import anole.core.model.coats.streak
import anole.core.model.coats.stroke
import anole.core.model.coats.thickness
import anole.core.model.coats.tone
import anole.core.model.coats.wear
import msgspec
import os
from collections.abc import Iterable
from typing import Literal

from .scripting.likes import Fields, LengthLike, PaintLike, SpanLike, StopsLike

class Copies(anole.core.model.coats.copies.Copies, frozen=True):
    """Copies of the silhouette, or of all that the piece paints, along a line or a bow."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        of: Literal['silhouette', 'picture'] = ...,
        silhouette: Literal['letters', 'whole'] = ...,
        paint: PaintLike = ...,
        count: float = ...,
        to_x: LengthLike = ...,
        to_y: LengthLike = ...,
        bow: float = ...,
        grow: float = ...,
        turn: float = ...,
        near: float = ...,
        far: float = ...,
    ) -> None: ...

class Fill(anole.core.model.coats.fill.Fill, frozen=True):
    """Paints the face."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        repeat: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class Flare(anole.core.model.coats.sparkle.Flare, frozen=True):
    """One placed by hand, in the coordinates of a letter: every equal letter carries it."""

    def __init__(
        self,
        *,
        letter: str = ...,
        x: float = ...,
        y: float = ...,
        grow: float = ...,
        turn: float = ...,
        strength: float = ...,
    ) -> None: ...

class Glass(anole.core.model.coats.glass.Glass, frozen=True):
    """The face shows what lies beneath it through a pane with a moulded rim."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        span: SpanLike = ...,
        moulding: msgspec.Struct | Fields = ...,
        rounding: float = ...,
        silhouette: Literal['letters', 'whole'] = ...,
        bend: LengthLike = ...,
        blur: LengthLike = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class Gleam(anole.core.model.coats.relief.Gleam, frozen=True):
    """A highlight where the surface mirrors the lamp to the eye."""

    def __init__(
        self,
        *,
        strength: float = ...,
        tightness: float = ...,
        paint: PaintLike = ...,
    ) -> None: ...

class Gloss(anole.core.model.coats.gloss.Gloss, frozen=True):
    """A shine cut off by a line or an oval."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        form: Literal['line', 'oval'] = ...,
        frame: Literal['letter', 'line', 'piece'] = ...,
        height: float = ...,
        angle: float = ...,
        bend: float = ...,
        wave: float = ...,
        side: Literal['above', 'below'] = ...,
        inset: LengthLike = ...,
        soften: LengthLike = ...,
        far: float = ...,
        at_cut: float = ...,
    ) -> None: ...

class Glow(anole.core.model.coats.glow.Glow, frozen=True):
    """Colour that fades along a span, outward or inward."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        span: SpanLike = ...,
        hot: float = ...,
        softness: float = ...,
        falloff: Literal['linear', 'ease-in', 'ease-out', 'ease-in-out'] = ...,
        silhouette: Literal['letters', 'whole'] = ...,
    ) -> None: ...

class Grain(anole.core.model.coats.grain.Grain, frozen=True):
    """The face roughened by a pattern and lit."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        pattern: msgspec.Struct | Fields = ...,
        amount: LengthLike = ...,
        edge: float = ...,
        ramp: StopsLike = ...,
        lamp: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class Mirror(anole.core.model.coats.mirror.Mirror, frozen=True):
    """All that the piece paints but for its shadows, upside down below its foot."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        foot: Literal['baseline', 'outline', 'painted'] = ...,
        gap: LengthLike = ...,
        reach: float = ...,
        falloff: Literal['linear', 'ease-in', 'ease-out', 'ease-in-out'] = ...,
        blur: LengthLike = ...,
        lean: float = ...,
    ) -> None: ...

class Press(anole.core.model.coats.press.Press, frozen=True):
    """Moves what lies beneath by the height of a moulding."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        span: SpanLike = ...,
        moulding: msgspec.Struct | Fields = ...,
        rounding: float = ...,
        silhouette: Literal['letters', 'whole'] = ...,
        push_x: LengthLike = ...,
        push_y: LengthLike = ...,
        spread: LengthLike = ...,
        show_map: bool = ...,
    ) -> None: ...

class Relief(anole.core.model.coats.relief.Relief, frozen=True):
    """Gives a span a cross-section and lights it."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        span: SpanLike = ...,
        moulding: msgspec.Struct | Fields = ...,
        height: LengthLike = ...,
        rounding: float = ...,
        ramp: StopsLike = ...,
        gleam: msgspec.Struct | Fields | None = ...,
        silhouette: Literal['letters', 'whole'] = ...,
        lamp: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class Repeat(anole.core.model.coats.fill.Repeat, frozen=True):
    """The same paint laid several times, moved by chance, each blended on the last."""

    def __init__(
        self,
        *,
        count: float = ...,
        shift: float = ...,
        turn: float = ...,
        seed: float = ...,
    ) -> None: ...

class Ripple(anole.core.model.coats.ripple.Ripple, frozen=True):
    """Moves the outlines before any coat sees them, or what the coats beneath have painted."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        drives: Literal['outline', 'picture'] = ...,
        by: Literal['waves', 'turbulence', 'image', 'ground'] = ...,
        height_x: LengthLike = ...,
        length_x: LengthLike = ...,
        phase_x: float = ...,
        height_y: LengthLike = ...,
        length_y: LengthLike = ...,
        phase_y: float = ...,
        amount: LengthLike = ...,
        scale: LengthLike = ...,
        octaves: float = ...,
        seed: float = ...,
        asset: str | os.PathLike[str] = ...,
        bearing: float = ...,
        smooth: LengthLike = ...,
    ) -> None: ...

class Shadow(anole.core.model.coats.shadow.Shadow, frozen=True):
    """The silhouette lifted off the ground under the lamp, or sunk into it."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        lift: LengthLike = ...,
        grow: LengthLike = ...,
        falls: Literal['behind', 'inside'] = ...,
        lamp: msgspec.Struct | Fields | None = ...,
        silhouette: Literal['letters', 'whole'] = ...,
    ) -> None: ...

class Sheen(anole.core.model.coats.sheen.Sheen, frozen=True):
    """Soft bands across the face."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        bearing: float = ...,
        pitch: LengthLike = ...,
        width: float = ...,
        phase: float = ...,
        drift: float = ...,
        bow: float = ...,
        unevenness: float = ...,
        seed: float = ...,
    ) -> None: ...

class Sparkle(anole.core.model.coats.sparkle.Sparkle, frozen=True):
    """Flares placed by hand, and found on the letters."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        size: LengthLike = ...,
        points: float = ...,
        slimness: float = ...,
        halo: float = ...,
        turn: float = ...,
        flares: Iterable[msgspec.Struct | Fields] = ...,
        find: Literal['nothing', 'corners', 'light', 'both'] = ...,
        count: float = ...,
        smallest: float = ...,
        weakest: float = ...,
        seed: float = ...,
        lamp: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class Streak(anole.core.model.coats.streak.Streak, frozen=True):
    """Smears of the silhouette, or of what the piece paints, that fade with the wind."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        of: Literal['silhouette', 'picture'] = ...,
        paint: PaintLike = ...,
        bearing: float = ...,
        count: float = ...,
        fan: float = ...,
        reach: LengthLike = ...,
        onset: float = ...,
        falloff: Literal['linear', 'ease-in', 'ease-out', 'ease-in-out'] = ...,
        uneven: float = ...,
        width: LengthLike = ...,
        seed: float = ...,
    ) -> None: ...

class Stroke(anole.core.model.coats.stroke.Stroke, frozen=True):
    """Paints a span along the edge."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        paint: PaintLike = ...,
        span: SpanLike = ...,
        join: Literal['round', 'mitre', 'cut'] = ...,
        limit: float = ...,
        silhouette: Literal['letters', 'whole'] = ...,
    ) -> None: ...

class Thickness(anole.core.model.coats.thickness.Thickness, frozen=True):
    """Walls from the face's edge to a back that lies aside, or toward a vanishing point."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        way: Literal['throw', 'toward', 'pose'] = ...,
        throw_x: LengthLike = ...,
        throw_y: LengthLike = ...,
        point_x: float = ...,
        point_y: float = ...,
        depth: float = ...,
        straight: LengthLike = ...,
        silhouette: Literal['letters', 'whole'] = ...,
        paint: PaintLike = ...,
        wall_light: float = ...,
        taper: float = ...,
        rim: msgspec.Struct | Fields | None = ...,
        lamp: msgspec.Struct | Fields | None = ...,
    ) -> None: ...

class ToneCoat(anole.core.model.coats.tone.ToneCoat, frozen=True):
    """Acts on all that the coats beneath it painted, and on nothing else."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        tone: Iterable[msgspec.Struct | Fields] = ...,
    ) -> None: ...

class WallRim(anole.core.model.coats.thickness.WallRim, frozen=True):
    """A line of its own where the walls meet the face."""

    def __init__(
        self,
        *,
        width: LengthLike = ...,
        paint: PaintLike = ...,
    ) -> None: ...

class Wear(anole.core.model.coats.wear.Wear, frozen=True):
    """Takes away from the silhouette by a texture, and changes its form."""

    def __init__(
        self,
        *,
        id: str = ...,
        name: str = ...,
        note: str = ...,
        on: bool = ...,
        opacity: float = ...,
        blend: Literal['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter', 'arithmetic'] = ...,
        arithmetic: tuple[float, float, float, float] = ...,
        clip_side: Literal['everywhere', 'outside', 'inside'] = ...,
        plane: Literal['board', 'face'] = ...,
        texture: Literal['chips', 'scratches', 'cracks'] = ...,
        amount: float = ...,
        size: LengthLike = ...,
        detail: float = ...,
        angle: float = ...,
        edge: float = ...,
        rim: LengthLike = ...,
        soften: LengthLike = ...,
        seed: float = ...,
        grow: LengthLike = ...,
        corners: LengthLike = ...,
    ) -> None: ...
