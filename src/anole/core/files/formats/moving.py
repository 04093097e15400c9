"""A moving picture of how a board is made, coat by coat: GIF, or animated WebP by its ending."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from .format import Format, Progress, Stop

if TYPE_CHECKING:
    from ..export_target import Target


def whole(target: Target, path: Path, progress: Progress, stop: Stop) -> int:
    """Returns the file's bytes. Raises FileError, TooLarge and Cancelled."""
    from ...atomic import write_bytes
    from ...render.renderer import Cancelled
    from ..coat_by_coat import animated

    data = animated(target, path.suffix.lower() == ".webp", progress=progress, stop=stop)
    if stop():  # who cancels after the last px wants no file either
        raise Cancelled
    write_bytes(path, data)
    return len(data)


FORMAT = Format(
    "coat by coat",
    (".gif", ".webp"),
    "coat by coat, animated",
    alpha=False,
    moving=True,
    whole=whole,
)
