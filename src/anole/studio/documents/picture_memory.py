"""How much memory the parts of pictures may take that are kept to be used again."""

from __future__ import annotations

from ...core.cache import CAPACITY, SHARED
from .settings import Settings

MB = 2**20
SIZES = (256, CAPACITY // MB, 1024, 2048, 4096)
"""MB to choose from."""


def keep(settings: Settings) -> None:
    """From now on so much is kept as the settings say."""
    chosen = settings.get("picture_memory", CAPACITY // MB)
    SHARED.resize((chosen if chosen in SIZES else CAPACITY // MB) * MB)


def choose(settings: Settings, size: int) -> None:
    """Keep so many MB, one of SIZES, from now on and at the next start."""
    settings.put("picture_memory", size)
    keep(settings)


def kept() -> int:
    """MB that may be kept."""
    return SHARED.capacity // MB


def said(size: int) -> str:
    """So many MB as people say it."""
    return f"{size} MB" if size < 1024 else f"{size // 1024} GB"
