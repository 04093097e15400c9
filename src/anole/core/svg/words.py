"""Words of an SVG to paths, set by our own shaping: drawing and outlines then agree."""

from __future__ import annotations

import re
from typing import NamedTuple
from xml.etree.ElementTree import Element, SubElement

import skia

from ..lettering.fonts import find
from ..lettering.glyphs import glyph, upem_of
from ..lettering.shaping import drawable, shape_line
from ..lettering.skia_paths import data_of
from ..model import Font, ModelError
from .errors import SvgError, SvgTroubles
from .numbers import length, numbers
from .parsing import SVG, local

INHERITED = (
    "font-family",
    "font-size",
    "font-weight",
    "font-style",
    "letter-spacing",
    "text-anchor",
)
MOST_LETTERS = 20_000
WEIGHTS = {"normal": 400, "bold": 700, "bolder": 700, "lighter": 300}
GENERIC = {
    "sans-serif": "Inter",
    "serif": "Abril Fatface",
    "monospace": "Inter",
    "cursive": "Pacifico",
}
Style = dict[str, str]


class _Run(NamedTuple):
    """Words of one style; x, y where they are set anew, dx and dy where they are moved."""

    text: str
    style: Style
    owner: Element
    x: float | None
    y: float | None
    dx: float
    dy: float


def _inherited(element: Element, style: Style) -> Style:
    own = {k: v for k in INHERITED if (v := element.get(k)) not in (None, "inherit")}
    if "font-size" in own:
        before = length(style.get("font-size"), 16.0, default=16.0)
        own["font-size"] = str(length(own["font-size"], before, before, before))
    return {**style, **own}


def _first(element: Element, name: str, troubles: SvgTroubles) -> float | None:
    found = element.get(name)
    if found is None:
        return None
    if len(numbers(found)) > 1:
        troubles.add("places of single letters")
    return length(found.replace(",", " ").split()[0] if found.strip() else None, 0.0)


def _font(style: Style, troubles: SvgTroubles) -> Font:
    weight = style.get("font-weight", "400")
    heavy = WEIGHTS.get(weight) or (int(weight) if weight.isdigit() else 400)
    italic = style.get("font-style", "normal") != "normal"
    wanted = [f.strip().strip("'\"") for f in style.get("font-family", "Inter").split(",")]
    for family in filter(None, wanted):
        family = GENERIC.get(family.lower(), family)
        try:
            font = Font(family=family[:100], weight=min(max(heavy, 1), 1000), italic=italic)
        except (ModelError, ValueError):
            continue
        if find(font)[1]:
            return font
    troubles.add(f"the font {wanted[0][:30]} (another takes its place)")
    return Font(family="Inter", weight=min(max(heavy, 1), 1000), italic=italic)


def _runs(text: Element, style: Style, troubles: SvgTroubles) -> list[_Run]:
    """The words of a text and its spans, in order."""
    found: list[_Run] = []

    def visit(element: Element, style: Style) -> None:
        style = _inherited(element, style)
        x, y = _first(element, "x", troubles), _first(element, "y", troubles)
        dx, dy = (_first(element, name, troubles) or 0.0 for name in ("dx", "dy"))
        if element.get("rotate"):
            troubles.add("turned letters")
        pieces = [(element.text or "", element)]
        for child in element:
            name = local(child)
            if name in ("tspan", "a"):
                pieces.append(("", child))
            elif name:
                troubles.add(f"<{name}> in words")
            pieces.append((child.tail or "", element))
        for words, owner in pieces:
            if owner is not element:
                visit(owner, style)
            elif words:
                found.append(_Run(words, style, owner, x, y, dx, dy))
                x = y = None
                dx = dy = 0.0

    visit(text, style)
    return _collapsed(found)


def _collapsed(runs: list[_Run]) -> list[_Run]:
    """White space as xml:space="default" has it: none at the ends, single between."""
    made, before = [], " "
    for run in runs:
        words = re.sub(r"\s+", " ", run.text)
        if before.endswith(" ") or run.x is not None:
            words = words.lstrip(" ")
        made.append(run._replace(text=words))
        before = words or before
    if made:
        made[-1] = made[-1]._replace(text=made[-1].text.rstrip(" "))
    return [run for run in made if run.text or run.x is not None or run.y is not None]


def _set(run: _Run, troubles: SvgTroubles) -> tuple[skia.Path, float]:
    """A run's path with its pen at 0, and how far it leads on, px."""
    size = length(run.style.get("font-size"), 16.0, default=16.0)
    file, _ = find(_font(run.style, troubles))
    spacing = length(run.style.get("letter-spacing"), 0.0, size) / max(size, 1e-6)
    line = shape_line(file, drawable(run.text), spacing)
    path = skia.Path()
    for one in line.glyphs:
        scale = size / upem_of(one.file)
        place = skia.Matrix().setScale(scale, scale).postTranslate(one.x * size, one.y * size)
        path.addPath(glyph(one.file, one.glyph).path, place)
    return path, (line.width + spacing * bool(line.glyphs)) * size


def words_to_paths(root: Element, troubles: SvgTroubles) -> None:
    """Put the paths of its words into every text. Raises SvgError."""
    letters = 0

    def walk(element: Element, style: Style) -> None:
        nonlocal letters
        style = _inherited(element, style)
        for at, child in enumerate(list(element)):
            if local(child) != "text":
                walk(child, style)
                continue
            letters += sum(map(len, child.itertext()))
            if letters > MOST_LETTERS:
                raise SvgError(f"it has more than {MOST_LETTERS:,} letters")
            element[at] = _group(child, style, troubles)

    walk(root, {})


def _group(text: Element, style: Style, troubles: SvgTroubles) -> Element:
    """The <g> that takes the place of a text."""
    for name in ("writing-mode", "textLength", "text-decoration", "dominant-baseline"):
        if text.get(name):
            troubles.add(f"{name} of words")
    dropped = {"x", "y", "dx", "dy", "rotate", *INHERITED}
    group = Element(f"{{{SVG}}}g", {k: v for k, v in text.attrib.items() if k not in dropped})
    group.tail = text.tail
    pen_x = pen_y = 0.0
    for chunk in _chunks(_runs(text, style, troubles)):
        pen_x = chunk[0].x if chunk[0].x is not None else pen_x
        pen_y = chunk[0].y if chunk[0].y is not None else pen_y
        laid = [(run, *_set(run, troubles)) for run in chunk]
        wide = sum(advance + run.dx for run, _, advance in laid)
        anchor = {"middle": 0.5, "end": 1.0}.get(chunk[0].style.get("text-anchor", ""), 0.0)
        pen_x -= wide * anchor
        for run, path, advance in laid:
            pen_x, pen_y = pen_x + run.dx, pen_y + run.dy
            path.offset(pen_x, pen_y)
            own = {
                k: v
                for k, v in run.owner.attrib.items()
                if k not in dropped and run.owner is not text
            }
            own.pop("id", None)
            SubElement(group, f"{{{SVG}}}path", {**own, "d": data_of(path)})
            pen_x += advance
    return group


def _chunks(runs: list[_Run]) -> list[list[_Run]]:
    """Runs that are anchored together: each begins where a place is given (SVG 2, 11.8)."""
    chunks: list[list[_Run]] = []
    for run in runs:
        if not chunks or run.x is not None or run.y is not None:
            chunks.append([])
        chunks[-1].append(run)
    return chunks
