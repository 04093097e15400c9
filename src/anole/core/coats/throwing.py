"""Where a coat is thrown, as its two lengths."""

from __future__ import annotations

from ..model import Coat, Length
from .context import CoatContext
from .kind import Throw


def thrown(
    coat: Coat, names: tuple[str, str], throw: Throw, context: CoatContext
) -> dict[str, Length]:
    """The two length fields of a coat that throw it by px of the render scale, each in the unit
    that its user chose."""
    made = {}
    for name, px in zip(names, throw, strict=True):
        old: Length = getattr(coat, name)
        like = old.like(round(px / context.scale, 2), context.em, context.dpi)
        made[name] = Length(round(like.value, 4), like.unit)
    return made
