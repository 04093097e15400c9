"""How much of what is there is how light, counted from a small picture of what a tone acts on."""

from __future__ import annotations

import msgspec
import numpy as np
from PyQt6.QtGui import QImage

from ....core.arrays import Values
from ....core.model import Board, Coated
from ....core.model.nesting import path_to
from ....core.pieces.registry import is_ground, kind_of
from ...look.pixel_images import STRAIGHT, memory_of

BINS = 64
WIDE = 360
"""px of the picture that is counted."""


def acted_on(board: Board, piece_id: str | None, coat_id: str | None) -> tuple[Board, bool] | None:
    """What a tone of a coat, or of a piece, acts on, and whether grounds belong to it; the board
    has none of its later operations. None where there is no such piece."""
    path = path_to(board.pieces, piece_id or "")
    if not path:
        return None
    piece = path[-1]
    at = next((n for n, p in enumerate(board.pieces) if p.id == path[0].id), 0)
    if kind_of(piece).on_others:
        return msgspec.structs.replace(board, pieces=board.pieces[: at + 1]), True
    plain = msgspec.structs.replace(piece, opacity=1.0, blend="normal", within=None)
    if isinstance(plain, Coated):
        index = next((n for n, coat in enumerate(plain.style) if coat.id == coat_id), -1)
        style = tuple(plain.style[: index + 1])
        plain = msgspec.structs.replace(plain, style=style)
        if kind_of(plain).sees_others(plain):
            return msgspec.structs.replace(board, pieces=(*board.pieces[:at], plain)), True
    return msgspec.structs.replace(board, pieces=(plain,)), is_ground(piece)


def counted(image: QImage) -> Values:
    """(BINS,) float64, 1 in the highest: how often each lightness comes in all three colours."""
    pixels = memory_of(image.convertToFormat(STRAIGHT))[:, : image.width()].reshape(-1, 4)
    weight = np.repeat(pixels[:, 3] / 255.0, 3)
    found, _ = np.histogram(pixels[:, :3].ravel(), BINS, (0, 255), weights=weight)
    # a flat ground would leave nothing of the rest to be seen
    most = np.sort(found)[-3] if np.count_nonzero(found) > 6 else found.max(initial=0)
    return np.clip(found / max(float(most), 1e-9), 0, 1)


def passed(bins: Values, line: Values) -> Values:
    """(BINS,) what comes of a histogram through a line: its values at equal steps, some a bin."""
    out = np.zeros(BINS)
    each = np.repeat(bins, len(line) // BINS)
    np.add.at(out, np.clip((line * BINS).astype(int), 0, BINS - 1), each)
    return np.clip(out / max(float(np.sort(out)[-2]), 1e-9), 0, 1)
