"""A look read off a picture's file."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import NamedTuple

import numpy as np

from ..arrays import DeepPixels, Pixels
from ..atomic import FileError, read_bytes
from ..edit.pictures import MOST_FILE
from ..isolation.client import never
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded
from .look import Look
from .reader import NOTHING_KNOWN, Wanted, read
from .seen import Unreadable


class FromFile(NamedTuple):
    """A look, and what was wrong with its file that did not stop it."""

    look: Look
    troubles: tuple[str, ...]


def pixels_of(path: Path, stop: Callable[[], bool] = never) -> tuple[Pixels, tuple[str, ...]]:
    """The picture of a file, (H, W, 4) uint8, not premultiplied; and what was wrong with it that did not
    stop it. Raises FileError."""
    try:
        picture = decoded(read_bytes(path, MOST_FILE), path.name, stop)
    except ImageError as error:
        raise FileError(str(error)) from error
    return in_eight_bits(picture.pixels), picture.troubles


def in_eight_bits(pixels: Pixels | DeepPixels) -> Pixels:
    """(H, W, 4) uint8 of a picture of either depth."""
    return (pixels >> 8).astype(np.uint8) if pixels.dtype == np.uint16 else pixels.astype(np.uint8)


def look_of(
    path: Path,
    wanted: Wanted = NOTHING_KNOWN,
    told: Callable[[float], object] = lambda share: None,
    stop: Callable[[], bool] = never,
) -> FromFile:
    """The look of lettering in a picture's file. Raises FileError, also where there is none."""
    pixels, troubles = pixels_of(path, stop)
    try:
        return FromFile(read(pixels, wanted, told, stop), troubles)
    except Unreadable as error:
        raise FileError(f"{path.name}: {error}") from error
