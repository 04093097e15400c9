"""The one table of image formats that can be read."""

from __future__ import annotations

from typing import NamedTuple

RASTER = {
    "PNG": (".png",),
    "JPEG": (".jpg", ".jpeg"),
    "WEBP": (".webp",),
    "TIFF": (".tif", ".tiff"),
    "AVIF": (".avif",),
    "GIF": (".gif",),
}
"""Pillow's names of the formats, and the endings of their files."""
MEDIA_TYPES = {name: f"image/{name.lower()}" for name in RASTER}
SVG, SVG_TYPE, SVG_SUFFIX = "SVG", "image/svg+xml", ".svg"
SVG_STARTS = (b"<?xml", b"<svg", b"<!--", b"<!doctype svg")
SUFFIXES = (*(suffix for suffixes in RASTER.values() for suffix in suffixes), SVG_SUFFIX)


class ImageError(ValueError):
    """A picture that cannot be read; the message says which and why."""


class ImageFormat(NamedTuple):
    """A format by name, with its media type and the ending its files usually have."""

    name: str
    media_type: str
    suffix: str


def is_svg(data: bytes) -> bool:
    """Whether bytes begin as an SVG does."""
    return data[:1024].lstrip().lower().startswith(SVG_STARTS)


def format_named(name: str) -> ImageFormat:
    """A format by Pillow's name of it, or SVG. Raises KeyError."""
    if name == SVG:
        return ImageFormat(SVG, SVG_TYPE, SVG_SUFFIX)
    return ImageFormat(name, MEDIA_TYPES[name], RASTER[name][0])
