"""A gleam of any paint: the light of the surface and of its gleam made apart, then added."""

from __future__ import annotations

from typing import Any

import msgspec
import numpy as np

from ..coats.registry import kind_of
from ..coats.scene import Scene
from ..model import Coat, Colour, ColourPaint
from ..paint.source import Spot, source

WHITE = ColourPaint(colour=Colour(255, 255, 255))
CLEAR = Colour(0, 0, 0, 0)


def painted(coat: Coat) -> bool:
    """Whether the gleam has more than one colour."""
    gleam = getattr(coat, "gleam", None)
    return gleam is not None and not (
        isinstance(gleam.paint, ColourPaint) and gleam.paint.speckle == 0
    )


def lit(coat: Any, scene: Scene, spot: Spot) -> np.ndarray:
    """(4, H, W) straight: as the coat's source, with its gleam in its paint added."""
    paints, box = kind_of(coat).paints, spot.box
    surface = paints.source(msgspec.structs.replace(coat, gleam=None), scene, box)
    clear = tuple(msgspec.structs.replace(stop, colour=CLEAR) for stop in coat.ramp)
    white = msgspec.structs.replace(coat.gleam, paint=WHITE)
    gleam = msgspec.structs.replace(coat, ramp=clear, gleam=white)
    share = paints.source(gleam, scene, box)[3]
    colour = np.broadcast_to(source(coat.gleam.paint, spot), surface.shape)
    return added(surface, colour, share * colour[3])


def added(surface: np.ndarray, colour: np.ndarray, share: np.ndarray) -> np.ndarray:
    """Straight colours with `share` of another's light added: what they lack of cover it brings."""
    out = surface.copy()
    out[3] += np.minimum(share, 1 - surface[3])
    out[:3] = surface[:3] * surface[3] + colour[:3] * share
    out[:3] /= np.maximum(out[3], 1e-6)
    return np.ascontiguousarray(np.clip(out, 0, 1, out=out))
