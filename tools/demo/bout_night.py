"""Bout Night: a thumbnail; two lines as one block of a title, the club's emblem, glints."""

from __future__ import annotations

import msgspec

from anole.core.model import (
    Board,
    Cdl,
    Emblem,
    Gradient,
    Ground,
    Ink,
    Lamp,
    Length,
    Mark,
    Pattern,
    Place,
    Pool,
    Position,
    Rail,
    Rim,
    Scatter,
    Shadow,
    Span,
    Spot,
    Stamps,
    Stroke,
    Wash,
)

from .artwork import club_emblem
from .common import carrying, clustered, fill, flat, parted, shrink, stops, stroke, style_of, words


def grounds() -> tuple[Ground, ...]:
    blue = Gradient(
        shape="radial",
        y=-0.08,
        scale=1.01,
        stops=stops((0, "#1f8f9c"), (0.5, "#10506a"), (1, "#071a30")),
    )
    planks = Pattern(
        generator="planks",
        frame="board",
        size=Length(420),
        count=4,
        rough=0.5,
        inks=(Ink.parse("#101820"), Ink.parse("#f4f0e6")),
    )
    bars = Gradient(
        angle=62,
        frame="board",
        scale=0.12,
        spread="repeat",
        stops=stops((0, "#9fe8ff"), (0.42, "#9fe8ff"), (0.42, "#9fe8ff00"), (1, "#9fe8ff00")),
    )
    return (
        Ground(id="ground", name="Rink blue", paint=blue),
        Ground(id="boards", name="Rink boards", opacity=0.35, blend="soft-light", paint=planks),
        Ground(id="beams", name="Light bars", opacity=0.16, blend="screen", paint=bars),
    )


def _line(name: str, text: str, y: float, colour: str, head: float, foot: float) -> object:
    """A line of the title in a colour of its own, with the stripes and the sheen of the style."""
    _, face = parted(style_of("title shout"))
    coats = []
    for coat in face.coats:
        if coat.name == "coral over cream":
            coat = msgspec.structs.replace(coat, name=f"flat {name.lower()}", paint=flat(colour))
        coats.append(msgspec.structs.replace(coat, id=f"{name.lower()}-{coat.id}"))
    return words(
        name,
        text,
        "Lilita One",
        268,
        640,
        y,
        tracking=-6,
        head=Rail(camber=head),
        foot=Rail(camber=foot),
        box=shrink(1060, 250),
        style=tuple(coats),
    )


def _wider(coat: Stroke) -> Stroke:
    """So much that what lies between two letters is all dark, rather than a slit."""
    far = coat.span.to
    return msgspec.structs.replace(
        coat, span=Span(coat.span.from_, Position(far.value * 1.12, far.unit))
    )


def board() -> Board:
    first = _line("Bout", "BOUT", 214, "#ff6a5c", 0.24, 0.12)
    second = _line("Night", "NIGHT", 444, "#fde2a0", 0.12, 0.05)
    line = words(
        "Line",
        "Brinnelmarsh Wheelers · Saturday, half past seven",
        "Fredoka",
        36,
        640,
        672,
        tracking=18,
        box=shrink(1200, 60),
        style=(
            Shadow(id="line-shadow", lift=Length(0.08, "em"), opacity=0.6),
            fill("#fff3dc", "line-fill"),
        ),
    )
    light = Pool(
        id="light",
        name="Light behind",
        paint=flat("#ffe6b0"),
        blend="screen",
        spots=(
            Spot(x=640, y=330, radius=620, strength=0.5),
            Spot(x=180, y=90, radius=260, strength=0.22),
            Spot(x=1100, y=90, radius=260, strength=0.22),
        ),
    )
    paper = Stamps(
        id="paper",
        name="Confetti",
        mark="confetti",
        paint=flat("#ffd36b"),
        opacity=0.85,
        scatter=Scatter(count=46, area="frame", reach=300, size_from=9, size_to=26, seed=12),
    )
    corners = Pool(id="corners", name="Dark corners", paint=flat("#04101f"), blend="multiply",
                   rim=Rim(strength=0.62, reach=0.5))  # fmt: skip
    glints = Stamps(
        id="glints",
        name="Glints",
        blend="screen",
        marks=(
            Mark(x=316, y=136, size=150, turn=12),
            Mark(x=931, y=399, size=110, turn=-8),
            Mark(x=742, y=108, size=70, turn=20),
        ),
    )
    last = Wash(
        id="last", name="Last correction", tone=(Cdl(slope=(1.04, 1.04, 1.04), saturation=1.08),)
    )
    made = Board(
        name="Bout Night",
        width=1280,
        height=720,
        lamp=Lamp(bearing=322, elevation=41),
        pieces=(*grounds(), light, paper, corners, line, first, second),  # type: ignore[arg-type]
    )
    made, sha = carrying(made, club_emblem(), "club-emblem.svg")
    emblem = Emblem(
        id="emblem",
        name="Club emblem",
        asset=sha,
        height=Length(112),
        place=Place(x=1136, y=580, rotation=-6),
        style=(
            Shadow(id="emblem-shadow", lift=Length(0.09, "em")),
            stroke("emblem-rim", 0.045, "#fff3dc"),
        ),
    )
    block, _ = parted(style_of("title shout"))
    coats = tuple(_wider(coat) if coat.name == "dark" else coat for coat in block.coats)
    block = msgspec.structs.replace(block, coats=coats)
    made, _ = clustered(made, ("bout", "night"), "Title", block)
    return msgspec.structs.replace(made, pieces=(*made.pieces, glints, emblem, last))
