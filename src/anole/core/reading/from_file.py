"""A look read off a picture's file."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import NamedTuple

import numpy as np

from ..atomic import FileError, read_bytes
from ..box import Box
from ..isolation.client import never
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded
from .look import Line, Look, read
from .seen import Unreadable

MOST_FILE = 512 << 20


class FromFile(NamedTuple):
    """A look, and what was wrong with its file that did not stop it."""

    look: Look
    troubles: tuple[str, ...]


def look_of(
    path: Path,
    box: Box | None = None,
    line: Line | None = None,
    told: Callable[[float], object] = lambda share: None,
    stop: Callable[[], bool] = never,
) -> FromFile:
    """The look of lettering in a picture's file. Raises FileError, also where there is none."""
    try:
        picture = decoded(read_bytes(path, MOST_FILE), path.name, stop)
        pixels = picture.pixels
        eight = (
            (pixels >> 8).astype(np.uint8) if pixels.dtype == np.uint16 else pixels.astype(np.uint8)
        )
        return FromFile(read(eight, box, line, told), picture.troubles)
    except ImageError as error:
        raise FileError(str(error)) from error
    except Unreadable as error:
        raise FileError(f"{path.name}: {error}") from error
