"""The one table of image formats that can be read; their media types are Pillow's."""

from __future__ import annotations

import io
from typing import NamedTuple

from PIL import Image

RASTER = {
    "PNG": (".png",),
    "JPEG": (".jpg", ".jpeg"),
    "WEBP": (".webp",),
    "TIFF": (".tif", ".tiff"),
    "AVIF": (".avif",),
    "GIF": (".gif",),
}
"""Pillow's names of the formats, and the endings of their files."""
SVG, SVG_TYPE, SVG_SUFFIX = "SVG", "image/svg+xml", ".svg"
SVG_STARTS = (b"<?xml", b"<svg", b"<!--", b"<!doctype svg")
SUFFIXES = (*(suffix for suffixes in RASTER.values() for suffix in suffixes), SVG_SUFFIX)


class ImageFormat(NamedTuple):
    """A format by name, with its media type and the ending its files usually have."""

    name: str
    media_type: str
    suffix: str


def is_svg(data: bytes) -> bool:
    """Whether bytes begin as an SVG does."""
    return data[:1024].lstrip().lower().startswith(SVG_STARTS)


def format_of(data: bytes) -> ImageFormat | None:
    """The format of a file's bytes, whatever its name says; None for another."""
    if is_svg(data):
        return ImageFormat(SVG, SVG_TYPE, SVG_SUFFIX)
    try:
        with Image.open(io.BytesIO(data), formats=tuple(RASTER)) as image:
            name = str(image.format)
    except Exception:  # Pillow's readers raise whatever they stumble over
        return None
    return ImageFormat(name, Image.MIME[name], RASTER[name][0])
