"""A look with all that was found by drawing it again."""

from __future__ import annotations

from collections.abc import Callable

from ..arrays import Plane
from .extras import Extra, scaled
from .face import Face
from .finish import Finish, View
from .found import coats_of
from .look import Look
from .seen import Seen, oklab
from .shadow_fit import halved
from .synthesis import Synthesis, difference
from .throws import ground_of

SMALL = 400_000
"""px of a picture that is drawn again at its own size."""


def finished(look: Look, seen: Seen, face: Face, stop: Callable[[], bool]) -> Look:
    """The look with coats that the renderer says belong to it. Raises GivenUp when it is to stop."""
    scale = seen.scale
    outer = look.rims[-1].end * scale if look.rims else 0.0
    view = _view(seen, face, ground_of(seen, -face.distance - outer).rgb)
    alpha = face.alpha[: view.whole[0], : view.whole[1]]
    with Synthesis(alpha, view.lab, view.ground, view.by) as drawing:
        coats = [one.coat for one in coats_of(look, drawing.em / scale)]
        finish = Finish(view, drawing, coats, 1 / scale, stop)
        tall = look.cap_height * scale
        where = -view.distance < outer + 0.5
        flat = difference(drawing.off(finish.drawn), where)
        finish.edge()
        finish.relief()
        finish.fade_inward(tall)
        finish.picture_of_face(face, seen.rgb)
        finish.fade_outward(outer, tall)
        off = difference(drawing.off(finish.drawn), where)
        found = finish.sure_extras()
    extras = tuple(Extra(scaled(one.coat, 1 / scale), *one[1:]) for one in found)
    return look._replace(extras=extras, difference=off, flat_difference=flat)


def _view(seen: Seen, face: Face, ground: Plane) -> View:
    """At half the size where there are many px: what is looked for here is larger than a px."""
    height, width = face.alpha.shape
    if height * width <= SMALL:
        return View(seen.rgb, seen.lab, face.distance, face.normal, ground, 1.0, (height, width))
    even = (slice(height // 2 * 2), slice(width // 2 * 2))
    rgb, distance, ground, nx, ny = (
        halved(plane[even]) for plane in (seen.rgb, face.distance, ground, *face.normal)
    )
    whole = (height // 2 * 2, width // 2 * 2)
    return View(rgb, oklab(rgb), distance, (nx, ny), ground, 0.5, whole)
