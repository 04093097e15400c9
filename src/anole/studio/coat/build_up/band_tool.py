"""What a hand does on the build-up: choose, switch, pull the ends of bands, shift and re-order."""

from __future__ import annotations

from PyQt6.QtCore import QPointF

from ....core.coats.registry import kind_of
from ....core.coats.section import CrossSection
from ....core.edit.coats import change_coat, move_coat
from ....core.model import Coat, Position, Span
from ...commands.coats import switch
from ...shared.session import Session
from .axis import Axis
from .state import BuildUpState, eye_box
from .tags import has_tag

GRAB, SNAP = 7.0, 6.0


def row_at(state: BuildUpState, at: QPointF) -> int | None:
    """Which coat's band or tag is there."""
    for index, (coat, row) in enumerate(zip(state.coats, state.rows, strict=True)):
        if has_tag(coat):
            if row.contains(at):
                return index
        elif row.top() <= at.y() < row.bottom():
            return index
    return None


def place_for(state: BuildUpState, coat: Coat, at: QPointF) -> int | None:
    """The place in the stack to which a coat is pulled there; None where it stays."""
    own, over = state.coats.index(coat), row_at(state, at)
    if over is not None and has_tag(state.coats[over]):
        return over
    places = [n for n, one in enumerate(state.coats) if not has_tag(one)]
    bands = state.bands
    if not bands or not (bands[-1].top() - GRAB <= at.y() <= bands[0].bottom() + GRAB):
        return None if has_tag(coat) or not bands else _nearest(state, places, at.y())
    if not has_tag(coat):
        return _nearest(state, places, at.y())
    below = min(max(round((bands[0].bottom() - at.y()) / bands[0].height()), 0), len(bands))
    place = places[below - 1] + 1 if below else places[0]
    return place - 1 if own < place else place


def _nearest(state: BuildUpState, places: list[int], y: float) -> int:
    low, height = state.bands[0].bottom(), state.bands[0].height()
    return places[min(max(int((low - y) / height), 0), len(places) - 1)]


def end_at(state: BuildUpState, coat: Coat, x: float) -> str | None:
    """Which end of a band is there: from, to, or none."""
    xs = state.handles(coat)
    if xs is None:
        return None
    far = (abs(xs[0] - x), abs(xs[1] - x))
    if min(far) > GRAB:
        return None
    return "from" if far[0] <= far[1] else "to"


def snapped(state: BuildUpState, x: float, own: str) -> tuple[float, bool]:
    """A position in board px, drawn to the edge, the core and other bands' ends."""
    places = [0.0, state.section.core]
    for coat in state.coats:
        if coat.id != own:
            places.extend(state.section.ends(coat) or ())
    best = min(places, key=lambda place: abs(state.axis.x(place) - x))
    if abs(state.axis.x(best) - x) <= SNAP:
        return best, best == state.section.core
    return state.axis.position(x), False


def in_unit(px: float, like: Position, core: bool, section: CrossSection) -> Position:
    """A position of `px` in the unit its user chose."""
    if core:
        return Position.parse("core")
    unit = "em" if like.is_core else like.unit
    value = Position(1.0, unit).like(px, section.em, section.dpi).value
    return Position(round(value, 4 if unit == "em" else 2), unit)


class BandTool:
    """One pull: what is held, since where, and the axis as it was then."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.document, self.selection = session.document, session.selection
        self._held: str | None = None
        self._token: object | None = None
        self._from = QPointF()
        self.start: Coat | None = None
        self.frozen: Axis | None = None

    def press(self, state: BuildUpState, at: QPointF) -> None:
        """The button went down at a point: hold the row or the end that is there."""
        index = row_at(state, at)
        if index is None:
            return
        coat = state.coats[index]
        if eye_box(state.rows[index], has_tag(coat)).adjusted(-4, -4, 4, 4).contains(at):
            self.selection.choose(self.selection.piece_id, coat.id)
            switch(self.session)
            return
        self.selection.choose(self.selection.piece_id, coat.id)
        self._held = end_at(state, coat, at.x()) or "row"
        self.start, self._from, self._token = coat, at, object()
        self.frozen = state.axis

    def pull(self, state: BuildUpState, at: QPointF) -> None:
        """The pointer went on to a point with the button down."""
        if self._held == "row":
            self._decide(at)
        if self._held in ("from", "to"):
            self._pull_end(state, at.x())
        elif self._held == "order":
            self._order(state, at)
        elif self._held == "shift":
            self._shift(state, at.x())

    def release(self) -> None:
        """Hold nothing."""
        self._held = self.start = self._token = self.frozen = None

    def _decide(self, at: QPointF) -> None:
        """The first few px tell whether a band is ordered or moved across the edge."""
        by = at - self._from
        if abs(by.y()) > 5 and abs(by.y()) > abs(by.x()):
            self._held = "order"
        elif abs(by.x()) > 5 and self.start is not None:
            if has_tag(self.start):
                self._held = "order"
            elif kind_of(self.start).span(self.start):
                self._held = "shift"

    def _pull_end(self, state: BuildUpState, x: float) -> None:
        coat = self.start
        assert coat is not None
        span = kind_of(coat).span(coat)
        assert span is not None
        px, core = snapped(state, x, coat.id)
        px += state.section.base(coat)
        old = span.from_ if self._held == "from" else span.to
        new = in_unit(px, old, core, state.section)
        span = Span(new, span.to) if self._held == "from" else Span(span.from_, new)
        self._change("Span", span=span)

    def _shift(self, state: BuildUpState, x: float) -> None:
        coat, section = self.start, state.section
        assert coat is not None
        span = kind_of(coat).span(coat)
        assert span is not None
        by = state.axis.position(x) - state.axis.position(self._from.x())
        moved = [
            end
            if end.is_core
            else in_unit(end.px(section.em, section.dpi) + by, end, False, section)
            for end in (span.from_, span.to)
        ]
        self._change("Span", span=Span(*moved))

    def _change(self, name: str, **fields: object) -> None:
        piece, coat = self.selection.piece_id, self.start
        if piece is not None and coat is not None:
            self.document.apply(
                name, lambda b: change_coat(b, piece, coat.id, **fields), self._token
            )

    def _order(self, state: BuildUpState, at: QPointF) -> None:
        coat, piece = self.start, self.selection.coated
        if coat is None or piece is None or coat not in state.coats:
            return
        place = place_for(state, coat, at)
        if place is not None and piece.style[place].id != coat.id:
            self.document.apply(
                "Order coats", lambda b: move_coat(b, piece.id, coat.id, place), self._token
            )
