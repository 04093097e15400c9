"""A face that no paint of ours says, kept as a picture: what it shows in the letters, and between them more of
the same."""

from __future__ import annotations

import cv2
import numpy as np

from ..arrays import Mask, Pixels, Plane
from ..box import Box
from .colours import spread

SHIFTS = 160
"""Ways that are tried to move what is known onto what is not."""
ENOUGH = 0.002
"""Share of the picture that is left to the nearest colours."""
LARGEST = 1024
"""px of its longer side, at most."""


def kept(rgb: Plane, known: Mask, box: Box) -> Pixels:
    """(h, w, 4) uint8 of a box, opaque: the known px as they are, all others from px of the face that lie
    elsewhere, in as few pieces as will do."""
    part = box.slices_in(Box(0, 0, known.shape[1], known.shape[0]))
    colours, there = rgb[part].copy(), known[part].copy()
    chance = np.random.default_rng(7)
    height, width = there.shape
    first, held = colours.copy(), there.copy()
    for _ in range(8):
        holes = ~there
        if holes.mean() < ENOUGH:
            break
        dx, dy = _best_way(held, holes, chance)
        moved, from_there = _moved(first, held, dx, dy)
        take = holes & from_there
        if not take.any():
            break
        colours[take] = moved[take]
        there |= take
    filled = spread(colours, there)
    by = min(1.0, LARGEST / max(height, width))
    if by < 1:
        size = (max(1, round(width * by)), max(1, round(height * by)))
        filled = cv2.resize(filled, size, interpolation=cv2.INTER_AREA)
    out = np.full((*filled.shape[:2], 4), 255, np.uint8)
    out[..., :3] = np.round(np.clip(filled, 0, 1) * 255)
    return out


def _best_way(held: Mask, holes: Mask, chance: np.random.Generator) -> tuple[int, int]:
    """The way that brings most of what is known onto holes, of some that chance offers."""
    height, width = held.shape
    ways = np.stack(
        [
            chance.integers(-width // 2, width // 2 + 1, SHIFTS),
            chance.integers(-height // 2, height // 2 + 1, SHIFTS),
        ],
        1,
    )
    step = max(1, round((height * width / 40_000) ** 0.5))
    few, some = held[::step, ::step], holes[::step, ::step]
    counts = []
    for dx, dy in ways:
        _, there = _moved(None, few, int(dx) // step, int(dy) // step)
        counts.append(int((there & some).sum()))
    best = ways[int(np.argmax(counts))]
    return int(best[0]) // step * step, int(best[1]) // step * step


def _moved(colours: Plane | None, there: Mask, dx: int, dy: int) -> tuple[Plane, Mask]:
    """What lies (dx, dy) px away brought here, and where there is any."""
    height, width = there.shape
    out = np.zeros_like(there)
    to = np.s_[max(dy, 0) : height + min(dy, 0), max(dx, 0) : width + min(dx, 0)]
    frm = np.s_[max(-dy, 0) : height + min(-dy, 0), max(-dx, 0) : width + min(-dx, 0)]
    out[to] = there[frm]
    if colours is None:
        return np.zeros(0, np.float32), out
    moved = np.zeros_like(colours)
    moved[to] = colours[frm]
    return moved, out
