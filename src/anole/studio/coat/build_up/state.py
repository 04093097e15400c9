"""One state of the build-up's drawing, and where its parts lie."""

from __future__ import annotations

import math
from typing import NamedTuple

from PyQt6.QtCore import QPointF, QRectF

from ....core.arrays import AnyArray
from ....core.coats.registry import kind_of
from ....core.coats.section import CrossSection
from ....core.model import Coat
from .axis import Axis

LABELS, RULER, STRIP, FOOT = 112.0, 40.0, 22.0, 30.0
EYE = 15.0


class BuildUpState(NamedTuple):
    """One state of the drawing; rows are bottom first like the coats, those of
    coats without a place across the edge being their tags, `failed` ids of those
    that are left out, `unbuilt` of those that what is looked at has not yet."""

    coats: tuple[Coat, ...]
    rows: tuple[QRectF, ...]
    axis: Axis
    section: CrossSection
    chosen: str | None
    unit: str
    strip: AnyArray | None
    focus: bool
    failed: frozenset[str] = frozenset()
    unbuilt: frozenset[str] = frozenset()

    @property
    def bands(self) -> list[QRectF]:
        """The rows of the coats that have a place across the edge, bottom first."""
        both = zip(self.coats, self.rows, strict=True)
        return [row for coat, row in both if kind_of(coat).across]

    @property
    def area(self) -> QRectF:
        """Where the coats are drawn."""
        top = min((row.top() for row in self.bands), default=RULER)
        low = max((row.bottom() for row in self.bands), default=RULER + 40)
        return QRectF(QPointF(self.axis.left, top), QPointF(self.axis.right, low))

    def is_seen(self, coat: Coat) -> bool:
        """Whether it is on, and there in what is looked at."""
        return coat.on and coat.id not in self.unbuilt

    def ends(self, coat: Coat) -> tuple[float, float] | None:
        """A coat's `from` and `to`; None without a span."""
        return None if coat.id in self.failed else self.section.ends(coat)

    def handles(self, coat: Coat) -> tuple[float, float] | None:
        """Where a span's two ends are drawn, `from` first."""
        ends = self.ends(coat)
        return None if ends is None else (self.axis.x(ends[0]), self.axis.x(ends[1]))

    def measure(self, px: float) -> str:
        """A length as a short number in px or em."""
        if math.isclose(px, self.section.core, abs_tol=1e-6):
            return "core"
        if self.unit == "px":
            return f"{px:.0f}"
        return f"{px / self.section.em:.2f}".rstrip("0").rstrip(".")

    def summary(self, coat: Coat) -> str:
        """A few words under a coat's name: where it lies."""
        if coat.id in self.failed:
            return "failed"
        ends = self.ends(coat)
        if ends is not None:
            return " to ".join(self.measure(value) for value in ends)
        one = kind_of(coat).measure(coat)
        if one is None:
            return "the face"
        name, length = one
        return f"{name} {self.measure(length.px(self.section.em, self.section.dpi))}"

    def tip(self, coat: Coat) -> str:
        """What a screen reader or a tooltip says of a coat."""
        ends, where = self.ends(coat), ""
        if ends is not None:
            first, last = (self.measure(end) for end in ends)
            where = f", from {first} to {last} {self.unit}"
        off = "" if coat.on else ", switched off"
        if coat.id in self.failed:
            off = ", failed: it is left out of the picture until it is changed"
        return f"{kind_of(coat).title} {coat.name}{where}{off}"


def eye_box(row: QRectF, tag: bool = False) -> QRectF:
    """Where the eye of a row is, or of a tag."""
    return QRectF(3 + (row.left() if tag else 0), row.center().y() - EYE / 2, EYE, EYE)
