"""What is measured: the board's planes, and a title drawn by us and by Skia."""

from __future__ import annotations

import msgspec
import numpy as np
import skia

from anole.core.lettering.matrix import apply
from anole.core.lettering.outline import outline
from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Font,
    Glow,
    Gradient,
    Ground,
    Lamp,
    Length,
    Lettering,
    Moulding,
    Place,
    Position,
    Relief,
    Shadow,
    Sheen,
    Span,
    Stop,
    Stroke,
)

WIDTH, HEIGHT = 1280, 720
rng = np.random.default_rng(3)


def planes() -> np.ndarray:
    made = rng.random((4, HEIGHT, WIDTH), np.float32)
    made[3] = 1
    return made


def _span(start: float, end: float) -> Span:
    return Span(Position(start, "em"), Position(end, "em"))


def _paint(text: str) -> ColourPaint:
    return ColourPaint(colour=Colour.parse(text))


FACE = Gradient(
    space="srgb",
    stops=(
        Stop(0, Colour.parse("#ffcf4a")),
        Stop(0.5, Colour.parse("#ff7a5c")),
        Stop(1, Colour.parse("#b0205a")),
    ),
)
SHADE = Gradient(
    space="srgb", stops=(Stop(0, Colour.parse("#ffffff")), Stop(1, Colour.parse("#404040")))
)
COATS: tuple[Coat, ...] = (
    Shadow(id="shadow", lift=Length(0.08, "em"), lamp=Lamp(bearing=325, elevation=45, size=1.2)),
    Glow(id="glow", span=_span(-0.1, -0.4), opacity=0.7, paint=_paint("#ff8844")),
    Stroke(id="outer", span=_span(-0.06, -0.1), paint=_paint("#fff3d8")),
    Stroke(id="inner", span=_span(0, -0.06), paint=_paint("#1a0b20")),
    Fill(id="face", paint=FACE),
    Fill(id="shade", blend="soft-light", opacity=0.8, paint=SHADE),
)


def title() -> Board:
    """Six coats on a two-line title at 1280 x 720."""
    words = Lettering(
        id="words",
        text="BOUT\nNIGHT",
        size=Length(280),
        font=Font(family="Lilita One"),
        leading=Length(0.95, "em"),
        place=Place(x=640, y=360),
        style=COATS,
    )
    return Board(pieces=(Ground(id="ground", paint=_paint("#10506a")), words))


GOLD = (
    Stop(0, Colour.parse("#2b1304")),
    Stop(0.2, Colour.parse("#8a4f12")),
    Stop(0.4, Colour.parse("#eec461")),
    Stop(0.5, Colour.parse("#c48a2c")),
    Stop(0.65, Colour.parse("#935a14")),
    Stop(0.85, Colour.parse("#fff0b0")),
    Stop(1, Colour.parse("#fffdf2")),
)
RICH: tuple[Coat, ...] = (
    *COATS[:4],
    Relief(
        id="tube",
        span=_span(-0.06, 0),
        height=Length(0.03, "em"),
        moulding=Moulding(profile="bead"),
        ramp=GOLD,
        clip_side="outside",
    ),
    *COATS[4:],
    Relief(
        id="relief",
        span=Span(Position(0, "em"), Position.parse("core")),
        height=Length(0.1, "em"),
        ramp=GOLD,
        opacity=0.9,
    ),
    Glow(id="edge", span=_span(0, 0.06), blend="multiply", paint=_paint("#a2560c")),
    Sheen(id="sheen", blend="soft-light"),
)


def rich() -> Board:
    """Ten coats with two reliefs on the same title."""
    board = title()
    words = msgspec.structs.replace(board.lettering("words"), style=RICH)
    return msgspec.structs.replace(board, pieces=(board.pieces[0], words))


def with_coat(board: Board, coat_id: str, **fields: object) -> Board:
    words = board.lettering("words")
    style = tuple(
        msgspec.structs.replace(c, **fields) if c.id == coat_id else c for c in words.style
    )
    return msgspec.structs.replace(
        board, pieces=(board.pieces[0], msgspec.structs.replace(words, style=style))
    )


class SkiaTitle:
    """The same title with Skia's CPU raster: paths, mask blur, gradient shader, 8 bit."""

    def __init__(self, board: Board) -> None:
        words = board.lettering("words")
        line = outline(words, board.dpi)
        self.path = skia.Path()
        end = None
        for start, a, b, last in apply(line.matrix, line.block.curves).tolist():
            if start != end:
                self.path.moveTo(*start)
            self.path.cubicTo(*a, *b, *last)
            end = last
        self.em = line.em
        self.surface = skia.Surface(WIDTH, HEIGHT)
        bounds = self.path.getBounds()
        ends = [skia.Point(0, bounds.top()), skia.Point(0, bounds.bottom())]
        self.face = skia.GradientShader.MakeLinear(ends, [0xFFFFCF4A, 0xFFFF7A5C, 0xFFB0205A])
        self.shade = skia.GradientShader.MakeLinear(ends, [0xFFFFFFFF, 0xFF404040])

    def _stroke(self, canvas: skia.Canvas, width: float, colour: int, **more: object) -> None:
        canvas.drawPath(
            self.path,
            skia.Paint(
                AntiAlias=True,
                Style=skia.Paint.kStrokeAndFill_Style,
                StrokeWidth=2 * width,
                StrokeJoin=skia.Paint.kRound_Join,
                Color=colour,
                **more,
            ),
        )

    def draw(self) -> None:
        canvas = self.surface.getCanvas()
        canvas.clear(0xFF10506A)
        soft = skia.MaskFilter.MakeBlur(skia.kNormal_BlurStyle, 0.08 * self.em * 1.2 / 4)
        wide = skia.MaskFilter.MakeBlur(skia.kNormal_BlurStyle, 0.3 * self.em / 3)
        canvas.save()
        canvas.translate(0.08 * self.em * 0.57, 0.08 * self.em * 0.82)
        self._stroke(canvas, 0.1 * self.em, 0xB2080C16, MaskFilter=soft)
        canvas.restore()
        self._stroke(canvas, 0.25 * self.em, 0xB2FF8844, MaskFilter=wide)
        self._stroke(canvas, 0.1 * self.em, 0xFFFFF3D8)
        self._stroke(canvas, 0.06 * self.em, 0xFF1A0B20)
        canvas.drawPath(self.path, skia.Paint(AntiAlias=True, Shader=self.face))
        canvas.drawPath(
            self.path,
            skia.Paint(
                AntiAlias=True, Shader=self.shade, BlendMode=skia.BlendMode.kSoftLight, Alphaf=0.8
            ),
        )
        self.surface.flushAndSubmit()
