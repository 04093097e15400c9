"""A style in another hue: every colour turned by the same angle in OKLCH, so that lit and shaded
parts move along with it."""

from __future__ import annotations

import math
from collections.abc import Sequence

import msgspec
import numpy as np

from ..arrays import Vector
from ..colour.gamut import into_srgb
from ..colour.spaces import flat, to_oklab, to_oklch
from ..model import Board, Coat, Colour, ModelError, Style
from ..model.mapped import found_in, mapped
from ..model.nesting import path_to
from ..pieces.registry import placed_kind
from ..render.export import rgba

GREY = 0.02
"""Chroma below which a hue means nothing."""
QUIET = 0.15
"""Share of their chroma that colours keep where the hue asked for is none."""
LOOKED_AT = 160
"""px wide that a ground is rendered at to learn its hue."""


def _encoded(colours: Sequence[Colour]) -> Vector:
    """(3, n) sRGB-encoded 0..1."""
    return np.array([(c.r, c.g, c.b) for c in colours], float).reshape(-1, 3).T / 255


def mean_hue(srgb: Vector, weight: Vector) -> float | None:
    """The hue in degrees of many colours: the direction of the mean of their OKLab (a, b), each
    with its chroma once more, so that greys have little say. None where that is near to grey.

    srgb : (3, n), sRGB-encoded 0..1; weight : (n,) >= 0
    """
    lab = to_oklab(srgb)
    chroma = np.hypot(lab[1], lab[2])
    share = weight * chroma
    total = share.sum()
    if total < 1e-9 or (weight * chroma).sum() / max(weight.sum(), 1e-9) < GREY / 2:
        return None
    a, b = (lab[1:] * share).sum(1) / total
    return float(np.degrees(np.arctan2(b, a)) % 360) if np.hypot(a, b) >= GREY else None


def main_hue(coats: Sequence[Coat]) -> float | None:
    """The hue in degrees of what is switched on of a style; None for one in greys."""
    colours = list(found_in(tuple(coat for coat in coats if coat.on), Colour))
    if not colours:
        return None
    return mean_hue(_encoded(colours), np.array([c.a / 255 for c in colours]))


def turned(coats: Sequence[Coat], hue: float | None) -> tuple[Coat, ...]:
    """The coats with their main hue at `hue` degrees: all their colours turned by one angle, their
    lightness as it was and their chroma as far as sRGB has it. None takes most of the chroma away;
    a style in greys stays as it is."""
    coats = tuple(coats)
    old = main_hue(coats)
    if old is None:
        return coats
    colours = list(dict.fromkeys(found_in(coats, Colour)))
    lch = to_oklch(_encoded(colours))
    if hue is None:
        lch[1] *= QUIET
    else:
        lch[2] = (lch[2] + hue - old) % 360
    made = np.rint(into_srgb(flat(lch)) * 255).astype(int).T
    table = {
        c: Colour(int(r), int(g), int(b), c.a) for c, (r, g, b) in zip(colours, made, strict=True)
    }
    return mapped(coats, Colour, lambda c: table[c])


def hue_behind(board: Board, piece_id: str) -> float | None:
    """The hue of what a piece stands before; None for greys and for nothing. Raises KeyError."""
    piece = board.placed(piece_id)
    top = board.pieces.index(path_to(board.pieces, piece_id)[0])
    beneath = msgspec.structs.replace(board, pieces=board.pieces[:top])
    scale = min(LOOKED_AT / board.width, 1.0)
    pixels = rgba(beneath, scale).astype(float) / 255
    x0, y0, x1, y1 = (side * scale for side in placed_kind(piece).extent(piece, board))
    part = pixels[max(int(y0), 0) : int(y1) + 1, max(int(x0), 0) : int(x1) + 1]
    part = part if part.size else pixels
    return mean_hue(part[..., :3].reshape(-1, 3).T, part[..., 3].ravel())


def in_colours(board: Board, piece_id: str, style: Style, whose: str) -> Style:
    """A style in the colours that it is wanted in: its own (`style`), those that the piece wears
    now (`words`), those of what the piece stands before (`ground`), or a hue in degrees. Raises
    KeyError and ModelError."""
    if whose == "style":
        return style
    if whose == "words":
        worn = board.coated(piece_id).style
        hue = main_hue(worn)
        return style if not worn else _with_hue(style, hue)
    if whose == "ground":
        return _with_hue(style, hue_behind(board, piece_id))
    try:
        hue = float(whose)
    except ValueError:
        hue = math.nan
    if not math.isfinite(hue):
        raise ModelError(f"colours are of the style, words, ground or a hue, not {whose[:40]!r}")
    return _with_hue(style, hue % 360)


def _with_hue(style: Style, hue: float | None) -> Style:
    return msgspec.structs.replace(style, coats=turned(style.coats, hue))
