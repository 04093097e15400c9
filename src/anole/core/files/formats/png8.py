"""PNG, 8 bit."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from ...arrays import Pixels
from .. import png
from .format import Encoding, Format, Progress, Stop

if TYPE_CHECKING:
    from ...render.renderer import Renderer
    from ..export_target import Target


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8; RGB where nothing shows through."""
    return png.encode(pixels, encoding.dpi, srgb=encoding.srgb)


def streamed(
    target: Target, path: Path, renderer: Renderer | None, progress: Progress, stop: Stop
) -> int:
    """Writes the whole board's picture; returns the file's bytes. Raises FileError and Cancelled."""
    from ..picture import write

    return write(
        path,
        target.board,
        target.scale,
        transparent=target.export.alpha,
        srgb=target.export.srgb,
        dpi=target.dpi,
        renderer=renderer,
        progress=progress,
        stop=stop,
    )


FORMAT = Format("png", (".png",), "PNG", says_dpi=True, encode=encode, streamed=streamed)
