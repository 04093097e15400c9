"""One picture however it is cut: whole, in bands of rows, and in boxes that begin anywhere."""

from __future__ import annotations

import io
import zlib

import msgspec
import numpy as np
import pytest
from PIL import Image

from anole.core.box import Box
from anole.core.coats.registry import KINDS
from anole.core.edit.pictures import add_picture
from anole.core.model import (
    PIECES,
    Backdrop,
    Blur,
    Board,
    Cluster,
    Coat,
    Colour,
    ColourPaint,
    Emblem,
    Fill,
    Font,
    Gradient,
    GradientMap,
    Ground,
    ImagePaint,
    Length,
    Lettering,
    LetterPaint,
    Levels,
    Mark,
    OwnPaint,
    Paint,
    Pattern,
    Picture,
    Place,
    Pool,
    Pose,
    Position,
    Press,
    Rail,
    Rim,
    Ring,
    Ripple,
    Scatter,
    Shadow,
    Span,
    Spot,
    Stamps,
    Stop,
    Stroke,
    Thickness,
    ToneCoat,
    Wash,
    Wave,
)
from anole.core.model.paints import PATTERNS
from anole.core.model.pieces.stamps import MARKS
from anole.core.model.tones import TONES as EVERY_TONE
from anole.core.render.renderer import Renderer, Request

from .other_values import changed
from .styled import STYLES, styled
from .test_emblems import WHEEL

WIDE, HIGH = 360, 220
CUTS = [Box(0, y, WIDE, min(y + 70, HIGH)) for y in range(0, HIGH, 70)]
CUTS += [Box(37, 41, 251, 193), Box(113, 3, 322, 97), Box(200, 131, 360, 220)]
RAMP = Gradient(
    angle=70, stops=(Stop(0.0, Colour(250, 220, 60)), Stop(0.6, Colour(200, 30, 90)),
                     Stop(1.0, Colour(20, 40, 120))),
)  # fmt: skip
DARK = Gradient(angle=120, stops=(Stop(0.0, Colour(58, 90, 112)), Stop(1.0, Colour(24, 40, 56))))
AROUND = Stroke(
    id="s", span=Span(Position(0, "px"), Position(-5, "px")), paint=ColourPaint(colour=Colour(250, 250, 240))
)  # fmt: skip
FACE = Fill(id="f", paint=RAMP)


@pytest.fixture
def off_by_cuts(deep):
    """Levels by which a cut's px differ from the whole picture's at most; in a sample one cut."""

    def off(board: Board, scale: float = 1.0) -> float:
        one = zlib.crc32(repr(board).encode()) % len(CUTS)
        return _off(board, scale, CUTS if deep else CUTS[one:][:1])

    return off


def _off(board: Board, scale: float, cuts: list[Box]) -> float:
    whole, worst = Renderer().frame(Request(board, scale)).ground.copy(), 0.0
    for cut in cuts:
        box = Box(*(round(side * scale) for side in cut))
        part = Renderer().frame(Request(board, scale, box)).ground
        worst = max(worst, float(np.abs(part - whole[:, box.y0 : box.y1, box.x0 : box.x1]).max()))
    return worst * 255


def words(*style: Coat, **fields) -> Board:
    base = {"text": "Rag8", "size": Length(104), "font": Font(family="Cinzel", weight=900)}
    place = Place(x=WIDE / 2, y=HIGH / 2, rotation=6)
    piece = Lettering(id="w", place=place, style=style, **{**base, **fields})
    return Board(width=WIDE, height=HIGH, pieces=(Ground(id="g", paint=DARK), piece))


def some(variants: list, deep: bool) -> list:
    """All there are, or of a sample some."""
    return variants if deep else variants[3::26]


SAMPLES = [coat for kind in KINDS.values() for coat in kind.samples()]
WHOLE = [
    Thickness(id="c", taper=0.5, silhouette="whole"),
    Thickness(id="c", taper=0.9, way="toward", point_x=120, point_y=400),
    Ripple(id="c", drives="picture", by="turbulence"),
    Ripple(id="c", drives="picture", by="ground", amount=Length(0.2, "em")),
    Press(id="c"),
    ToneCoat(id="c"),
]


@pytest.mark.sample(24)
@pytest.mark.deep
@pytest.mark.parametrize("coat", SAMPLES + WHOLE, ids=lambda coat: type(coat).__name__)
def test_a_coat_is_one_picture(coat, off_by_cuts, deep):
    own = msgspec.structs.replace(coat, id="c")
    for other in (own, *some(list(changed(own)), deep)):
        if other.id == "c":
            assert off_by_cuts(words(AROUND, FACE, other)) <= 1, other
            if deep:
                assert off_by_cuts(words(Shadow(id="h"), AROUND, FACE, other), 2.0) <= 1, other


def carried(*pieces, ground: Paint = DARK) -> Board:
    return Board(width=WIDE, height=HIGH, pieces=(Ground(id="g", paint=ground), *pieces))


@pytest.fixture(scope="module")
def picture() -> str:
    """A picture of smooth and of sharp places, by its name among the assets."""
    y, x = np.mgrid[:90, :140]
    rings = 127 + 120 * np.sin(np.hypot(x - 50, y - 40) / 3)
    array = np.stack([rings, 255 * (x > 70), 255 * y / 90], -1).clip(0, 255).astype(np.uint8)
    room = io.BytesIO()
    Image.fromarray(array).save(room, "PNG")
    return add_picture(Board(width=8, height=8), room.getvalue(), "p.png")[1]


@pytest.fixture(scope="module")
def emblem() -> str:
    return add_picture(Board(width=8, height=8), WHEEL, "wheel.svg")[1]


PLAIN = [
    GradientMap(stops=RAMP.stops) if tone is GradientMap else tone()
    for tone in EVERY_TONE.members.values()
]
TONES = [t for plain in PLAIN for t in (plain, *changed(plain)) if t.on and t != Levels()]


def paints(picture: str) -> list[Paint]:
    colour = ColourPaint(colour=Colour(90, 140, 60))
    image = ImagePaint(asset=picture)
    return [
        RAMP,
        *changed(RAMP),
        *(Pattern(generator=name) for name in PATTERNS),
        *(msgspec.structs.replace(image, fit=fit) for fit in ("contain", "stretch", "tile")),
        *changed(image),
        *(Backdrop(of=of, blur=Length(4)) for of in ("ground", "beneath")),
        LetterPaint(),
        OwnPaint(),
        *(msgspec.structs.replace(colour, speckle=share) for share in (0.2, 0.9)),
        *(msgspec.structs.replace(image, tone=(tone,)) for tone in TONES),
    ]


@pytest.mark.deep
def test_a_paint_is_one_picture(picture, off_by_cuts, deep):
    for paint in some(paints(picture), deep):
        assert off_by_cuts(words(AROUND, Fill(id="f", paint=paint))) <= 1, paint
        assert off_by_cuts(carried(ground=paint)) <= 1, paint


@pytest.mark.deep
@pytest.mark.parametrize("tone", list(EVERY_TONE.members.values()), ids=lambda tone: tone.__name__)
def test_a_tone_is_one_picture(tone, picture, off_by_cuts, deep):
    for toned in some([t for t in TONES if type(t) is tone], deep):
        assert off_by_cuts(words(AROUND, FACE, ToneCoat(id="c", tone=(toned,)))) <= 1, toned
        framed = Picture(
            id="p", asset=picture, width=Length(300), height=Length(180), tone=(toned,),
            place=Place(x=WIDE / 2, y=HIGH / 2, rotation=9),
        )  # fmt: skip
        assert off_by_cuts(carried(framed, Wash(id="w", tone=(toned,)))) <= 1, toned


def pieces(picture: str, emblem: str) -> list:
    middle = Place(x=WIDE / 2, y=HIGH / 2, rotation=14)
    tall = {
        "size": Length(96),
        "font": Font(family="Anton"),
        "style": (Shadow(id="h"), AROUND, FACE),
    }
    spots = (Spot(x=90, y=60, radius=120, hardness=0.3), Spot(x=250, y=170, radius=33))
    stamps = Stamps(id="p", marks=(Mark(x=100, y=80, size=120, turn=20),), paint=RAMP)
    word = Lettering(id="p", text="Loop\nline", place=middle, **tall)
    inner = (word, msgspec.structs.replace(stamps, id="q"))
    return [
        Ground(id="p", paint=RAMP),
        Pool(id="p", paint=RAMP, spots=spots, rim=Rim()),
        *(
            msgspec.structs.replace(stamps, scatter=Scatter(count=40, area=area, of="w"), soft=soft)
            for area in ("board", "within", "around", "frame")
            for soft in (0.0, 0.6)
        ),
        msgspec.structs.replace(stamps, asset=picture),
        *(msgspec.structs.replace(stamps, mark=mark) for mark in MARKS),
        *(Emblem(id="p", asset=emblem, place=middle, own=own, style=(AROUND,)) for own in (True, False)),
        *(
            Picture(id="p", asset=picture, width=Length(300), height=Length(170), place=middle,
                    fit=fit, zoom=zoom, style=(Shadow(id="h"),))
            for fit in ("cover", "contain", "stretch") for zoom in (1.0, 1.7)
        ),
        word,
        *(
            msgspec.structs.replace(word, **fields)
            for fields in (
                {"head": Rail(camber=0.3, wave=Wave(height=0.2))}, {"ring": Ring()},
                {"pose": Pose(turn_y=40, distance=3)}, {"smoothing": False}, {"underline": True},
                {"opacity": 0.5}, {"blend": "multiply"},
            )
        ),
        Cluster(id="p", pieces=inner, place=Place(x=200, y=120, rotation=20, scale_x=1.3)),
        Cluster(id="p", pieces=inner, place=middle, opacity=0.5, style=(AROUND,)),
        Wash(id="p", tone=(Blur(),)),
    ]  # fmt: skip


@pytest.mark.deep
def test_a_piece_is_one_picture(picture, emblem, off_by_cuts, deep):
    made = pieces(picture, emblem)
    assert {type(piece) for piece in made} == set(PIECES.members.values())
    for piece in made if deep else made[::3]:
        under = words(AROUND, FACE)
        board = msgspec.structs.replace(under, pieces=(*under.pieces, piece))
        assert off_by_cuts(board) <= 1, piece


@pytest.mark.sample(26)
@pytest.mark.deep
@pytest.mark.parametrize("style", STYLES)
def test_a_style_is_one_picture(style, off_by_cuts, deep):
    for family in ("Anton", "Great Vibes", "Press Start 2P") if deep else ("Cinzel",):
        assert off_by_cuts(styled(style, family, "Rg8", 90, WIDE, HIGH)) <= 1, family
