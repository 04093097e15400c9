"""The names of the coats beside their bands: whole wherever there is room, the kind as a mark."""

from __future__ import annotations

from typing import NamedTuple

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QFont, QFontMetricsF, QPainter, QPen

from ....core.coats.registry import kind_of
from ....core.model import Coat
from ...look import icons, theme
from .state import LABELS, BuildUpState, eye_box

MARK, NAME_X = 13.0, 38.0
GAP, LEAST_TWO_LINES, LEAST_SUMMARY = 6.0, 29.0, 31.0
LINE, SMALL_LINE = 15.0, 14.0


class BandLabel(NamedTuple):
    """What is written in a row: one or two lines of the name, or the name and where it lies."""

    lines: tuple[str, ...]
    summary: str
    font: QFont

    @property
    def width(self) -> float:
        """px of the longest line of the name."""
        metrics = QFontMetricsF(self.font)
        return max((metrics.horizontalAdvance(line) for line in self.lines), default=0.0)


def _halves(text: str, metrics: QFontMetricsF) -> tuple[str, str]:
    """The text in two lines, the longer as short as goes."""
    words = text.split(" ")
    cuts = [(" ".join(words[:n]), " ".join(words[n:])) for n in range(1, len(words))]
    return min(cuts, key=lambda cut: max(metrics.horizontalAdvance(line) for line in cut))


def label_of(state: BuildUpState, coat: Coat, row: QRectF, band_left: float) -> BandLabel:
    """The coat's own name, or its kind's where it has none, in the room left of its band."""
    name = coat.name or kind_of(coat).title
    room = max(band_left, LABELS - GAP) - NAME_X - GAP
    for px in (12, 11):
        font = theme.font(px, True)
        metrics = QFontMetricsF(font)
        if metrics.horizontalAdvance(name) <= room:
            summary = state.summary(coat) if row.height() >= LEAST_SUMMARY else ""
            return BandLabel((name,), summary, font)
        if " " in name and row.height() >= LEAST_TWO_LINES:
            halves = _halves(name, metrics)
            if max(metrics.horizontalAdvance(line) for line in halves) <= room:
                return BandLabel(halves, "", font)
    short = QFontMetricsF(font).elidedText(name, Qt.TextElideMode.ElideRight, room)
    return BandLabel((short,), "", font)


def paint_label(
    painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF, band_left: float
) -> None:
    """The eye, the kind's mark, the name, and a line that leads to the band."""
    label, chosen = label_of(state, coat, row, band_left), coat.id == state.chosen
    end = max(NAME_X + label.width + GAP, LABELS - GAP)
    if chosen:
        box = QRectF(0, row.top() + 1, end, row.height() - 2)
        painter.setPen(QPen(theme.colour("leaf"), 1.4 if state.focus else 1))
        painter.setBrush(theme.colour("leaf", 0.16))
        painter.drawRoundedRect(box.adjusted(0.5, 0.5, -0.5, -0.5), 5, 5)
    _marks(painter, state, coat, row)
    _text(painter, state, label, coat, row)
    if band_left > end:
        painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 1.4 if chosen else 1))
        y = row.center().y()
        painter.drawLine(QPointF(end, y), QPointF(band_left, y))


def _marks(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> None:
    dress, eye = theme.theme(), eye_box(row)
    shade = dress.text if state.is_seen(coat) else dress.dim
    if coat.id in state.failed:
        icons.draw(painter, "triangle-alert", eye, dress.coral)
    else:
        icons.draw(painter, "eye" if coat.on else "eye-off", eye, dress.dim)
    side = min(MARK, row.height() - 2)
    box = QRectF(eye.right() + 4, row.center().y() - side / 2, side, side)
    icons.draw_mark(painter, kind_of(coat).mark, box, shade)


def _text(
    painter: QPainter, state: BuildUpState, label: BandLabel, coat: Coat, row: QRectF
) -> None:
    high = LINE * len(label.lines) + (SMALL_LINE if label.summary else 0)
    y = row.center().y() - high / 2
    painter.setFont(label.font)
    painter.setPen(theme.colour("text" if state.is_seen(coat) else "dim"))
    for line in label.lines:
        painter.drawText(QRectF(NAME_X, y, 400, LINE), Qt.AlignmentFlag.AlignVCenter, line)
        y += LINE
    if label.summary:
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("dim"))
        box = QRectF(NAME_X, y, 400, SMALL_LINE)
        painter.drawText(box, Qt.AlignmentFlag.AlignVCenter, label.summary)
