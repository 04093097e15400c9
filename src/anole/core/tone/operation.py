"""What a tone operation declares of itself; each file of one ends with its own."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

from ..arrays import Planes
from ..model import Tone
from ..model.open_union import tag_of
from ..units import Units
from .where import Where


class Operation(NamedTuple):
    """One operation on painted colours.

    struct : its fields
    apply : (op, planes, where): (3, H, W) colours to others, sRGB-encoded float32, straight
    margin : (op, units): px beyond a box that its colours depend on; None for none
    alpha : apply() is given the alpha too, as the fourth plane, and changes it
    called : what people read where its tag does not say it
    begun : its fields when it is added, where their defaults change nothing
    """

    struct: type[Tone]
    apply: Callable[[Any, Planes, Where], Planes]
    margin: Callable[[Any, Units], float] | None = None
    alpha: bool = False
    called: str = ""
    begun: Tone | None = None

    @property
    def title(self) -> str:
        """What people read."""
        return self.called or tag_of(self.struct).replace("-", " ").capitalize()
