"""A coat as steps of a frame: its coverage and its colours are cached apart."""

from __future__ import annotations

import math
from collections.abc import Hashable
from typing import Any

import cv2
import numpy as np

from ..arrays import Planes
from ..box import Box
from ..coats import guard
from ..coats.context import CoatContext, Overlap
from ..coats.keys import colour_key, coverage_key
from ..coats.kind import CoatKind
from ..coats.registry import kind_of
from ..compose.cover import Cover
from ..compose.steps import CompositeStep
from ..failures import blaming
from ..field.shape_fields import ShapeFields
from ..model import Coat
from ..paint.context import Edge, PaintContext
from ..paint.spray import sprayed


def _edge(kind: CoatKind[Any], coat: Coat, context: CoatContext) -> Edge:
    """What a gradient along the edge runs over: the coat's span, or from the edge to the core."""
    shape, span = context.shape, kind.span(coat)
    outer, inner = (0.0, shape.core) if span is None else context.ends(span)
    return Edge(
        (shape.key, shape.box),
        lambda box: context.field(shape.distance, box),
        outer,
        min(inner, shape.core),
    )


ALL = 0.999
"""Of a px that letters cover: nothing is left of it."""


def coat_steps(
    coat: Coat, context: CoatContext, overlap: Overlap, letters: ShapeFields | None = None
) -> list[CompositeStep]:
    """One step, or as many as the coat is laid again.

    letters : the shape that the piece is laid in through, where the coat follows another one
    """
    kind = kind_of(coat)
    laid = kind.copies(coat, context.frames)
    # only the newest results of one coat stay; copies of it would drive each other out
    slot = coat.id if len(laid) == 1 else None
    return [
        _step(kind, copy, context._replace(frames=frames), overlap, slot, letters)
        for copy, frames in laid
    ]


def _step(
    kind: CoatKind[Any],
    coat: Coat,
    context: CoatContext,
    overlap: Overlap,
    slot: str | None,
    letters: ShapeFields | None,
) -> CompositeStep:
    box = kind.box(coat, context)
    paint = PaintContext(
        context.frames,
        box,
        context.cache,
        context.units,
        _edge(kind, coat, context),
        context.backdrop,
    )
    covers = coverage_key(kind, coat, context, box, overlap)
    colours = colour_key(kind, coat, context, paint)
    place = (slot, context.shape.key, box)
    own = bool(kind.colour_fields(coat))

    def cached(key: tuple, make: Any) -> Any:
        name: Hashable = (key[0], *place) if slot is not None and own else None
        return context.cache.get(key, make, name)

    def cover() -> Cover:
        guarded = guard.context_for(context, kind.coverage_reads, kind.title)
        only = guard.coat_for(coat, kind.coverage, kind.title)

        def made() -> Cover:
            plain = kind.cover(only, guarded, box, overlap)
            if letters is not None:
                return _cut(plain, context, box, overlap, letters)
            if kind.extends and overlap.outer > 0:
                # it runs a px under a line round all of it
                return plain._replace(plane=cv2.dilate(plain.plane, np.ones((3, 3), np.uint8)))
            return plain

        plain = cached(covers, made)
        with blaming(coat):
            return _sprayed(kind, coat, plain, paint, covers)

    def source() -> Planes:
        guarded = guard.context_for(context, kind.colour_reads, kind.title)
        if not own:
            return kind.source(coat, guarded, paint)
        return cached(colours, lambda: kind.source(coat, guarded, paint))

    return CompositeStep(
        (covers, colours),
        box,
        cover,
        source,
        coat.opacity,
        coat.blend,
        coat.arithmetic,
        coat.clip_side,
        (letters or context.shape).covered,
    )


def _cut(
    cover: Cover, context: CoatContext, box: Box, overlap: Overlap, letters: ShapeFields
) -> Cover:
    """A coverage cut at the edge of the shape where it ends there. Through the letters' own edge
    the renderer does that, so a px counts by what the letters leave of it."""
    if cover.outside and cover.face:
        return cover
    shape = context.shape
    if overlap.inner > 0 and not cover.face:
        within = context.between(shape.nearest, box, overlap.inner, math.inf)
    else:
        face = np.zeros((box.height, box.width), np.float32)
        there = box.meet(letters.box)
        if not there.empty:
            face[there.slices_in(box)] = letters.coverage[there.slices_in(letters.box)]
        left = np.maximum(1 - face, 1e-6)
        within = np.clip((context.field(shape.coverage, box) - face) / left, 0, 1)
        within[face > ALL] = 1
    plane = cover.plane * (within if cover.face else 1 - within)
    return Cover(plane, outside=True, face=cover.face)


def _sprayed(
    kind: CoatKind[Any], coat: Coat, cover: Cover, paint: PaintContext, key: tuple
) -> Cover:
    """A painted coat's coverage in specks, where its paint is sprayed."""
    laid = kind.sprayed(coat)
    if laid is None or laid.speckle == 0:
        return cover
    plane = paint.cache.get(
        ("spray", laid.speckle, laid.speckle_seed, key),
        lambda: sprayed(cover.plane, laid, paint.box, paint.units),
    )
    return cover._replace(plane=plane)
