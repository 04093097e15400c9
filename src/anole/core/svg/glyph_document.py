"""One glyph of an SVG document in a font (OpenType, table SVG): its drawing, cut out in em."""

from __future__ import annotations

import re
import zlib
from xml.etree.ElementTree import Element

import numpy as np

from ..arrays import Pixels
from .content import ready
from .errors import SvgError
from .parsing import MOST_BYTES, SVG, parsed

LEFT, TOP, RIGHT, BOTTOM = -1.0, -2.0, 4.0, 1.5
"""em about the glyph's origin, y down, that are drawn."""
GZIP = b"\x1f\x8b"
GLYPH = re.compile(r"glyph[0-9]+")

EmBox = tuple[float, float, float, float]


def glyph_drawing(data: bytes, glyph: int, upem: int, em: int) -> tuple[Pixels, EmBox] | None:
    """(H, W, 4) uint8 straight at `em` px an em, and x0, y0, x1, y1 in em, y up; None where it shows
    nothing. Raises SvgError."""
    root = parsed(_plain(data))
    _leave(root, f"glyph{glyph}")
    frame = (LEFT * upem, TOP * upem, (RIGHT - LEFT) * upem, (BOTTOM - TOP) * upem)
    root.set("viewBox", " ".join(f"{edge:g}" for edge in frame))
    for name in ("width", "height", "preserveAspectRatio"):
        root.attrib.pop(name, None)
    pixels = ready(root).drawn(round((RIGHT - LEFT) * em))
    rows, columns = (np.flatnonzero(pixels[..., 3].any(axis)) for axis in (1, 0))
    if not len(rows):
        return None
    x0, x1, y0, y1 = columns[0], columns[-1] + 1, rows[0], rows[-1] + 1
    scale = pixels.shape[1] / (RIGHT - LEFT)
    left, right = (float(LEFT + x / scale) for x in (x0, x1))
    low, top = (float(-TOP - y / scale) for y in (y1, y0))
    return np.ascontiguousarray(pixels[y0:y1, x0:x1]), (left, low, right, top)


def _plain(data: bytes) -> bytes:
    """A document as it is, or unpacked."""
    if not data.startswith(GZIP):
        return data
    try:
        return zlib.decompressobj(zlib.MAX_WBITS | 16).decompress(data, MOST_BYTES)
    except zlib.error as error:
        raise SvgError(f"it cannot be unpacked ({error})") from error


def _leave(root: Element, wanted: str) -> None:
    """Show one glyph of a document; others stay, for it may use parts of theirs."""
    unseen = Element(f"{{{SVG}}}defs")
    kept = {
        id(element)
        for found in root.iter()
        if found.get("id") == wanted
        for element in found.iter()
    }
    for parent in list(root.iter()):
        for child in list(parent):
            if (
                GLYPH.fullmatch(child.get("id", ""))
                and id(child) not in kept
                and not any(inner.get("id") == wanted for inner in child.iter())
            ):
                parent.remove(child)
                unseen.append(child)
    root.append(unseen)
