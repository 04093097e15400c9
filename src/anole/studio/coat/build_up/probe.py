"""The line across an edge whose rendered pixels the build-up shows."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ....core.arrays import AnyArray, Chords, Matrix, Points, Reals
from ....core.lettering.warp import projected
from ....core.model import Board, Coat, Coated
from ...look.pixel_images import memory_of
from ...rendering.frames import Frame
from .. import outlines
from ..measures import measured_on


class Probe(NamedTuple):
    """A point on the edge and the direction into the letter, board px; `turn`: 3 x 3, how the pose
    turns the flat letters they were found on."""

    x: float
    y: float
    nx: float
    ny: float
    turn: Matrix | None = None


def find(
    piece: Coated,
    coat: Coat | None,
    board: Board,
    clicked: tuple[float, float] | None,
    core: float,
    outer: float,
) -> Probe | None:
    """Across the edge that was clicked, or where there is most room. Raises isolation.NotYet."""
    letters, turn = measured_on(piece, coat, board)
    lines = outlines.chords(letters, board.dpi)
    if clicked is None:
        probe = best(lines, core, outer)
    else:
        at = clicked if turn is None else projected(np.array([clicked]), _inverse(turn))[0]
        probe = nearest(lines, float(at[0]), float(at[1]))
    return probe and probe._replace(turn=turn)


def _inverse(turn: Matrix) -> Matrix:
    return np.linalg.inv(turn).astype(np.float64)


LOOKED_AT, LEAST = 400_000, 4
"""Chords that are looked at in all to find an edge, each once for each edge; least edges."""


def _inward(chords: Chords) -> Points:
    """Unit normals into the letters: outlines are wound so that ink lies on the right, y down."""
    along = chords[:, 2:] - chords[:, :2]
    return np.column_stack([-along[:, 1], along[:, 0]]) / np.maximum(
        np.hypot(along[:, 0], along[:, 1])[:, None], 1e-9
    )


def _run(chords: Chords, x: float, y: float, dx: float, dy: float) -> float:
    """How far a ray goes before it meets an outline; 1e6 when it never does."""
    ax, ay = chords[:, 0] - x, chords[:, 1] - y
    ex, ey = chords[:, 2] - chords[:, 0], chords[:, 3] - chords[:, 1]
    cross = dx * ey - dy * ex
    with np.errstate(divide="ignore", invalid="ignore"):
        t = (ax * ey - ay * ex) / cross
        u = (ax * dy - ay * dx) / cross
    hit = (np.abs(cross) > 1e-12) & (t > 0.05) & (u >= 0) & (u <= 1)
    return float(t[hit].min()) if hit.any() else 1e6


def _probe(chords: Chords, index: int, share: float = 0.5) -> Probe:
    x, y = chords[index, :2] + (chords[index, 2:] - chords[index, :2]) * share
    nx, ny = _inward(chords[index : index + 1])[0]
    return Probe(float(x), float(y), float(nx), float(ny))


def best(chords: Chords, core: float, outer: float) -> Probe | None:
    """A straight edge with the thickest stem behind it and free ground before it."""
    if not len(chords):
        return None
    lengths = np.hypot(chords[:, 2] - chords[:, 0], chords[:, 3] - chords[:, 1])
    ranked = np.argsort(-lengths)[: max(min(LOOKED_AT // len(chords), 40), LEAST)]

    def worth(index: int) -> float:
        p = _probe(chords, index)
        inside = _run(chords, p.x, p.y, p.nx, p.ny) / 2
        outside = _run(chords, p.x, p.y, -p.nx, -p.ny)
        return 2 * min(inside, core) / max(core, 1e-6) + min(outside / 2, outer) / max(outer, 1e-6)

    return _probe(chords, int(max(ranked, key=worth)))


def nearest(chords: Chords, x: float, y: float) -> Probe | None:
    """The edge closest to a point of the board."""
    if not len(chords):
        return None
    along = chords[:, 2:] - chords[:, :2]
    share = ((x - chords[:, 0]) * along[:, 0] + (y - chords[:, 1]) * along[:, 1]) / np.maximum(
        (along**2).sum(1), 1e-12
    )
    share = np.clip(share, 0, 1)
    foot = chords[:, :2] + along * share[:, None]
    index = int(np.argmin(np.hypot(foot[:, 0] - x, foot[:, 1] - y)))
    return _probe(chords, index, float(share[index]))


def sample(frame: Frame, probe: Probe, at: Reals) -> AnyArray:
    """(count, 4) uint8 straight RGBA of a frame at distances `at` along the probe, board px."""
    image = frame.image
    pixels = memory_of(image)
    way = np.column_stack([probe.x + probe.nx * at, probe.y + probe.ny * at])
    if probe.turn is not None:
        way = projected(way, probe.turn)
    x, y = (way * frame.scale - (frame.box.x0 + 0.5, frame.box.y0 + 0.5)).T
    inside = (x > -1) & (y > -1) & (x < image.width()) & (y < image.height())
    x, y = np.clip(x, 0, image.width() - 1), np.clip(y, 0, image.height() - 1)
    x0, y0 = np.floor(x).astype(int), np.floor(y).astype(int)
    x1, y1 = np.minimum(x0 + 1, image.width() - 1), np.minimum(y0 + 1, image.height() - 1)
    fx, fy = (x - x0)[:, None], (y - y0)[:, None]
    top = pixels[y0, x0] * (1 - fx) + pixels[y0, x1] * fx
    low = pixels[y1, x0] * (1 - fx) + pixels[y1, x1] * fx
    mixed = top * (1 - fy) + low * fy
    # from premultiplied b, g, r, a
    mixed[:, :3] *= 255 / np.maximum(mixed[:, 3:], 1)
    found = (np.minimum(mixed, 255) + 0.5).astype(np.uint8)[:, [2, 1, 0, 3]]
    found[~inside] = 0
    return np.ascontiguousarray(found)
