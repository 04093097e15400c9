"""What the helper can do, by name.

Each brings its reader along when it is first asked for: together they take a second to load.
"""

from __future__ import annotations

import contextlib
from collections.abc import Callable, Sequence
from typing import Any

import msgspec
import numpy as np

from ..arrays import AnyArray
from ..atomic import FileError
from ..lettering.font_file import FontError
from ..paint.image_formats import ImageError
from ..registry import Registry
from ..svg.errors import SvgError

Answer = tuple[Any, Sequence[AnyArray]]
REFUSALS = (ImageError, FontError, SvgError, FileError)
"""Errors that say what is wrong with the bytes."""


def _picture(meta: dict[str, Any], data: bytes) -> Answer:
    from ..paint.decoding import decode

    found = decode(data, meta["name"])
    form = found.format
    return {"troubles": found.troubles, "format": tuple(form)}, [found.pixels]


def _font(meta: dict[str, Any], data: bytes) -> Answer:
    """A font that a board carries: unpacked, measured, and tried with what it is for."""
    from ..lettering.font_reading import read_face
    from ..lettering.font_trial import tried

    plain, measures = read_face(data, meta["name"], meta["index"])
    tried(plain, meta["name"], meta["index"])
    return measures, [np.frombuffer(plain, np.uint8)]


def _faces(meta: dict[str, Any], data: bytes) -> Answer:
    """The measures of each font in a file of the system."""
    from ..lettering.font_reading import faces_in, read_face

    count = min(faces_in(data), meta["most"])
    return [read_face(data, meta["name"], index)[1] for index in range(count)], []


def _details(meta: dict[str, Any], data: bytes) -> Answer:
    from ..lettering.font_details import details_of

    return details_of(data, meta["index"]), []


def _svg_outline(meta: dict[str, Any], data: bytes) -> Answer:
    """The silhouette of an SVG, and whether it is that of its drawing too."""
    from ..svg.content import read

    content = read(data)
    outline = content.silhouette()
    told = {
        "width": content.view.width,
        "height": content.view.height,
        "solid": outline.solid,
        "troubles": content.troubles.told(meta["name"]),
    }
    return told, [outline.curves]


def _svg_drawing(meta: dict[str, Any], data: bytes) -> Answer:
    """An SVG in its colours, its longer side so many px."""
    from ..svg.content import read

    return None, [read(data).drawn(meta["side"])]


def _glyph_picture(meta: dict[str, Any], data: bytes) -> Answer:
    """A font's picture of a glyph, (H, W, 4) uint8 straight; of a drawing with its box in em."""
    if meta["form"] == "png":
        from ..paint.decoding import decode

        pixels = decode(data, "a glyph's picture").pixels
        return {"box": None}, [
            pixels if pixels.dtype == np.uint8 else (pixels >> 8).astype(np.uint8)
        ]
    from ..svg.glyph_document import glyph_drawing

    found = glyph_drawing(data, meta["glyph"], meta["upem"], meta["em"])
    if found is None:
        raise SvgError("it shows nothing")
    return {"box": found[1]}, [found[0]]


def _spreadsheet(meta: dict[str, Any], data: bytes) -> Answer:
    """The cells of the first sheet, as msgpack: a header has room for few."""
    from ..files.spreadsheet import rows_of

    rows = rows_of(data, meta["name"])
    return None, [np.frombuffer(msgspec.msgpack.encode(rows), np.uint8)]


def _pack(meta: dict[str, Any], data: bytes) -> Answer:
    from ..files import pack_file

    return None, pack_file.answer(data, meta["name"])


def _load_fonts() -> None:
    from ..lettering.fonts import built_in

    font = built_in()[0]
    _font({"name": font.family, "index": 0}, font.path.read_bytes())


def _load_pictures() -> None:
    with contextlib.suppress(ImageError):
        _picture({"name": "none"}, b"")


def _load_drawings() -> None:
    with contextlib.suppress(SvgError):
        _svg_drawing({"side": 8}, b"<svg/>")


READERS = (_load_pictures, _load_drawings, _load_fonts)
"""Each brings along what its first file would wait for."""


TASKS: Registry[str, Callable[[dict[str, Any], bytes], Answer]] = Registry(
    "task",
    {
        "picture": _picture,
        "font": _font,
        "faces": _faces,
        "details": _details,
        "svg outline": _svg_outline,
        "svg drawing": _svg_drawing,
        "glyph picture": _glyph_picture,
        "spreadsheet": _spreadsheet,
        "pack": _pack,
    },
)
