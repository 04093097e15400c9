"""The heading of a group of fields: a click folds it, its menu copies, pastes and resets it."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QContextMenuEvent, QPainter, QPaintEvent, QPolygonF
from PyQt6.QtWidgets import QAbstractButton, QMenu, QSizePolicy

from ...look import theme
from ...look.painting import painting

COPY, PASTE, RESET = "copy", "paste", "reset"
TITLES = {
    COPY: "Copy these fields",
    PASTE: "Paste onto these fields",
    RESET: "As a new one has them",
}
HIGH, ARROW = 24, 4.0


class GroupHead(QAbstractButton):
    """Checked while its fields are shown. `asked(what)`: one of TITLES was chosen in its menu, where
    it `copies`."""

    asked = pyqtSignal(str)

    def __init__(self, title: str, copies: bool) -> None:
        super().__init__()
        self._copies = copies
        self.setText(title)
        self.setCheckable(True)
        self.setChecked(True)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(f"{title}: folds these fields")
        more = "; right click to copy, paste or reset these fields" if copies else ""
        self.setToolTip(f"Click to fold{more}")

    def sizeHint(self) -> QSize:
        return QSize(120, HIGH)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            ink = theme.colour("text" if self.underMouse() or self.hasFocus() else "dim")
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(ink)
            x, y, a = 5.0, self.height() / 2 + 2, ARROW
            down = [(-a, -a / 2), (a, -a / 2), (0, a * 0.75)]
            right = [(-a / 2, -a), (a * 0.75, 0), (-a / 2, a)]
            corners = down if self.isChecked() else right
            painter.drawPolygon(QPolygonF([QPointF(x + dx, y + dy) for dx, dy in corners]))
            painter.setFont(theme.font(12, bold=True))
            painter.setPen(ink)
            line = QRectF(15, 4, self.width() - 15, self.height() - 4)
            painter.drawText(line, Qt.AlignmentFlag.AlignVCenter, self.text())

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        if event is None or not self._copies:
            return
        menu = QMenu(self)
        menu.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        for what, title in TITLES.items():
            menu.addAction(title, lambda what=what: self.asked.emit(what))
        menu.popup(event.globalPos())
