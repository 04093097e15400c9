"""What a tone operation declares of itself; each file of one ends with its own."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

from ..arrays import Planes
from ..model import Tone
from ..units import Units
from .where import Where


class Operation(NamedTuple):
    """One operation on painted colours.

    struct : its fields
    apply : (op, planes, where): (3, H, W) colours to others, sRGB-encoded float32, straight
    margin : (op, units): px beyond a box that its colours depend on; None for none
    alpha : apply() is given the alpha too, as the fourth plane, and changes it
    """

    struct: type[Tone]
    apply: Callable[[Any, Planes, Where], Planes]
    margin: Callable[[Any, Units], float] | None = None
    alpha: bool = False
