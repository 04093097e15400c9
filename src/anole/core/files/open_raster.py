"""OpenRaster: a ZIP with one PNG for each piece (freedesktop.org, OpenRaster baseline 0.0.5)."""

from __future__ import annotations

from collections.abc import Callable
from xml.etree import ElementTree

import msgspec
import numpy as np

from ..arrays import FloatPixels, Mask, Pixels
from ..model import Board, Piece
from ..pieces.registry import kind_of
from . import png
from .container import Content, written
from .export_target import Target, rendered

MEDIA_TYPE = "image/openraster"
THUMBNAIL = 256
"""px of its longer side (OpenRaster, file layout)."""
CLOSE, MOST_OFF = 3, 0.001
"""Levels by which a piece laid over the others alone may differ from the board, and the share of px
that may differ more."""


def encode(
    target: Target,
    *,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> bytes:
    """The file's bytes: a layer a piece, the topmost first; laid over each other they are the board.
    Raises TooLarge and Cancelled."""
    layers: list[tuple[Piece, Pixels]] = []
    below: Pixels | None = None
    pieces = [piece for piece in target.board.pieces if piece.shown]
    for number, piece in enumerate(pieces):
        upto = rendered(_with(target, tuple(pieces[: number + 1])), stop=stop)
        layer, whole = _layer(target, piece, below, upto, stop)
        for _, under in layers:
            under[whole] = 0
        layers.append((piece, layer))
        below = upto
        progress((number + 1) / (len(pieces) + 1))
    merged = below if below is not None else rendered(target, stop=stop)
    files = [
        Content(f"data/layer{n}.png", png.encode(pixels, target.dpi, quick=True), stored=True)
        for n, (_, pixels) in enumerate(layers)
    ]
    names = [piece.name or kind_of(piece).title for piece, _ in layers]
    return written(
        MEDIA_TYPE,
        [
            Content("stack.xml", _stack(names, merged.shape[1], merged.shape[0], target.dpi)),
            *files,
            Content("mergedimage.png", png.encode(merged, target.dpi), stored=True),
            Content("Thumbnails/thumbnail.png", _thumbnail(merged), stored=True),
        ],
    )


def _with(target: Target, pieces: tuple[Piece, ...]) -> Target:
    board: Board = msgspec.structs.replace(target.board, pieces=pieces)
    return target._replace(board=board)


def _layer(
    target: Target, piece: Piece, below: Pixels | None, upto: Pixels, stop: Callable[[], bool]
) -> tuple[Pixels, Mask]:
    """The piece alone, where that laid over what is below is the board; else what makes the board of
    it. And (H, W) bool: the px that nothing laid over the others makes, which hold all of the board
    that is there."""
    nowhere = np.zeros(upto.shape[:2], np.bool_)
    if below is None:
        return upto.copy(), nowhere
    hidden = (msgspec.structs.replace(p, shown=p.id == piece.id) for p in target.board.pieces)
    alone = rendered(_with(target, tuple(hidden)), stop=stop)
    off = np.abs(_premultiplied(over(below, alone)) - _premultiplied(upto)).max(-1) * 255
    if (off > CLOSE).mean() <= MOST_OFF:
        return alone.copy(), nowhere
    return _laid_over(below, upto)


def _laid_over(below: Pixels, upto: Pixels) -> tuple[Pixels, Mask]:
    """What is laid over one picture to get another (Compositing and Blending 1, 5.1, solved for the
    upper one), and where no colour does that: there it is the other picture itself."""
    b, u = _premultiplied(below), _premultiplied(upto)
    gap = 1 - b[..., 3]
    share = np.where(gap > 1 / 510, (u[..., 3] - b[..., 3]) / np.maximum(gap, 1 / 510), 1.0)
    found = u - b * (1 - share[..., None])
    found[..., 3] = share
    changed = (below != upto).any(-1)
    beyond = np.maximum(found[..., :3].max(-1) - share, -found[..., :3].min(-1))
    whole = changed & (np.maximum(beyond, -share) * 255 > CLOSE)
    straight = found[..., :3] / np.maximum(share, 1e-6)[..., None]
    px = np.concatenate([straight, share[..., None]], -1)
    layer = np.rint(np.clip(px, 0, 1) * 255).astype(np.uint8)
    layer[~changed] = 0
    layer[whole] = upto[whole]
    return layer, whole


def _premultiplied(pixels: Pixels) -> FloatPixels:
    """(H, W, 4) float32, 0..1."""
    planes = pixels.astype(np.float32) / np.float32(255)
    planes[..., :3] *= planes[..., 3:]
    return planes


def over(below: Pixels, above: Pixels) -> Pixels:
    """Straight-alpha px laid over others (Compositing and Blending 1, 5.1)."""
    a, b = (pixels.astype(np.float32) / 255 for pixels in (above, below))
    alpha = a[..., 3:] + b[..., 3:] * (1 - a[..., 3:])
    colour = a[..., :3] * a[..., 3:] + b[..., :3] * b[..., 3:] * (1 - a[..., 3:])
    straight = colour / np.maximum(alpha, 1e-6)
    return np.rint(np.concatenate([straight, alpha], -1) * 255).astype(np.uint8)


def _stack(names: list[str], width: int, height: int, dpi: float) -> bytes:
    sizes = {"w": str(width), "h": str(height)}
    dots = {"xres": str(round(dpi)), "yres": str(round(dpi))}
    image = ElementTree.Element("image", {"version": "0.0.5", **sizes, **dots})
    stack = ElementTree.SubElement(image, "stack")
    for number in reversed(range(len(names))):
        ElementTree.SubElement(
            stack,
            "layer",
            {
                "name": "".join(c for c in names[number] if c.isprintable()),
                "src": f"data/layer{number}.png",
                "x": "0",
                "y": "0",
                "opacity": "1.0",
                "visibility": "visible",
                "composite-op": "svg:src-over",
            },
        )
    return ElementTree.tostring(image, encoding="UTF-8", xml_declaration=True)


def _thumbnail(pixels: Pixels) -> bytes:
    from PIL import Image

    image = Image.fromarray(pixels)
    image.thumbnail((THUMBNAIL, THUMBNAIL))
    return png.encode(np.asarray(image), quick=True)
