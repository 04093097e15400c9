"""Where a caret can stand in words, and which place a point of the board means."""

from __future__ import annotations

import re
from typing import NamedTuple

import numpy as np
import regex

from ..arrays import Chords
from . import bidi
from .block import Block
from .matrix import apply
from .outline import Outline
from .warp import Warp

WORD = re.compile(r"\w+|[^\w\s]+")
CLUSTER = regex.compile(r"\X")
"""What people take for one character: a letter with its accents, a joined emoji (UAX #29)."""


class Caret(NamedTuple):
    """A place in the text: its line, how far along it in em, and the letter it leans on."""

    at: int
    row: int
    x: float
    letter: tuple[int, int] | None


def _clusters(block: Block, row: int) -> dict[int, tuple[float, float]]:
    """For each cluster of a line, from which x to which it reaches, in em."""
    starts: dict[int, float] = {}
    for placed in block.glyphs:
        if placed.line == row:
            at = placed.letter[1]
            starts[at] = min(starts.get(at, placed.x), placed.x)
    order = sorted(starts, key=starts.__getitem__)
    edges = [starts[at] for at in order] + [block.lines[row].x1]
    return {at: (edges[n], max(edges[n + 1], edges[n])) for n, at in enumerate(order)}


def _line_carets(block: Block, row: int, text: str) -> list[Caret]:
    clusters = _clusters(block, row)
    first, start = block.starts[row], block.lines[row].x0
    if not clusters:
        return [Caret(first + n, row, start, None) for n in range(len(text) + 1)]
    _, levels = bidi.levels(text)
    logical = sorted(clusters)
    places: list[Caret] = []
    last = start
    for n, at in enumerate(logical):
        end = logical[n + 1] if n + 1 < len(logical) else len(text)
        left, right = clusters[at]
        rightward = levels[min(at, len(levels) - 1)] % 2 == 0
        for k in range(at, max(end, at + 1)):
            share = (k - at) / max(end - at, 1)
            x = left + share * (right - left) if rightward else right - share * (right - left)
            places.append(Caret(first + k, row, x, (row, at)))
        last = right if rightward else left
    places.append(Caret(first + len(text), row, last, (row, logical[-1])))
    head = [Caret(first + n, row, places[0].x, (row, logical[0])) for n in range(logical[0])]
    return head + places


def carets(block: Block, text: str) -> list[Caret]:
    """Every place of a drawable text, in its order: one more than it has characters."""
    rows = text.split("\n")
    return [caret for row, line in enumerate(rows) for caret in _line_carets(block, row, line)]


def caret_lines(line: Outline, places: list[Caret]) -> Chords:
    """(n, 2, 2) board px: the upper and lower end of the caret at each place, bent like its line."""
    block, shape = line.block, Warp(line.block, line.bends)
    rise, fall = block.file.cap_height * 1.12, block.file.descent * 0.7
    rows = [block.lines[c.row] for c in places]
    tops = np.array([(c.x, r.baseline - rise * r.size) for c, r in zip(places, rows, strict=True)])
    lows = np.array([(c.x, r.baseline + fall * r.size) for c, r in zip(places, rows, strict=True)])
    points = np.concatenate([tops, lows])
    if shape.letters and line.bends.bent:
        near = np.array([shape.number(c.letter) if c.letter else 0 for c in places], int)
        points = shape(points, np.concatenate([near, near]))
    ends = apply(line.matrix, points)
    return np.stack([ends[: len(places)], ends[len(places) :]], 1)


def place_at(lines: Chords, x: float, y: float) -> int:
    """The place whose caret is nearest to a point of the board."""
    start, along = lines[:, 0], lines[:, 1] - lines[:, 0]
    share = ((np.array([x, y]) - start) * along).sum(1) / np.maximum((along**2).sum(1), 1e-12)
    foot = start + along * np.clip(share, 0, 1)[:, None]
    # across the line counts more: the row is chosen before the place in it
    over = np.abs(share - np.clip(share, 0, 1)) * np.hypot(*along.T)
    return int((np.hypot(*(foot - (x, y)).T) + 4 * over).argmin())


def word_at(text: str, at: int) -> tuple[int, int]:
    """Start and end of the word round a place."""
    for found in WORD.finditer(text):
        if found.start() <= at <= found.end():
            return found.span()
    return at, at


def _cluster_places(text: str) -> list[int]:
    """Between all that people take for one character, both ends among them."""
    return [0, *(found.end() for found in CLUSTER.finditer(text))]


def next_cluster(text: str, at: int, forward: bool) -> int:
    """The place one character on, or back, as people count them."""
    beyond = [p for p in _cluster_places(text) if (p > at if forward else p < at)]
    return (beyond[0] if forward else beyond[-1]) if beyond else at


def whole_clusters(text: str, at: int) -> int:
    """The place itself, or the start of the character that it lies within."""
    return max(place for place in _cluster_places(text) if place <= at)


def next_word(text: str, at: int, forward: bool) -> int:
    """Where Ctrl with an arrow key goes."""
    if forward:
        return next((m.end() for m in WORD.finditer(text) if m.end() > at), len(text))
    starts = [m.start() for m in WORD.finditer(text) if m.start() < at]
    return starts[-1] if starts else 0
