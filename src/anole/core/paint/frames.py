"""The boxes that a paint may be stretched over: letter, word, line, piece, board."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from ..arrays import Numbers
from ..box import Box
from ..model import Colour, Letters

FrameBox = tuple[float, float, float, float]
WHITE = Colour(255, 255, 255)


class Unit(NamedTuple):
    """A letter: its place in the text, its word and line, its box in px, its own colour, and what
    the text has there."""

    at: int
    word: int
    line: int
    box: FrameBox
    colour: Colour
    letter: str = ""


def colour_of(letters: Letters | None, number: int, word: int, line: int, at: int) -> Colour:
    """A letter's colour: its own, or the next of the cycle; white when there is none."""
    if letters is None:
        return WHITE
    own = letters.own_of(at)
    if own is not None and own.colour is not None:
        return own.colour
    if not letters.colours:
        return WHITE
    turn = {"letter": number, "word": word, "line": line}[letters.cycle]
    return letters.colours[turn % len(letters.colours)]


class LetterFrames:
    """A lettering's units and which pixels are whose, made when first read.

    Two of them are equal when they came from the same value.
    """

    def __init__(
        self,
        key: tuple,
        units: Callable[[], Sequence[Unit]],
        owners: Callable[[], Numbers],
        box: Box,
    ) -> None:
        self.key, self._units, self._owners, self.box = key, units, owners, box

    def __hash__(self) -> int:
        return hash(self.key)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, LetterFrames) and other.key == self.key

    def finer(self, by: int) -> LetterFrames:
        """The same letters with `by` px where there is one each way."""
        return LetterFrames(
            (self.key, by),
            lambda: [unit._replace(box=_times(unit.box, by)) for unit in self._units()],
            lambda: self._owners().repeat(by, 0).repeat(by, 1),
            self.box.times(by),
        )

    @property
    def units(self) -> Sequence[Unit]:
        """The letters, worked out when first asked for."""
        return self._units()

    def owners(self, box: Box) -> Numbers:
        """(h, w) int32: the number of each pixel's letter in `box`, which lies within self.box."""
        rows, columns = box.slices_in(self.box)
        return self._owners()[rows, columns]

    def grouped(self, by: str) -> tuple[NDArray[np.int32], list[FrameBox]]:
        """For each letter its group (by letter, word or line), and the groups' boxes in px."""
        units = self.units
        keys = [
            {"letter": n, "word": unit.word, "line": unit.line}[by] for n, unit in enumerate(units)
        ]
        order = {key: n for n, key in enumerate(dict.fromkeys(keys))}
        groups = np.array([order[key] for key in keys], np.int32)
        boxes = []
        for group in range(len(order)):
            corners = np.array([u.box for u, g in zip(units, groups, strict=True) if g == group])
            low, high = corners[:, :2].min(0), corners[:, 2:].max(0)
            boxes.append((float(low[0]), float(low[1]), float(high[0]), float(high[1])))
        return groups, boxes


def _times(box: FrameBox, by: int) -> FrameBox:
    x0, y0, x1, y1 = box
    return x0 * by, y0 * by, x1 * by, y1 * by


class Frames(NamedTuple):
    """x0, y0, x1, y1 in px at the render scale; `letters` where the piece has letters."""

    piece: FrameBox
    board: FrameBox
    letters: LetterFrames | None = None

    def finer(self, by: int) -> Frames:
        """The same with `by` px where there is one each way."""
        letters = None if self.letters is None else self.letters.finer(by)
        return Frames(_times(self.piece, by), _times(self.board, by), letters)
