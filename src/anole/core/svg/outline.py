"""The silhouette of an SVG: every fill and every stroke that it paints, united."""

from __future__ import annotations

from typing import NamedTuple
from xml.etree.ElementTree import Element

import numpy as np
import skia

from ..arrays import Curves, Matrix
from .errors import SvgError, SvgTroubles
from .expansion import Ids, target
from .numbers import UNIT_MATRIX, joined, length, share, transform
from .parsing import href, local
from .shapes import MOST_POINTS, shape
from .stroking import stroked
from .uniting import UNIT, Part, united
from .viewport import Viewport, viewport

INHERITED = (
    "clip-rule",
    "color",
    "fill",
    "fill-opacity",
    "fill-rule",
    "stroke",
    "stroke-dasharray",
    "stroke-dashoffset",
    "stroke-linecap",
    "stroke-linejoin",
    "stroke-miterlimit",
    "stroke-opacity",
    "stroke-width",
    "visibility",
)
IGNORED = frozenset(
    [
        "clipPath",
        "defs",
        "desc",
        "filter",
        "linearGradient",
        "marker",
        "mask",
        "metadata",
        "pattern",
        "radialGradient",
        "style",
        "symbol",
        "title",
    ]
)
Style = dict[str, str]


class Silhouette(NamedTuple):
    """curves : (n, 4, 2) in em of the drawing's height, y down, from its top left corner
    solid : whether all that is painted is opaque, so that these outlines are those of its picture
    """

    curves: Curves
    solid: bool


class _State(NamedTuple):
    matrix: Matrix
    style: Style
    size: tuple[float, float]
    clips: tuple[tuple[Part, ...], ...] = ()


class _Walk:
    """Collects what an SVG paints, in units of UNIT to the height."""

    def __init__(self, ids: Ids, troubles: SvgTroubles) -> None:
        self.ids, self.troubles = ids, troubles
        self.parts: list[Part] = []
        self.points, self.solid = 0, True

    def visit(self, element: Element, state: _State) -> None:
        name = local(element)
        if not name or name in IGNORED or element.get("display") == "none":
            return
        state = self._entered(element, state)
        if name == "use":
            self._use(element, state)
        elif name == "svg":
            self._nested(element, state)
        elif name == "image":
            self._image(element, state)
        elif name == "switch":
            for child in list(element)[:1]:
                self.visit(child, state)
        elif name in ("g", "a"):
            for child in element:
                self.visit(child, state)
        else:
            self._shape(element, state)

    def _entered(self, element: Element, state: _State) -> _State:
        """What holds for an element: its own attributes over those it inherits."""
        own = {k: v for k in INHERITED if (v := element.get(k)) not in (None, "inherit")}
        matrix = joined(state.matrix, transform(element.get("transform")))
        if share(element.get("opacity")) < 1:
            self.solid = False
        for name in ("mask", "filter"):
            if element.get(name, "none") != "none":
                self.solid = False
        entered = _State(matrix, {**state.style, **own}, state.size, state.clips)
        clip = element.get("clip-path", "none")
        return entered if clip == "none" else self._clipped(clip, entered)

    def _clipped(self, text: str, state: _State) -> _State:
        """With the clip of an element, besides those of what holds it."""
        found = self.ids.get(text.removeprefix("url(").rstrip(") ").strip("'\"# "))
        if found is None or local(found) != "clipPath":
            return state
        if found.get("clipPathUnits") == "objectBoundingBox":
            self.troubles.add("a clip in parts of a box")
            return state
        inner = _Walk(self.ids, self.troubles)
        matrix = joined(state.matrix, transform(found.get("transform")))
        for child in found:
            rule = child.get("clip-rule") or found.get("clip-rule") or "nonzero"
            inner.visit(child, _State(matrix, {"fill-rule": rule}, state.size))
        self.points += inner.points
        return state._replace(clips=(*state.clips, tuple(inner.parts)))

    def _use(self, element: Element, state: _State) -> None:
        found = target(element, self.ids)
        if found is None:
            return
        x, y = length(element.get("x"), state.size[0]), length(element.get("y"), state.size[1])
        moved = state._replace(matrix=joined(state.matrix, np.array([[1, 0, x], [0, 1, y]])))
        if local(found) not in ("symbol", "svg"):
            self.visit(found, moved)
            return
        wide = length(element.get("width"), state.size[0], default=state.size[0])
        high = length(element.get("height"), state.size[1], default=state.size[1])
        self._inside(found, self._entered(found, moved), viewport(found, wide, high))

    def _nested(self, element: Element, state: _State) -> None:
        x, y = length(element.get("x"), state.size[0]), length(element.get("y"), state.size[1])
        wide = length(element.get("width"), state.size[0], default=state.size[0])
        high = length(element.get("height"), state.size[1], default=state.size[1])
        moved = state._replace(matrix=joined(state.matrix, np.array([[1, 0, x], [0, 1, y]])))
        self._inside(element, moved, viewport(element, wide, high))

    def _inside(self, element: Element, state: _State, view: Viewport) -> None:
        """The children of what has a viewport of its own, cut by it."""
        clips = state.clips
        if element.get("overflow", "hidden") not in ("visible", "auto"):
            frame = skia.Path()
            frame.addRect(skia.Rect(0, 0, view.width, view.height))
            frame.transform(_skia(state.matrix))
            clips = (*clips, (Part(frame, False),))
        inner = _State(joined(state.matrix, view.matrix), state.style, view.inner, clips)
        for child in element:
            self.visit(child, inner)

    def _image(self, element: Element, state: _State) -> None:
        """A picture counts as the rectangle that it fills."""
        self.solid = False
        if href(element):
            box = Element("rect", {k: element.get(k, "0") for k in ("x", "y", "width", "height")})
            path = shape(box, state.size, self.troubles)
            if path is not None:
                self._add(path, state)

    def _shape(self, element: Element, state: _State) -> None:
        path = shape(element, state.size, self.troubles)
        if path is None:
            self.troubles.add(f"<{local(element)}>")
            return
        style = state.style
        if style.get("visibility", "visible") != "visible":
            return
        if any(
            element.get(f"marker-{where}", "none") != "none" for where in ("start", "mid", "end")
        ):
            self.solid = False
            self.troubles.add("marks along lines, in its outline")
        if style.get("fill", "black") != "none" and share(style.get("fill-opacity")) > 0:
            self._note_paint(style, "fill")
            self._add(skia.Path(path), state, style.get("fill-rule") == "evenodd")
        if style.get("stroke", "none") != "none" and share(style.get("stroke-opacity")) > 0:
            self._note_paint(style, "stroke")
            line = stroked(path, style, state.matrix, state.size)
            if line is not None:
                self._add(line, state)

    def _note_paint(self, style: Style, name: str) -> None:
        """Colours with alpha, and servers of paint, may let the ground through."""
        paint = style.get(name, "black").replace(" ", "").lower()
        clear = paint.startswith(("url(", "rgba(", "hsla(", "transparent")) or "/" in paint
        clear = clear or (paint.startswith("#") and len(paint) in (5, 9))
        if clear or share(style.get(f"{name}-opacity")) < 1:
            self.solid = False

    def _add(self, path: skia.Path, state: _State, even_odd: bool = False) -> None:
        path.transform(_skia(state.matrix))
        self.points += path.countPoints()
        if self.points > MOST_POINTS:
            raise SvgError(f"its outline has more than {MOST_POINTS:,} points")
        self.parts.append(Part(path, even_odd, state.clips))


def _skia(matrix: Matrix) -> skia.Matrix:
    (a, c, e), (b, d, f) = matrix.tolist()
    return skia.Matrix.MakeAll(a, c, e, b, d, f, 0, 0, 1)


def silhouette(root: Element, view: Viewport, ids: Ids, troubles: SvgTroubles) -> Silhouette:
    """All that an SVG paints within its own frame. Raises SvgError."""
    scale = UNIT / view.height
    matrix = joined(UNIT_MATRIX * scale, UNIT_MATRIX)
    walk = _Walk(ids, troubles)
    state = _State(matrix, {}, (view.width, view.height))
    walk._inside(root, walk._entered(root, state), view)
    return Silhouette(united(walk.parts) / UNIT, walk.solid)
