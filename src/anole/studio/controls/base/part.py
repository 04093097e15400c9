"""A part of a value: a heading that unfolds its fields, with a switch where it can be left out."""

from __future__ import annotations

from types import NoneType
from typing import Any, get_args

import msgspec
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout

from ....core.model.field_info import FieldInfo
from .control import Context, Control
from .fields import FieldPanel
from .switch import Toggle
from .table import CONTROLS, OPTIONAL, PART


class PartControl(Control):
    """`optional` parts may be None; switching one on starts from its defaults, or its last value."""

    def __init__(
        self, title: str, struct: type[msgspec.Struct], about: str, optional: bool
    ) -> None:
        super().__init__()
        self._struct, self._optional = struct, optional
        self._value: Any = None if optional else struct()
        self._last: Any = struct()
        self.head = QPushButton(title)
        self.head.setObjectName("quiet")
        self.head.setCheckable(False)
        self.head.setStyleSheet("text-align: left;")
        self.head.setToolTip(about)
        self.toggle = Toggle()
        self.toggle.setAccessibleName(f"{title}, on or off")
        if not optional:
            self.toggle.hide()
        self.fields = FieldPanel(struct)
        self.fields.hide()
        row, column = QHBoxLayout(), QVBoxLayout(self)
        for layout in (row, column):
            layout.setContentsMargins(0, 0, 0, 0)
            layout.setSpacing(6)
        row.addWidget(self.head, 1)
        row.addWidget(self.toggle, 0, Qt.AlignmentFlag.AlignRight)
        column.addLayout(row)
        self.column = column
        column.addWidget(self.fields)
        self._title = title
        self.head.clicked.connect(lambda: self.unfold(self.fields.isHidden()))
        self.toggle.clicked.connect(self._switched)
        self.fields.edited.connect(self._field)
        self.unfold(False)

    def unfold(self, open_: bool) -> None:
        """Show its fields, or hide them."""
        self.fields.setVisible(open_)
        self.head.setText(f"{'▾' if open_ else '▸'}  {self._title}")

    def value(self) -> Any:
        return self._value

    def set_value(self, value: Any) -> None:
        self._value = value
        self.toggle.setChecked(value is not None)
        if value is not None:
            self._last = value
        self.fields.show_struct(self._last)
        self.fields.setEnabled(value is not None)

    def take(self, context: Context) -> None:
        self.fields.take(context)

    def _switched(self, on: bool) -> None:
        self.set_value(self._last if on else None)
        self.unfold(on)
        self.edited.emit(self._value, None)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self.set_value(msgspec.structs.replace(self._last, **{name: value}))
        self.edited.emit(self._value, token)


def _optional(info: FieldInfo) -> PartControl:
    struct = next(kind for kind in get_args(info.kind) if kind is not NoneType)
    return PartControl(info.title, struct, info.about, optional=True)


CONTROLS.add(OPTIONAL, _optional)
CONTROLS.add(PART, lambda info: PartControl(info.title, info.kind, info.about, optional=False))
