"""Coats that are found by being drawn: their lengths in px, until it is known how large an em is."""

from __future__ import annotations

from typing import NamedTuple

from ..model import Coat, Length, Position
from ..model.mapped import mapped


class Extra(NamedTuple):
    """coat : its lengths in px; said : what was measured, in plain words; sure : 0 to 1, the share of px
    it lies on that hardly differ; beneath : whether it lies under the rims, not on the face"""

    coat: Coat
    said: str
    sure: float
    beneath: bool


def scaled(coat: Coat, by: float, unit: str = "px", digits: int = 4) -> Coat:
    """The coat with each length of so many px times `by`, in another unit."""

    def length(one: Length) -> Length:
        return Length(round(one.value * by, digits), unit) if one.unit == "px" else one

    def position(one: Position) -> Position:
        return Position(round(one.value * by, digits), unit) if one.unit == "px" else one

    return mapped(mapped(coat, Length, length), Position, position)
