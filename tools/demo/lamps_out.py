"""Lamps-Out Skate: a wide thumbnail; tubes of light over a picture of the rink."""

from __future__ import annotations

import msgspec

from anole.core.model import (
    Blur,
    Board,
    Cdl,
    Exposure,
    Glow,
    Ground,
    Lamp,
    Length,
    Perceptual,
    Picture,
    Place,
    Pool,
    Rim,
    Scatter,
    Spot,
    Stamps,
)

from .common import carrying, fill, flat, shrink, styled, words
from .pictures import rink_hall


def board() -> Board:
    ground = Ground(id="ground", name="Dark", paint=flat("#05070f"))
    made = Board(
        name="Lamps-Out Skate", width=1920, height=1080, lamp=Lamp(bearing=330, elevation=40),
        pieces=(ground,),
    )  # fmt: skip
    made, sha = carrying(made, rink_hall(), "rink-hall.jpg")
    hall = Picture(
        id="hall",
        name="Rink hall",
        asset=sha,
        width=Length(1920),
        height=Length(1080),
        place=Place(x=960, y=540),
        zoom=1.06,
        tone=(
            Blur(radius=Length(5)),
            Exposure(stops=-0.35),
            Cdl(slope=(0.95, 0.95, 0.95), power=(1.12, 1.12, 1.12), saturation=0.8),
            Perceptual(hue=-14, chroma=0.9),
        ),
    )
    light = Pool(
        id="light", name="Magenta light", paint=flat("#ff3fa8"), blend="screen",
        spots=(Spot(x=960, y=330, radius=1050, strength=0.4), Spot(x=300, y=980, radius=620, strength=0.26)),
    )  # fmt: skip
    cold = Pool(
        id="cold", name="Cyan light", paint=flat("#21d4ff"), blend="screen",
        spots=(Spot(x=1640, y=960, radius=700, strength=0.32), Spot(x=1180, y=760, radius=620, strength=0.22)),
    )  # fmt: skip
    corners = Pool(id="corners", name="Dark corners", paint=flat("#02030a"), blend="multiply",
                   rim=Rim(strength=0.6, reach=0.45))  # fmt: skip
    far = Stamps(
        id="far", name="Lamps out of focus", mark="dot", soft=0.35, paint=flat("#ffd9a0"),
        blend="screen", opacity=0.5,
        scatter=Scatter(count=26, area="frame", reach=420, size_from=26, size_to=110,
                        strength_from=0.1, strength_to=0.5, seed=31),
    )  # fmt: skip
    top = words("Lamps", "LAMPS OUT", "Fredoka", 292, 960, 360, tracking=24, box=shrink(1660, 320))
    top = msgspec.structs.replace(top, font=msgspec.structs.replace(top.font, weight=700))
    skate = words("Skate", "skate", "Pacifico", 360, 1180, 690, box=shrink(1200, 420),
                  place={"rotation": -7.0})  # fmt: skip
    line = words(
        "Line", "Friday · no lamps, one rule: keep left", "Fredoka", 58, 960, 998,
        tracking=20, box=shrink(1700, 90),
        style=(Glow(id="line-glow", paint=flat("#21d4ff")), fill("#eafcff", "line-fill")),
    )  # fmt: skip
    pieces = (*made.pieces, hall, light, cold, far, corners, top, skate, line)
    made = msgspec.structs.replace(made, pieces=pieces)
    made = styled(made, "lamps", "rink tube")
    made = styled(made, "skate", "rink tube")
    return _tinted(made, "skate", "#ff4fb0")


def _tinted(board: Board, piece: str, colour: str) -> Board:
    """The tubes of one piece in another colour: white cores stay white."""
    words = board.coated(piece)
    hue = flat(colour)
    coats = tuple(
        coat if coat.name == "white core" else msgspec.structs.replace(coat, paint=hue)
        for coat in words.style
    )
    changed = msgspec.structs.replace(words, style=coats)
    pieces = tuple(changed if p.id == piece else p for p in board.pieces)
    return msgspec.structs.replace(board, pieces=pieces)
