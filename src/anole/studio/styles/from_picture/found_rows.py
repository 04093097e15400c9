"""What was found, coat by coat: its colours, what was measured, how sure it is, and whether it is wanted."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QBrush, QLinearGradient, QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from ....core.coats.registry import kind_of
from ....core.model import ColourPaint, Gradient
from ...controls.base.switch import Toggle
from ...look import theme
from ...look.painting import painting
from ...look.qt_colour import to_qt
from ...runtime.lifetimes import discard

if TYPE_CHECKING:
    from ....core.reading.found import FoundCoat

HIGH, SWATCH = 52, 32


class FoundRow(QWidget):
    """One coat; `switched(id, on)`."""

    switched = pyqtSignal(str, bool)

    def __init__(self) -> None:
        super().__init__()
        self._found: FoundCoat | None = None
        self.toggle = Toggle()
        self.toggle.clicked.connect(self._switch)
        self.setFixedHeight(HIGH)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 2, 0)
        row.addStretch(1)
        row.addWidget(self.toggle)

    def sizeHint(self) -> QSize:
        return QSize(300, HIGH)

    def show_found(self, found: FoundCoat, on: bool) -> None:
        """What was found."""
        self._found = found
        self.toggle.setChecked(on)
        self.toggle.setAccessibleName(f"{self.title}: {found.said}, {found.sure:.0%} sure")
        self.update()

    @property
    def title(self) -> str:
        """Its name, or its kind's."""
        coat = self._found.coat if self._found is not None else None
        return "" if coat is None else coat.name or kind_of(coat).title

    def _switch(self, on: bool) -> None:
        if self._found is not None:
            self.switched.emit(self._found.coat.id, on)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        found = self._found
        if found is None:
            return
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setOpacity(1.0 if self.toggle.isChecked() else 0.45)
            box = QRectF(1, (HIGH - SWATCH) / 2, SWATCH, SWATCH)
            painter.setPen(theme.colour("line"))
            painter.setBrush(_brush(getattr(found.coat, "paint", None), box))
            painter.drawRoundedRect(box, 6, 6)
            left, right = SWATCH + 12.0, self.width() - 50.0
            painter.setFont(theme.font(14))
            painter.setPen(theme.colour("text"))
            painter.drawText(QPointF(left, 20), self.title)
            wide = painter.fontMetrics().horizontalAdvance(self.title)
            painter.setFont(theme.font(12))
            painter.setPen(theme.colour("dim"))
            said = painter.fontMetrics().elidedText(
                found.said, Qt.TextElideMode.ElideRight, int(right - left - wide - 10)
            )
            painter.drawText(QPointF(left + wide + 10, 20), said)
            self._paint_sure(painter, left, right)

    def _paint_sure(self, painter: QPainter, left: float, right: float) -> None:
        """A bar, and the number at its end."""
        assert self._found is not None
        sure = self._found.sure
        painter.setPen(theme.colour("dim"))
        painter.drawText(
            QRectF(right - 74, 26, 74, 18), Qt.AlignmentFlag.AlignRight, f"{sure:.0%} sure"
        )
        room = right - left - 82
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("sunk"))
        painter.drawRoundedRect(QRectF(left, 32, room, 5), 2.5, 2.5)
        painter.setBrush(theme.colour("leaf" if sure >= 0.5 else "coral"))
        painter.drawRoundedRect(QRectF(left, 32, max(room * sure, 5), 5), 2.5, 2.5)


class FoundRows(QWidget):
    """Top first, as the build-up shows them; `changed`: one was switched."""

    changed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.off: set[str] = set()
        self.rows: list[FoundRow] = []
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(2)

    def show_found(self, found: tuple[FoundCoat, ...]) -> None:
        """The coats, bottom first."""
        while len(self.rows) > len(found):
            discard(self.rows.pop())
        while len(self.rows) < len(found):
            row = FoundRow()
            row.switched.connect(self._switch)
            self.rows.append(row)
            self._column.addWidget(row)
        for row, one in zip(self.rows, reversed(found), strict=True):
            row.show_found(one, one.coat.id not in self.off)

    def _switch(self, coat_id: str, on: bool) -> None:
        (self.off.discard if on else self.off.add)(coat_id)
        for row in self.rows:
            row.update()
        self.changed.emit()


def _brush(paint: object, box: QRectF) -> QBrush:
    """A paint as a swatch shows it."""
    if isinstance(paint, ColourPaint):
        return QBrush(to_qt(paint.colour))
    if isinstance(paint, Gradient):
        shown = QLinearGradient(box.topLeft(), box.bottomLeft())
        for stop in paint.stops:
            shown.setColorAt(min(max(stop.at, 0.0), 1.0), to_qt(stop.colour))
        return QBrush(shown)
    return QBrush(theme.colour("dim"), Qt.BrushStyle.BDiagPattern)
