"""What a board is for: names and sizes."""

from __future__ import annotations

from typing import NamedTuple


class Purpose(NamedTuple):
    """A board's size in px, and its resolution."""

    title: str
    width: int
    height: int
    dpi: float = 96.0

    @property
    def size(self) -> str:
        """Its px, as they are read."""
        return f"{self.width} × {self.height}"


PURPOSES = (
    Purpose("Video thumbnail", 1280, 720),
    Purpose("Wide thumbnail", 1920, 1080),
    Purpose("Square badge", 1000, 1000),
    Purpose("Postcard at 300 dpi", 1800, 1200, 300.0),
    Purpose("A3 poster at 150 dpi", 1754, 2480, 150.0),
    Purpose("24 × 36 in poster at 100 dpi", 2400, 3600, 100.0),
)
