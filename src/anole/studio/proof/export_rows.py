"""The board's exports as rows: switched on and off, chosen, added, deleted."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.files.formats import format_of
from ...core.model import Export
from ..look import icons
from ..look.plain import tip
from ..runtime.lifetimes import discard


def title_of(export: Export) -> str:
    """A few words: its name, or its format and size."""
    if export.name:
        return export.name
    size = (
        f"{export.width:g} px wide"
        if export.width
        else f"{export.height:g} px high"
        if export.height
        else f"{export.scale:g}×"
    )
    limit = f", at most {export.most / 1000:,.0f} kB" if export.most and export.has_quality else ""
    return f"{format_of(export.format).title}, {size}{limit}"


class ExportRows(QWidget):
    """`chosen(id)`, `switched(id, on)`, `removed(id)`; `added`: one more is wanted."""

    chosen = pyqtSignal(str)
    switched = pyqtSignal(str, bool)
    removed = pyqtSignal(str)
    added = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._shown: tuple[tuple[Export, ...], str] | None = None
        self.buttons: dict[str, QPushButton] = {}
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(4)
        self.add = QPushButton("+  Export")
        self.add.setToolTip("One more, like the chosen one")
        self.add.clicked.connect(self.added)
        self._column.addWidget(self.add)

    def show_exports(self, exports: Sequence[Export], chosen: str) -> None:
        """Rows for these, one of them chosen."""
        if self._shown == (tuple(exports), chosen):
            return
        self._shown = (tuple(exports), chosen)
        while self._column.count() > 1:
            item = self._column.takeAt(0)
            row = item.widget() if item is not None else None
            if row is not None:
                discard(row)
        self.buttons.clear()
        for number, export in enumerate(exports):
            self._column.insertWidget(number, self._row(export, chosen, len(exports) > 1))

    def _row(self, export: Export, chosen: str, several: bool) -> QWidget:
        row, switch = QWidget(), QCheckBox()
        line = QHBoxLayout(row)
        line.setContentsMargins(0, 0, 0, 0)
        line.setSpacing(6)
        switch.setChecked(export.on)
        switch.setAccessibleName(f"Export {title_of(export)} with all")
        switch.setToolTip("Whether Export all writes it")
        button, away = QPushButton(title_of(export)), QPushButton()
        button.setCheckable(True)
        button.setChecked(export.id == chosen)
        button.setToolTip(tip(title_of(export)))
        away.setObjectName("quiet")
        away.setIcon(icons.icon("x"))
        away.setFixedWidth(28)
        away.setAccessibleName(f"Delete the export {title_of(export)}")
        away.setEnabled(several)
        switch.toggled.connect(lambda on, i=export.id: self.switched.emit(i, on))
        button.clicked.connect(lambda _=False, i=export.id: self.chosen.emit(i))
        away.clicked.connect(lambda _=False, i=export.id: self.removed.emit(i))
        line.addWidget(switch)
        line.addWidget(button, 1)
        line.addWidget(away)
        self.buttons[export.id] = button
        return row
