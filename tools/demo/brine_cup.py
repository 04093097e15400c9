"""Brine & Bearing Cup: a title in gold with its flares, over dark water."""

from __future__ import annotations

import msgspec

from anole.core.model import (
    Board,
    Flare,
    Gradient,
    Ground,
    Ink,
    Lamp,
    Length,
    Pattern,
    Pool,
    Rim,
    Scatter,
    Sparkle,
    Spot,
    Stamps,
)

from .common import flat, shrink, stops, styled, words


def board() -> Board:
    deep = Gradient(
        shape="radial",
        y=-0.04,
        scale=0.935,
        stops=stops((0, "#2c4a58"), (0.45, "#132835"), (1, "#05090f")),
    )
    brine = Pattern(
        generator="water",
        frame="board",
        size=Length(520),
        count=3,
        rough=0.6,
        weight=0.3,
        inks=(Ink.parse("#00000000"), Ink.parse("#8fe0ff")),
    )
    ground = Ground(id="ground", name="Deep water", paint=deep)
    floor = Ground(id="floor", name="Brine", opacity=0.2, blend="screen", paint=brine)
    light = Pool(
        id="light",
        name="Light in the water",
        paint=flat("#7fd6ff"),
        blend="screen",
        spots=(
            Spot(x=800, y=470, radius=820, strength=0.24),
            Spot(x=800, y=130, radius=420, strength=0.14),
        ),
    )
    bubbles = Stamps(
        id="bubbles",
        name="Bubbles",
        mark="bubble",
        paint=flat("#c6f0ff"),
        blend="screen",
        opacity=0.55,
        scatter=Scatter(
            count=54, area="frame", reach=360, size_from=7, size_to=44,
            turn=20, strength_from=0.2, strength_to=0.9, seed=22,
        ),
    )  # fmt: skip
    corners = Pool(id="corners", name="Dark corners", paint=flat("#01050a"), blend="multiply",
                   rim=Rim(strength=0.7, reach=0.6))  # fmt: skip
    title = words("Title", "BRINE & BEARING", "Alfa Slab One", 138, 800, 340, box=shrink(1460, 160))
    cup = words("Cup", "CUP", "Alfa Slab One", 236, 800, 610, tracking=60, box=shrink(1460, 230))
    top = words("Club", "THE BRINNELMARSH WHEELERS", "Cinzel", 52, 800, 150,
                tracking=120, box=shrink(1460, 80))  # fmt: skip
    made = Board(
        name="Brine & Bearing Cup",
        width=1600,
        height=800,
        lamp=Lamp(bearing=325, elevation=46),
        pieces=(ground, floor, light, bubbles, corners, top, cup, title),
    )
    hand = Sparkle(
        id="sparkle",
        name="the same spot of each letter",
        size=Length(0.62, "em"),
        turn=10,
        find="nothing",
        flares=(Flare(letter="B", x=0.12, y=0.1), Flare(letter="N", x=0.9, y=0.08, grow=0.8)),
    )
    large = msgspec.structs.replace(
        hand,
        size=Length(0.75, "em"),
        flares=(
            Flare(letter="C", x=0.2, y=0.16),
            Flare(letter="P", x=0.86, y=0.2, grow=0.7, turn=-18),
        ),
    )
    made = styled(made, "title", "cup gold", hand)
    made = styled(made, "cup", "cup gold", large)
    return styled(made, "club", "cup gold")
