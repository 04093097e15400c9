"""Write the demo boards: the invented world of the Brinnelmarsh Wheelers."""

from __future__ import annotations

from importlib.resources import files
from pathlib import Path

import msgspec

from anole.core.edit.coats import put_style
from anole.core.files import board_file
from anole.core.files.preview import preview
from anole.core.library.styles import built_in, digest
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    FitBox,
    Font,
    Gradient,
    Ground,
    Ink,
    Lamp,
    Length,
    Lettering,
    Pattern,
    Place,
    Rail,
    Shadow,
    Stop,
)

BOARDS = Path(str(files("anole") / "data" / "boards"))


def stops(*parts: tuple[float, str]) -> tuple[Stop, ...]:
    return tuple(Stop(at, Colour.parse(text)) for at, text in parts)


def words(
    name: str, text: str, family: str, size: float, x: float, y: float, **more: object
) -> Lettering:
    return Lettering(
        id=name.lower().replace(" ", "-"),
        name=name,
        text=text,
        font=Font(family=family),
        size=Length(size),
        place=Place(x=x, y=y, **more.pop("place", {})),
        **more,  # type: ignore[arg-type]
    )


def shrink(width: float, height: float) -> FitBox:
    """Room that words keep to, however long they get."""
    return FitBox(width=width, height=height, fit="shrink")


def styled(board: Board, piece: str, name: str) -> Board:
    style = next(kept.style for kept in built_in() if kept.style.name == name)
    return put_style(board, piece, style, digest(style.coats))


def bout_night() -> Board:
    ground = Ground(
        id="ground",
        name="Rink blue",
        paint=Gradient(
            shape="radial",
            y=-0.08,
            scale=1.01,
            stops=stops((0, "#1f8f9c"), (0.5, "#10506a"), (1, "#071a30")),
        ),
    )
    boards = Ground(
        id="boards",
        name="Rink boards",
        opacity=0.35,
        blend="soft-light",
        paint=Pattern(
            generator="planks",
            frame="board",
            size=Length(420),
            count=4,
            rough=0.5,
            inks=(Ink.parse("#101820"), Ink.parse("#f4f0e6")),
        ),
    )
    beams = Ground(
        id="beams",
        name="Light bars",
        opacity=0.16,
        blend="screen",
        paint=Gradient(
            angle=62,
            frame="board",
            scale=0.12,
            spread="repeat",
            stops=stops((0, "#9fe8ff"), (0.42, "#9fe8ff"), (0.42, "#9fe8ff00"), (1, "#9fe8ff00")),
        ),
    )
    title = words(
        "Title",
        "BOUT\nNIGHT",
        "Lilita One",
        272,
        640,
        338,
        leading=Length(0.88, "em"),
        tracking=12,
        head=Rail(camber=0.14),
        foot=Rail(camber=0.06),
        box=shrink(1120, 540),
    )
    line = words(
        "Line",
        "Brinnelmarsh Wheelers · Saturday, half past seven",
        "Fredoka",
        36,
        640,
        690,
        tracking=18,
        box=shrink(1200, 60),
    )
    plain = (
        Shadow(id="line-shadow", lift=Length(0.08, "em"), opacity=0.6),
        msgspec.structs.replace(_fill("#fff3dc"), id="line-fill"),
    )
    line = msgspec.structs.replace(line, style=plain)
    board = Board(
        name="Bout Night",
        width=1280,
        height=720,
        lamp=Lamp(bearing=322, elevation=41),
        pieces=(ground, boards, beams, line, title),
    )
    return styled(board, "title", "title shout")


def _fill(text: str):  # type: ignore[no-untyped-def]
    from anole.core.model import Fill

    return Fill(id="fill", paint=ColourPaint(colour=Colour.parse(text)))


def brine_cup() -> Board:
    ground = Ground(
        id="ground",
        name="Deep water",
        paint=Gradient(
            shape="radial",
            y=-0.04,
            scale=0.935,
            stops=stops((0, "#2c4a58"), (0.45, "#132835"), (1, "#05090f")),
        ),
    )
    spot = Ground(
        id="floor",
        name="Brine",
        opacity=0.2,
        blend="screen",
        paint=Pattern(
            generator="water",
            frame="board",
            size=Length(520),
            count=3,
            rough=0.6,
            weight=0.3,
            inks=(Ink.parse("#00000000"), Ink.parse("#8fe0ff")),
        ),
    )
    title = words("Title", "BRINE & BEARING", "Alfa Slab One", 138, 800, 340, box=shrink(1460, 160))
    cup = words("Cup", "CUP", "Alfa Slab One", 236, 800, 610, tracking=60, box=shrink(1460, 230))
    top = words(
        "Club",
        "THE BRINNELMARSH WHEELERS",
        "Cinzel",
        52,
        800,
        150,
        tracking=120,
        box=shrink(1460, 80),
    )
    board = Board(
        name="Brine & Bearing Cup",
        width=1600,
        height=800,
        lamp=Lamp(bearing=325, elevation=46),
        pieces=(ground, spot, top, cup, title),
    )
    for piece in ("title", "cup", "club"):
        board = styled(board, piece, "cup gold")
    return board


if __name__ == "__main__":
    BOARDS.mkdir(parents=True, exist_ok=True)
    for name, board in (("bout-night", bout_night()), ("brine-and-bearing-cup", brine_cup())):
        board_file.write(BOARDS / f"{name}.anole", board_file.Document(board), preview(board))
