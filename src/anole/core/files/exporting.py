"""A board written as an export says: one file of any format, whole or not at all."""

from __future__ import annotations

import math
from pathlib import Path
from typing import NamedTuple

from ..arrays import Pixels
from ..atomic import FileError, write_bytes
from ..model import Board
from ..model.export import Export
from ..render.renderer import Cancelled, Renderer
from .export_target import Target, rendered, strips_of, target_of
from .formats import format_of
from .formats.format import Progress, Stop, encoding_of
from .limits import best_quality

LARGE = 48_000_000
"""px from which on a picture goes to its file some rows at a time; a smaller one is held whole."""
SMALLER, LEAST_SHARE, ROUNDS = 0.92, 0.05, 12
"""How much smaller a picture is tried at a time, how small at last, and how often in between."""


class Written(NamedTuple):
    """Bytes of the file, the quality it came to, and its px."""

    size: int
    quality: int | None
    width: int
    height: int


class DoesNotFit(FileError):
    """No quality keeps a picture under its limit; `share` of its sides would, about."""

    def __init__(self, message: str, share: float) -> None:
        super().__init__(message)
        self.share = share


def ending_of(export: Export) -> str:
    """The ending of the file that an export writes."""
    return format_of(export.format).ending


def is_deep(export: Export) -> bool:
    """Whether its px have 16 bits."""
    return format_of(export.format).deep


def data_of(
    export: Export, pixels: Pixels, dpi: float, stop: Stop = lambda: False
) -> tuple[bytes, int | None]:
    """The bytes of a picture in a format that is one picture's px, and the quality they came to.
    Raises DoesNotFit."""
    form, encoding = format_of(export.format), encoding_of(export, dpi)
    assert form.encode is not None
    if not form.lossy:
        return form.encode(pixels, encoding), None
    if not export.most:
        return form.encode(pixels, encoding), encoding.quality
    found = best_quality(form, pixels, encoding, int(export.most), stop)
    if found is None:
        least = len(form.encode(pixels, encoding._replace(quality=1)))
        share = math.sqrt(export.most / least)
        raise DoesNotFit(
            f"no quality of {form.title} keeps {pixels.shape[1]} × {pixels.shape[0]} px under "
            f"{export.most / 1000:,.0f} kB: the lowest takes {least / 1000:,.0f} kB",
            share,
        )
    return found.data, found.quality


def write(
    path: Path,
    board: Board,
    export: Export,
    *,
    shrink: bool = False,
    renderer: Renderer | None = None,
    progress: Progress = lambda share: None,
    stop: Stop = lambda: False,
) -> Written:
    """Render a board into a file. shrink : whether a picture may become smaller where no quality
    fits; renderer : one that keeps what several boards share. Raises FileError, DoesNotFit, TooLarge
    and Cancelled, and nothing is written then."""
    target, form = target_of(board, export), format_of(export.format)
    wide, high = target.box.width, target.box.height
    if form.whole is not None:
        return Written(form.whole(target, path, progress, stop), None, wide, high)
    is_large = wide * high > LARGE and not export.most
    if form.streamed is not None and (is_large or form.encode is None):
        rows = strips_of(target, deep=form.deep, renderer=renderer, progress=progress, stop=stop)
        quality = encoding_of(export, target.dpi).quality if form.lossy else None
        return Written(form.streamed(path, target, rows), quality, wide, high)
    return _write_pixels(path, target, shrink, renderer, progress, stop)


def _write_pixels(
    path: Path,
    target: Target,
    shrink: bool,
    renderer: Renderer | None,
    progress: Progress,
    stop: Stop,
) -> Written:
    deep = is_deep(target.export)
    share = 1.0
    for _ in range(ROUNDS):
        now = target.smaller(share) if share < 1 else target
        pixels = rendered(now, deep=deep, renderer=renderer, progress=progress, stop=stop)
        try:
            data, quality = data_of(target.export, pixels, now.dpi, stop)
        except DoesNotFit as error:
            share *= min(error.share, SMALLER) ** 0.9
            if not shrink or share < LEAST_SHARE:
                raise
            continue
        return _whole(path, now, data, stop)._replace(quality=quality)
    raise FileError(f"{path.name}: no size of the picture keeps it under the limit")


def _whole(path: Path, target: Target, data: bytes, stop: Stop) -> Written:
    """Who cancels after the last px wants no file either."""
    if stop():
        raise Cancelled
    write_bytes(path, data)
    return Written(len(data), None, target.box.width, target.box.height)
