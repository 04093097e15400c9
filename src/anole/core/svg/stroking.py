"""Lines to the areas that they paint (SVG 2, section 13.4)."""

from __future__ import annotations

import math

import numpy as np
import skia

from ..arrays import Matrix
from .numbers import length, numbers

CAPS = {"round": skia.Paint.kRound_Cap, "square": skia.Paint.kSquare_Cap}
JOINS = {"round": skia.Paint.kRound_Join, "bevel": skia.Paint.kBevel_Join}
MOST_DASHES = 20_000
HALVINGS = 2
"""Of an arc: a quarter of a circle in four quadratic curves is off by 1e-5 of its radius."""
FINE = 4.0
"""Curves of a stroke are as near to it as they would be this much larger."""


def stroked(
    path: skia.Path, style: dict[str, str], matrix: Matrix, size: tuple[float, float]
) -> skia.Path | None:
    """The area of a path's stroke in the path's own units; None where nothing is painted."""
    diagonal = math.hypot(*size) / math.sqrt(2)
    width = length(style.get("stroke-width"), diagonal, default=1.0)
    if width <= 0:
        return None
    paint = skia.Paint(Style=skia.Paint.kStroke_Style, StrokeWidth=width)
    paint.setStrokeCap(CAPS.get(style.get("stroke-linecap", ""), skia.Paint.kButt_Cap))
    paint.setStrokeJoin(JOINS.get(style.get("stroke-linejoin", ""), skia.Paint.kMiter_Join))
    limit = numbers(style.get("stroke-miterlimit", "4"))
    paint.setStrokeMiter(max(limit[0], 1.0) if limit else 4.0)
    dashes = _dashes(style, diagonal, path)
    if dashes:
        offset = length(style.get("stroke-dashoffset"), diagonal)
        paint.setPathEffect(skia.DashPathEffect.Make(dashes, offset))
    enlarged = max(float(np.sqrt(abs(np.linalg.det(matrix[:, :2])))), 1e-6)
    area = skia.Path()
    paint.getFillPath(path, area, None, enlarged * FINE)
    return without_conics(area)


def without_conics(path: skia.Path) -> skia.Path:
    """Arcs, which round joins and caps are, as quadratic curves: all else knows only these."""
    plain, verbs = skia.Path(), skia.Path.Verb
    over = skia.Path.Iter(path, False)
    while True:
        verb, points = over.next()
        if verb == verbs.kDone_Verb:
            return plain
        if verb == verbs.kMove_Verb:
            plain.moveTo(points[0])
        elif verb == verbs.kLine_Verb:
            plain.lineTo(points[1])
        elif verb == verbs.kQuad_Verb:
            plain.quadTo(points[1], points[2])
        elif verb == verbs.kCubic_Verb:
            plain.cubicTo(points[1], points[2], points[3])
        elif verb == verbs.kClose_Verb:
            plain.close()
        else:
            weight = over.conicWeight()
            quads = skia.Path.ConvertConicToQuads(*points[:3], weight, HALVINGS)
            for n in range(1, len(quads) - 1, 2):
                plain.quadTo(quads[n], quads[n + 1])


def _dashes(style: dict[str, str], diagonal: float, path: skia.Path) -> list[float]:
    """Lengths of dashes and gaps, an even number; none where the line is whole."""
    text = style.get("stroke-dasharray", "none")
    found = [length(part, diagonal, default=-1.0) for part in text.replace(",", " ").split()]
    if not found or text == "none" or min(found) < 0 or sum(found) <= 0:
        return []
    box = path.getBounds()
    around = 4 * (box.width() + box.height())
    if around * len(found) / sum(found) > MOST_DASHES:
        return []
    return found * (1 + len(found) % 2)
