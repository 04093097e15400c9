"""A picture on a page of a PDF, packed strip by strip (PDF 1.7, 7.4.4.4: predictors; 8.9.5: images)."""

from __future__ import annotations

import zlib
from collections.abc import Iterator
from typing import TYPE_CHECKING, Any

from ..arrays import Pixels
from .png_stream import RowFilter

if TYPE_CHECKING:
    from reportlab.pdfgen.canvas import Canvas

LEVEL = 4
NAME = "picture"
PNG_PREDICTOR = 15
"""Each row says by which of PNG's filters it is written."""


def put_picture(page: Canvas, width: int, height: int, strips: Iterator[Pixels]) -> None:
    """Draw (h, width, 3) uint8 strips, top to bottom, over the unit square of the page."""
    from reportlab.pdfbase import pdfdoc

    class Picture(pdfdoc.PDFObject):
        """An image XObject; the library's own wants all px at once."""

        def format(self, document: Any) -> Any:
            stream = pdfdoc.PDFStream(content=packed)
            stream.dictionary.dict.update(
                Type=pdfdoc.PDFName("XObject"),
                Subtype=pdfdoc.PDFName("Image"),
                Width=width,
                Height=height,
                BitsPerComponent=8,
                ColorSpace=pdfdoc.PDFName("DeviceRGB"),
                Filter=pdfdoc.PDFName("FlateDecode"),
                DecodeParms=pdfdoc.PDFDictionary(
                    {"Predictor": PNG_PREDICTOR, "Colors": 3, "Columns": width}
                ),
                Length=len(packed),
            )
            return stream.format(document)

    packed = _packed(width, strips)
    page._doc.addForm(NAME, Picture())
    page.doForm(NAME)


def _packed(width: int, strips: Iterator[Pixels]) -> bytes:
    packer, rows = zlib.compressobj(LEVEL), RowFilter(width, 3)
    parts = [
        packer.compress(rows.filtered(strip.reshape(len(strip), -1)).tobytes()) for strip in strips
    ]
    return b"".join([*parts, packer.flush()])
