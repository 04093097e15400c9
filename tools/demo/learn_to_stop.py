"""Learn to Stop: the thumbnail of a series; number, title and colour come from a table."""

from __future__ import annotations

import msgspec

from anole.core.model import (
    Board,
    Emblem,
    Export,
    Ground,
    Lamp,
    Length,
    Pattern,
    Place,
    Pool,
    Spot,
)
from anole.core.model.series import Binding, Series

from ..style_parts import inks
from .artwork import club_emblem
from .common import carrying, flat, shrink, styled, words

ROWS = (
    ("1", "Plough Stop", "title shout"),
    ("2", "T-Stop Without Tears", "title shout"),
    ("3", "Toe Stop, Softly", "die-cut decal"),
    ("4", "Falling Well", "title shout"),
    ("5", "Stop on a Slope", "toy block"),
    ("6", "The Hockey Stop", "wheel steel"),
    ("7", "Wet Floors", "deep pool"),
    ("8", "Stop for a Friend", "candy drop"),
)
"""Number, title and style of each episode."""


def board() -> Board:
    floor = Pattern(
        generator="planks",
        size=Length(220.0),
        inks=inks("#5a3318", "#9a6232", "#c98f52"),
        rough=0.4,
        angle=-8.0,
    )
    ground = Ground(id="ground", name="Rink", paint=floor)
    light = Pool(
        id="light", name="Lamp", paint=flat("#ffe7b0"), blend="soft-light",
        spots=(Spot(x=520, y=300, radius=760, strength=0.9),),
    )  # fmt: skip
    dark = Pool(
        id="dark", name="Dark side", paint=flat("#1c0d05"), blend="multiply",
        spots=(Spot(x=1280, y=720, radius=760, strength=0.75), Spot(x=0, y=720, radius=520, strength=0.6)),
    )  # fmt: skip
    title = words(
        "Title", "Plough Stop", "Lilita One", 230, 640, 292, box=shrink(1120, 340),
    )  # fmt: skip
    head = words("Head", "LEARN TO STOP", "Anton", 64, 640, 78, tracking=120, box=shrink(900, 90))
    number = words("Number", "1", "Alfa Slab One", 180, 1150, 590, box=shrink(220, 240))
    made = Board(
        name="Learn to Stop",
        width=1280,
        height=720,
        lamp=Lamp(bearing=330, elevation=46),
        pieces=(ground, light, dark, head, title, number),
    )
    made, sha = carrying(made, club_emblem(), "club-emblem.svg")
    emblem = Emblem(
        id="emblem", name="Club emblem", asset=sha, height=Length(110), place=Place(x=190, y=625)
    )
    made = msgspec.structs.replace(made, pieces=(*made.pieces, emblem))
    made = styled(made, "title", "title shout")
    made = styled(made, "number", "plain ink")
    made = styled(made, "head", "house white")
    return msgspec.structs.replace(
        made,
        exports=(
            Export(id="export-1", name="video site", format="jpeg", width=1280, most=200_000),
            Export(id="export-2", name="small", format="webp", width=640, on=False),
        ),
        series=Series(
            columns=("Number", "Title", "Style"),
            rows=ROWS,
            bindings=(
                Binding(column="Number", piece="number"),
                Binding(column="Title", piece="title"),
                Binding(column="Style", piece="title", sets="style"),
            ),
            file="{number} {title}",
        ),
    )
