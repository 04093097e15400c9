"""What was found, coat by coat: the coat, what was measured of it, and how sure it is."""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import Any, NamedTuple

import numpy as np

from ..arrays import Plane
from ..coats.kinds.shadow import thrown_by
from ..model import (
    Colour,
    ColourPaint,
    Fill,
    Glow,
    Gradient,
    Lamp,
    Length,
    Position,
    Relief,
    Shadow,
    Span,
    Stop,
    Stroke,
)
from ..model.coats import Coat
from .extras import Extra, scaled
from .look import Look

STEEP = (45.0, 80.0)
"""How high the lamp of a shadow stands: higher where it is softer than it is long."""


class FoundCoat(NamedTuple):
    """A coat of a look. said : what was measured of it, in plain words, px of the picture; sure : 0 to 1;
    kind : of the coat, or what it stands for; measured : the same for other programs"""

    coat: Coat
    said: str
    sure: float
    kind: str
    measured: dict[str, Any]


def coats_of(look: Look, em: float) -> tuple[FoundCoat, ...]:
    """The coats of a look, bottom first. em : of the found letters, px of the picture"""
    return (
        *(_extra(one, em) for one in look.extras if one.beneath),
        *_thrown(look, em),
        *_rims(look, em),
        _face(look),
        *(_extra(one, em) for one in look.extras if not one.beneath),
    )


def _thrown(look: Look, em: float) -> Iterator[FoundCoat]:
    thrown = look.thrown
    if thrown is not None:
        far, way = math.hypot(thrown.dx, thrown.dy), side_of(thrown.dx, thrown.dy)
        soft = f", {2 * thrown.blur:.1f} px soft" if thrown.blur >= 0.25 else ""
        measured = {
            "dx": round(thrown.dx, 2), "dy": round(thrown.dy, 2), "blur": round(thrown.blur, 2),
            "colour": str(_colour(thrown.rgb)), "opacity": round(thrown.opacity, 3),
        }  # fmt: skip
        said = f"{far:.1f} px {way}{soft}"
        yield FoundCoat(_shadow(look, em), said, look.sure_throw, "shadow", measured)


def _rims(look: Look, em: float) -> Iterator[FoundCoat]:
    numbered = list(enumerate(zip(look.rims, look.sure_rims, strict=True), 1))
    for number, (rim, sure) in reversed(numbered):
        # under its inner neighbour it runs on, so that no ground is seen between them
        span = Span(Position(round(-rim.end / em, 4), "em"), Position(0.0, "em"))
        paint = ColourPaint(colour=_colour(rim.rgb))
        coat = Stroke(id=f"rim-{number}", name=f"Rim {number}", paint=paint, span=span)
        measured = {
            "from": round(rim.start, 2), "to": round(rim.end, 2), "colour": str(_colour(rim.rgb)),
        }  # fmt: skip
        yield FoundCoat(coat, f"{rim.end - rim.start:.1f} px wide", sure, "stroke", measured)


def _face(look: Look) -> FoundCoat:
    stops = look.face.stops
    coat = Fill(id="face", name="Face", paint=_face_paint(look))
    if len(stops) == 1:
        one = {"colour": str(_colour(stops[0].rgb))}
        return FoundCoat(coat, "one colour", look.sure_face, "fill", one)
    measured = {
        "stops": [{"at": round(stop.at, 4), "colour": str(_colour(stop.rgb))} for stop in stops],
        "angle": _bearing(look.face.angle),
    }
    return FoundCoat(coat, f"{len(stops)} colours", look.sure_face, "fill", measured)


def _extra(one: Extra, em: float) -> FoundCoat:
    coat = one.coat
    measured: dict[str, Any] = {}
    if isinstance(coat, Glow | Relief | Stroke):
        measured = {"from": -coat.span.from_.value + 0.0, "to": -coat.span.to.value + 0.0}
    if isinstance(coat, Glow) and isinstance(coat.paint, ColourPaint):
        measured |= {"colour": str(coat.paint.colour), "opacity": coat.opacity}
    if isinstance(coat, Relief) and coat.lamp is not None:
        measured |= {"bearing": coat.lamp.bearing, "moulding": coat.moulding.profile}
    kind = type(coat).__name__.lower()
    return FoundCoat(
        scaled(coat, 1 / em, "em"),
        one.said,
        one.sure,
        "picture" if kind == "fill" else kind,
        measured,
    )


SIDES = ("to the right", "to the lower right", "downward", "to the lower left", "to the left",
         "to the upper left", "upward", "to the upper right")  # fmt: skip


def side_of(dx: float, dy: float) -> str:
    """The side that something lies to, in words."""
    return SIDES[round(math.degrees(math.atan2(dy, dx)) / 45) % 8]


def _shadow(look: Look, em: float) -> Shadow:
    thrown = look.thrown
    assert thrown is not None
    far = max(math.hypot(thrown.dx, thrown.dy), 1e-6)
    # the penumbra is a quarter of lift x size, and a lamp is 4 wide at most
    steep = min(max(STEEP[0], math.degrees(math.atan(thrown.blur / far)) + 1), STEEP[1])
    lift, lamp = thrown_by(thrown.dx, thrown.dy, Lamp(elevation=steep))
    size = min(4.0, 4 * thrown.blur / max(lift, 1e-6))
    return Shadow(
        id="shadow",
        paint=ColourPaint(colour=_colour(thrown.rgb)),
        opacity=round(min(1.0, thrown.opacity), 3),
        lift=Length(round(lift / em, 4), "em"),
        lamp=Lamp(
            bearing=lamp.bearing,
            elevation=round(steep, 1),
            size=round(size, 3),
            colour=Colour(255, 255, 255),
        ),
    )


def _face_paint(look: Look) -> ColourPaint | Gradient:
    stops = look.face.stops
    if len(stops) == 1:
        return ColourPaint(colour=_colour(stops[0].rgb))
    return Gradient(
        stops=tuple(
            Stop(round(min(max(stop.at, 0.0), 1.0), 4), _colour(stop.rgb)) for stop in stops
        ),
        angle=_bearing(look.face.angle),
        space="srgb",
    )


def _bearing(angle: float) -> float:
    """Degrees as gradients have them: 0 runs upward, 90 to the right."""
    return round((angle + 90) % 360, 1)


def _colour(rgb: Plane) -> Colour:
    return Colour(*(int(v) for v in np.round(np.clip(rgb, 0, 1) * 255)))
