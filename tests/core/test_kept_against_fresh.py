"""Pictures from what a renderer has kept are those of one that has kept nothing, bit for bit."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.model import (
    Backdrop,
    Blur,
    Board,
    Colour,
    ColourPaint,
    Fill,
    Font,
    Gleam,
    Gloss,
    Glow,
    Gradient,
    Grain,
    Ground,
    Ink,
    Lamp,
    Length,
    Lettering,
    Letters,
    OwnPaint,
    Pattern,
    Place,
    Pose,
    Position,
    Rail,
    Relief,
    Repeat,
    Shadow,
    Sheen,
    Span,
    Stop,
    Stroke,
)
from anole.core.render.renderer import Renderer, Request

from .other_values import changed

RAMP = (
    Stop(0.0, Colour(20, 10, 60)),
    Stop(0.5, Colour(200, 120, 40, 200)),
    Stop(1.0, Colour(255, 250, 220)),
)
MM, PT, IN = Length(1.1, "mm"), Length(1.5, "pt"), Length(0.02, "in")
INWARD = Span(Position(0, "px"), Position(0.6, "mm"))
OUTWARD = Span(Position(0, "px"), Position(-2, "pt"))
PAINTS = {
    "gradient": Gradient(stops=RAMP, shape="radial", x=0.1),
    "along the edge": Gradient(stops=RAMP, shape="edge"),
    "by letter": Gradient(stops=RAMP, frame="letter", angle=40),
    "pattern": Pattern(generator="leather", size=MM, speckle=0.4, inks=(Ink("letter"), Ink("own"))),
    "backdrop": Backdrop(of="beneath", blur=MM, tone=(Blur(radius=PT),)),
    "own": OwnPaint(),
}
COATS = {
    "shadow": Shadow(id="c", lift=MM, grow=PT, lamp=Lamp(bearing=40)),
    "shadow inside": Shadow(id="c", lift=PT, falls="inside", silhouette="letters"),
    "stroke": Stroke(id="c", span=OUTWARD, join="mitre"),
    "stroke on the whole": Stroke(id="c", span=INWARD, join="cut", silhouette="whole", limit=2.0),
    "glow": Glow(id="c", span=OUTWARD),
    "glow inward": Glow(id="c", span=INWARD, silhouette="whole", clip_side="inside"),
    "relief": Relief(id="c", span=INWARD, height=MM, gleam=Gleam(), ramp=RAMP, lamp=Lamp(size=0.2)),
    "rounded relief": Relief(
        id="c", span=Span(Position(-1, "pt"), Position(1, "core")), rounding=0.5, height=PT
    ),
    "grain": Grain(id="c", amount=IN, pattern=Pattern(generator="weave", size=MM)),
    "sheen": Sheen(id="c", pitch=MM, bow=0.2),
    "gloss": Gloss(id="c", inset=PT, soften=MM, frame="letter"),
    "oval gloss": Gloss(id="c", form="oval", wave=0.1),
    "fill laid again": Fill(id="c", paint=PAINTS["gradient"], repeat=Repeat(count=3)),
    **{f"fill with {name}": Fill(id="c", paint=paint) for name, paint in PAINTS.items()},
}


def board(coat) -> Board:
    words = Lettering(
        id="w",
        text="aß",
        font=Font(family="Cinzel", weight=900),
        size=Length(42),
        place=Place(x=42, y=26, rotation=5),
        letters=Letters(colours=(Colour(200, 30, 60), Colour(20, 90, 200))),
        style=(
            Stroke(id="s", span=Span(Position(0, "px"), Position(-1.5, "px"))),
            Fill(id="f", paint=ColourPaint(colour=Colour(120, 110, 100))),
            coat,
        ),
    )
    return Board(
        width=84, height=52, dpi=120, pieces=(Ground(id="g", paint=PAINTS["gradient"]), words)
    )


def picture(renderer: Renderer, made: Board) -> np.ndarray:
    return renderer.frame(Request(made)).ground.copy()


def compare(made: Board, variants) -> int:
    """Each variant after the board itself, and the board again after it; returns how many differ."""
    renderer, seen = Renderer(), 0
    first = picture(renderer, made)
    for other in variants:
        found = picture(renderer, other)
        np.testing.assert_array_equal(found, picture(Renderer(), other), err_msg=repr(other))
        seen += found.shape != first.shape or bool((found != first).any())
        np.testing.assert_array_equal(picture(renderer, made), first)
    return seen


def with_coat(made: Board, coat) -> Board:
    words = made.pieces[1]
    style = (*words.style[:-1], coat)
    return msgspec.structs.replace(
        made, pieces=(made.pieces[0], msgspec.structs.replace(words, style=style))
    )


@pytest.mark.sample(6)
@pytest.mark.parametrize("name", COATS)
def test_every_field_of_every_coat(name):
    made, coat = board(COATS[name]), COATS[name]
    variants = [other for other in changed(coat) if other.id == coat.id]
    assert len(variants) > 8
    assert compare(made, (with_coat(made, other) for other in variants)) > 5


@pytest.mark.parametrize(
    "name", ["stroke", "relief", "grain", "sheen", "gloss", "glow", "shadow", "fill with pattern"]
)
def test_every_field_of_the_board(name):
    made = board(COATS[name])
    fields = ("width", "height", "dpi", "lamp")
    variants = [
        other
        for other in changed(made)
        if any(getattr(other, field) != getattr(made, field) for field in fields)
    ]
    assert len(variants) >= 8
    # lengths in mm, pt and in follow the resolution
    dots = msgspec.structs.replace(made, dpi=200)
    assert compare(made, [*variants, dots]) >= 4


def test_every_field_of_the_words():
    made = board(COATS["relief"])
    bent = msgspec.structs.replace(
        made.pieces[1], head=Rail(camber=0.2), pose=Pose(turn_x=20), smoothing=True
    )
    made = msgspec.structs.replace(made, pieces=(made.pieces[0], bent))
    variants = [
        msgspec.structs.replace(made, pieces=(made.pieces[0], other))
        for other in changed(bent)
        if other.id == bent.id
    ]
    assert len(variants) > 40
    assert compare(made, variants) > 25
