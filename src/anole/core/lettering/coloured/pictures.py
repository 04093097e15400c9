"""Pictures that a font has for a glyph: bitmaps and drawings, read by the helper."""

from __future__ import annotations

import hashlib
import math

import msgspec
import numpy as np
import skia

from ... import isolation
from ...arrays import Pixels
from ...cache import Cache

EmBox = tuple[float, float, float, float]
KEPT = Cache(64 << 20)
"""Pictures of the whole process."""
LEAST_EM, MOST_EM = 128, 2048
"""px of an em at which a drawing is made."""
MOST_SIDE = 8192
SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
NOTHING = (0.0, 0.0, 0.0, 0.0)


class _Told(msgspec.Struct):
    box: EmBox | None


_Read = tuple[Pixels, EmBox | None] | None
_Laid = tuple[skia.Picture, EmBox]


def glyph_bitmap(data: bytes, box: EmBox) -> _Laid:
    """A PNG over a box of font units, y up; nothing where it cannot be read. Raises
    isolation.NotYet."""
    found = _asked(data, {"form": "png"})
    return _laid(None, NOTHING) if found is None else _laid(found[0], box)


def glyph_drawing(data: bytes, glyph: int, upem: int, em: int) -> _Laid:
    """A glyph of a document of SVG, fine enough for `em` px an em, and its box in font units, y up;
    nothing where it cannot be read. Raises isolation.NotYet."""
    fine = min(max(em, LEAST_EM), MOST_EM)
    found = _asked(data, {"form": "svg", "glyph": glyph, "upem": upem, "em": fine})
    if found is None or found[1] is None:
        return _laid(None, NOTHING)
    x0, y0, x1, y1 = (edge * upem for edge in found[1])
    return _laid(found[0], (x0, y0, x1, y1))


def _asked(data: bytes, meta: dict[str, object]) -> _Read:
    key = ("glyph picture", hashlib.sha256(data).digest(), *meta.values())
    return isolation.needed(key, lambda: KEPT.get(key, lambda: _read(data, meta)))


def _read(data: bytes, meta: dict[str, object]) -> _Read:
    """(H, W, 4) uint8 straight and its box in em."""
    try:
        answer, arrays = isolation.ask("glyph picture", meta, [np.frombuffer(data, np.uint8)])
        told = msgspec.convert(answer, _Told)
    except isolation.NotYet:
        raise
    except (isolation.Refused, isolation.HelperError, msgspec.ValidationError):
        return None
    pixels: Pixels = arrays[0] if len(arrays) == 1 else np.zeros(0, np.uint8)
    if pixels.ndim != 3 or pixels.dtype != np.uint8 or pixels.shape[2] != 4 or not pixels.size:
        return None
    if max(pixels.shape[:2]) > MOST_SIDE or not all(map(math.isfinite, told.box or ())):
        return None
    return pixels, told.box


def _laid(pixels: Pixels | None, box: EmBox) -> _Laid:
    recorder = skia.PictureRecorder()
    x0, y0, x1, y1 = box
    canvas = recorder.beginRecording(skia.Rect.MakeLTRB(x0, y0, x1, y1))
    if pixels is not None:
        picture = skia.Image.fromarray(
            pixels, skia.kRGBA_8888_ColorType, skia.kUnpremul_AlphaType, copy=True
        )
        # rows of a picture run down
        canvas.scale(1, -1)
        canvas.drawImageRect(picture, skia.Rect.MakeLTRB(x0, -y1, x1, -y0), SMOOTH)
    return recorder.finishRecordingAsPicture(), box
