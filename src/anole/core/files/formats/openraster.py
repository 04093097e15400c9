"""OpenRaster, a layer a piece."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from .format import Format, Progress, Stop

if TYPE_CHECKING:
    from ..export_target import Target


def whole(target: Target, path: Path, progress: Progress, stop: Stop) -> int:
    """Returns the file's bytes. Raises FileError, TooLarge and Cancelled."""
    from ..open_raster import write

    return write(path, target, progress=progress, stop=stop)


FORMAT = Format("openraster", (".ora",), "OpenRaster, a layer a piece", alpha=False, whole=whole)
