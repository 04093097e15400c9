"""What a font paints for a coloured glyph: HarfBuzz reads it, Skia draws it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import skia
import uharfbuzz as hb

from . import shaders
from .chord_pen import ChordPen

BLACK = hb.Color(0, 0, 0, 255)
BLENDS = {
    hb.PaintCompositeMode[name]: getattr(skia.BlendMode, other)
    for name, other in {
        "CLEAR": "kClear", "SRC": "kSrc", "DEST": "kDst", "SRC_OVER": "kSrcOver",
        "DEST_OVER": "kDstOver", "SRC_IN": "kSrcIn", "DEST_IN": "kDstIn", "SRC_OUT": "kSrcOut",
        "DEST_OUT": "kDstOut", "SRC_ATOP": "kSrcATop", "DEST_ATOP": "kDstATop", "XOR": "kXor",
        "PLUS": "kPlus", "SCREEN": "kScreen", "OVERLAY": "kOverlay", "DARKEN": "kDarken",
        "LIGHTEN": "kLighten", "COLOR_DODGE": "kColorDodge", "COLOR_BURN": "kColorBurn",
        "HARD_LIGHT": "kHardLight", "SOFT_LIGHT": "kSoftLight", "DIFFERENCE": "kDifference",
        "EXCLUSION": "kExclusion", "MULTIPLY": "kMultiply", "HSL_HUE": "kHue",
        "HSL_SATURATION": "kSaturation", "HSL_COLOR": "kColor", "HSL_LUMINOSITY": "kLuminosity",
    }.items()
}  # fmt: skip
MOST_STEPS = 100_000
"""Of what one glyph may ask for."""


class _Clip:
    """Where it may be painted: a path in font units, y up. Held back, for a shape that is filled once
    is smoother than a fill that is clipped."""

    def __init__(self, path: skia.Path) -> None:
        self.path = path
        self.applied = False


class _Layer:
    """A surface to paint on, and the clips that hold on it."""

    def __init__(self) -> None:
        self.recorder = skia.PictureRecorder()
        self.canvas = self.recorder.beginRecording(skia.Rect.MakeLTRB(-1e6, -1e6, 1e6, 1e6))
        self.clips: list[_Clip] = []

    def settle(self) -> None:
        """Clip what follows by the innermost clip, as what follows is more than one fill."""
        if self.clips and not self.clips[-1].applied:
            self.clips[-1].applied = True
            self.canvas.save()
            self.canvas.clipPath(self.clips[-1].path, skia.ClipOp.kIntersect, True)

    def fill(self, paint: skia.Paint) -> None:
        """Paint all that the clips leave."""
        if self.clips and not self.clips[-1].applied:
            self.canvas.drawPath(self.clips[-1].path, paint)
        else:
            self.canvas.drawPaint(paint)


class GlyphPainter:
    """Takes what HarfBuzz tells of one glyph in font units, y up, to a Skia picture."""

    def __init__(self, font: hb.Font, within: float) -> None:
        self._font, self._within = font, within
        self._matrices = [skia.Matrix()]
        self._layers = [_Layer()]
        self._steps = 0
        self.failure: BaseException | None = None

    def finished(self) -> skia.Picture:
        """All that was painted. Raises what went wrong meanwhile."""
        if self.failure is not None:
            raise self.failure
        return self._layers[0].recorder.finishRecordingAsPicture()

    @property
    def _layer(self) -> _Layer:
        return self._layers[-1]

    def push_transform(
        self, xx: float, yx: float, xy: float, yy: float, dx: float, dy: float
    ) -> None:
        told = skia.Matrix.MakeAll(xx, xy, dx, yx, yy, dy, 0, 0, 1)
        self._matrices.append(skia.Matrix.Concat(self._matrices[-1], told))

    def pop_transform(self) -> None:
        self._matrices.pop()

    def push_clip_glyph(self, glyph: int) -> None:
        pen = ChordPen(self._within)
        self._font.draw_glyph_with_pen(glyph, pen)
        self._push_clip(pen.path)

    def push_clip_rectangle(self, x0: float, y0: float, x1: float, y1: float) -> None:
        self._push_clip(skia.Path().addRect(skia.Rect.MakeLTRB(x0, y0, x1, y1)))

    def _push_clip(self, path: skia.Path) -> None:
        path.transform(self._matrices[-1])
        self._layer.settle()
        self._layer.clips.append(_Clip(path))

    def pop_clip(self) -> None:
        if self._layer.clips.pop().applied:
            self._layer.canvas.restore()

    def push_group(self) -> None:
        self._layer.settle()
        self._layers.append(_Layer())

    def pop_group(self, mode: hb.PaintCompositeMode) -> None:
        painted = self._layers.pop().recorder.finishRecordingAsPicture()
        canvas = self._layer.canvas
        canvas.saveLayer(None, skia.Paint(BlendMode=BLENDS[mode]))
        canvas.drawPicture(painted)
        canvas.restore()

    def color(self, colour: hb.Color, foreground: bool) -> None:
        self._layer.fill(skia.Paint(AntiAlias=True, Color=shaders.argb(colour)))

    def linear_gradient(self, told: hb.ColorLine, *points: float) -> None:
        self._shade(shaders.linear, told, points)

    def radial_gradient(self, told: hb.ColorLine, *circles: float) -> None:
        self._shade(shaders.radial, told, circles)

    def sweep_gradient(self, told: hb.ColorLine, *turns: float) -> None:
        self._shade(shaders.sweep, told, turns)

    def _shade(
        self, made: Callable[..., skia.Shader | None], told: hb.ColorLine, places: tuple[float, ...]
    ) -> None:
        line = shaders.colour_line(told)
        shader = None if line is None else made(line, *places)
        if shader is not None:
            placed = shader.makeWithLocalMatrix(self._matrices[-1])
            self._layer.fill(skia.Paint(AntiAlias=True, Shader=placed))

    def guarded(self, name: str, *told: Any) -> Any:
        """Do what HarfBuzz asks for; an error is kept, for none gets through it."""
        self._steps += 1
        if self.failure is not None or self._steps > MOST_STEPS:
            return False
        try:
            return getattr(self, name)(*told)
        except BaseException as error:
            self.failure = error
            return False


ASKED = ("push_transform", "pop_transform", "push_clip_glyph", "push_clip_rectangle", "pop_clip",
         "push_group", "pop_group", "color", "linear_gradient", "radial_gradient",
         "sweep_gradient")  # fmt: skip


def _functions() -> hb.PaintFuncs:
    made = hb.PaintFuncs()
    for name in ASKED:
        told = lambda *given, name=name: given[-1].guarded(name, *given[:-1])  # noqa: E731
        getattr(made, f"set_{name}_func")(told)
    return made


FUNCTIONS = _functions()


def painted(font: hb.Font, glyph: int, within: float) -> skia.Picture:
    """All that a font paints for a glyph, in font units, y up; its own outline in black where it has
    no colours.

    within : font units by which a curve may be missed
    """
    painter = GlyphPainter(font, within)
    # pictures are looked up in the font by whoever asks: told to Python, they crash HarfBuzz's binding
    font.paint_glyph(glyph, FUNCTIONS, painter, 0, BLACK)
    return painter.finished()
