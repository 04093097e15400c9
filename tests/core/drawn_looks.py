"""Lettering drawn by another rasteriser, and what it was drawn with: what a reader has to find again."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from random import Random
from typing import NamedTuple

import cv2
import numpy as np
import skia

import anole
from anole.core.arrays import Pixels

WIDTH, HEIGHT = 1280, 720
FOLDER = Path(anole.__file__).parent / "data" / "fonts"
FONTS = ("DelaGothicOne_400Regular", "Cinzel_900Black", "Heebo_900Black", "Orbitron_900Black", "Cairo_900Black",
         "Pacifico_400Regular")  # fmt: skip
WORDS = ("LAP", "Rink 9", "BOUT", "Marsh", "WHEEL", "Goal")
GROUNDS = ("plain", "graded", "photographed", "clear")
Rgb = tuple[int, int, int]


class Rim(NamedTuple):
    """A band of one colour outward of the face's edge, px from the edge."""

    start: float
    end: float
    colour: Rgb


class Thrown(NamedTuple):
    """A shadow of the outermost rim; `blur` is its standard deviation, px."""

    dx: float
    dy: float
    blur: float
    colour: Rgb


class Drawn(NamedTuple):
    """A picture (H, W, 4) uint8, not premultiplied, and all that was drawn."""

    name: str
    pixels: Pixels
    rims: tuple[Rim, ...]
    face: tuple[Rgb, ...]
    angle: float
    shadow: Thrown | None
    line: tuple[float, float, float, float]
    clear: bool


def _bright(chance: Random) -> Rgb:
    return tuple(chance.randrange(256) for _ in range(3))  # type: ignore[return-value]


def _apart(chance: Random, others: list[Rgb], least: float) -> Rgb:
    """A colour that is seen beside the others."""
    while True:
        colour = _bright(chance)
        if all(
            sum((a - b) ** 2 for a, b in zip(colour, other, strict=True)) ** 0.5 > least
            for other in others
        ):
            return colour


def _path(font: str, words: str) -> skia.Path:
    """Words in the middle of the picture, as one outline."""
    face = skia.Typeface.MakeFromFile(str(FOLDER / f"{font}.ttf"))
    size = 300.0
    while True:
        text = skia.Font(face, size)
        glyphs = text.textToGlyphs(words)
        path = skia.Path()
        x = 0.0
        for glyph, wide in zip(glyphs, text.getWidths(glyphs), strict=True):
            outline = text.getPath(glyph)
            if outline is not None:
                path.addPath(outline, x, 0)
            x += wide
        box = path.computeTightBounds()
        if box.width() < 0.8 * WIDTH and box.height() < 0.7 * HEIGHT:
            break
        size *= 0.93
    path.offset(WIDTH / 2 - box.centerX() + 0.3, HEIGHT / 2 - box.centerY() - 0.2)
    return skia.Simplify(path)


def _ground(canvas: skia.Canvas, kind: str, chance: Random) -> list[Rgb]:
    """Draw a ground; the colours that it has."""
    if kind == "clear":
        canvas.clear(0)
        return []
    if kind == "plain":
        colour = _bright(chance)
        canvas.clear(skia.Color(*colour))
        return [colour]
    if kind == "graded":
        first = _bright(chance)
        second = tuple(min(255, max(0, c + chance.randrange(-70, 70))) for c in first)
        points = [skia.Point(0, 0), skia.Point(WIDTH, HEIGHT)]
        shader = skia.GradientShader.MakeLinear(points, [skia.Color(*first), skia.Color(*second)])
        canvas.drawPaint(skia.Paint(Shader=shader))
        middle = tuple((a + b) // 2 for a, b in zip(first, second, strict=True))
        return [first, second, middle]  # type: ignore[list-item]
    noise = np.random.default_rng(chance.randrange(2**31))
    base, photo = np.array(_bright(chance), float), np.zeros((HEIGHT, WIDTH, 3))
    for size, strength in ((8, 34), (24, 22), (90, 12), (360, 6)):
        grain = noise.normal(0, strength, (size * 9 // 16 + 1, size, 3)) * [1, 0.8, 0.7]
        photo += cv2.resize(grain, (WIDTH, HEIGHT), interpolation=cv2.INTER_CUBIC)
    rgba = np.full((HEIGHT, WIDTH, 4), 255, np.uint8)
    rgba[..., :3] = np.clip(base * 0.6 + 50 + photo, 0, 255).astype(np.uint8)
    canvas.drawImage(skia.Image.fromarray(rgba, colorType=skia.kRGBA_8888_ColorType), 0, 0)
    return [tuple(int(v) for v in np.clip(base * 0.6 + 50, 0, 255))]  # type: ignore[list-item]


def _line(path: skia.Path, rims: tuple[Rim, ...]) -> tuple[float, float, float, float]:
    """From the ground over all rims into the middle of a stem: where one is widest, to the left."""
    surface = skia.Surface(WIDTH, HEIGHT)
    surface.getCanvas().drawPath(path, skia.Paint(AntiAlias=True, Color=0xFFFFFFFF))
    inside = surface.toarray()[..., 3] > 127
    depth = cv2.distanceTransform(np.pad(inside, 1).astype(np.uint8), cv2.DIST_L2, 5)[1:-1, 1:-1]
    y, x = np.unravel_index(int(depth.argmax()), depth.shape)
    outer = rims[-1].end if rims else 0.0
    way, length = (0.0, 0.0), 1e9
    out = cv2.distanceTransform((~inside).astype(np.uint8), cv2.DIST_L2, 5)
    for angle in np.arange(0, 2 * np.pi, np.pi / 24):
        step = np.array([np.cos(angle), np.sin(angle)])
        for t in np.arange(1, 400):
            px, py = int(x + t * step[0]), int(y + t * step[1])
            if not (0 <= px < WIDTH and 0 <= py < HEIGHT):
                break
            if out[py, px] > outer + 14:
                if t < length:
                    way, length = (float(step[0]), float(step[1])), float(t)
                break
    return (x + 0.5 + way[0] * length, y + 0.5 + way[1] * length, x + 0.5, y + 0.5)


def _jpeg(pixels: Pixels) -> Pixels:
    image = skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType)
    data = image.encodeToData(skia.kJPEG, 80)
    return np.ascontiguousarray(
        skia.Image.MakeFromEncoded(data).toarray(colorType=skia.kRGBA_8888_ColorType)
    )


def draw(number: int) -> Drawn:
    """The look of a number: fonts, grounds, rims, faces and shadows in turn and by chance."""
    chance = Random(number)
    font, kind = FONTS[number % 6], GROUNDS[(number // 6 + number) % 4]
    surface = skia.Surface(WIDTH, HEIGHT)
    canvas = surface.getCanvas()
    taken = _ground(canvas, kind, chance)
    count = chance.choice((0, 1, 1, 2, 2, 3))
    path = _path(font, WORDS[number % len(WORDS)])
    rims: list[Rim] = []
    face_colours: list[Rgb] = []
    colours = list(taken)
    face_colours.append(_apart(chance, colours, 70))
    graded = chance.random() < 0.45
    if graded:
        face_colours.append(_apart(chance, [*colours, *face_colours], 70))
    inner = list(face_colours)
    at = 0.0
    for n in range(count):
        wide = chance.choice((3.0, 5.0, 8.5, 13.0, 20.0))
        near = inner if n == 0 else [rims[-1].colour]
        rims.append(Rim(at, at + wide, _apart(chance, [*near, *colours], 70)))
        at += wide
    shadow = None
    how = chance.choice(("none", "hard", "soft"))
    if how != "none":
        dx, dy = chance.uniform(-22, 22), chance.uniform(8, 26)
        last = [rims[-1].colour] if rims else inner
        blur = chance.uniform(4, 12) if how == "soft" else 0.0
        shadow = Thrown(dx, dy, blur, _apart(chance, [*colours, *last], 80))
    for offset, colour, width, blur in _layers(rims, shadow):
        paint = skia.Paint(AntiAlias=True, Color=skia.Color(*colour))
        if width > 0:
            paint.setStyle(skia.Paint.kStrokeAndFill_Style)
            paint.setStrokeWidth(2 * width)
            paint.setStrokeJoin(skia.Paint.kRound_Join)
        if blur:
            paint.setMaskFilter(skia.MaskFilter.MakeBlur(skia.kNormal_BlurStyle, blur))
        canvas.save()
        canvas.translate(*offset)
        canvas.drawPath(path, paint)
        canvas.restore()
    paint = skia.Paint(AntiAlias=True, Color=skia.Color(*face_colours[0]))
    angle = 90.0
    if graded:
        box = path.computeTightBounds()
        angle = chance.choice((90.0, 0.0, 60.0))
        paint.setShader(_shader(box, angle, face_colours))
    canvas.drawPath(path, paint)
    pixels = surface.toarray(colorType=skia.kRGBA_8888_ColorType)
    jpeg = kind != "clear" and number % 3 == 2
    name = f"{number}: {font[:5]} {kind}{' jpeg' if jpeg else ''}, {count} rims, {how}{', graded' if graded else ''}"
    return Drawn(
        name,
        _jpeg(pixels) if jpeg else pixels,
        tuple(rims),
        tuple(face_colours),
        angle,
        shadow,
        _line(path, tuple(rims)),
        kind == "clear",
    )


def _shader(box: skia.Rect, angle: float, colours: list[Rgb]) -> skia.Shader:
    """A gradient that ends where the letters end, along its direction."""
    turn = np.radians(angle)
    way = np.array([np.cos(turn), np.sin(turn)])
    reach = (abs(way[0]) * box.width() + abs(way[1]) * box.height()) / 2
    middle = np.array([box.centerX(), box.centerY()])
    ends = [
        skia.Point(*map(float, middle - reach * way)),
        skia.Point(*map(float, middle + reach * way)),
    ]
    return skia.GradientShader.MakeLinear(ends, [skia.Color(*colour) for colour in colours])


def _layers(
    rims: list[Rim], shadow: Thrown | None
) -> Iterator[tuple[tuple[float, float], Rgb, float, float]]:
    """What lies below the face, the lowest first: offset, colour, width beyond the edge, blur."""
    if shadow is not None:
        wide = rims[-1].end if rims else 0.0
        yield (shadow.dx, shadow.dy), shadow.colour, wide, shadow.blur
    for rim in reversed(rims):
        yield (0.0, 0.0), rim.colour, rim.end, 0.0
