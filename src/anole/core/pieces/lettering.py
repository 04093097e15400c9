"""Lettering: words to a silhouette, and its coats to steps."""

from __future__ import annotations

import math

import numpy as np

from ..box import Box, around
from ..cache import Cache
from ..coats.registry import kind_of
from ..coats.scene import Reach, Scene
from ..field.growth import Growth, Ply, growth
from ..field.silhouette import Silhouette, greatest_inside, ink_box
from ..lettering.outline import Outline, at_home, chords, corners, outline
from ..model import Board, Coat, Lettering, Stroke
from ..paint.source import Frames
from ..render.ops import ApartBegin, ApartEnd, FaceBegin, FaceEnd, Lay, Op
from .backing import Behind
from .coat_ops import coat_ops
from .letters import bounds, letter_frames
from .meeting import meetings
from .posed import flat_of, onto_face
from .view import View

LEAST_REACH = 48.0
MEASURED_EM = 200.0
"""px of an em while the core is measured."""


def _chords(line: Outline, scale: float, cache: Cache) -> np.ndarray:
    return cache.get(("chords", *line.key, scale), lambda: chords(line, scale))


def core_of(piece: Lettering, dpi: float, cache: Cache) -> float:
    """The greatest inside distance in board px; the same wherever the piece stands.

    It grows with the em, as all that shapes letters is in em: measured once for all sizes.
    """
    line = outline(at_home(piece), dpi)
    em = max(line.em, 1e-6)
    key = ("core", *line.key[:2], *line.key[3:])
    return em * cache.get(
        key, lambda: greatest_inside(chords(line, MEASURED_EM / em)) / MEASURED_EM
    )


def quantised(reach: float) -> float:
    """Reaches in steps of about a third, so that a drag seldom asks for new fields."""
    size = LEAST_REACH
    while size < reach:
        size *= 4 / 3
    return math.ceil(size)


def farthest(ink: Box, window: Box) -> float:
    """px that no distance within the window exceeds: fields need not reach further."""
    dx = max(ink.x0 - window.x1, window.x0 - ink.x1, 0)
    dy = max(ink.y0 - window.y1, window.y0 - ink.y1, 0)
    reach = math.hypot(max(ink.width, window.width), max(ink.height, window.height))
    return math.hypot(dx, dy) + reach


def _tips(coat: Stroke, scene: Scene) -> float:
    return scene.letters.longest_mitre(coat.limit) if coat.join == "mitre" else 1.0


def growth_of(piece: Lettering, scene: Scene) -> Growth:
    """What the strokes on the letters add to them."""
    return growth(
        Ply(-scene.ends(coat.span)[0], coat.join, coat.limit, _tips(coat, scene))
        for coat in piece.style
        if isinstance(coat, Stroke) and coat.on and coat.silhouette == "letters"
    )


def scene_of(piece: Lettering, view: View) -> Scene:
    """The surroundings of a lettering's coats; fields are made only when they are read."""
    line = outline(piece, view.board.dpi)
    key = (*line.key, view.scale)
    found = _chords(line, view.scale, view.cache)
    ink = ink_box(found)
    core = core_of(piece, view.board.dpi, view.cache) * view.scale
    frame = bounds(found)

    def scene(box: Box, whole: Growth) -> Scene:
        letters = Silhouette(key, found, ink, box, core, view.cache, piece.smoothing)
        frames = Frames(frame, view.frame, letter_frames(piece, line, key, box, view))
        return Scene(
            letters, line.em, view.board.dpi, view.scale, view.board.lamp, frames, view.window,
            whole, view.cache,
        )  # fmt: skip

    first = scene(ink, Growth())
    first = first._replace(growth=growth_of(piece, first))
    reaches = [kind_of(c).paints.reach(c, first) for c in piece.style if c.on] or [Reach()]
    far = quantised(min(max(r.distance for r in reaches), farthest(ink, view.window)))
    throw = quantised(max(r.throw for r in reaches))
    return scene(ink.grown(far).meet(view.window.grown(far + throw)), first.growth)


def _layers(piece: Lettering, scene: Scene, view: View) -> list[Lay]:
    """The steps of the coats, bottom first."""
    coats = [coat for coat in piece.style if coat.on and coat.opacity > 0]
    on_face = [coat.plane == "face" for coat in coats]
    made = _of(coats, piece, scene, view)
    flat = flat_of(piece, view) if any(on_face) else None
    if flat is None or flat.view.window.empty:
        return [step for steps in made for step in steps]
    turned = [
        [onto_face(step, flat, view.window, view.cache, scene.letters.covered) for step in steps]
        for steps in _of(coats, flat.piece, scene_of(flat.piece, flat.view), flat.view)
    ]  # fmt: skip
    return [
        step
        for face, flat_steps, steps in zip(on_face, turned, made, strict=True)
        for step in (flat_steps if face else steps)
    ]


def _of(coats: list[Coat], piece: Lettering, scene: Scene, view: View) -> list[list[Lay]]:
    """The steps of each coat on letters as they stand in a view."""
    return [
        coat_ops(c, scene, under, Behind(view, piece, piece.style.index(c)))
        for c, under in zip(coats, meetings(coats, scene), strict=True)
    ]


def ops(piece: Lettering, view: View) -> list[Op]:
    scene = scene_of(piece, view)
    letters = scene.letters
    if letters.box.empty:
        return []
    layers = _layers(piece, scene, view)
    face = scene.around(0)
    where = (letters.key, letters.box, face)
    steps: list[Op] = [
        FaceBegin(("face", *where), face),
        *(layer for layer in layers if not layer.box.empty),
        FaceEnd(("laid", *where), face, letters.covered),
    ]
    if piece.opacity == 1 and piece.blend == "normal":
        return steps
    box = around(step.box for step in steps)
    apart = piece.blend != "normal"
    return [
        ApartBegin(("apart", box, apart), box, apart),
        *steps,
        ApartEnd(("joined", box, piece.opacity, piece.blend), box, piece.opacity, piece.blend),
    ]


def block_corners(piece: Lettering, board: Board) -> np.ndarray:
    """(4, 2) board px: the corners of the words' box, clockwise from the top left."""
    return corners(outline(piece, board.dpi))
