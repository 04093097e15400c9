"""Coats that have no place across the edge: tags below the drawing, in their order."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QFontMetricsF, QPainter, QPen

from ....core.coats.registry import kind_of
from ....core.model import Coat
from ...look import icons, theme
from .state import EYE, LABELS, BuildUpState, eye_box

HIGH, GAP, MARK, PAD = 22.0, 4.0, 13.0, 6.0
HEADS = {True: "before all", False: "in order"}
"""What the lines of tags are called: of coats that shape the letters first, and of all others."""
MOST_WIDE = 130.0


def has_tag(coat: Coat) -> bool:
    """Whether a coat is shown as a tag."""
    return not kind_of(coat).across


def title(coat: Coat) -> str:
    """A coat's own name, or that of its kind."""
    return coat.name or kind_of(coat).title


def _width(coat: Coat) -> float:
    metrics = QFontMetricsF(theme.font(12, True))
    text = min(metrics.horizontalAdvance(title(coat)), MOST_WIDE)
    return 3 + EYE + 3 + MARK + 4 + text + PAD


def head_width() -> float:
    """px that the widest head of a column takes."""
    metrics = QFontMetricsF(theme.font(11))
    return max(metrics.horizontalAdvance(word) for word in HEADS.values()) + 8


def placed(coats: Sequence[Coat], width: float) -> dict[str, QRectF]:
    """Where the tag of each coat lies, by its id, from the top of all tags on."""
    places, y, left = {}, 0.0, head_width()
    for shaping in HEADS:
        some = [c for c in coats if has_tag(c) and kind_of(c).shapes(c) is shaping]
        x = left
        for coat in some:
            wide = min(_width(coat), width - left)
            if x > left and x + wide > width:
                x, y = left, y + HIGH + GAP
            places[coat.id] = QRectF(x, y, wide, HIGH)
            x += wide + GAP
        y += (HIGH + GAP) if some else 0
    return places


def height(places: dict[str, QRectF]) -> float:
    """px that all tags take."""
    return max((box.bottom() + GAP for box in places.values()), default=0.0)


def paint_tags(painter: QPainter, state: BuildUpState) -> None:
    """The tags, what their lines are called, and where those that change the picture stand."""
    headed = set()
    for coat, box in zip(state.coats, state.rows, strict=True):
        if not has_tag(coat):
            continue
        shaping = kind_of(coat).shapes(coat)
        if shaping not in headed:
            headed.add(shaping)
            painter.setFont(theme.font(11))
            painter.setPen(theme.colour("dim"))
            head = QRectF(4, box.top(), head_width(), HIGH)
            painter.drawText(head, Qt.AlignmentFlag.AlignVCenter, HEADS[shaping])
        _tag(painter, state, coat, box)
        if kind_of(coat).reworks(coat):
            _level(painter, state, coat)


def _tag(painter: QPainter, state: BuildUpState, coat: Coat, box: QRectF) -> None:
    chosen = coat.id == state.chosen
    dress, eye = theme.theme(), eye_box(box, True)
    painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 1.4 if chosen else 1))
    painter.setBrush(theme.colour("leaf", 0.16) if chosen else theme.colour("sunk"))
    painter.drawRoundedRect(box.adjusted(0.5, 0.5, -0.5, -0.5), 4, 4)
    shade = dress.text if state.is_seen(coat) else dress.dim
    if coat.id in state.failed:
        icons.draw(painter, "triangle-alert", eye, dress.coral)
    else:
        icons.draw(painter, "eye" if coat.on else "eye-off", eye, dress.dim)
    mark = QRectF(eye.right() + 3, box.center().y() - MARK / 2, MARK, MARK)
    icons.draw_mark(painter, kind_of(coat).mark, mark, shade)
    font = theme.font(12, True)
    painter.setFont(font)
    painter.setPen(theme.colour("text" if state.is_seen(coat) else "dim"))
    words = QRectF(mark.right() + 4, box.top(), box.right() - mark.right() - 4 - PAD / 2, HIGH)
    text = QFontMetricsF(font).elidedText(title(coat), Qt.TextElideMode.ElideRight, words.width())
    painter.drawText(words, Qt.AlignmentFlag.AlignVCenter, text)


def _level(painter: QPainter, state: BuildUpState, coat: Coat) -> None:
    """A line at the height in the stack at which a coat changes all that is painted beneath."""
    below = sum(not has_tag(one) for one in state.coats[: state.coats.index(coat)])
    bands = state.bands
    if not bands:
        return
    y = bands[0].bottom() - below * bands[0].height()
    chosen = coat.id == state.chosen
    pen = QPen(theme.colour("leaf" if chosen else "text", 1.0 if state.is_seen(coat) else 0.4), 1.4)
    pen.setStyle(Qt.PenStyle.DashLine)
    painter.setPen(pen)
    painter.drawLine(QPointF(LABELS - 4, y), QPointF(state.axis.right + 4, y))
    side = 11.0
    mark = QRectF(LABELS - 6 - side, y - side / 2, side, side)
    painter.fillRect(mark.adjusted(-2, -1, 2, 1), theme.colour("panel"))
    icons.draw_mark(
        painter, kind_of(coat).mark, mark, theme.colour("leaf" if chosen else "text").name()
    )
