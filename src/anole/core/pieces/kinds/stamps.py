"""Stamps: many marks as one coverage, or as one silhouette where they wear coats."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any

import msgspec
import numpy as np

from ...arrays import Chords, Planes, Records
from ...box import Box
from ...cache import Cache
from ...coats.inks import WARM
from ...coats.shape import Shape, sound_outline
from ...compose.cover import Cover
from ...compose.program import NO_FACTORS
from ...compose.steps import CompositeStep, Step
from ...field.shape_fields import bounds, greatest_inside
from ...lettering.bent import positive
from ...lettering.flatten import flatten
from ...lettering.matrix import apply, placing
from ...marks import laying
from ...model import Board, Coated, Mark, Paint, Place, Scatter, Stamps
from ...paint.own import straight
from ..cluster_shape import united_outlines
from ..cluster_steps import coats_round
from ..coated_kind import CoatedKind
from ..contexts import context_of
from ..fresh import Fresh
from ..placing.placement import Placement, placement_of
from ..placing.view import View
from ..shapes.reshaped import shape_of
from ..shapes.scattered import Outline, scattered
from ..shapes.stamp_marks import in_colours, mark_curves
from ..shapes.stamp_pictures import levels, touched
from ..whole_board import painted

CORE_SIDE = 400.0
"""px at which a mark's core is measured."""
Standing = Callable[[Board, str], Coated | None]


class StampsKind(CoatedKind[Stamps]):
    """Without coats only a coverage is made; with coats the outlines of all marks are united."""

    struct = Stamps
    title = "stamps"
    sections = ("fields", "place", "blending")
    bends = False
    outline_fields = ("mark", "asset", "marks", "home")
    tool = "stamps"

    def __init__(self, standing: Standing, outline: Outline) -> None:
        self.standing, self.outline = standing, outline

    def fresh(self) -> tuple[Fresh, ...]:
        return (
            Fresh("stamps", "Add stamps by hand", self.bare, False, "a click, a mark", self._three),
            Fresh("scatter", "Add scattered marks", self._scattered, False, "many marks by chance"),
        )

    def bare(self, board: Board) -> Stamps:
        """No mark placed yet."""
        return msgspec.structs.replace(
            super().bare(board), home=(board.width / 2, board.height / 2)
        )

    def _three(self, board: Board) -> Stamps:
        """Three marks side by side, large enough to be seen in a small picture of the board."""
        short = min(board.width, board.height)
        marks = tuple(
            Mark(x=board.width / 2 + n * short / 2, y=board.height / 2, size=short / 2, turn=n * 20)
            for n in (-1, 0, 1)
        )
        return msgspec.structs.replace(self.bare(board), marks=marks, paint=WARM)

    def _scattered(self, board: Board) -> Stamps:
        """Crystals all over the board."""
        short = min(board.width, board.height)
        scatter = Scatter(size_from=max(short * 0.012, 0.5), size_to=max(short * 0.05, 0.5))
        return msgspec.structs.replace(
            self.bare(board), name="Scattered", mark="crystal", scatter=scatter
        )

    def refinable(self, piece: Stamps) -> bool:
        return not piece.asset

    # where the marks lie

    def by_hand(self, piece: Stamps) -> Records:
        """(n, 6) board px: x, y, size, cosine, sine, strength."""
        rows = [(m.x, m.y, m.size, m.turn, m.strength) for m in piece.marks]
        found = np.array(rows, float).reshape(-1, 5)
        matrix = placing(piece.place, (0.0, 0.0, 0.0, 0.0), 1.0)
        at = apply(matrix, found[:, :2] - piece.home)
        scale = math.sqrt(abs(np.linalg.det(matrix[:, :2])))
        turn = np.radians(found[:, 3] + piece.place.rotation)
        return np.column_stack([at, found[:, 2] * scale, np.cos(turn), np.sin(turn), found[:, 4]])

    def all_stamps(self, piece: Stamps, view: View) -> Records:
        """(n, 6) px of the render scale, those by chance beneath."""
        parts = [self.by_hand(piece)]
        if piece.scatter is not None:
            parts.insert(0, scattered(piece.scatter, view.board, self.standing, self.outline))
        stamps = np.concatenate(parts)
        stamps[:, :3] *= view.scale
        return stamps[stamps[:, laying.SIZE] > 0.05]

    def stamps_key(self, piece: Stamps, view: View) -> tuple:
        """All that the places of the marks come from."""
        scatter, target = piece.scatter, None
        if scatter is not None and scatter.of and scatter.area in ("within", "around"):
            standing = self.standing(view.board, scatter.of)
            target = _bare(standing) if standing is not None else None
        size = (view.board.width, view.board.height)
        return (piece.marks, scatter, target, size, piece.place, piece.home, view.scale)

    def placement(self, piece: Stamps, dpi: float) -> Placement:
        stamps = self.by_hand(piece)
        em = float(stamps[:, 2].max(initial=1.0))
        if not len(stamps):
            return _upright(placement_of(piece, (0.0, 0.0, 0.0, 0.0), 100.0))
        low = ((stamps[:, :2] - stamps[:, 2:3] / 2).min(0) - (piece.place.x, piece.place.y)) / em
        high = ((stamps[:, :2] + stamps[:, 2:3] / 2).max(0) - (piece.place.x, piece.place.y)) / em
        box = (float(low[0]), float(low[1]), float(high[0]), float(high[1]))
        matrix = np.array([[em, 0, piece.place.x], [0, em, piece.place.y]])
        return _upright(placement_of(piece, box, em)._replace(matrix=matrix))

    def has_content(self, piece: Stamps) -> bool:
        return bool(piece.marks) or (piece.scatter is not None and piece.scatter.count >= 0.5)

    # the silhouette

    def _outlines(self, piece: Stamps, stamps: Records) -> Chords:
        curves = mark_curves(piece)
        parts = [positive(flatten(laying.placed(curves, one), 0.02)) for one in stamps]
        return united_outlines(parts)

    def chords(self, piece: Stamps, dpi: float, scale: float) -> Chords:
        """Of the marks placed by hand: those by chance depend on the board."""
        stamps = self.by_hand(piece)
        stamps[:, :3] *= scale
        return self._outlines(piece, stamps)

    def core(self, piece: Stamps, dpi: float, cache: Cache) -> float:
        key = ("core", self.struct, piece.mark, piece.asset)
        curves = mark_curves(piece)
        core = cache.get(
            key, lambda: greatest_inside(sound_outline(positive(flatten(curves * CORE_SIDE, 0.02))))
        )
        return core / CORE_SIDE * self.placement(piece, dpi).em

    def shape(self, piece: Stamps, view: View) -> Shape:
        key = (self.struct, piece.mark, piece.asset, *self.stamps_key(piece, view))
        chords = view.cache.get(
            ("chords", *key),
            lambda: sound_outline(self._outlines(piece, self.all_stamps(piece, view))),
        )
        em, core = self._em(piece, view), self.core(piece, view.board.dpi, view.cache)
        return Shape(key, chords, em, core * view.scale, bounds(chords))

    def _em(self, piece: Stamps, view: View) -> float:
        return self.placement(piece, view.board.dpi).em

    # painting

    def plain_steps(self, piece: Stamps, view: View) -> list[Step]:
        if not any(coat.on for coat in piece.style):
            return list(self._content(piece, piece, view))
        context = context_of(shape_of(self, piece, view), piece.style, view)
        plain = msgspec.structs.replace(piece, opacity=1.0, blend="normal")
        return coats_round(
            self, piece, context, view, lambda inner: list(self._content(piece, plain, inner))
        )

    def _content(self, piece: Stamps, how: Stamps, view: View) -> list[CompositeStep]:
        """The marks themselves; `how` says with what opacity and blend."""
        if view.bare:
            return []
        key = ("stamps", piece.mark, piece.asset, piece.soft, *self.stamps_key(piece, view))
        stamps = view.cache.get(("stamped", *key), lambda: self.all_stamps(piece, view))
        box = touched(stamps, piece.soft).meet(view.window)
        if box.empty:
            return []
        key, made = (*key, piece.own, box), view.cache.get
        if in_colours(piece):
            return [self._in_colours(piece, how, key, stamps, box, view)]
        look = (piece.mark, piece.asset)
        return [
            painted(
                key,
                how,
                piece.paint,
                view,
                box,
                lambda: made(
                    key,
                    lambda: laying.coverage(look, mark_curves(piece), stamps, piece.soft, box),
                ),
            )
        ]

    def _in_colours(
        self, piece: Stamps, how: Stamps, key: tuple, stamps: Records, box: Box, view: View
    ) -> CompositeStep:
        def laid() -> Planes:
            return view.cache.get(
                ("laid", *key), lambda: laying.pictures(levels(piece, stamps), stamps, box)
            )

        def colours() -> Planes:
            planes = np.ascontiguousarray(straight(laid()), np.float32)
            planes[3] = 1.0
            return planes

        return CompositeStep(
            ("in colours", *key),
            box,
            lambda: Cover(np.ascontiguousarray(laid()[3]), outside=True, face=False),
            lambda: view.cache.get(("straight", *key), colours),
            how.opacity,
            how.blend,
            NO_FACTORS,
            "everywhere",
        )

    def paint(self, piece: Stamps) -> Paint:
        return piece.paint

    def sees_others(self, piece: Stamps) -> bool:
        scatter = piece.scatter
        return super().sees_others(piece) or (scatter is not None and scatter.of is not None)

    # changing

    def dropped(self, piece: Stamps, asset: str) -> dict[str, Any]:
        return {"asset": asset}

    def moved(self, piece: Stamps, dx: float, dy: float) -> Stamps:
        place = msgspec.structs.replace(piece.place, x=piece.place.x + dx, y=piece.place.y + dy)
        return self.settled(msgspec.structs.replace(piece, place=place))

    def settled(self, piece: Stamps) -> Stamps:
        """Its marks moved along with its place, so that they stand where they are seen."""
        dx, dy = piece.place.x - piece.home[0], piece.place.y - piece.home[1]
        if not dx and not dy:
            return piece
        marks = tuple(
            msgspec.structs.replace(m, x=round(m.x + dx, 4), y=round(m.y + dy, 4))
            for m in piece.marks
        )
        home = (piece.place.x, piece.place.y)
        return msgspec.structs.replace(piece, marks=marks, home=home)

    def resized(self, piece: Stamps, ratio: float) -> dict[str, Any]:
        x, y = piece.home
        return {
            "marks": tuple(
                msgspec.structs.replace(
                    m,
                    x=x + (m.x - x) * ratio,
                    y=y + (m.y - y) * ratio,
                    size=min(max(m.size * ratio, 0.5), 32_000.0),
                )
                for m in piece.marks
            )
        }

    def sample(self, piece: Stamps, words: str) -> Stamps:
        one = msgspec.structs.replace(
            super().sample(piece, words), scatter=None, home=(0.0, 0.0), place=Place()
        )
        return msgspec.structs.replace(one, marks=(Mark(size=100.0),))

    def summary(self, piece: Stamps) -> str:
        count = len(piece.marks) + (round(piece.scatter.count) if piece.scatter is not None else 0)
        return f"{count} stamp{'' if count == 1 else 's'}"


def _upright(placed: Placement) -> Placement:
    """Marks know no corners and no pose; in a cluster they have its."""
    return placed._replace(corners=None, pose=None)


def _bare(piece: Coated) -> Coated:
    """What of a piece its outlines may come from."""
    return msgspec.structs.replace(piece, style=(), worn=None, name="", opacity=1.0)
