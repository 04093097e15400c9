"""The best quality of a picture that fits into so many bytes."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ..arrays import Pixels
from ..render.renderer import Cancelled
from .formats import Format
from .formats.format import Encoding

LEAST, MOST = 1, 100


class Fitted(NamedTuple):
    """The quality and the file's bytes."""

    quality: int
    data: bytes


def best_quality(
    form: Format,
    pixels: Pixels,
    encoding: Encoding,
    most: int,
    stop: Callable[[], bool] = lambda: False,
) -> Fitted | None:
    """The highest quality up to the encoding's own whose file has at most so many bytes, found by
    halving; None where even the lowest has more. Raises Cancelled.

    Encoders' sizes rise with the quality but for a few bytes here and there: what is returned
    always fits, and one step more was looked at.
    """
    low, high = LEAST, max(min(encoding.quality, MOST), LEAST)
    best: Fitted | None = None

    encode = form.encode
    assert encode is not None

    def tried(quality: int) -> bool:
        nonlocal best
        if stop():
            raise Cancelled
        data = encode(pixels, encoding._replace(quality=quality))
        if len(data) > most:
            return False
        if best is None or quality > best.quality:
            best = Fitted(quality, data)
        return True

    if tried(high):
        return best
    high -= 1
    while low <= high:
        middle = (low + high) // 2
        if tried(middle):
            low = middle + 1
        else:
            high = middle - 1
    return best
