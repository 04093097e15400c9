"""PDF, at print size."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

from ...arrays import DeepPixels
from .format import Format

if TYPE_CHECKING:
    from ..export_target import Target


def streamed(path: Path, target: Target, rows: Iterator[DeepPixels]) -> int:
    """Returns the file's bytes. Raises FileError."""
    from ..pdf import write

    return write(path, target, rows)


FORMAT = Format(
    "pdf", (".pdf",), "PDF, at print size", alpha=False, printed=True, streamed=streamed
)
