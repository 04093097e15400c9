"""`anole styles from-picture`: a look read off finished lettering, as a style."""

from __future__ import annotations

import json
from pathlib import Path
from typing import TYPE_CHECKING

import click
import numpy as np

from ..core.atomic import FileError, write_bytes
from ..core.box import Box
from ..core.files import pack_file
from ..core.library import packs
from ..core.library.styles import SUFFIX
from ..core.model import to_json
from ..core.text import short
from .parts import PATH, complain, only, out_option, progress_shown

if TYPE_CHECKING:
    from ..core.reading.look import Look


def _numbers(text: str, what: str) -> list[float]:
    try:
        numbers = [float(part) for part in text.split(",")]
    except ValueError:
        numbers = []
    if len(numbers) != 4 or not all(np.isfinite(numbers)):
        raise FileError(f"{what} is 4 numbers with commas between them, not {short(text, 40)!r}")
    return numbers


def _box(text: str) -> Box | None:
    if not text:
        return None
    x, y, width, height = _numbers(text, "--box")
    if width < 1 or height < 1 or max(map(abs, (x, y, width, height))) > 1e6:
        raise FileError("--box is X,Y,WIDTH,HEIGHT in px of the picture")
    return Box(round(x), round(y), round(x + width), round(y + height))


@click.command("from-picture")
@out_option
@click.argument("file", type=PATH, metavar="FILE")
@click.option(
    "--box", default="", metavar="X,Y,W,H", help="Where the lettering is, px of the picture."
)
@click.option("--line", default="", metavar="X0,Y0,X1,Y1",
              help="From the ground over all rims into the middle of a stem.")  # fmt: skip
@click.option("--report", type=PATH, help="Write what was found, and how sure it is, as JSON.")
@click.option(
    "--words", default="", help="What the lettering says, where that is known, with --font."
)
@click.option("--font", default="", help="Its font: lengths are then in its own em.")
def from_picture(
    out: tuple[Path, ...],
    file: Path,
    box: str,
    line: str,
    report: Path | None,
    words: str,
    font: str,
) -> None:
    """Read the look of finished lettering off a picture."""
    # what they need takes more than half a second to import: not for every command
    from ..core.reading.em import caps_of
    from ..core.reading.from_file import look_of
    from ..core.reading.reader import Wanted
    from ..core.reading.seen import Unreadable
    from ..core.reading.style import CAPS, report_of

    path = only(out, SUFFIX, pack_file.SUFFIX)
    where, along = _box(box), None
    if line:
        x0, y0, x1, y1 = _numbers(line, "--line")
        along = (x0, y0, x1, y1)
    with progress_shown("reading") as told:
        look, troubles = look_of(file, Wanted(where, along), told)
    for trouble in troubles:
        complain(trouble)
    try:
        caps = caps_of(look, words, font) if words.strip() and font else CAPS
    except Unreadable as error:
        raise FileError(f"{file.name}: {error}") from error
    _write(path, look, caps)
    said = report_of(look)
    if report is not None:
        write_bytes(report, json.dumps(said, indent=1).encode())
    for coat in reversed(said["coats"]):
        print(f"{coat['kind']}: {_told(coat)}; {coat['sure']:.0%} sure")


def _write(path: Path, look: Look, caps: float) -> None:
    """As a style's file, without the picture that its face may be kept as; as a pack with it."""
    from ..core.reading.style import PICTURED, style_of

    if path.suffix == pack_file.SUFFIX:
        pack_file.write(path, packs.pack_of([style_of(look, path.stem, caps)], path.stem), {})
        return
    write_bytes(path, to_json(style_of(look, path.stem, caps, frozenset({PICTURED}))))
    if any(one.coat.id == PICTURED for one in look.extras):
        complain(
            f"the face is kept as a picture, which a pack alone carries: -o {short(path.stem)}{pack_file.SUFFIX}"
        )


def _told(coat: dict[str, object]) -> str:
    parts = [
        f"{name} {value}" for name, value in coat.items() if name not in ("kind", "sure", "stops")
    ]
    if isinstance(stops := coat.get("stops"), list):
        parts.insert(0, " to ".join(stop["colour"] for stop in stops))
    return ", ".join(parts)
