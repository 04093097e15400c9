"""The table of a series as Qt shows it: a picture of each row, then its cells."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QImage

from ...core.series.tables import Table
from ..look import theme

PICTURE = QSize(112, 63)
Role = Qt.ItemDataRole
ANY = QModelIndex()


class TableModel(QAbstractTableModel):
    """`edited(row, column, text)`: by hand; one row beyond the last waits for new text."""

    edited = pyqtSignal(int, int, str)

    def __init__(self) -> None:
        super().__init__()
        self.table = Table((), ())
        self.images: dict[int, QImage] = {}
        self.warnings: dict[int, tuple[str, ...]] = {}

    def show_table(self, table: Table) -> None:
        """Another table, or other cells."""
        if table == self.table:
            return
        self.beginResetModel()
        old, self.table = self.table, table
        kept = [
            n
            for n in self.images
            if n < len(table.rows) and table.rows[n : n + 1] == old.rows[n : n + 1]
        ]
        self.images = {n: self.images[n] for n in kept}
        self.warnings = {n: self.warnings[n] for n in kept if n in self.warnings}
        self.endResetModel()

    def show_row(self, row: int, image: QImage, warnings: tuple[str, ...]) -> None:
        """A row's picture is there, and what is wrong with it."""
        shown = image.scaled(
            2 * PICTURE,
            Qt.AspectRatioMode.KeepAspectRatio,
            Qt.TransformationMode.SmoothTransformation,
        )
        shown.setDevicePixelRatio(2.0)
        self.images[row], self.warnings[row] = shown, warnings
        self.dataChanged.emit(self.index(row, 0), self.index(row, 0))

    def forget(self) -> None:
        """All pictures are those of another board."""
        self.images.clear()
        self.warnings.clear()
        self.layoutChanged.emit()

    # what Qt asks

    def rowCount(self, parent: QModelIndex = ANY) -> int:
        return len(self.table.rows) + (1 if self.table.columns else 0)

    def columnCount(self, parent: QModelIndex = ANY) -> int:
        return len(self.table.columns) + 1

    def headerData(self, section: int, way: Qt.Orientation, role: int = Role.DisplayRole) -> Any:
        if role != Role.DisplayRole:
            return None
        if way == Qt.Orientation.Vertical:
            return str(section + 1) if section < len(self.table.rows) else "+"
        return "" if section == 0 else self.table.columns[section - 1]

    def flags(self, index: QModelIndex) -> Qt.ItemFlag:
        plain = Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable
        return plain if index.column() == 0 else plain | Qt.ItemFlag.ItemIsEditable

    def data(self, index: QModelIndex, role: int = Role.DisplayRole) -> Any:
        row, column = index.row(), index.column()
        if row >= len(self.table.rows):
            return None
        if column == 0:
            return self._about(row, role)
        if role in (Role.DisplayRole, Role.EditRole):
            return self.table.rows[row][column - 1]
        return None

    def _about(self, row: int, role: int) -> Any:
        if role == Role.DecorationRole:
            return self.images.get(row)
        warnings = self.warnings.get(row, ())
        if role == Role.ToolTipRole and warnings:
            return "\n".join(warnings)
        if role == Role.DisplayRole and warnings:
            return "!"
        if role == Role.ForegroundRole:
            return theme.colour("coral")
        return None

    def setData(self, index: QModelIndex, value: Any, role: int = Role.EditRole) -> bool:
        if role != Role.EditRole or index.column() == 0:
            return False
        text = str(value)
        if text != (self.data(index, Role.EditRole) or ""):
            self.edited.emit(index.row(), index.column() - 1, text)
        return True
