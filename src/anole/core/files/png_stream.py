"""A PNG written some rows at a time, for pictures that no memory holds (PNG specification, 3rd ed.)."""

from __future__ import annotations

import struct
import zlib
from typing import BinaryIO

import numpy as np

from ..arrays import Bytes, DeepPixels

LEVEL = 4
PERCEPTUAL = b"\x00"
SIGNATURE = b"\x89PNG\r\n\x1a\n"
RGB, RGBA = 2, 6
"""Colour types (11.2.1)."""
NONE, SUB, UP = 0, 1, 2
"""Filter types (9.2)."""
INCH = 0.0254


class PngStream:
    """RGB or RGBA of 8 bit, or of 16 where it is deep. Rows come top to bottom; then end()."""

    def __init__(
        self,
        file: BinaryIO,
        width: int,
        height: int,
        alpha: bool,
        dpi: float,
        deep: bool = False,
        srgb: bool = True,
        level: int = LEVEL,
    ) -> None:
        self._file, self._channels = file, 4 if alpha else 3
        self._bytes = 2 * self._channels if deep else self._channels
        self._packer = zlib.compressobj(level)
        self._filter = RowFilter(width, self._bytes)
        self.size = file.write(SIGNATURE)
        kind, bits = RGBA if alpha else RGB, 16 if deep else 8
        self._chunk(b"IHDR", struct.pack(">IIBBBBB", width, height, bits, kind, 0, 0, 0))
        if srgb:
            self._chunk(b"sRGB", PERCEPTUAL)
        dots = round(dpi / INCH)
        self._chunk(b"pHYs", struct.pack(">IIB", dots, dots, 1))

    def rows(self, pixels: DeepPixels) -> None:
        """The next rows: (h, width, 4) uint8, or uint16 where it is deep; straight alpha."""
        plain = np.ascontiguousarray(pixels[..., : self._channels])
        if plain.dtype == np.uint16:
            # the standard has the high byte first (7.1)
            plain = plain.astype(">u2").view(np.uint8)
        rows = plain.reshape(len(pixels), -1)
        data = self._packer.compress(self._filter.filtered(rows).tobytes())
        if data:
            self._chunk(b"IDAT", data)

    def end(self) -> int:
        """Write what is left; returns the bytes of the whole file."""
        self._chunk(b"IDAT", self._packer.flush())
        self._chunk(b"IEND", b"")
        return self.size

    def _chunk(self, kind: bytes, data: bytes) -> None:
        check = struct.pack(">I", zlib.crc32(data, zlib.crc32(kind)))
        self.size += self._file.write(struct.pack(">I", len(data)) + kind + data + check)


class RowFilter:
    """Rows made easier to pack; each keeps the one above it in mind. `step` : bytes of a px."""

    def __init__(self, width: int, step: int) -> None:
        self._step, self._above = step, np.zeros((1, width * step), np.uint8)

    def filtered(self, rows: Bytes) -> Bytes:
        """(h, 1 + width step) uint8 of (h, width step): each by the filter with the least sum of
        magnitudes (12.7), which stands before it."""
        left = np.zeros_like(rows)
        left[:, self._step :] = rows[:, : -self._step]
        choices = (rows, rows - left, rows - np.vstack([self._above, rows[:-1]]))
        sums = [np.abs(choice.view(np.int8).astype(np.int16)).sum(1) for choice in choices]
        best = np.argmin(sums, 0)
        out = np.empty((len(rows), rows.shape[1] + 1), np.uint8)
        out[:, 0] = best
        for kind in (NONE, SUB, UP):
            out[best == kind, 1:] = choices[kind][best == kind]
        self._above = rows[-1:].copy()
        return out
