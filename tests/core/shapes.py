"""Outlines with known distances, and boards to render."""

from __future__ import annotations

import math

import msgspec
import numpy as np

from anole.core.box import Box
from anole.core.cache import Cache
from anole.core.coats.context import CoatContext, Overlap
from anole.core.coats.registry import kind_of
from anole.core.compose.cover import Cover
from anole.core.field.closest import nearest
from anole.core.field.coverage import rasterise
from anole.core.field.outset import StrokeOutset, outset
from anole.core.field.shape_fields import ShapeFields, ink_box
from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Font,
    Ground,
    Lamp,
    Length,
    Lettering,
    Place,
    Position,
    Span,
)
from anole.core.paint.context import PaintContext
from anole.core.paint.frames import Frames
from anole.core.render.renderer import Renderer, Request


def closed(points: np.ndarray) -> np.ndarray:
    """Corners (n, 2) of a clockwise polygon to its chords."""
    return np.hstack([points, np.roll(points, -1, 0)])


def disc(x: float, y: float, radius: float, steps: int = 4000) -> np.ndarray:
    turn = np.linspace(0, 2 * np.pi, steps, endpoint=False)
    return closed(np.column_stack([x + radius * np.cos(turn), y + radius * np.sin(turn)]))


def turned_square(x: float, y: float, half: float, degrees: float) -> np.ndarray:
    corners = np.array([[-half, -half], [half, -half], [half, half], [-half, half]])
    cos, sin = math.cos(math.radians(degrees)), math.sin(math.radians(degrees))
    return closed(corners @ np.array([[cos, sin], [-sin, cos]]) + (x, y))


def ring(x: float, y: float, outer: float, inner: float) -> np.ndarray:
    hole = disc(x, y, inner)[:, [2, 3, 0, 1]]
    return np.vstack([disc(x, y, outer), hole])


def centres(box: Box) -> tuple[np.ndarray, np.ndarray]:
    y, x = np.mgrid[box.y0 : box.y1, box.x0 : box.x1] + 0.5
    return x, y


def field(chords: np.ndarray, box: Box) -> np.ndarray:
    _, inside = rasterise(chords, box)
    return nearest(chords, inside, box).distance


def context(
    chords: np.ndarray,
    side: int,
    em: float = 100.0,
    grown: float = 0.0,
    join: str = "round",
    **lamp,
) -> CoatContext:
    """Coats' surroundings for an outline in a square of `side` px."""
    box = Box(0, 0, side, side)
    cache = Cache()
    _, inside = rasterise(chords, box)
    core = float(nearest(chords, inside, box).distance.max())
    shape = ShapeFields(("shape", chords.tobytes()), chords, ink_box(chords), box, core, cache)
    frame = (0.0, 0.0, float(side), float(side))
    longest = shape.longest_mitre(4.0) if join == "mitre" else 1.0
    joined = outset([StrokeOutset(grown, join, 4.0, longest)])
    return CoatContext(shape, em, 96.0, 1.0, Lamp(**lamp), Frames(frame, frame), box, joined, cache)


def cover(coat: Coat, where: CoatContext, box: Box | None = None) -> Cover:
    """A coat's coverage, over its own box when none is given."""
    kind = kind_of(coat)
    box = kind.box(coat, where) if box is None else box
    return kind.cover(coat, where, box, Overlap())


def source(coat: Coat, where: CoatContext, box: Box | None = None) -> np.ndarray:
    """(4, H, W) straight colours of a coat, over the whole square when no box is given."""
    box = where.window if box is None else box
    colours = PaintContext(where.frames, box, where.cache, where.units)
    return np.broadcast_to(kind_of(coat).source(coat, where, colours), (4, box.height, box.width))


def whole(coat: Coat, where: CoatContext) -> np.ndarray:
    """A coat's coverage over the whole square, whatever its own box."""
    box = kind_of(coat).box(coat, where)
    out = np.zeros((where.window.height, where.window.width), np.float32)
    out[box.slices_in(where.window)] = cover(coat, where, box).plane
    return out


def span(start: str, end: str) -> Span:
    return Span(Position.parse(start), Position.parse(end))


def paint(text: str) -> ColourPaint:
    return ColourPaint(colour=Colour.parse(text))


def board(*coats: Coat, text: str = "HO", size: float = 120, **more) -> Board:
    """A small board with styled words on a flat ground."""
    words = Lettering(
        id="words",
        name="Words",
        text=text,
        font=Font(family="Anton"),
        size=Length(size),
        place=Place(x=160, y=90),
        style=coats,
    )
    ground = Ground(id="ground", name="Ground", paint=paint("#204060"))
    return Board(width=320, height=180, pieces=(ground, msgspec.structs.replace(words, **more)))


def sound(planes: np.ndarray) -> bool:
    """Whether premultiplied planes (4, ...) are colours: finite, 0 to 1, none above its alpha."""
    low, high = float(planes.min()), float(planes.max())
    within = low >= -1e-4 and high <= 1 + 1e-4
    return bool(np.isfinite(planes).all() and within and (planes[:3] <= planes[3] + 1e-3).all())


def pixels(made: Board, scale: float = 1.0, **more) -> np.ndarray:
    """(4, H, W) premultiplied planes of a board rendered from nothing."""
    return Renderer().frame(Request(made, scale, **more)).ground.copy()
