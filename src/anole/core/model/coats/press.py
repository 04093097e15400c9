"""Press: what lies beneath is bent along the letters, as if it were pushed up or down."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta

from ..fields import EDGE, length, meta, share
from ..length import Length
from ..moulding import Moulding
from .base import Coat, ShapeFields, SpanField, em_span

PUSH = "Push"


def _push(title: str, about: str) -> Meta:
    return length(title, about, (-60, 60), group=PUSH)


class Press(Coat, frozen=True, cache_hash=True, kw_only=True, tag="press"):
    """Moves what lies beneath by the height of a moulding."""

    span: SpanField = em_span(-0.05, 0.05)
    moulding: Annotated[Moulding, meta("Moulding", "The cross-section", group=EDGE)] = Moulding(
        profile="ogee"
    )
    rounding: Annotated[
        float, share("Rounding", "From a crisp ridge to a swollen form", group=EDGE)
    ] = 0.2
    silhouette: ShapeFields = "letters"
    push_x: Annotated[Length, _push("Push across", "How far the top is moved to the right")] = (
        Length(0.0, "em")
    )
    push_y: Annotated[Length, _push("Push down", "How far the top is moved down")] = Length(
        -0.06, "em"
    )
    spread: Annotated[
        Length, _push("Along the slope", "Moved up the slope, or down below zero")
    ] = Length(0.0, "em")
    show_map: Annotated[
        bool, meta("Show the map", "Heights in place of the picture", group=PUSH)
    ] = False
