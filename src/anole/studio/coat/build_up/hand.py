"""What a hand does on the build-up: choose, switch, pull the ends of bands, shift and re-order."""

from __future__ import annotations

from PyQt6.QtCore import QPointF

from ....core.edit.coats import change_coat, move_coat
from ....core.model import Coat, Position, Span
from ...document import Document
from .axis import Axis, Cut, ends
from .scene import Scene, eye_box, handle_xs

GRAB, SNAP = 7.0, 6.0


def row_at(scene: Scene, y: float) -> int | None:
    for index, row in enumerate(scene.rows):
        if row.top() <= y < row.bottom():
            return index
    return None


def end_at(scene: Scene, coat: Coat, x: float) -> str | None:
    """Which end of a band is there: from, to, or none."""
    xs = handle_xs(scene, coat)
    if xs is None:
        return None
    far = (abs(xs[0] - x), abs(xs[1] - x))
    if min(far) > GRAB:
        return None
    return "from" if far[0] <= far[1] else "to"


def snapped(scene: Scene, x: float, own: str) -> tuple[float, bool]:
    """A position in board px, drawn to the edge, the core and other bands' ends."""
    spots = [0.0, scene.cut.core]
    for coat in scene.coats:
        if coat.id != own:
            spots.extend(ends(coat, scene.cut) or ())
    best = min(spots, key=lambda spot: abs(scene.axis.x(spot) - x))
    if abs(scene.axis.x(best) - x) <= SNAP:
        return best, best == scene.cut.core
    return scene.axis.position(x), False


def in_unit(px: float, like: Position, core: bool, cut: Cut) -> Position:
    """A position of `px` in the unit its user chose."""
    if core:
        return Position.parse("core")
    unit = "em" if like.is_core else like.unit
    value = Position(1.0, unit).like(px, cut.em, cut.dpi).value
    return Position(round(value, 4 if unit == "em" else 2), unit)


def toggle(document: Document, coat: Coat) -> None:
    piece = document.piece_id
    if piece is not None:
        name = "Switch off" if coat.on else "Switch on"
        document.apply(name, lambda b: change_coat(b, piece, coat.id, on=not coat.on))


class BandHand:
    """One pull: what is held, since where, and the axis as it was then."""

    def __init__(self, document: Document) -> None:
        self.document = document
        self._held: str | None = None
        self._token: object | None = None
        self._from = QPointF()
        self.start: Coat | None = None
        self.frozen: Axis | None = None

    def press(self, scene: Scene, at: QPointF) -> None:
        index = row_at(scene, at.y())
        if index is None:
            return
        coat = scene.coats[index]
        if eye_box(scene.rows[index]).adjusted(-4, -4, 4, 4).contains(at):
            toggle(self.document, coat)
            return
        self.document.choose(self.document.piece_id, coat.id)
        self._held = end_at(scene, coat, at.x()) or "row"
        self.start, self._from, self._token = coat, at, object()
        self.frozen = scene.axis

    def pull(self, scene: Scene, at: QPointF) -> None:
        if self._held == "row":
            self._decide(at)
        if self._held in ("from", "to"):
            self._pull_end(scene, at.x())
        elif self._held == "order":
            self._order(scene, at.y())
        elif self._held == "shift":
            self._shift(scene, at.x())

    def release(self) -> None:
        self._held = self.start = self._token = self.frozen = None

    def _decide(self, at: QPointF) -> None:
        """The first few px tell whether a band is ordered or moved across the edge."""
        by = at - self._from
        if abs(by.y()) > 5 and abs(by.y()) > abs(by.x()):
            self._held = "order"
        elif abs(by.x()) > 5 and self.start is not None and hasattr(self.start, "span"):
            self._held = "shift"

    def _pull_end(self, scene: Scene, x: float) -> None:
        coat = self.start
        assert coat is not None and hasattr(coat, "span")
        px, core = snapped(scene, x, coat.id)
        px += scene.cut.base(coat)
        span: Span = coat.span
        old = span.from_ if self._held == "from" else span.to
        new = in_unit(px, old, core, scene.cut)
        span = Span(new, span.to) if self._held == "from" else Span(span.from_, new)
        self._change("Span", span=span)

    def _shift(self, scene: Scene, x: float) -> None:
        coat, cut = self.start, scene.cut
        assert coat is not None and hasattr(coat, "span")
        by = scene.axis.position(x) - scene.axis.position(self._from.x())
        moved = [
            end if end.is_core else in_unit(end.px(cut.em, cut.dpi) + by, end, False, cut)
            for end in (coat.span.from_, coat.span.to)
        ]
        self._change("Span", span=Span(*moved))

    def _change(self, name: str, **fields: object) -> None:
        piece, coat = self.document.piece_id, self.start
        if piece is not None and coat is not None:
            self.document.apply(
                name, lambda b: change_coat(b, piece, coat.id, **fields), self._token
            )

    def _order(self, scene: Scene, y: float) -> None:
        coat, piece = self.start, self.document.piece
        if coat is None or piece is None or not scene.rows:
            return
        low, height = scene.rows[0].bottom(), scene.rows[0].height()
        place = min(max(int((low - y) / height), 0), len(scene.rows) - 1)
        if piece.style[place].id != coat.id:
            self.document.apply(
                "Order coats", lambda b: move_coat(b, piece.id, coat.id, place), self._token
            )
