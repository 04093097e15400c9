"""The core's budgets."""

from __future__ import annotations

import cv2
import numpy as np
from scipy.ndimage import distance_transform_edt, gaussian_filter

from anole.core import bands
from anole.core.box import Box
from anole.core.cache import Cache
from anole.core.compose import blend
from anole.core.compose.dirty_spans import whole
from anole.core.field.blur import gaussian
from anole.core.field.closest import nearest
from anole.core.field.coverage import rasterise
from anole.core.lettering.flatten import flatten
from anole.core.lettering.matrix import apply
from anole.core.lettering.outline import outline
from anole.core.render.renderer import Renderer, Request

from .scenes import HEIGHT, WIDTH, SkiaTitle, planes, title, with_coat
from .timing import Result, race

SEPARABLE = blend.MODES[: blend.FIRST_HUE] + ("plus-lighter",)
FACTORS = np.array((0, 1, 1, -0.5), np.float32)


def compositing() -> list[Result]:
    start, source, copy = planes(), planes(), planes()
    acc = start.copy()
    cover = np.random.default_rng(5).random((HEIGHT, WIDTH), np.float32)
    dirty_spans = whole(Box(0, 0, WIDTH, HEIGHT))

    def lay(mode: str) -> None:
        number = blend.NUMBER[mode]
        bands.run(
            lambda a, b: blend.composite(
                acc,
                (0, a, WIDTH, b),
                dirty_spans.rows(Box(0, a, WIDTH, b)),
                source,
                (0, a),
                cover,
                (0, a),
                np.float32(0.8),
                number,
                FACTORS,
            ),
            bands.split(HEIGHT),
        )

    return [
        race(
            f"blend {mode}",
            lambda m=mode: lay(m),
            lambda: np.copyto(copy, start),
            "copy",
            None if number in range(blend.FIRST_HUE, blend.PLUS) else 1.6 if number == 0 else 4.0,
            before=lambda: np.copyto(acc, start),
        )
        for number, mode in enumerate(blend.MODES)
    ]


def fields() -> list[Result]:
    line = outline(title().lettering("words"), 96)
    chords = flatten(apply(line.matrix, line.block.curves))
    box = Box(0, 0, WIDTH, HEIGHT)
    cover, inside = rasterise(chords, box)
    smooth = gaussian_filter(cover.astype(float), 40, truncate=6, mode="constant")
    error = float(np.abs(gaussian(cover, 40) - smooth).max())
    print(f"blur, sigma 40: greatest error {error:.2%} of full scale")
    return [
        race(
            "distance field",
            lambda: nearest(chords, inside, box),
            lambda: (distance_transform_edt(inside), distance_transform_edt(~inside)),
            "SciPy, both sides",
            1.0,
            rounds=9,
        ),
        race(
            "blur, sigma 40",
            lambda: gaussian(cover, 40.0),
            lambda: cv2.GaussianBlur(cover, (0, 0), 40),
            "OpenCV",
            0.1,
            rounds=9,
        ),
    ]


def frames() -> list[Result]:
    board = title()
    skia_title = SkiaTitle(board)
    out = np.empty((HEIGHT, WIDTH), np.uint32)
    warm = Renderer()
    steps = [with_coat(board, "inner", opacity=0.5 + n / 1000) for n in range(400)]
    count = iter(range(10_000))

    def cold() -> None:
        renderer = Renderer(Cache())
        made = renderer.frame(Request(board))
        renderer.picture(made, made.window, False, out)

    def one_coat() -> None:
        made = warm.frame(Request(steps[next(count) % len(steps)]))
        warm.picture(made, made.window, False, out)

    warm.frame(Request(board))
    return [
        race("whole frame, cold", cold, skia_title.draw, "Skia, same title", 2.5, rounds=11),
        race("whole frame, one coat changed", one_coat, skia_title.draw, "Skia, same title", 1.0),
    ]
