"""A look read off a picture of finished lettering, from Python."""

from __future__ import annotations

from pathlib import Path
from typing import Any, NamedTuple

from ..core.atomic import FileError
from ..core.model import Style
from .styling import PathLike


class ReadLook(NamedTuple):
    """A style that was read off a picture, and how near it is.

    difference : mean in OKLab between the picture and the style drawn again on its letters
    cap_height : px of the picture that its capitals are tall
    coats : what was measured of each, bottom first, in px of the picture, with `sure` from 0 to 1
    """

    style: Style
    difference: float
    cap_height: float
    coats: list[dict[str, Any]]


def read_look(
    picture: PathLike,
    *,
    box: tuple[float, float, float, float] | None = None,
    line: tuple[float, float, float, float] | None = None,
    name: str = "",
) -> ReadLook:
    """Read the look of finished lettering off a picture's file.

    box : x, y, width and height of the lettering, px; line : x0, y0, x1, y1 from the ground over all rims
    into the middle of a stem; the program's own where they are left out. Raises FileError, also where no
    lettering is found.
    """
    from ..core.box import Box
    from ..core.reading.from_file import look_of
    from ..core.reading.reader import Wanted
    from ..core.reading.style import report_of, style_of

    path, where = Path(picture), None
    if box is not None:
        x, y, wide, high = (round(side) for side in box)
        if wide < 1 or high < 1:
            raise FileError(f"{path.name}: a box of {wide} x {high} px holds no lettering")
        where = Box(x, y, x + wide, y + high)
    look = look_of(path, Wanted(where, line)).look
    said = report_of(look)
    return ReadLook(
        style_of(look, name or path.stem), said["difference"], said["cap_height"], said["coats"]
    )
