"""On which plain grounds each style stands out when its letters are small, as it was measured: those that
stand out on all of them are not named. `python -m tools.style_grounds` measures and writes this table."""

from __future__ import annotations

from pathlib import Path

import msgspec
import numpy as np

from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Font,
    Ground,
    Length,
    Lettering,
    Style,
)
from anole.core.model import Place as At
from anole.core.proof.report import LOW, rim_contrast
from anole.core.render.export import rgba

TABLE = Path(__file__).with_name("style_grounds.json")
GROUNDS = {
    "dark": Colour(20, 26, 36),
    "middle": Colour(58, 80, 104),
    "light": Colour(232, 228, 218),
}
FONTS = ("Anton", "Great Vibes")
SIZE, TIMES = 60.0, 4
"""px of an em; the rim is looked at in so many places a px each way."""
ENOUGH, SURELY = 0.6, 0.66
"""Share of the rim that stands out; what is near that is not promised."""
WHITE = (Fill(id="f", paint=ColourPaint(colour=Colour(255, 255, 255))),)


def share(style: Style, ground: str, family: str) -> float:
    """How much of the letters' rim has at least the contrast of large type."""
    words = Lettering(
        id="w", text="Rag8", font=Font(family=family), size=Length(SIZE), place=At(x=100, y=55),
        style=style.coats,
    )  # fmt: skip
    under = Ground(id="g", paint=ColourPaint(colour=GROUNDS[ground]))
    board = Board(width=200, height=110, pieces=(under, words))
    plain = msgspec.structs.replace(words, style=WHITE)
    face = rgba(msgspec.structs.replace(board, pieces=(plain,)), transparent=True)[..., 3] / 255
    large = (plane.repeat(TIMES, 0).repeat(TIMES, 1) for plane in (rgba(board), face))
    found = rim_contrast(*large)
    return float((found >= LOW).mean()) if len(found) else 0.0


def stands_on(style: Style, least: float = SURELY) -> list[str]:
    """The grounds on which it stands out in each font."""
    return [g for g in GROUNDS if min(share(style, g, family) for family in FONTS) >= least]


def sentence(grounds: list[str]) -> str:
    """What a style's notes say of it."""
    if len(grounds) == len(GROUNDS):
        return ""
    if not grounds:
        return " For large letters: small ones stand out on no plain ground."
    return f" Small letters stand out on {' and '.join(grounds)} grounds."


def measured() -> dict[str, list[str]]:
    """The table as it was written."""
    return msgspec.json.decode(TABLE.read_bytes(), type=dict[str, list[str]])


if __name__ == "__main__":
    from anole.core.library.styles import built_in

    np.seterr(all="ignore")
    found = {one.style.name: stands_on(one.style) for one in built_in()}
    some = {name: grounds for name, grounds in found.items() if len(grounds) < len(GROUNDS)}
    TABLE.write_bytes(msgspec.json.format(msgspec.json.encode(some), indent=1) + b"\n")
