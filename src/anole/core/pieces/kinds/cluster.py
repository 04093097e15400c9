"""Cluster: several pieces as one silhouette, with coats beneath and above what they paint."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, cast

import msgspec
import numpy as np

from ... import isolation
from ...arrays import Chords, Matrix
from ...cache import Cache
from ...compose.steps import Step
from ...field.polygons import NOTHING
from ...lettering.matrix import anchor_point, apply, placing
from ...model import Cluster, Coated, Piece, Placed
from .. import kind as kinds
from ..cluster_shape import growing, silhouette
from ..cluster_steps import cluster_steps
from ..coated_kind import CoatedKind
from ..fresh import Fresh
from ..placing.located import located
from ..placing.placement import Placement, placement_of
from ..placing.view import View

NO_BOX = (-0.5, -0.5, 0.5, 0.5)
NO_EM = 100.0
OUTLINES = Cache(64 << 20)
"""Silhouettes of the whole process."""


def board_map(piece: Cluster, dpi: float) -> Matrix:
    """(2, 3) from its pieces' px to the board's, without corners and pose."""
    matrix = placing(piece.place, (0.0, 0.0, 0.0, 0.0), 1.0)
    if piece.place.rotation == 0 and piece.place.skew == 0:
        matrix[:, :2] = np.diag([piece.place.scale_x, piece.place.scale_y])
    shift = matrix[:, 2] - matrix[:, :2] @ np.array(piece.home)
    return np.column_stack([matrix[:, :2], shift])


def is_bent(piece: Cluster) -> bool:
    """Whether corners or a pose move it besides its place."""
    return any(
        getattr(piece, name) is not None and name not in piece.off for name in ("corners", "pose")
    )


class ClusterKind(CoatedKind[Cluster]):
    """Its pieces are drawn as if they stood on the board; its coats follow all their outlines."""

    struct = Cluster
    title = "cluster"
    outline_fields = ("pieces", "home")
    sections = ("fields", "place", "shape", "blending")
    scaled = True
    core_side = 256

    def fresh(self) -> tuple[Fresh, ...]:
        """None: it is made of pieces that are there."""
        return ()

    def __init__(
        self,
        kind_of: Callable[[Piece], kinds.PieceKind[Any]],
        steps_of: Callable[[Piece, View], list[Step]],
    ) -> None:
        self.kind_of, self._steps_of = kind_of, steps_of

    # where it stands

    def held(self, piece: Cluster) -> list[Placed]:
        """The pieces that are shown, as they stand among themselves."""
        shown = (held for held in piece.pieces if held.shown and isinstance(held, Placed))
        return [held for held in shown if self.kind_of(held).has_content(held)]

    def on_board(self, piece: Cluster, dpi: float) -> list[Placed]:
        """The same as they stand on the board; where it is bent, as if it were not."""
        if is_bent(piece):
            return self.held(piece)
        matrix = board_map(piece, dpi)
        return [located(held, matrix) for held in self.held(piece)]

    def _placement(self, held: Placed, dpi: float) -> Placement:
        return self.kind_of(held).placement(held, dpi)  # type: ignore[attr-defined]

    def placement(self, piece: Cluster, dpi: float) -> Placement:
        places = [self._placement(held, dpi) for held in self.held(piece)]
        if not places:
            return placement_of(piece, NO_BOX, NO_EM)
        em = max(place.em for place in places)
        boxes = np.array([place.extent for place in places])
        x, y = piece.home
        low, high = (boxes[:, :2].min(0) - (x, y)) / em, (boxes[:, 2:].max(0) - (x, y)) / em
        box = (float(low[0]), float(low[1]), float(high[0]), float(high[1]))
        linear = board_map(piece, dpi)[:, :2] * em
        matrix = np.column_stack([linear, (piece.place.x, piece.place.y)])
        return placement_of(piece, box, em)._replace(matrix=matrix)

    def has_content(self, piece: Cluster) -> bool:
        return bool(self.held(piece))

    def refinable(self, piece: Cluster) -> bool:
        """Without coats what it holds sees to itself."""
        held = (cast("CoatedKind[Any]", self.kind_of(one)).refinable(one)
                for one in self.held(piece) if isinstance(one, Coated))  # fmt: skip
        return bool(piece.style) and all(held)

    # its silhouette

    def _coated(self, piece: Cluster, dpi: float) -> list[tuple[Coated, CoatedKind[Any]]]:
        """Its pieces that have outlines, where they stand, with their kinds."""
        found = (held for held in self.on_board(piece, dpi) if isinstance(held, Coated))
        return [(held, cast("CoatedKind[Any]", self.kind_of(held))) for held in found]

    def outline_values(self, piece: Cluster, dpi: float) -> tuple:
        """Of its pieces their outlines, and what their strokes add."""
        parts = (
            (type(held), kind.outline_key(held, dpi), growing(held))
            for held, kind in self._coated(piece, dpi)
        )
        return (piece.home, *parts)

    def at_home(self, piece: Cluster) -> Cluster:
        """Its pieces are moved back too, so that its core is the same to the float."""
        x, y = piece.home
        held = tuple(_moved(self.kind_of(one), one, -x, -y) for one in piece.pieces)
        return super().at_home(msgspec.structs.replace(piece, pieces=held, home=(0.0, 0.0)))

    def measured_quickly(self, piece: Cluster) -> bool:
        """Never: its pieces are united."""
        return False

    def chords(self, piece: Cluster, dpi: float, scale: float) -> Chords:
        def make() -> Chords:
            parts = self._coated(piece, dpi)
            chords = silhouette(parts, dpi, scale) if parts else NOTHING
            return self._bent(chords, piece, dpi, scale) if is_bent(piece) else chords

        key = ("cluster", self.outline_key(piece, dpi), scale, isolation.FETCHER.arrivals)
        return OUTLINES.get(key, make)

    def ink(self, piece: Cluster, dpi: float) -> tuple[float, float, float, float] | None:
        """Of its pieces their own outlines, which need not be united for it; strokes left out, as of
        any piece."""
        if is_bent(piece):
            return super().ink(piece, dpi)
        found = [box for held, kind in self._coated(piece, dpi) if (box := kind.ink(held, dpi))]
        if not found:
            return None
        x0, y0, x1, y1 = zip(*found, strict=True)
        return min(x0), min(y0), max(x1), max(y1)

    def _bent(self, chords: Chords, piece: Cluster, dpi: float, scale: float) -> Chords:
        """Where corners and pose put straight chords: they stay straight."""
        placed = self.placement(piece, dpi)
        points = (chords.reshape(-1, 2) / scale - piece.home) / placed.em
        return (placed.on_board(points) * scale).reshape(-1, 4)

    # painting

    def plain_steps(self, piece: Cluster, view: View) -> list[Step]:
        return cluster_steps(self, piece, view)

    def content(self, piece: Cluster, view: View) -> list[Step]:
        """What its pieces paint, in a view in which they stand where the cluster stands."""
        held = self.on_board(piece, view.board.dpi)
        pieces = view.board.pieces
        at = next((n for n, own in enumerate(pieces) if own.id == piece.id), 0)
        board = msgspec.structs.replace(view.board, pieces=(*pieces[:at], *held, *pieces[at + 1 :]))
        inner = view._replace(board=board)
        return [step for one in held for step in self._steps_of(one, inner)]

    def sees_others(self, piece: Cluster) -> bool:
        inner = (held.within or self.kind_of(held).sees_others(held) for held in piece.pieces)
        return super().sees_others(piece) or any(inner)

    # changing

    def moved(self, piece: Cluster, dx: float, dy: float) -> Cluster:
        place = msgspec.structs.replace(piece.place, x=piece.place.x + dx, y=piece.place.y + dy)
        return self.settled(msgspec.structs.replace(piece, place=place))

    def settled(self, piece: Cluster) -> Cluster:
        """Its pieces moved along with its place, so that they stand where they are seen."""
        (x, y), place = piece.home, piece.place
        dx, dy = place.x - x, place.y - y
        if not dx and not dy:
            return piece
        held = tuple(_moved(self.kind_of(one), one, dx, dy) for one in piece.pieces)
        return msgspec.structs.replace(piece, pieces=held, home=(place.x, place.y))

    def resized(self, piece: Cluster, ratio: float) -> dict[str, Any]:
        return {"pieces": tuple(self._grown(one, piece.home, ratio) for one in piece.pieces)}

    def _grown(self, held: Placed, home: tuple[float, float], ratio: float) -> Placed:
        fields = self.kind_of(held).resized(held, ratio)  # type: ignore[attr-defined]
        grown = msgspec.structs.replace(held, **fields)
        x, y = (
            h + (v - h) * ratio for h, v in zip(home, (held.place.x, held.place.y), strict=True)
        )
        return self.kind_of(held).moved(grown, x - held.place.x, y - held.place.y)

    def pinned(
        self, piece: Cluster, dpi: float, anchor: str, at: tuple[float, float]
    ) -> dict[str, Any]:
        x, y = anchor_point(self.placement(piece, dpi).extent, anchor)
        place = piece.place
        moved = msgspec.structs.replace(place, x=place.x + at[0] - x, y=place.y + at[1] - y)
        return {"place": msgspec.structs.replace(moved, anchor=anchor)}

    def sample(self, piece: Cluster, words: str) -> Cluster:
        placed = self.placement(piece, 96.0)
        x0, y0, x1, y1 = placed.box
        middle = apply(placed.matrix, np.array([(x0 + x1) / 2, (y0 + y1) / 2]))
        matrix = board_map(piece, 96.0)
        home = np.linalg.solve(matrix[:, :2], middle - matrix[:, 2])
        return msgspec.structs.replace(
            super().sample(piece, words), home=(float(home[0]), float(home[1]))
        )

    def stored(self, piece: Cluster) -> Cluster:
        held = tuple(self.kind_of(one).stored(one) for one in piece.pieces)
        return msgspec.structs.replace(piece, pieces=held)

    def text(self, piece: Cluster) -> str:
        return "\n".join(filter(None, (self.kind_of(one).text(one) for one in piece.pieces)))

    def summary(self, piece: Cluster) -> str:
        count = len(piece.style)
        coats = f", {count} coat{'' if count == 1 else 's'}" if count else ""
        return f"{len(piece.pieces)} as one{coats}"


def _moved(kind: kinds.PieceKind[Any], piece: Placed, dx: float, dy: float) -> Placed:
    """Rounded, so that there and back leads to the same numbers."""
    moved = kind.moved(piece, dx, dy)
    place = msgspec.structs.replace(
        moved.place, x=round(moved.place.x, 6), y=round(moved.place.y, 6)
    )
    return msgspec.structs.replace(moved, place=place)
