"""A gradient's stops."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct

from .colour import Colour
from .fields import Share


class Stop(Struct, frozen=True, cache_hash=True):
    """A gradient stop; `hint` is where the halfway colour to the next stop lies (0..1)."""

    at: Share
    colour: Colour
    hint: Annotated[float, Meta(ge=0, le=1)] = 0.5


Stops = Annotated[tuple[Stop, ...], Meta(min_length=1, max_length=64)]
