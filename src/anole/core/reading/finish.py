"""What the flat reading leaves over: light on the edge, fades inward and outward, and texture. Each is tried
with the renderer on the silhouette that was found, and kept where it brings the picture nearer."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from typing import Literal, NamedTuple

import cv2
import msgspec
import numpy as np

from .. import assets
from ..arrays import Mask, Plane
from ..box import Box
from ..field.shape_fields import bounds
from ..files import png
from ..isolation.client import never
from ..model import (
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Glow,
    ImagePaint,
    Lamp,
    Length,
    Position,
    Relief,
    Span,
    Stop,
)
from .edge_profile import coat_of, profile_of
from .extras import Extra
from .face import Face
from .relief_fit import light_on
from .seen import GivenUp, apart, oklab
from .synthesis import Drawn, Synthesis, hardly_off
from .texture import kept
from .trials import LUMA, wanted

EARNED = 0.2
"""Share of what is unlike where a coat lies that it has to take away."""
LEAST_SURE = 0.25
"""Share of the px round the letters that hardly differ with a fade there: what is less sure is no fade."""
NARROWEST = 3.0
"""px: a moulding that is narrower is not told from the edge's own px."""
LEAST_GAINED = 0.004
"""Unlikeness, mean in OKLab, that it takes away at least: what is fainter may be the picture's file's doing."""
LIGHT_EARNED = 0.06
"""The same for light: where the face is a texture, little of what is left over is light."""
LEAST_OFF = 0.012
"""Unlikeness, mean in OKLab, that nothing is looked for below of."""
FALLOFFS: tuple[Literal["linear", "ease-in", "ease-out"], ...] = ("linear", "ease-in", "ease-out")
WIDTHS = (0.06, 0.14, 0.3)
"""Of the letters' height: how far fades go that are tried."""
PICTURED = 0.03
"""Unlikeness of a face from its paint, mean in OKLab, from which on it is kept as a picture."""
PICTURE_EARNED = 0.7
"""Share of that unlikeness that the picture may leave."""
PICTURES = "faces that were read"
"""Who holds the pictures of faces, till the next is read."""
PROFILES = ("chamfer", "round-over")


class View(NamedTuple):
    """The picture as it is drawn again, `by` times as large as it is read.

    rgb, lab, ground : (H, W, 3) float32; distance : (H, W), px of the picture as it is read, + inside the
    face; normal : the way out; whole : rows and columns of the picture as it is read
    """

    rgb: Plane
    lab: Plane
    distance: Plane
    normal: tuple[Plane, Plane]
    ground: Plane
    by: float
    whole: tuple[int, int]


class Finish:
    """Adds coats to those that were read. px : of the picture that was given, for one as it is read"""

    def __init__(
        self,
        view: View,
        drawing: Synthesis,
        coats: Sequence[Coat],
        px: float,
        stop: Callable[[], bool] = never,
    ) -> None:
        self.view, self.drawing, self.px, self.stop = view, drawing, px, stop
        self.coats = list(coats)
        self.extras: list[Extra] = []
        self._where: dict[str, Mask] = {}
        self.deep = 0.0
        """px inward from where on the face is no edge of another colour."""
        self.drawn = self._draw(self.coats)

    def _draw(self, coats: Sequence[Coat]) -> Drawn:
        if self.stop():
            raise GivenUp
        return self.drawing.drawn(coats)

    def _off(self, drawn: Drawn, where: Mask) -> float:
        return (
            float(apart(oklab(drawn.rgb[where]), self.view.lab[where]).mean())
            if where.any()
            else 0.0
        )

    def _keep(
        self, coat: Coat, said: str, beneath: bool, where: Mask, least: float = EARNED
    ) -> bool:
        """Lay a coat if it earns its place."""
        coats = [coat, *self.coats] if beneath else [*self.coats, coat]
        drawn = self._draw(coats)
        before, after = self._off(self.drawn, where), self._off(drawn, where)
        if before - after < max(least * before, LEAST_GAINED):
            return False
        if beneath and hardly_off(self.drawing.off(drawn), where) < LEAST_SURE:
            return False
        self.coats, self.drawn = coats, drawn
        self._where[coat.id] = where
        extra = Extra(coat, said, 0.0, beneath)
        self.extras = [extra, *self.extras] if beneath else [*self.extras, extra]
        return True

    def sure_extras(self) -> tuple[Extra, ...]:
        """What was found, bottom first, each as sure as the whole is where it lies."""
        off = self.drawing.off(self.drawn)
        return tuple(
            one._replace(sure=hardly_off(off, self._where[one.coat.id])) for one in self.extras
        )

    # on the face

    def edge(self) -> None:
        """Colours by depth, along the edge."""
        inside = self.view.distance > 0.0
        if self._off(self.drawn, self.view.distance > 0.7) < PICTURED:
            return
        off = self.drawing.off(self.drawn)
        profile = profile_of(self.view.rgb, self.view.lab, off, self.view.distance, inside)
        if profile is None:
            return
        where = (self.view.distance > 0.7) & (self.view.distance < profile.to)
        if self._keep(coat_of(profile), f"{profile.to * self.px:.1f} px inward", False, where):
            self.deep = profile.to

    def relief(self) -> None:
        """A moulding along the edge, lit."""
        # px that the edge goes through are mixed with what lies beside it
        inside = self.view.distance > 0.7 + 0.6 / self.view.by
        rest = ((self.view.rgb - self.drawn.rgb) @ LUMA).astype(np.float32)
        lit = light_on(self.view.distance, self.view.normal, rest, inside)
        if lit is None or lit.width < NARROWEST:
            return
        where = inside & (self.view.distance < lit.width)
        best: tuple[float, Relief] | None = None
        for profile in PROFILES:
            coat = self._lit_as(profile, lit.width, lit.bearing, where)
            if coat is None:
                continue
            off = self._off(self._draw([*self.coats, coat]), where)
            if best is None or off < best[0]:
                best = off, coat
        if best is not None:
            self._keep(
                best[1],
                f"{lit.width * self.px:.1f} px wide, lit from {lit.bearing:.0f}°",
                False,
                where,
                LIGHT_EARNED,
            )

    def _lit_as(self, profile: str, width: float, bearing: float, where: Mask) -> Relief | None:
        """A relief of a profile, as dark and as bright as the picture says."""
        span = Span(Position(0.0, "px"), Position(round(width, 2), "px"))
        lamp = Lamp(bearing=round(bearing, 1), elevation=45.0, colour=Colour(255, 255, 255))
        coat = Relief(
            id="relief", name="Relief", span=span, height=Length(round(width, 2), "px"), lamp=lamp
        )
        coat = msgspec.structs.replace(
            coat, moulding=msgspec.structs.replace(coat.moulding, profile=profile)
        )
        alphas: list[float] = []
        for is_dark in (True, False):
            grey = Colour(0, 0, 0) if is_dark else Colour(255, 255, 255)
            clear = Colour(grey.r, grey.g, grey.b, 0)
            stops = (
                (Stop(0.0, grey), Stop(0.5, clear))
                if is_dark
                else (Stop(0.5, clear), Stop(1.0, grey))
            )
            only = self._draw([*self.coats, msgspec.structs.replace(coat, ramp=stops)])
            toward = (only.rgb - self.drawn.rgb)[where]
            way = (self.view.rgb - self.drawn.rgb)[where]
            alphas.append(
                float(np.clip((way * toward).sum() / max(float((toward**2).sum()), 1e-6), 0, 1))
            )
        if max(alphas) < 0.03:
            return None
        dark, bright = (round(255 * alpha) for alpha in alphas)
        ramp = (
            Stop(0.0, Colour(0, 0, 0, dark)), Stop(0.5, Colour(0, 0, 0, 0)),
            Stop(0.5, Colour(255, 255, 255, 0)), Stop(1.0, Colour(255, 255, 255, bright)),
        )  # fmt: skip
        return msgspec.structs.replace(coat, ramp=ramp)

    def fade_inward(self, tall: float) -> None:
        """A colour that fades from the edge into the letters."""
        inside = self.view.distance > 0.7
        if self._off(self.drawn, inside) < LEAST_OFF:
            return
        self._fade("inner-glow", "Edge", 0.0, 1.0, tall, inside, beneath=False)

    def picture_of_face(self, face: Face, rgb: Plane) -> None:
        """The face as a picture, where no paint says it: without the light and edge that lie on it."""
        inside = self.view.distance > 1.0 + self.deep
        if self._off(self.drawn, inside) < PICTURED:
            return
        above = [one.coat for one in self.extras if not one.beneath]
        base = self.coats[: len(self.coats) - len(above)]
        coat = self._pictured(face, rgb, self.drawn.rgb - self._draw(base).rgb)
        drawn = self._draw([*base, coat, *above])
        if self._off(drawn, inside) > PICTURE_EARNED * self._off(self.drawn, inside):
            return
        self.coats, self.drawn = [*base, coat, *above], drawn
        self._where[coat.id] = inside
        extra = Extra(coat, "as it is: no paint says it", 0.0, beneath=False)
        below = [one for one in self.extras if one.beneath]
        self.extras = [*below, extra, *(one for one in self.extras if not one.beneath)]

    def _pictured(self, face: Face, rgb: Plane, light: Plane) -> Fill:
        """light : what lies on the face does to it, at the size it is drawn again"""
        rows, columns = self.view.whole
        if self.view.by != 1:
            light = cv2.resize(light, (columns, rows))
        known = face.distance[:rows, :columns] > 1.0 + self.deep
        x0, y0, x1, y1 = bounds(face.chords)
        box = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1))
        pixels = kept(rgb[:rows, :columns] - light, known, box.meet(Box(0, 0, columns, rows)))
        sha = assets.put(png.encode(pixels))
        assets.hold(PICTURES, [sha])
        paint = ImagePaint(asset=sha, fit="stretch")
        return Fill(id="face-picture", name="Face's picture", paint=paint)

    # round the letters

    def fade_outward(self, outer: float, tall: float) -> None:
        """A colour that fades from the outermost edge outward."""
        out = -self.view.distance
        outside = (out > outer + 1) & (out < outer + WIDTHS[-1] * tall)
        if self._off(self.drawn, outside) < LEAST_OFF:
            return
        self._fade("glow", "Glow", -outer, -1.0, tall, outside, beneath=True)

    def _fade(
        self,
        id_: str,
        name: str,
        start: float,
        sign: float,
        tall: float,
        where: Mask,
        beneath: bool,
    ) -> None:
        best: tuple[float, Glow] | None = None
        for share in WIDTHS:
            end = start + sign * share * tall
            for falloff in FALLOFFS:
                coat = Glow(
                    id=id_, name=name, softness=0.2, falloff=falloff,
                    span=Span(Position(round(start, 2), "px"), Position(round(end, 2), "px")),
                    paint=ColourPaint(colour=Colour(255, 0, 255)),
                )  # fmt: skip
                alone = self._draw([coat])
                found = wanted(self.view.rgb, self.drawn.rgb, self.view.lab, alone.cover, where)
                if found is not None and (best is None or found.off < best[0]):
                    colour = Colour(*(int(v) for v in np.round(found.rgb * 255)))
                    best = (
                        found.off,
                        msgspec.structs.replace(
                            coat, paint=ColourPaint(colour=colour), opacity=round(found.opacity, 3)
                        ),
                    )
        if best is not None and best[1].opacity > 0.04:
            wide = abs(best[1].span.to.value - best[1].span.from_.value)
            self._keep(best[1], f"fades within {wide * self.px:.0f} px", beneath, where)
