"""Image bytes to straight sRGB pixels: PNG, JPEG, WebP, TIFF, AVIF, GIF and SVG.

Bytes of strangers are decoded in the helper alone.
"""

from __future__ import annotations

import io
import warnings

import cv2
import numpy as np
from PIL import Image, ImageCms, ImageOps, UnidentifiedImageError
from PIL.TiffImagePlugin import TiffImageFile

from ..arrays import DeepPixels
from ..text import short
from .decoded import Decoded
from .image_formats import RASTER, SVG, ImageError, format_named, is_svg

MOST_PIXELS = 256_000_000
# counted here, for pictures of every format alike
Image.MAX_IMAGE_PIXELS = None
BAND = 1 << 22
"""px that are copied at a time."""
SVG_SIDE = 2048


def decode(data: bytes, name: str) -> Decoded:
    """Raises ImageError."""
    if is_svg(data):
        return _svg(data, name)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            with Image.open(io.BytesIO(data), formats=tuple(RASTER)) as image:
                return _read(image, data, name)
    except (ImageError, MemoryError):
        raise
    except UnidentifiedImageError as error:
        raise ImageError(f"{name} is not a picture that can be read") from error
    except Exception as error:  # Pillow's readers raise whatever they stumble over
        raise ImageError(f"{name} is not a picture that can be read: {short(error)}") from error


def _read(image: Image.Image, data: bytes, name: str) -> Decoded:
    width, height = image.size
    if width * height > MOST_PIXELS:
        raise ImageError(
            f"{name} has {width} x {height} px; the most that can be read are "
            f"{MOST_PIXELS // 1_000_000} million"
        )
    image.load()
    profile = image.info.get("icc_profile")
    form = format_named(str(image.format))
    deep = _sixteen_bits(image, data) if not profile else None
    if deep is not None:
        return Decoded(_turned(deep, image), (), form)
    image = ImageOps.exif_transpose(image) or image
    image, troubles = _in_srgb(image, profile, name)
    return Decoded(_pixels(image), troubles, form)


def _pixels(image: Image.Image) -> DeepPixels:
    """(H, W, 4) uint8. Copied in bands: the library's own way has the picture in memory four times."""
    if image.mode == "RGB":
        # within the same memory
        image.putalpha(255)
    image = image if image.mode == "RGBA" else image.convert("RGBA")
    width, height = image.size
    pixels = np.empty((height, width, 4), np.uint8)
    rows = max(BAND // max(width, 1), 1)
    for y in range(0, height, rows):
        pixels[y : y + rows] = np.asarray(image.crop((0, y, width, min(y + rows, height))))
    return pixels


def _has_sixteen_bits(image: Image.Image, data: bytes) -> bool:
    """What the file says of itself: byte 24 of a PNG (PNG specification, 11.2.1), tag 258 of a
    TIFF (TIFF 6.0, BitsPerSample)."""
    if isinstance(image, TiffImageFile):
        return max(image.tag_v2.get(258, (8,))) == 16
    return image.format == "PNG" and data[24:25] == b"\x10"


def _sixteen_bits(image: Image.Image, data: bytes) -> DeepPixels | None:
    """(H, W, 4) uint16 of a file that has 16 bits a channel; Pillow would halve them."""
    if not _has_sixteen_bits(image, data):
        return None
    pixels = cv2.imdecode(np.frombuffer(data, np.uint8), cv2.IMREAD_UNCHANGED)
    if pixels is None or pixels.dtype != np.uint16:
        return None
    if pixels.ndim == 2:
        pixels = pixels[..., None]
    channels = pixels.shape[2]
    colour = pixels[..., [2, 1, 0]] if channels >= 3 else np.repeat(pixels[..., :1], 3, 2)
    alpha = pixels[..., 3:4] if channels == 4 else np.full_like(colour[..., :1], 65535)
    return np.concatenate([colour, alpha], 2)


def _turned(pixels: DeepPixels, image: Image.Image) -> DeepPixels:
    """Turned as the file's orientation asks (Exif 2.3, tag 274)."""
    how = image.getexif().get(274, 1)
    if how in (5, 6, 7, 8):
        pixels = pixels.transpose(1, 0, 2)
    if how in (2, 3, 6, 7):
        pixels = pixels[:, ::-1]
    if how in (3, 4, 7, 8):
        pixels = pixels[::-1]
    return np.ascontiguousarray(pixels)


def _in_srgb(
    image: Image.Image, profile: bytes | None, name: str
) -> tuple[Image.Image, tuple[str, ...]]:
    if not profile:
        return image, ()
    alpha = (
        image.convert("RGBA").getchannel("A") if "A" in image.mode or image.mode == "P" else None
    )
    base = image if image.mode in ("CMYK", "L", "RGB") else image.convert("RGB")
    try:
        source = ImageCms.ImageCmsProfile(io.BytesIO(profile))
        turned: Image.Image | None = base
        if base.mode == "RGB":
            ImageCms.profileToProfile(base, source, ImageCms.createProfile("sRGB"), inPlace=True)
        else:
            turned = ImageCms.profileToProfile(
                base, source, ImageCms.createProfile("sRGB"), outputMode="RGB"
            )
    except (ImageCms.PyCMSError, OSError, ValueError):
        return image, (f"{name} has a broken colour profile; it was read as sRGB",)
    assert turned is not None
    if alpha is not None:
        turned.putalpha(alpha)
    return turned, ()


def _svg(data: bytes, name: str) -> Decoded:
    """Drawn with its longer side at SVG_SIDE px."""
    # few pictures are drawings, and what reads them takes half a second to load
    from ..svg.content import read
    from ..svg.errors import SvgError

    try:
        content = read(data)
        pixels = content.drawn(SVG_SIDE)
    except SvgError as error:
        raise ImageError(f"{name} is not drawn: {error}") from error
    return Decoded(pixels, content.troubles.told(name), format_named(SVG))
