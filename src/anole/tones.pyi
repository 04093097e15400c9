"""Tones of pictures, paints and washes, made from plain values: `anole.tones.Blur(...)`."""

import anole.core.model.tones

from .scripting.likes import ColourLike, LengthLike, StopsLike

class Bloom(anole.core.model.tones.Bloom, frozen=True):
    """What is bright shines over its neighbours."""

    def __init__(
        self,
        *,
        on: bool = ...,
        radius: LengthLike = ...,
        strength: float = ...,
        threshold: float = ...,
    ) -> None: ...

class Blur(anole.core.model.tones.Blur, frozen=True):
    """A Gaussian blur."""

    def __init__(
        self,
        *,
        on: bool = ...,
        radius: LengthLike = ...,
    ) -> None: ...

class Cdl(anole.core.model.tones.Cdl, frozen=True):
    """ASC CDL: (colour * slope + offset) ^ power for each channel, then saturation."""

    def __init__(
        self,
        *,
        on: bool = ...,
        slope: tuple[float, float, float] = ...,
        offset: tuple[float, float, float] = ...,
        power: tuple[float, float, float] = ...,
        saturation: float = ...,
    ) -> None: ...

class Curves(anole.core.model.tones.Curves, frozen=True):
    """A smooth curve through five heights, at a quarter's distance each."""

    def __init__(
        self,
        *,
        on: bool = ...,
        at_0: float = ...,
        at_25: float = ...,
        at_50: float = ...,
        at_75: float = ...,
        at_100: float = ...,
    ) -> None: ...

class Exposure(anole.core.model.tones.Exposure, frozen=True):
    """Light in stops: one more doubles it."""

    def __init__(
        self,
        *,
        on: bool = ...,
        stops: float = ...,
    ) -> None: ...

class GradientMap(anole.core.model.tones.GradientMap, frozen=True):
    """Luminance mapped to a gradient: darkest to the first colour, brightest to the last."""

    def __init__(
        self,
        *,
        on: bool = ...,
        stops: StopsLike = ...,
        amount: float = ...,
    ) -> None: ...

class Grey(anole.core.model.tones.Grey, frozen=True):
    """Colours to greys of their own luminance."""

    def __init__(
        self,
        *,
        on: bool = ...,
        amount: float = ...,
    ) -> None: ...

class Invert(anole.core.model.tones.Invert, frozen=True):
    """Light to dark and dark to light."""

    def __init__(
        self,
        *,
        on: bool = ...,
        amount: float = ...,
    ) -> None: ...

class Levels(anole.core.model.tones.Levels, frozen=True):
    """Black and white points in and out, and the middle between them."""

    def __init__(
        self,
        *,
        on: bool = ...,
        black: float = ...,
        white: float = ...,
        gamma: float = ...,
        low: float = ...,
        high: float = ...,
    ) -> None: ...

class Perceptual(anole.core.model.tones.Perceptual, frozen=True):
    """Hue, chroma and lightness moved in OKLCH."""

    def __init__(
        self,
        *,
        on: bool = ...,
        hue: float = ...,
        chroma: float = ...,
        lightness: float = ...,
    ) -> None: ...

class Posterise(anole.core.model.tones.Posterise, frozen=True):
    """A few flat steps of each channel."""

    def __init__(
        self,
        *,
        on: bool = ...,
        steps: float = ...,
    ) -> None: ...

class Speckle(anole.core.model.tones.Speckle, frozen=True):
    """Seeded noise, the same at every render scale."""

    def __init__(
        self,
        *,
        on: bool = ...,
        amount: float = ...,
        size: LengthLike = ...,
        coloured: bool = ...,
        seed: float = ...,
    ) -> None: ...

class Tint(anole.core.model.tones.Tint, frozen=True):
    """Every colour on the way to one colour, at its own lightness."""

    def __init__(
        self,
        *,
        on: bool = ...,
        colour: ColourLike = ...,
        amount: float = ...,
    ) -> None: ...
