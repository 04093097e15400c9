"""Looks read off a picture, again and again while what is known of them changes."""

from __future__ import annotations

import functools
from collections.abc import Callable
from typing import Any, NamedTuple, TypeVar, cast

import numpy as np

from ..arrays import Mask, Pixels
from ..box import Box
from ..isolation.client import never
from . import offered, paints, rims, throws
from .again import ReadParts
from .choice import Silhouette, better, of_body, of_face
from .face import edge_of
from .finishing import finished
from .look import Line, Look, look_from
from .offered import deepest
from .parts import Parts, parts_of_face
from .seen import MOST_PIXELS, GivenUp, Seen, Unreadable, look_at
from .throws import Throw

QUICK_PIXELS = 0.2e6
"""Of the smaller picture that a first answer is read from."""
T = TypeVar("T")


class Wanted(NamedTuple):
    """What is known of a look before it is read.

    box, line : where it is looked at, px of the picture; without them the program's own
    ends : where rims end, px outward of the face's edge, if somebody says so
    quick : from a smaller picture, and without what it throws: a first answer
    """

    box: Box | None = None
    line: Line | None = None
    ends: tuple[float, ...] | None = None
    quick: bool = False


NOTHING_KNOWN = Wanted()


class Reader:
    """Reads looks off one picture, (H, W, 4) uint8, not premultiplied: what is the same as last time is
    not done again, so a line or a border can be pulled."""

    def __init__(self, pixels: Pixels) -> None:
        self.pixels = pixels
        self._kept: dict[tuple[str, bool], tuple[Any, Any]] = {}
        self._thrown: Throw | None = None

    def read(
        self,
        wanted: Wanted = NOTHING_KNOWN,
        told: Callable[[float], object] = lambda share: None,
        stop: Callable[[], bool] = never,
    ) -> Look:
        """The look. Raises Unreadable, and GivenUp when it is to stop."""

        def step(share: float) -> None:
            told(share)
            if stop():
                raise GivenUp

        box, line, quick = _inside(wanted.box, self.pixels), wanted.line, wanted.quick
        most = QUICK_PIXELS if quick else MOST_PIXELS
        seen, parts = self._once("seen", quick, box, lambda: _seen(self.pixels, box, most))
        step(0.1)
        whose = (box, line)
        at, silhouette = self._once("shape", quick, whose, lambda: _shape(seen, parts(), line, box))
        face = silhouette.face
        step(0.6)
        found = silhouette.rims
        if wanted.ends is not None:
            found = rims.between(seen, face, [end * seen.scale for end in wanted.ends])
        outer = found[-1].end if found else 0.0
        if not quick:
            outside = -face.distance - outer
            thrown = self._once(
                "thrown", False, (box, line, outer), lambda: throws.find(seen, outside, stop)
            )
            self._thrown = None if thrown is None else thrown.scaled(1 / seen.scale)
        step(0.9)
        paint = self._once("paint", quick, (box, line), lambda: paints.read(seen, face))
        line = line or _in_picture(offered.line_to(face, at, outer), seen.scale, box)
        # a first answer wears what was last known to be thrown
        thrown = None if self._thrown is None else self._thrown.scaled(seen.scale)
        look = look_from(seen, face, ReadParts(found, thrown, paint), box, line)
        if quick:
            return look
        key = (box, line, wanted.ends)
        return self._once("finish", False, key, lambda: finished(look, seen, face, stop))

    def _once(self, stage: str, quick: bool, key: Any, make: Callable[[], T]) -> T:
        known = self._kept.get((stage, quick))
        if known is None or known[0] != key:
            known = self._kept[stage, quick] = key, make()
        return cast("T", known[1])


def read(
    pixels: Pixels,
    wanted: Wanted = NOTHING_KNOWN,
    told: Callable[[float], object] = lambda share: None,
    stop: Callable[[], bool] = never,
) -> Look:
    """The look of lettering in a picture (H, W, 4) uint8, not premultiplied. Raises Unreadable, and GivenUp
    when it is to stop."""
    return Reader(pixels).read(wanted, told, stop)


def _inside(box: Box | None, pixels: Pixels) -> Box:
    whole = Box(0, 0, pixels.shape[1], pixels.shape[0])
    return whole if box is None else box.meet(whole)


def _seen(pixels: Pixels, box: Box, most: float) -> tuple[Seen, Callable[[], Parts]]:
    """A picture as it is read, and its parts, which are told apart when they are asked for."""
    seen = look_at(pixels, box, most)
    return seen, functools.cache(lambda: Parts(seen))


def _shape(
    seen: Seen, parts: Parts, line: Line | None, box: Box
) -> tuple[tuple[float, float], Silhouette]:
    """A place in the middle of a stem, and the silhouette that the look stands on."""
    if line is not None:
        _crosses(line, box)
    try:
        at, core = _core(seen, parts, line, box)
        even = of_face(seen, edge_of(seen, core))
    except Unreadable as error:
        try:
            body = of_body(parts)
        except Unreadable:
            raise error from None
        return _in_body(seen, body, line, box)
    chosen = better(parts, even)
    return at if chosen is even else deepest(chosen.face.distance), chosen


def _in_body(
    seen: Seen, body: Silhouette, line: Line | None, box: Box
) -> tuple[tuple[float, float], Silhouette]:
    """The same where no face is even enough: a line that is given has to end in what stands out."""
    deep = body.face.distance
    if line is None:
        return deepest(deep), body
    at = (line[2] - box.x0) * seen.scale, (line[3] - box.y0) * seen.scale
    if deep[min(int(at[1]), len(deep) - 1), min(int(at[0]), len(deep[0]) - 1)] < 0:
        raise Unreadable("The line's inner end lies in the ground, not in a letter.")
    return at, body


def _core(
    seen: Seen, parts: Parts, line: Line | None, box: Box
) -> tuple[tuple[float, float], Mask]:
    """A place in the middle of a stem, and all px of the face that lie in no edge."""
    if line is None:
        return offered.inner_end(parts)
    at = (line[2] - box.x0) * seen.scale, (line[3] - box.y0) * seen.scale
    return at, parts_of_face(parts, parts.at(*at))


def _crosses(line: Line, box: Box) -> None:
    if not all(np.isfinite(line)) or np.hypot(line[2] - line[0], line[3] - line[1]) < 2:
        raise Unreadable("The line is too short to cross anything.")
    if not (box.x0 <= line[2] < box.x1 and box.y0 <= line[3] < box.y1):
        raise Unreadable("The line's inner end lies beside the box.")


def _in_picture(line: Line, scale: float, box: Box) -> Line:
    x0, y0, x1, y1 = (v / scale + o for v, o in zip(line, (box.x0, box.y0) * 2, strict=True))
    return x0, y0, x1, y1
