"""The one table of image formats that can be read."""

from __future__ import annotations

import re
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
_SVG = re.compile(r"<(\w+:)?svg[\s>/]", re.IGNORECASE)
_PROLOG = re.compile(
    r"\s+|<\?.*?\?>|<!--.*?-->|<!DOCTYPE[^\[\]<>]*(?:\[.*?\]\s*)?>", re.IGNORECASE | re.DOTALL
)
"""One part of what may stand before the first element: space, an instruction, a comment, a type."""
MOST_PROLOG = 1 << 24
_MARKS = {b"\xff\xfe": "utf-16", b"\xfe\xff": "utf-16", b"<\0": "utf-16-le", b"\0<": "utf-16-be"}
"""How bytes begin that are UTF-16 (XML 1.0, appendix F.1)."""
SUFFIXES = (*(suffix for suffixes in RASTER.values() for suffix in suffixes), SVG_SUFFIX)


class ImageError(ValueError):
    """A picture that cannot be read; the message says which and why."""


class ImageFormat(NamedTuple):
    """A format by name, with its media type and the ending its files usually have."""

    name: str
    media_type: str
    suffix: str


def is_svg(data: bytes) -> bool:
    """Whether bytes are an SVG's, in the encodings that XML knows: whether the first element after
    the prolog (XML 1.0, section 2.8) is one."""
    encoding = _MARKS.get(data[:2], "utf-8-sig")
    if not data[:512].decode(encoding, "replace").lstrip().startswith("<"):
        return False
    text = data[:MOST_PROLOG].decode(encoding, "replace")
    at = 0
    while found := _PROLOG.match(text, at):
        at = found.end()
    return _SVG.match(text, at) is not None


def format_named(name: str) -> ImageFormat:
    """A format by Pillow's name of it, or SVG. Raises KeyError."""
    if name == SVG:
        return ImageFormat(SVG, SVG_TYPE, SVG_SUFFIX)
    return ImageFormat(name, MEDIA_TYPES[name], RASTER[name][0])
