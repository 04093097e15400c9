"""A part of a value: a heading that unfolds its fields, with a switch where it can be left out."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout

from ...core.model import Pose
from .control import Context, Control
from .pose_block import PoseBlock
from .switch import Toggle


class PartControl(Control):
    """`optional` parts may be None; switching one on starts from its defaults, or its last value."""

    def __init__(
        self, title: str, struct: type[msgspec.Struct], about: str, optional: bool
    ) -> None:
        super().__init__()
        from .fields import FieldPanel

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
        self.block = PoseBlock() if struct is Pose else None
        self.fields.hide()
        row, column = QHBoxLayout(), QVBoxLayout(self)
        for layout in (row, column):
            layout.setContentsMargins(0, 0, 0, 0)
            layout.setSpacing(6)
        row.addWidget(self.head, 1)
        row.addWidget(self.toggle, 0, Qt.AlignmentFlag.AlignRight)
        column.addLayout(row)
        if self.block is not None:
            column.addWidget(self.block)
            self.block.turned.connect(self._turned)
        column.addWidget(self.fields)
        self._title = title
        self.head.clicked.connect(lambda: self._unfold(self.fields.isHidden()))
        self.toggle.clicked.connect(self._switched)
        self.fields.edited.connect(self._field)
        self._unfold(False)

    def _unfold(self, open_: bool) -> None:
        self.fields.setVisible(open_)
        if self.block is not None:
            self.block.setVisible(open_)
        self.head.setText(f"{'▾' if open_ else '▸'}  {self._title}")

    def value(self) -> Any:
        return self._value

    def set_value(self, value: Any) -> None:
        self._value = value
        self.toggle.setChecked(value is not None)
        if value is not None:
            self._last = value
        self.fields.show_struct(self._last)
        if self.block is not None:
            self.block.show_pose(self._last)
        self.fields.setEnabled(value is not None)

    def take(self, context: Context) -> None:
        self.fields.take(context)

    def _switched(self, on: bool) -> None:
        self.set_value(self._last if on else None)
        self._unfold(on)
        self.edited.emit(self._value, None)

    def _turned(self, pose: Any, token: object | None) -> None:
        """Turning the block of a piece without a pose gives it one."""
        self.set_value(pose)
        self.edited.emit(pose, token)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self.set_value(msgspec.structs.replace(self._last, **{name: value}))
        self.edited.emit(self._value, token)
