"""Glass: what lies beneath, seen through the face: blurred, bent, in other tones."""

from __future__ import annotations

from typing import Annotated

from ..fields import EDGE, length, meta, share
from ..length import Length
from ..moulding import Moulding
from ..tones import Tones
from .base import Coat, ShapeFields, SpanField, em_span


class Glass(Coat, frozen=True, cache_hash=True, kw_only=True, tag="glass"):
    """The face shows what lies beneath it through a pane with a moulded rim."""

    span: SpanField = em_span(0.0, 0.12)
    moulding: Annotated[Moulding, meta("Moulding", "The pane's rim", group=EDGE)] = Moulding(
        profile="round-over"
    )
    rounding: Annotated[
        float, share("Rounding", "From a crisp ridge to a swollen form", group=EDGE)
    ] = 0.3
    silhouette: ShapeFields = "letters"
    bend: Annotated[Length, length("Bend", "How far the rim bends what is seen", (-80, 80))] = (
        Length(0.08, "em")
    )
    blur: Annotated[Length, length("Blur", "Of what is seen", (0, 60), low=0)] = Length(0.02, "em")
    tone: Tones = ()
