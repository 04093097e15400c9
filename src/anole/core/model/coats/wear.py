"""Wear: the silhouette chipped, scratched or cracked, grown, shrunk or rounded before any coat."""

from __future__ import annotations

from typing import Annotated, Literal

from ..fields import Seed, angle, length, meta, number, share
from ..length import Length
from .base import ShapingCoat

DAMAGE, FORM = "Damage", "The form"


class Wear(ShapingCoat, frozen=True, cache_hash=True, kw_only=True, tag="wear"):
    """Takes away from the silhouette by a texture, and changes its form."""

    texture: Annotated[
        Literal["chips", "scratches", "cracks"],
        meta("Texture", "What has worn the letters", group=DAMAGE),
    ] = "chips"
    amount: Annotated[
        float, share("Amount", "Share of the face that is worn away", 0, 0.95, group=DAMAGE)
    ] = 0.16
    size: Annotated[
        Length,
        length(
            "Size", "Of the largest parts of the texture", (0.02, 1), soft_unit="em", low=0.002,
            group=DAMAGE,
        ),
    ] = Length(0.12, "em")  # fmt: skip
    detail: Annotated[
        float, number("Detail", "Octaves of the texture", 1, 8, step=1, group=DAMAGE)
    ] = 5.0
    angle: Annotated[float, angle("Angle", "Of scratches", soft=(-90, 90), group=DAMAGE)] = 25.0
    edge: Annotated[float, share("At the rim", "How far damage keeps to the rim", group=DAMAGE)] = (
        0.6
    )
    rim: Annotated[
        Length,
        length("Rim", "How deep the rim goes", (0, 0.5), soft_unit="em", low=0, group=DAMAGE),
    ] = Length(0.05, "em")
    soften: Annotated[
        Length, length("Soften", "Of the edges of damage", (0, 20), low=0, group=DAMAGE)
    ] = Length(0.0, "em")
    seed: Annotated[Seed, meta("Seed", "Another number, other damage", group=DAMAGE)] = 1
    grow: Annotated[
        Length,
        length("Grow", "Makes the letters fatter or thinner", (-40, 40), group=FORM),
    ] = Length(0.0, "em")
    corners: Annotated[
        Length,
        length("Round corners", "Radius of corners that point out", (0, 60), low=0, group=FORM),
    ] = Length(0.0, "em")
