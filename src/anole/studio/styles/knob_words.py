"""What a test strip writes under a tile: the value that its number, length or colour has there."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec
import numpy as np

from ...core.colour.spaces import to_oklch
from ...core.edit.varying import Knob
from ...core.model import Coat, Colour, Length
from ...core.model.field_info import field_info


def told(coats: Sequence[Coat], knob: Knob) -> str:
    """The knob's value in a style, as a panel would write it."""
    owner: object = next(coat for coat in coats if coat.id == knob.coat)
    for name in knob.path[:-1]:
        owner = getattr(owner, name)
    value = getattr(owner, knob.path[-1])
    if isinstance(value, Length):
        return f"{value.value:.3g} {value.unit}"
    if isinstance(value, Colour):
        return f"hue {_hue(value):.0f}°"
    if isinstance(value, tuple):
        return f"hue {_hue(value[0].colour):.0f}°"
    struct: type[msgspec.Struct] = type(owner)  # type: ignore[assignment]
    info = next(info for info in field_info(struct) if info.name == knob.path[-1])
    return f"{value * info.extra.get('factor', 1):.3g} {info.extra.get('unit', '')}".strip()


def _hue(colour: Colour) -> float:
    return float(to_oklch(np.array([[colour.r], [colour.g], [colour.b]], float) / 255)[2, 0])
