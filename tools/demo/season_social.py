"""Season Social: a winter card at 300 dpi; pewter letters, snow in two sizes, flares."""

from __future__ import annotations

import msgspec

from anole.core.model import (
    Board,
    Cdl,
    Flare,
    Gradient,
    Ground,
    Lamp,
    Length,
    Pool,
    Rim,
    Scatter,
    Sparkle,
    Spot,
    Stamps,
    Wash,
)

from .common import fill, flat, shrink, stops, styled, words


def _snow(name: str, mark: str, sizes: tuple[float, float], strengths: tuple[float, float],
          count: int, seed: int, soft: float = 0.0) -> Stamps:  # fmt: skip
    return Stamps(
        id=name.lower().replace(" ", "-"), name=name, mark=mark, paint=flat("#f2fbff"), soft=soft,
        scatter=Scatter(count=count, size_from=sizes[0], size_to=sizes[1],
                        strength_from=strengths[0], strength_to=strengths[1], seed=seed),
    )  # fmt: skip


def board() -> Board:
    night = Gradient(
        angle=180, frame="board",
        stops=stops((0, "#0d2238"), (0.55, "#1d4a63"), (0.82, "#3f7f92"), (1, "#5fa0a8")),
    )  # fmt: skip
    ground = Ground(id="ground", name="Winter evening", paint=night)
    moon = Pool(
        id="moon", name="Moonlight", paint=flat("#dff3ff"), blend="screen",
        spots=(Spot(x=1370, y=210, radius=150, hardness=0.62, strength=0.5),
               Spot(x=1370, y=210, radius=820, strength=0.4),
               Spot(x=560, y=660, radius=800, strength=0.26)),
    )  # fmt: skip
    drift = Pool(
        id="drift", name="Snow on the ground", paint=flat("#eef8fb"),
        spots=(Spot(x=260, y=1560, radius=760, hardness=0.9, strength=0.96),
               Spot(x=1040, y=1660, radius=820, hardness=0.9, strength=0.96),
               Spot(x=1640, y=1480, radius=560, hardness=0.9, strength=0.96)),
    )  # fmt: skip
    small = _snow("Small snow", "dot", (4, 14), (0.25, 0.75), 420, 5, soft=0.6)
    large = _snow("Large snow", "fern crystal", (34, 96), (0.5, 0.95), 34, 41)
    top = words("Season", "Season", "Pacifico", 360, 860, 420, box=shrink(1500, 520))
    social = words("Social", "SOCIAL", "Abril Fatface", 330, 900, 800, tracking=30,
                   box=shrink(1500, 360))  # fmt: skip
    line = words(
        "Line", "Brinnelmarsh Wheelers · mulled cider, borrowed skates", "Fredoka", 56, 900, 1118,
        tracking=14, box=shrink(1560, 90), style=(fill("#16344a", "line-fill"),),
    )  # fmt: skip
    corners = Pool(id="corners", name="Dark corners", paint=flat("#071524"), blend="multiply",
                   rim=Rim(strength=0.5, reach=0.4))  # fmt: skip
    last = Wash(
        id="last", name="Last correction", tone=(Cdl(slope=(1.03, 1.03, 1.03), saturation=1.06),)
    )
    made = Board(
        name="Season Social", width=1800, height=1200, dpi=300,
        lamp=Lamp(bearing=40, elevation=44),
        pieces=(ground, moon, corners, drift, small, large, line, social, top, last),
    )  # fmt: skip
    flares = Sparkle(
        id="flares", name="strong, on equal letters", size=Length(0.8, "em"), turn=8,
        find="nothing", halo=0.6,
        flares=(Flare(letter="s", x=0.78, y=0.16), Flare(letter="S", x=0.72, y=0.1, grow=1.1),
                Flare(letter="O", x=0.24, y=0.14, grow=0.9)),
    )  # fmt: skip
    made = styled(made, "season", "wheel steel", flares)
    made = styled(made, "social", "wheel steel", flares)
    return _gilded(made, ("season", "social"))


def _gilded(board: Board, names: tuple[str, ...]) -> Board:
    """Pewter tinted gold: the style's own tint in another colour, the ground left as it is."""
    pieces = []
    for piece in board.pieces:
        if piece.id in names:
            worn = board.coated(piece.id)
            coats = tuple(
                msgspec.structs.replace(coat, paint=flat("#d9a640"), opacity=0.55)
                if coat.name == "tint that keeps the bands"
                else coat
                for coat in worn.style
            )
            piece = msgspec.structs.replace(worn, style=coats)
        pieces.append(piece)
    return msgspec.structs.replace(board, pieces=tuple(pieces))
