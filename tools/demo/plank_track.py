"""Plank Track: an A3 poster; words pushed up out of the rink's planks, a block, a burnt line."""

from __future__ import annotations

import msgspec

from anole.core.edit.pieces import change_piece
from anole.core.model import (
    Board,
    Coat,
    Copies,
    Emblem,
    Ground,
    Ink,
    Lamp,
    Length,
    Pattern,
    Perceptual,
    Place,
    Pool,
    Pose,
    Position,
    Press,
    Relief,
    Rim,
    Shadow,
    Span,
    Spot,
    ToneCoat,
)

from .artwork import club_emblem
from .common import carrying, flat, shrink, stroke, styled, words

WIDE, HIGH, DPI = 1754, 2480, 150.0
"""297 x 420 mm."""
WOOD = ("#3f2412", "#75481f", "#a06c36", "#c8955a")


def _ground() -> tuple[Ground, Pool, Pool]:
    planks = Pattern(
        generator="planks", frame="board", size=Length(1060), count=4, rough=0.65, angle=90.0,
        inks=tuple(Ink.parse(ink) for ink in WOOD),
    )  # fmt: skip
    light = Pool(
        id="light", name="Lamps over the rink", paint=flat("#ffdf9e"), blend="soft-light",
        spots=(Spot(x=620, y=520, radius=1300, strength=0.95), Spot(x=1240, y=1700, radius=900, strength=0.4)),
    )  # fmt: skip
    dark = Pool(
        id="corners", name="Dark corners", paint=flat("#160a03"), blend="multiply",
        rim=Rim(strength=0.6),
    )  # fmt: skip
    return Ground(id="ground", name="Planks", paint=planks), light, dark


def _emblem(asset: str) -> Emblem:
    """Stacked like cards, pressed into the wood round it."""
    edge = Span(Position(-0.05, "em"), Position(0.02, "em"))
    style: tuple[Coat, ...] = (
        Press(id="emblem-press", name="dent", span=edge, push_y=Length(0.03, "em")),
        Shadow(id="emblem-shadow", lift=Length(0.05, "em"), opacity=0.65),
        Copies(
            id="emblem-copies", name="cards", of="picture", count=6.0,
            to_x=Length(0.07, "em"), to_y=Length(0.09, "em"),
        ),
        stroke("emblem-line", 0.016, "#241207"),
        Relief(
            id="emblem-relief", name="hairline", height=Length(0.02, "em"),
            span=Span(Position(0, "em"), Position(0.03, "em")),
        ),
    )  # fmt: skip
    return Emblem(
        id="emblem", name="Club emblem", asset=asset, height=Length(470),
        place=Place(x=877, y=1300), style=style,
    )  # fmt: skip


LEANING = Pose(turn_x=36, turn_y=-9, turn_z=-3, distance=7)


def board() -> Board:
    title = words(
        "Title", "PLANK\nTRACK", "Lilita One", 600, 877, 560,
        leading=Length(0.9, "em"), align="centre", box=shrink(1560, 1000),
    )  # fmt: skip
    block = words(
        "Evening", "SKATE TILL TEN", "Anton", 250, 877, 1790,
        pose=LEANING, box=shrink(1180, 300),
    )  # fmt: skip
    when = words("When", "every Saturday", "Pacifico", 150, 877, 2085, box=shrink(1300, 200))
    club = words(
        "Club", "BRINNELMARSH WHEELERS", "Alfa Slab One", 92, 877, 2330,
        tracking=60, box=shrink(1560, 120),
    )  # fmt: skip
    made = Board(
        name="Plank Track", width=WIDE, height=HIGH, dpi=DPI,
        lamp=Lamp(bearing=325, elevation=42), pieces=(*_ground(), title, block, when, club),
    )  # fmt: skip
    made = styled(made, "title", "pushed-up ground")
    # in a pose of the board's own, not the style's
    made = change_piece(styled(made, "evening", "pier block"), "evening", pose=LEANING)
    warm = ToneCoat(id="warm", name="lamplight", tone=(Perceptual(hue=-112.0, chroma=1.1),))
    made = styled(made, "when", "comet wind", warm)
    made = styled(made, "club", "slate cut")
    made, sha = carrying(made, club_emblem(), "club-emblem.svg")
    at = next(n for n, piece in enumerate(made.pieces) if piece.id == "evening")
    pieces = (*made.pieces[:at], _emblem(sha), *made.pieces[at:])
    return msgspec.structs.replace(made, pieces=pieces)
