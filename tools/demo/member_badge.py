"""Member Badge: a round badge; the emblem treated as the words round it."""

from __future__ import annotations

import msgspec

from anole.core.model import (
    Board,
    Copies,
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
    Relief,
    Rim,
    Ring,
    Shadow,
    Span,
    Spot,
    Stamps,
)

from .artwork import club_emblem
from .common import carrying, flat, stops, stroke, styled, words


def board() -> Board:
    cloth = Gradient(shape="radial", stops=stops((0, "#2f7f6d"), (0.62, "#145446"), (1, "#072b26")))
    weave = Pattern(
        generator="weave", frame="board", size=Length(26),
        inks=(Ink.parse("#0b1f1b"), Ink.parse("#dff5ea")),
    )  # fmt: skip
    ground = Ground(id="ground", name="Bottle green", paint=cloth)
    thread = Ground(id="weave", name="Weave", paint=weave, opacity=0.18, blend="soft-light")
    light = Pool(id="light", name="Light", paint=flat("#fff0c8"), blend="screen",
                 spots=(Spot(x=420, y=330, radius=560, strength=0.4),))  # fmt: skip
    disc = Stamps(
        id="disc", name="Plate", mark="dot", paint=flat("#123f37"),
        marks=(Mark(x=500, y=500, size=960),), home=(500, 500), place=Place(x=500, y=500),
        style=(
            Shadow(id="disc-shadow", lift=Length(0.014, "em")),
            stroke("disc-rim", 0.012, "#f2d489"),
            Relief(id="disc-relief", span=Span(Position(0, "em"), Position(0.014, "em")),
                   height=Length(0.01, "em")),
        ),
    )  # fmt: skip
    plate = Stamps(
        id="plate",
        name="Inner plate",
        mark="dot",
        paint=flat("#1b5a4c"),
        marks=(Mark(x=500, y=500, size=610),),
        home=(500, 500),
        place=Place(x=500, y=500),
        style=(
            Shadow(id="plate-shadow", lift=Length(0.016, "em"), falls="inside", opacity=0.7),
            stroke("plate-line", 0.008, "#f2d489"),
        ),
    )
    top = words("Club", "BRINNELMARSH WHEELERS", "Alfa Slab One", 82, 500, 500, tracking=30)
    top = msgspec.structs.replace(
        top, ring=Ring(radius=Length(346)), place=Place(x=500, y=126), box=None
    )
    low = words("Member", "MEMBER · No 0417", "Alfa Slab One", 64, 500, 500, tracking=60)
    low = msgspec.structs.replace(
        low, ring=Ring(radius=Length(404), inside=True, start=180.0), place=Place(x=500, y=66)
    )
    glint = Stamps(id="glint", name="Glints", blend="screen",
                   marks=(Mark(x=354, y=372, size=120, turn=14), Mark(x=688, y=596, size=64)))  # fmt: skip
    dark = Pool(id="corners", name="Dark corners", paint=flat("#02110e"), blend="multiply",
                rim=Rim(strength=0.55))  # fmt: skip
    made = Board(
        name="Member Badge", width=1000, height=1000, lamp=Lamp(bearing=328, elevation=42),
        pieces=(ground, thread, light, dark, disc, plate, top, low),
    )  # fmt: skip
    made, sha = carrying(made, club_emblem(), "club-emblem.svg")
    emblem = Emblem(
        id="emblem", name="Club emblem", asset=sha, height=Length(284),
        place=Place(x=500, y=500),
        style=(
            Copies(id="emblem-cards", name="cards", of="picture", count=6.0,
                   to_x=Length(0.07, "em"), to_y=Length(0.09, "em")),
            stroke("emblem-line", 0.02, "#0c2e28"),
            Relief(id="emblem-relief", span=Span(Position(0, "em"), Position(0.05, "em")),
                   height=Length(0.03, "em"), opacity=0.6),
        ),
    )  # fmt: skip
    made = msgspec.structs.replace(made, pieces=(*made.pieces, emblem, glint))
    for name in ("club", "member"):
        made = _by_letter(styled(made, name, "foundry bronze"), name)
    return made


def _by_letter(board: Board, name: str) -> Board:
    """Each letter cast by itself: on a ring those at the sides would be dark as a whole."""
    worn = board.coated(name)
    coats = tuple(
        msgspec.structs.replace(coat, paint=msgspec.structs.replace(coat.paint, frame="letter"))
        if isinstance(getattr(coat, "paint", None), Gradient)
        else coat
        for coat in worn.style
    )
    pieces = tuple(
        msgspec.structs.replace(worn, style=coats) if p.id == name else p for p in board.pieces
    )
    return msgspec.structs.replace(board, pieces=pieces)
