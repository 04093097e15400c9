"""Mirror: a fading reflection below the foot."""

from __future__ import annotations

from typing import Annotated, Literal

from ..fields import Opacity, angle, length, meta, share
from ..length import Length
from .base import Coat, Falloff


class Mirror(Coat, frozen=True, cache_hash=True, kw_only=True, tag="mirror"):
    """All that the piece paints but for its shadows, upside down below its foot."""

    opacity: Opacity = 0.55
    foot: Annotated[
        Literal["baseline", "outline", "painted"],
        meta(
            "Below",
            "The last baseline, the outline's lowest point, or the lowest row that is painted",
            words={
                "baseline": "the last baseline",
                "outline": "the lowest point",
                "painted": "all that is painted",
            },
        ),
    ] = "baseline"
    gap: Annotated[Length, length("Gap", "From the foot to the reflection", (-20, 80))] = Length(
        0.02, "em"
    )
    reach: Annotated[
        float, share("Length", "Of the reflection, of the piece's height", 0.02, 2, soft=(0.1, 1))
    ] = 0.7
    falloff: Annotated[
        Falloff,
        meta("Falloff", "How it fades", control="pictures"),
    ] = "linear"
    blur: Annotated[Length, length("Blur", "Of the reflection", (0, 30), low=0)] = Length(0.0, "em")
    lean: Annotated[float, angle("Lean", "To the right", -75, 75, soft=(-45, 45))] = 0.0
