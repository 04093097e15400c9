"""Painters that end with their block, whatever goes wrong in it."""

from __future__ import annotations

import contextlib
from collections.abc import Iterator

from PyQt6.QtGui import QPaintDevice, QPainter


@contextlib.contextmanager
def painting(device: QPaintDevice | None) -> Iterator[QPainter]:
    """A painter on a widget or a picture. The frames of an error keep it alive beyond its block:
    one that had not ended by then would crash Qt when its device goes first."""
    painter = QPainter(device)
    try:
        yield painter
    finally:
        painter.end()
