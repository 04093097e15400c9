"""OpenRaster: a ZIP with one PNG for each piece (freedesktop.org, OpenRaster baseline 0.0.5)."""

from __future__ import annotations

import contextlib
import tempfile
from collections.abc import Callable
from pathlib import Path
from xml.etree import ElementTree

import msgspec
import numpy as np

from ..arrays import FloatPixels, Mask, Pixels
from ..atomic import replacing
from ..box import Box
from ..model import Board, Piece
from ..pieces.registry import kind_of
from ..render.export import at_work
from ..render.renderer import Renderer
from . import png
from .container import Content, write_into
from .export_target import Target, rendered
from .png_stream import PngStream

MEDIA_TYPE = "image/openraster"
THUMBNAIL = 256
"""px of its longer side (OpenRaster, file layout)."""
STRIP_PIXELS, LEAST_ROWS = 4_000_000, 64
"""px that all layers are made of at a time."""
CLOSE, MOST_OFF = 3, 0.001
"""Levels by which a piece laid over the others alone may differ from the board, and the share of px
that may differ more."""


def write(
    path: Path,
    target: Target,
    *,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> int:
    """A layer a piece, the topmost first; laid over each other they are the board. Returns the file's
    bytes. Raises FileError, TooLarge and Cancelled."""
    wide, high = target.box.width, target.box.height
    pieces = [piece for piece in target.board.pieces if piece.shown]
    rows = max(LEAST_ROWS, STRIP_PIXELS // wide)
    with contextlib.ExitStack() as stack, replacing(path) as out:
        # beside the file, not in memory, which the system's own place for such files may be
        files = [
            stack.enter_context(tempfile.TemporaryFile(dir=path.parent)) for _ in (*pieces, path)
        ]
        streams = [
            PngStream(file, wide, high, True, target.dpi, level=level)
            for file, level in zip(files, (*(png.QUICK for _ in pieces), png.LEVEL), strict=True)
        ]
        renderer = stack.enter_context(at_work(None))
        for y in range(0, high, rows):
            renderer.cache.clear()
            strip = Strip(target, pieces, y, min(y + rows, high), renderer, stop)
            for stream, pixels in zip(streams, strip.layers(progress), strict=True):
                stream.rows(pixels)
        for stream in streams:
            stream.end()
        *layers, merged = files
        names = [piece.name or kind_of(piece).title for piece in pieces]
        data = (f"data/layer{n}.png" for n in range(len(layers)))
        contents = [
            Content("stack.xml", _stack(names, wide, high, target.dpi)),
            *(Content(name, file, stored=True) for name, file in zip(data, layers, strict=True)),
            Content("mergedimage.png", merged, stored=True),
            Content("Thumbnails/thumbnail.png", _thumbnail(target, stop), stored=True),
        ]
        write_into(out, MEDIA_TYPE, contents)
        return out.tell()


class Strip:
    """Some rows of all layers, y0 to y1 of the picture."""

    def __init__(
        self,
        target: Target,
        pieces: list[Piece],
        y0: int,
        y1: int,
        renderer: Renderer,
        stop: Callable[[], bool],
    ) -> None:
        box = target.box
        window = Box(box.x0, box.y0 + y0, box.x1, box.y0 + y1)
        self._target, self._pieces, self._stop = target._replace(box=window), pieces, stop
        self._shares = y0 / box.height, (y1 - y0) / box.height
        self._renderer = renderer

    def layers(self, progress: Callable[[float], None]) -> list[Pixels]:
        """(h, W, 4) uint8 of each piece, the lowest first, and of all together."""
        found: list[Pixels] = []
        below: Pixels | None = None
        for number, piece in enumerate(self._pieces):
            upto = self._rendered(tuple(self._pieces[: number + 1]))
            if below is None:
                found.append(upto.copy())
            else:
                layer, whole = self._layer(piece, below, upto)
                for under in found:
                    under[whole] = 0
                found.append(layer)
            below = upto
            progress(self._shares[0] + self._shares[1] * (number + 1) / (len(self._pieces) + 1))
        return [*found, self._rendered(()) if below is None else below]

    def _rendered(self, pieces: tuple[Piece, ...]) -> Pixels:
        board: Board = msgspec.structs.replace(self._target.board, pieces=pieces)
        now = self._target._replace(board=board)
        return rendered(now, renderer=self._renderer, stop=self._stop)

    def _layer(self, piece: Piece, below: Pixels, upto: Pixels) -> tuple[Pixels, Mask]:
        """The piece alone, where that laid over what is below is the board; else what makes the board
        of it. And (h, W) bool: the px that nothing laid over the others makes, which hold all of the
        board that is there."""
        every = self._target.board.pieces
        hidden = (msgspec.structs.replace(p, shown=p.id == piece.id) for p in every)
        alone = self._rendered(tuple(hidden))
        off = np.abs(_premultiplied(over(below, alone)) - _premultiplied(upto)).max(-1) * 255
        if (off > CLOSE).mean() <= MOST_OFF:
            return alone, np.zeros(upto.shape[:2], np.bool_)
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


def _thumbnail(target: Target, stop: Callable[[], bool]) -> bytes:
    share = min(THUMBNAIL / max(target.box.width, target.box.height), 1.0)
    return png.encode(rendered(target.smaller(share), stop=stop), quick=True)
