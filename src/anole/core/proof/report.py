"""What there is to say of words on a board: how they stand out along their rim, and whether they can
be read at the size of a thumbnail."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import msgspec
import numpy as np

from ..arrays import Pixels, Reals
from ..cache import Cache
from ..model import Board, Cluster, Fill, Length, Lettering
from ..model.nesting import path_to
from ..pieces.registry import coated_kind
from ..render.export import rgba
from ..render.renderer import Renderer
from .sight import contrast, luminance

WIDTH = 960
"""px at most that the edge is looked at in."""
SMALL = 168
"""px: the width at which a thumbnail is met most."""
INNER, OUTER, RING = 9, 18, 3
"""px within the letters and round them that are looked at, and how wide a ring of them is."""
LEAST_PX = 12
"""px that a ring has in a patch where it counts."""
LOW, ENOUGH = 3.0, 4.5
"""Contrast of large type: the least, and what is safe (WCAG 2.2, 1.4.3)."""
LEAST_HIGH, LEAST_STEM = 9.0, 1.6
"""px at SMALL below which capitals, and their stems, run together."""
PATCH = 40


class WordsReport(NamedTuple):
    """A lettering: contrast along its rim in the middle and at its weakest tenth; how many px high
    its letters and how wide its stems are at SMALL px; advice, plainest first."""

    name: str
    contrast: float
    weakest: float
    height: float
    stem: float
    advice: tuple[str, ...]

    @property
    def good(self) -> bool:
        """Whether there is nothing to advise."""
        return not self.advice


def rim_contrast(picture: Pixels, face: Reals) -> Reals:
    """Contrast ratios along the rim of letters: in each patch that has some of it, the lightest
    beside the darkest of the rings of px that run along the edge, near it on both sides. A stroke
    counts like the face, and a ground's own pattern, which does not follow the letters, evens out
    within a ring.

    picture : (H, W, 4) uint8 ; face : (H, W) 0..1, coverage of the letters
    """
    solid = (face >= 0.5).astype(np.uint8)
    if not solid.any():
        return np.zeros(0)
    within = cv2.distanceTransform(solid, cv2.DIST_L2, 5)
    beyond = cv2.distanceTransform(1 - solid, cv2.DIST_L2, 5)
    ring = np.floor((beyond - within + INNER) / RING).astype(int)
    rings = (INNER + OUTER) // RING
    light = luminance(picture)
    high, wide = light.shape
    rows, columns = -(-high // PATCH), -(-wide // PATCH)
    where = (np.arange(high)[:, None] // PATCH) * columns + np.arange(wide)[None] // PATCH
    near = (ring >= 0) & (ring < rings)
    at = where[near] * rings + ring[near]
    count = np.bincount(at, minlength=rows * columns * rings).reshape(-1, rings)
    total = np.bincount(at, light[near], rows * columns * rings).reshape(-1, rings)
    there = count >= LEAST_PX
    mean = total / np.maximum(count, 1)
    lightest = np.where(there, mean, 0.0).max(1)
    darkest = np.where(there, mean, 1.0).min(1)
    edge = INNER // RING
    both = there[:, edge - 1] & there[:, edge]
    return contrast(lightest, darkest)[both]


def words_report(board: Board, piece: Lettering, picture: Pixels) -> WordsReport:
    """A report of one lettering of a board, on the board itself or in a cluster, in its picture."""
    scale = _scale(board)
    face = rgba(_bare(board, piece), scale, transparent=True)
    ratios = rim_contrast(picture, face[..., 3] / 255)
    middle, weakest = (
        (float(np.median(ratios)), float(np.percentile(ratios, 10))) if len(ratios) else (1.0, 1.0)
    )
    to_small = SMALL / board.width
    height, stem = _capital(piece, board) * to_small, _stem(piece, board) * to_small
    name = piece.name or piece.text.split("\n")[0][:40] or piece.id
    return WordsReport(name, middle, weakest, height, stem, _advice(middle, weakest, height, stem))


def _bare(board: Board, piece: Lettering) -> Board:
    """The letters alone, white, where they stand; a cluster keeps what says where its pieces lie."""
    top = path_to(board.pieces, piece.id)[0]
    white = msgspec.structs.replace(piece, style=(Fill(id="face"),), opacity=1.0, blend="normal")
    if not isinstance(top, Cluster):
        return msgspec.structs.replace(board, pieces=(white,))
    inner = tuple(
        white
        if p.id == piece.id
        else msgspec.structs.replace(p, style=())
        if isinstance(p, Lettering)
        else msgspec.structs.replace(p, opacity=0.0)
        for p in top.pieces
    )
    whole = msgspec.structs.replace(top, pieces=inner, style=(), opacity=1.0)
    return msgspec.structs.replace(board, pieces=(whole,))


def _capital(piece: Lettering, board: Board) -> float:
    """Board px of a capital H in the words' font and size."""
    one = msgspec.structs.replace(piece, text="H", box=None, ring=None, letters=None, outlines=None)
    kind = coated_kind(piece)
    one = msgspec.structs.replace(one, size=Length(kind.placement(piece, board.dpi).em))
    found = kind.ink(one, board.dpi)
    return 0.0 if found is None else found[3] - found[1]


def _stem(piece: Lettering, board: Board) -> float:
    """Board px of the thickest stem: twice the greatest distance from the edge."""
    return 2 * coated_kind(piece).core(piece, board.dpi, Cache(1 << 22))


def _advice(middle: float, weakest: float, height: float, stem: float) -> tuple[str, ...]:
    found = []
    if middle < LOW:
        found.append(
            f"The rim hardly stands out ({middle:.1f} to 1): put a stroke of the opposite "
            "lightness round the words, or a dark glow behind them."
        )
    elif middle < ENOUGH:
        found.append(
            f"The rim could stand out more ({middle:.1f} to 1): widen its outer stroke, or let "
            "the ground be darker or lighter there."
        )
    if weakest < LOW <= middle:
        found.append(
            f"In places the words sink into the background ({weakest:.1f} to 1): calm the "
            "ground there with a pool of dark or light."
        )
    if height < LEAST_HIGH:
        times = LEAST_HIGH / max(height, 0.1)
        found.append(
            f"At {SMALL} px capitals are {height:.0f} px high: too small to read. Make them "
            f"{times:.1f} times as large, or take fewer words."
        )
    elif stem < LEAST_STEM:
        found.append(
            f"At {SMALL} px stems are {stem:.1f} px wide: a fatter font, or a stroke in the "
            "face's own colour, keeps them from breaking."
        )
    return tuple(found)


def _scale(board: Board) -> float:
    return min(1.0, WIDTH / board.width)


def reports(board: Board, renderer: Renderer | None = None) -> list[WordsReport]:
    """A report of each lettering that is shown, the largest first."""
    found = []
    for piece in board.pieces:
        inner = piece.pieces if isinstance(piece, Cluster) else (piece,)
        found += [p for p in inner if isinstance(p, Lettering) and p.shown and piece.shown]
    words = [p for p in found if p.text.strip()]
    picture = rgba(board, _scale(board), renderer=renderer) if words else None
    told = [words_report(board, p, picture) for p in words if picture is not None]
    return sorted(told, key=lambda report: -report.height)
