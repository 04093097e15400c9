"""SVG files that a board carries: their outlines, and their drawing at any size."""

from __future__ import annotations

import math
from typing import Annotated, NamedTuple

import msgspec
import numpy as np
from msgspec import Meta

from .. import assets, isolation
from ..arrays import AnyArray, Curves, Planes
from ..cache import Cache

OUTLINES, DRAWINGS = Cache(64 << 20), Cache(128 << 20)
"""Of the whole process."""
MOST_CURVES = 1_000_000
LEAST_SIDE, MOST_SIDE, FINER = 64, 8192, math.sqrt(2)
"""px of a drawing's longer side; it is drawn in such steps, each of which does for many sizes."""


class SvgFile(NamedTuple):
    """curves : (n, 4, 2) in em of its height, y down, from its top left corner
    aspect : its width over its height; solid : whether the outlines are those of its drawing too
    """

    curves: Curves
    aspect: float
    solid: bool
    troubles: tuple[str, ...] = ()


class _Told(msgspec.Struct):
    width: Annotated[float, Meta(gt=0, le=1e9)]
    height: Annotated[float, Meta(gt=0, le=1e9)]
    solid: bool
    troubles: tuple[str, ...]


def _asked(task: str, meta: dict, sha: str) -> tuple[object, list[AnyArray]] | None:
    """What the helper makes of a file; None where it is missing or refused."""
    try:
        return isolation.ask(task, meta, [np.frombuffer(assets.get(sha), np.uint8)])
    except isolation.NotYet:
        raise
    except (assets.MissingAsset, isolation.Refused, isolation.HelperError):
        return None


def _outline(sha: str) -> SvgFile | None:
    answer = _asked("svg outline", {"name": sha[:12]}, sha)
    if answer is None:
        return None
    try:
        told = msgspec.convert(answer[0], _Told)
    except msgspec.ValidationError:
        return None
    curves = answer[1][0] if len(answer[1]) == 1 else np.zeros(0)
    if curves.ndim != 3 or curves.shape[1:] != (4, 2) or len(curves) > MOST_CURVES:
        return None
    if curves.dtype not in (np.float32, np.float64) or not np.isfinite(curves).all():
        return None
    return SvgFile(curves, told.width / told.height, told.solid, told.troubles)


def svg_file(sha: str) -> SvgFile | None:
    """An SVG's outlines; None where it is missing, broken or refused, and in a thread that must not
    wait for as long as it is not at hand."""
    if not sha or not assets.has(sha):
        return None
    return isolation.at_hand(
        ("outline", sha), lambda: OUTLINES.get(("outline", sha), lambda: _outline(sha)), None
    )


def drawn_side(wanted: float) -> int:
    """The longer side of the drawing that does for `wanted` px of it."""
    steps = math.ceil(math.log(max(wanted, 1.0) / LEAST_SIDE, FINER) - 1e-9)
    return min(math.ceil(LEAST_SIDE * FINER ** max(steps, 0)), MOST_SIDE)


def _drawing(sha: str, side: int) -> Planes | None:
    answer = _asked("svg drawing", {"side": side}, sha)
    pixels = answer[1][0] if answer is not None and len(answer[1]) == 1 else np.zeros(0)
    if pixels.ndim != 3 or pixels.dtype != np.uint8 or pixels.shape[2] != 4 or not pixels.size:
        return None
    if max(pixels.shape[:2]) > MOST_SIDE:
        return None
    planes = pixels.astype(np.float32) * np.float32(1 / 255)
    planes[..., :3] *= planes[..., 3:]
    return np.ascontiguousarray(np.moveaxis(planes, -1, 0))


def drawn(sha: str, wanted: float) -> Planes | None:
    """(4, H, W) float32 premultiplied, at least `wanted` px on its longer side, as far as that
    goes; None for a file that is missing or refused. Raises isolation.NotYet."""
    if not sha or not assets.has(sha):
        return None
    side = drawn_side(wanted)
    key = ("drawing", sha, side)
    return isolation.needed(key, lambda: DRAWINGS.get(key, lambda: _drawing(sha, side)))
