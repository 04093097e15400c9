"""A panel made from a struct's fields: one control for each, in the order and groups of the model."""

from __future__ import annotations

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from ....core.model.field_info import field_info, missing
from ...look.plain import Label
from .control import Context, Control
from .table import control_for


def headline(text: str) -> QLabel:
    """The heading of a group of fields."""
    label = Label(text)
    label.setObjectName("group")
    return label


class FieldPanel(QWidget):
    """`edited(field name, value, token)`. show_struct() never emits.

    skip : fields that are shown elsewhere; groups : only those of these headings, all when None
    headed : whether the headings are shown
    """

    edited = pyqtSignal(str, object, object)

    def __init__(
        self,
        struct: type[msgspec.Struct],
        *,
        skip: tuple[str, ...] = (),
        groups: tuple[str, ...] | None = None,
        headed: bool = False,
    ) -> None:
        super().__init__()
        self.struct = struct
        self.controls: dict[str, Control] = {}
        self._when: dict[str, dict[str, tuple | None]] = {}
        self._posed: set[str] = set()
        self._shown: dict[str, object] = {}
        self._context: Context | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        heading = ""
        for info in field_info(struct):
            if info.name in skip or (groups is not None and info.group not in groups):
                continue
            if headed and info.group != heading:
                heading = info.group
                column.addWidget(headline(heading or "More"))
            control = control_for(info)
            control.edited.connect(lambda v, t, n=info.name: self.edited.emit(n, v, t))
            self.controls[info.name] = control
            if info.extra.get("posed"):
                self._posed.add(info.name)
            if "when" in info.extra:
                self._when[info.name] = info.extra["when"]
            column.addWidget(control)

    def show_struct(self, value: msgspec.Struct) -> None:
        for name, control in self.controls.items():
            self._show(name, control, getattr(value, name))
            if name in self._when:
                control.setVisible(not missing(self._when[name], value))
            if name in self._posed:
                control.setVisible(self._context is not None and self._context.posed)

    def _show(self, name: str, control: Control, value: object) -> None:
        """Only what changed is drawn again: a drag changes one control of many."""
        if control.always or self._shown.get(name, self) != value or control.value() != value:
            self._shown[name] = value
            control.set_value(value)

    def take(self, context: Context) -> None:
        if context == self._context:
            return
        self._context = context
        self._shown.clear()
        for control in self.controls.values():
            control.take(context)
