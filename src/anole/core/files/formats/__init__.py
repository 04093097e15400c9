"""Formats of pictures, one file each; `FORMATS` has them by the name that an export says."""

from __future__ import annotations

from ...registry import Registry
from . import avif, jpeg, png8, png16, tiff, webp
from .format import Format

FORMATS: Registry[str, Format] = Registry(
    "picture format",
    {
        form.name: form
        for form in (png8.FORMAT, png16.FORMAT, jpeg.FORMAT, webp.FORMAT, avif.FORMAT, tiff.FORMAT)
    },
)
"""Those that are made of one picture's px."""

__all__ = ["FORMATS", "Format"]
