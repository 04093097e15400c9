"""PDF: one page at the board's size in mm, with its cut and its bleed marked for a printer (PDF 1.7,
14.11.2: TrimBox, BleedBox)."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from ..arrays import DeepPixels
from ..atomic import replacing
from .export_target import Target
from .formats.format import flattened
from .pdf_picture import put_picture

POINT = 72.0
MM = 25.4
ROOM, MARK, GAP = 8.0, 5.0, 2.0
"""mm round the bleed for crop marks; how long they are, and how far from the cut at least."""
HAIR = 0.25
"""pt: how thick a crop mark is."""


def page_mm(target: Target) -> tuple[float, float]:
    """Width and height in mm of what is left when the sheet is cut."""
    x0, y0, x1, y1 = target.area
    dpi = target.board.dpi
    return (x1 - x0) / dpi * MM, (y1 - y0) / dpi * MM


def write(path: Path, target: Target, rows: Iterator[DeepPixels]) -> int:
    """The sheet with the picture of these strips, top to bottom; returns the file's bytes. Raises
    FileError, and what the strips raise."""
    from reportlab.pdfgen.canvas import Canvas

    export, box = target.export, target.box
    wide, high = (side / MM * POINT for side in page_mm(target))
    # the picture's own px say how far it reaches beyond the cut
    bleed = (box.width / target.dpi * POINT - wide) / 2
    room = ROOM / MM * POINT if export.marks else 0.0
    cut = bleed + room
    with replacing(path) as file:
        page = Canvas(file, pagesize=(wide + 2 * cut, high + 2 * cut), pageCompression=1)
        page.setTitle(target.board.name)
        page.setCreator("Anole")
        page.setTrimBox((cut, cut, cut + wide, cut + high))
        page.setBleedBox((room, room, cut + wide + bleed, cut + high + bleed))
        page.saveState()
        page.transform(wide + 2 * bleed, 0, 0, high + 2 * bleed, room, room)
        put_picture(page, box.width, box.height, map(flattened, rows))
        page.restoreState()
        if export.marks:
            _mark(page, cut, wide, high, bleed)
        page.save()
        return file.tell()


def _mark(page: object, cut: float, wide: float, high: float, bleed: float) -> None:
    """Two lines at each corner of the cut, outside the bleed."""
    from reportlab.pdfgen.canvas import Canvas

    assert isinstance(page, Canvas)
    page.setLineWidth(HAIR)
    near = max(GAP / MM * POINT, bleed)
    far = near + MARK / MM * POINT
    for x, away_x in ((cut, -1), (cut + wide, 1)):
        for y, away_y in ((cut, -1), (cut + high, 1)):
            page.line(x + away_x * near, y, x + away_x * far, y)
            page.line(x, y + away_y * near, x, y + away_y * far)
