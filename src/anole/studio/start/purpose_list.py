"""What the board is for: sizes as small outlines, and a size of one's own."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import (
    QAbstractButton,
    QButtonGroup,
    QHBoxLayout,
    QSizePolicy,
    QVBoxLayout,
    QWidget,
)

from ..controls.numbers.number_field import NumberField
from ..documents.purposes import PURPOSES, Purpose
from ..documents.settings import Settings
from ..look import theme
from ..look.painting import painting
from ..look.plain import Label

ROW, SHEET = 34, 24
LAST = "purpose"
LEAST, MOST = 16, 32_000


class PurposeButton(QAbstractButton):
    """A board's outline in its proportions, and what it is for."""

    def __init__(self, purpose: Purpose) -> None:
        super().__init__()
        self.purpose = purpose
        self.setCheckable(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(f"{purpose.title}, {purpose.size} px")
        self.setToolTip(f"{purpose.title}: {purpose.size} px")

    def sizeHint(self) -> QSize:
        return QSize(200, ROW)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            box = QRectF(self.rect()).adjusted(0.5, 0.5, -0.5, -0.5)
            if self.isChecked() or self.underMouse() or self.hasFocus():
                lit = self.isChecked() or self.hasFocus()
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 1.2))
                painter.setBrush(theme.colour("raised"))
                painter.drawRoundedRect(box, 6, 6)
            share = SHEET / max(self.purpose.width, self.purpose.height)
            wide, high = self.purpose.width * share, self.purpose.height * share
            sheet = QRectF(22 - wide / 2, box.center().y() - high / 2, wide, high)
            painter.setPen(QPen(theme.colour("leaf" if self.isChecked() else "dim"), 1.4))
            painter.setBrush(theme.colour("ground"))
            painter.drawRect(sheet)
            painter.setPen(theme.colour("text"))
            painter.setFont(theme.font(13))
            title = painter.fontMetrics().elidedText(
                self.purpose.title, Qt.TextElideMode.ElideRight, self.width() - 48
            )
            painter.drawText(box.adjusted(42, 0, -4, 0), Qt.AlignmentFlag.AlignVCenter, title)


class PurposeList(QWidget):
    """`changed`: another one is chosen. The last is remembered."""

    changed = pyqtSignal()

    def __init__(self, settings: Settings) -> None:
        super().__init__()
        self._settings = settings
        self.group = QButtonGroup(self)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(2)
        wide, high = _sound(settings.get("own_size", []))
        self._own = Purpose("Own size", wide, high)
        for number, purpose in enumerate((*PURPOSES, self._own)):
            button = PurposeButton(purpose)
            self.group.addButton(button, number)
            column.addWidget(button)
        self.width_field, self.height_field = NumberField(64), NumberField(64)
        self._own_row = QWidget()
        row = QHBoxLayout(self._own_row)
        row.setContentsMargins(42, 0, 0, 0)
        for part in (self.width_field, Label("×"), self.height_field, Label("px")):
            row.addWidget(part)
        row.addStretch(1)
        column.addWidget(self._own_row)
        for field, name, value in (
            (self.width_field, "Width in px", wide),
            (self.height_field, "Height in px", high),
        ):
            field.setAccessibleName(name)
            field.show_text(str(value))
        self.width_field.typed.connect(
            lambda value, _: self._sized(self._own._replace(width=_px(value)))
        )
        self.height_field.typed.connect(
            lambda value, _: self._sized(self._own._replace(height=_px(value)))
        )
        titles = [p.title for p in PURPOSES] + [self._own.title]
        last = settings.get(LAST, "")
        self.group.buttons()[titles.index(last) if last in titles else 0].setChecked(True)
        self._own_row.setVisible(self.purpose.title == self._own.title)
        self.group.idClicked.connect(lambda _: self._chosen())

    @property
    def purpose(self) -> Purpose:
        """The purpose that is chosen."""
        button = self.group.checkedButton()
        assert isinstance(button, PurposeButton)
        return button.purpose

    def _chosen(self) -> None:
        self._settings.put(LAST, self.purpose.title)
        own = self.purpose.title == self._own.title
        self._own_row.setVisible(own)
        if own:
            self.width_field.setFocus()
        self.changed.emit()

    def _sized(self, own: Purpose) -> None:
        """Another width or height of one's own size."""
        self._own = own
        self.width_field.show_text(str(self._own.width))
        self.height_field.show_text(str(self._own.height))
        last = self.group.buttons()[-1]
        assert isinstance(last, PurposeButton)
        last.purpose = self._own
        last.update()
        self._settings.put("own_size", [self._own.width, self._own.height])
        self.changed.emit()


def _px(value: float) -> int:
    return int(min(max(value, LEAST), MOST))


def _sound(sizes: list[int]) -> tuple[int, int]:
    """A remembered size, or one to start from."""
    if len(sizes) == 2 and all(type(s) is int and LEAST <= s <= MOST for s in sizes):
        return sizes[0], sizes[1]
    return 1500, 500
