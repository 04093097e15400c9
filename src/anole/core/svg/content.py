"""An SVG's bytes to a tree that is ready to be drawn and traced."""

from __future__ import annotations

from typing import NamedTuple
from xml.etree.ElementTree import Element

from ..arrays import Pixels
from .cascade import cascaded
from .drawing import drawn
from .errors import SvgError, SvgTroubles
from .expansion import by_id, check_expansion
from .outline import Silhouette, silhouette
from .parsing import local, parsed
from .viewport import Viewport, root_viewport, view_box
from .words import words_to_paths

STANDARD_SIZE = (300.0, 150.0)
"""px of an SVG that says nothing of its size (CSS Images 3, section 4.4)."""
MOVING = frozenset(["animate", "animateMotion", "animateTransform", "set"])


class Svg(NamedTuple):
    """root : rules applied, words as paths; view : its size and frame"""

    root: Element
    view: Viewport
    troubles: SvgTroubles

    def drawn(self, side: int) -> Pixels:
        """(H, W, 4) uint8 straight, the longer side `side` px. Raises SvgError."""
        return drawn(self.root, self.view, side)

    def silhouette(self) -> Silhouette:
        """The outline of all that it paints. Raises SvgError."""
        return silhouette(self.root, self.view, by_id(self.root), self.troubles)


def read(data: bytes) -> Svg:
    """Raises SvgError for what is no SVG, is hostile or is too much."""
    return ready(parsed(data))


def ready(root: Element) -> Svg:
    """The same of a tree."""
    troubles = SvgTroubles()
    check_expansion(root, by_id(root))
    cascaded(root, troubles)
    words_to_paths(root, troubles)
    for element in root.iter():
        if "viewBox" in element.attrib and view_box(element) is None:
            # a frame in error is as good as none (SVG 2, section 8.6)
            del element.attrib["viewBox"]
            troubles.add("a viewBox that is no frame")
        if local(element) == "foreignObject":
            troubles.add("<foreignObject>")
        elif local(element) in MOVING:
            troubles.add("its movement")
    view = root_viewport(root)
    if view is None:
        root.set("viewBox", "0 0 {:g} {:g}".format(*STANDARD_SIZE))
        view = root_viewport(root)
    if view is None:
        raise SvgError("it says nothing of its size")
    return Svg(root, view, troubles)
