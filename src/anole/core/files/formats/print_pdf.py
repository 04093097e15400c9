"""PDF, at print size."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from .format import Format, Progress, Stop

if TYPE_CHECKING:
    from ..export_target import Target


def whole(target: Target, path: Path, progress: Progress, stop: Stop) -> bytes:
    """The file's bytes. Raises TooLarge and Cancelled."""
    from ..pdf import encode

    return encode(target, progress=progress, stop=stop)


FORMAT = Format("pdf", (".pdf",), "PDF, at print size", alpha=False, printed=True, whole=whole)
