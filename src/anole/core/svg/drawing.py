"""An SVG in its own colours, drawn by a library that knows the standard."""

from __future__ import annotations

import io
from xml.etree.ElementTree import Element, tostring

import numpy as np
import resvg_py
from PIL import Image

from ..arrays import Pixels
from .errors import SvgError
from .viewport import Viewport

MOST_SIDE = 8192
"""px that a drawing is wide or high at most."""


def drawn(root: Element, view: Viewport, side: int) -> Pixels:
    """(H, W, 4) uint8 straight, its longer side `side` px. Raises SvgError."""
    side = min(max(side, 1), MOST_SIDE)
    scale = side / max(view.width, view.height)
    wide, high = (max(round(length * scale), 1) for length in (view.width, view.height))
    root.set("width", f"{view.width:.9g}")
    root.set("height", f"{view.height:.9g}")
    text = tostring(root, encoding="unicode")
    try:
        png = resvg_py.svg_to_bytes(
            svg_string=text, width=wide, height=high, skip_system_fonts=True
        )
        with Image.open(io.BytesIO(bytes(png)), formats=("PNG",)) as image:
            pixels = np.asarray(image.convert("RGBA"))
    except Exception as error:  # it raises whatever it stumbles over
        raise SvgError(f"it cannot be drawn ({str(error)[:80]})") from error
    if pixels.shape[:2] == (high, wide):
        return pixels
    return np.asarray(Image.fromarray(pixels).resize((wide, high)))
