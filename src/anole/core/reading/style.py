"""Coats of a look, and what is said of them."""

from __future__ import annotations

import math
from typing import Any, NamedTuple

import numpy as np

from ..arrays import Plane
from ..coats.kinds.shadow import thrown_by
from ..model import (
    Colour,
    ColourPaint,
    Fill,
    Gradient,
    Lamp,
    Length,
    Position,
    Shadow,
    Span,
    Stop,
    Stroke,
    Style,
)
from ..model.coats import Coat
from .extras import scaled
from .look import Look

CAPS = 0.72
"""Capitals are about so much of an em tall; whose font is known has its own share."""
STEEP = (45.0, 80.0)
"""How high the lamp of a shadow stands: higher where it is softer than it is long."""


class FoundCoat(NamedTuple):
    """A coat of a look. said : what was measured of it, in plain words, px of the picture; sure : 0 to 1"""

    coat: Coat
    said: str
    sure: float


def coats_of(look: Look, em: float) -> tuple[FoundCoat, ...]:
    """The coats of a look, bottom first. em : of the found letters, px of the picture"""
    found: list[FoundCoat] = []
    extras = [
        (one.beneath, FoundCoat(scaled(one.coat, 1 / em, "em"), one.said, one.sure))
        for one in look.extras
    ]
    thrown = look.thrown
    if thrown is not None:
        far, way = math.hypot(thrown.dx, thrown.dy), side_of(thrown.dx, thrown.dy)
        soft = f", {2 * thrown.blur:.1f} px soft" if thrown.blur >= 0.25 else ""
        found.append(FoundCoat(_shadow(look, em), f"{far:.1f} px {way}{soft}", look.sure_throw))
    for number, (rim, sure) in reversed(
        list(enumerate(zip(look.rims, look.sure_rims, strict=True), 1))
    ):
        # under its inner neighbour it runs on, so that no ground is seen between them
        span = Span(Position(round(-rim.end / em, 4), "em"), Position(0.0, "em"))
        paint = ColourPaint(colour=_colour(rim.rgb))
        coat = Stroke(id=f"rim-{number}", name=f"Rim {number}", paint=paint, span=span)
        found.append(FoundCoat(coat, f"{rim.end - rim.start:.1f} px wide", sure))
    found = [*(one for beneath, one in extras if beneath), *found]
    stops = len(look.face.stops)
    said = "one colour" if stops == 1 else f"{stops} colours"
    found.append(
        FoundCoat(Fill(id="face", name="Face", paint=_face_paint(look)), said, look.sure_face)
    )
    return (*found, *(one for beneath, one in extras if not beneath))


SIDES = ("to the right", "to the lower right", "downward", "to the lower left", "to the left",
         "to the upper left", "upward", "to the upper right")  # fmt: skip


def side_of(dx: float, dy: float) -> str:
    """The side that something lies to, in words."""
    return SIDES[round(math.degrees(math.atan2(dy, dx)) / 45) % 8]


def style_of(
    look: Look, name: str, caps: float = CAPS, without: frozenset[str] = frozenset()
) -> Style:
    """A style of what was read: lengths in em of the found letters.

    caps : how tall they are in em; without : ids of coats that are left out
    """
    found = coats_of(look, look.cap_height / caps)
    coats = tuple(one.coat for one in found if one.coat.id not in without)
    return Style(name=name, words=("read from a picture",), notes=_said(look), coats=coats)


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


def _said(look: Look) -> str:
    return f"Read from a picture; {look.difference:.3f} from it in OKLab, where letters are {look.cap_height:.0f} px tall."


def report_of(look: Look) -> dict[str, Any]:
    """What was read, bottom first, in px of the picture, for other programs."""
    coats: list[dict[str, Any]] = []
    thrown = look.thrown
    if thrown is not None:
        coats.append({
            "kind": "shadow", "dx": round(thrown.dx, 2), "dy": round(thrown.dy, 2), "blur": round(thrown.blur, 2),
            "colour": str(_colour(thrown.rgb)), "opacity": round(thrown.opacity, 3), "sure": round(look.sure_throw, 3),
        })  # fmt: skip
    for rim, sure in reversed(list(zip(look.rims, look.sure_rims, strict=True))):
        coats.append({
            "kind": "stroke", "from": round(rim.start, 2), "to": round(rim.end, 2), "colour": str(_colour(rim.rgb)),
            "sure": round(sure, 3),
        })  # fmt: skip
    face: dict[str, Any] = {"kind": "fill"}
    if len(look.face.stops) == 1:
        face["colour"] = str(_colour(look.face.stops[0].rgb))
    else:
        face["stops"] = [
            {"at": round(stop.at, 4), "colour": str(_colour(stop.rgb))} for stop in look.face.stops
        ]
        face["angle"] = _bearing(look.face.angle)
    coats.append({**face, "sure": round(look.sure_face, 3)})
    box, line = look.box, look.line
    return {
        "coats": coats,
        "difference": round(look.difference, 4),
        "cap_height": round(look.cap_height, 2),
        "box": [box.x0, box.y0, box.width, box.height],
        "line": [round(v, 1) for v in line],
    }
