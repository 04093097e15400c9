"""SVG files that a board carries: their outlines, and their drawing at any size."""

from __future__ import annotations

import math
from typing import NamedTuple

import msgspec
import numpy as np

from .. import assets, isolation
from ..arrays import Curves, Planes
from ..cache import Cache

KEPT = Cache(192 << 20)
"""Outlines and drawings of the whole process."""
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
    width: float
    height: float
    solid: bool
    troubles: tuple[str, ...]


def _asked(task: str, meta: dict, sha: str) -> tuple[object, list[np.ndarray]] | None:
    """What the helper makes of a file; None where it is missing or refused."""
    try:
        return isolation.ask(task, meta, [np.frombuffer(assets.get(sha), np.uint8)])
    except (assets.MissingAsset, isolation.Refused, isolation.HelperError):
        return None


def svg_file(sha: str) -> SvgFile | None:
    """An SVG's outlines; None where it is missing, broken or refused."""

    def make() -> SvgFile | None:
        answer = _asked("svg outline", {"name": sha[:12]}, sha)
        if answer is None:
            return None
        told = msgspec.convert(answer[0], _Told)
        return SvgFile(answer[1][0], told.width / told.height, told.solid, told.troubles)

    return KEPT.get(("outline", sha), make) if sha and assets.has(sha) else None


def drawn_side(wanted: float) -> int:
    """The longer side of the drawing that does for `wanted` px of it."""
    steps = math.ceil(math.log(max(wanted, 1.0) / LEAST_SIDE, FINER) - 1e-9)
    return min(math.ceil(LEAST_SIDE * FINER ** max(steps, 0)), MOST_SIDE)


def drawn(sha: str, wanted: float) -> Planes | None:
    """(4, H, W) float32 premultiplied, at least `wanted` px on its longer side, as far as that
    goes; None for a file that is missing or refused."""
    side = drawn_side(wanted)

    def make() -> Planes | None:
        answer = _asked("svg drawing", {"side": side}, sha)
        if answer is None:
            return None
        planes = answer[1][0].astype(np.float32) * np.float32(1 / 255)
        planes[..., :3] *= planes[..., 3:]
        return np.ascontiguousarray(np.moveaxis(planes, -1, 0))

    return KEPT.get(("drawing", sha, side), make) if sha and assets.has(sha) else None
