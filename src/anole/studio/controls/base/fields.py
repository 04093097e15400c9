"""A panel made from a struct's fields: one control for each, in the order and groups of the model."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from typing import Any

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from ....core.model.field_info import FieldInfo, field_info, missing
from ...look.plain import Label
from .control import Context, Control
from .group_head import GroupHead
from .table import control_for


def headline(text: str) -> QLabel:
    """The heading of a group of fields."""
    label = Label(text)
    label.setObjectName("group")
    return label


MORE = "More"
"""The heading of fields that the model names no group for."""


class FieldPanel(QWidget):
    """`edited(field name, value, token)`. show_struct() never emits.

    skip : fields that are shown elsewhere; groups : only those of these headings, all when None
    headed : whether the headings are shown; by them groups are folded: `folded(group, whether)`
    copied : whether their menus offer to copy, paste and reset a group: `asked(what, group)`
    """

    edited = pyqtSignal(str, object, object)
    folded = pyqtSignal(str, bool)
    asked = pyqtSignal(str, str)

    def __init__(
        self,
        struct: type[msgspec.Struct],
        *,
        skip: tuple[str, ...] = (),
        groups: tuple[str, ...] | None = None,
        headed: bool = False,
        copied: bool = False,
    ) -> None:
        super().__init__()
        self._copied = copied
        self.struct = struct
        self.controls: dict[str, Control] = {}
        self.heads: dict[str, GroupHead] = {}
        self.members: dict[str, list[str]] = {}
        self._when: dict[str, Mapping[str, Collection[Any] | None]] = {}
        self._posed: set[str] = set()
        self._shown: dict[str, object] = {}
        self._value: msgspec.Struct | None = None
        self._context: Context | None = None
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(6)
        for info in field_info(struct):
            if info.name in skip or (groups is not None and info.group not in groups):
                continue
            self._add(info, headed)

    def _add(self, info: FieldInfo, headed: bool) -> None:
        group = info.group or MORE
        # fields of no group that come first stand under the panel's own head
        if headed and group not in self.members and (info.group or self.members):
            head = self.heads[group] = GroupHead(group, self._copied)
            head.toggled.connect(lambda on, g=group: self._fold(g, on))
            head.asked.connect(lambda what, g=group: self.asked.emit(what, g))
            self._column.addWidget(head)
        self.members.setdefault(group, []).append(info.name)
        control = control_for(info)
        control.edited.connect(lambda v, t, n=info.name: self.edited.emit(n, v, t))
        self.controls[info.name] = control
        if info.extra.get("posed"):
            self._posed.add(info.name)
        if "when" in info.extra:
            self._when[info.name] = info.extra["when"]
        self._column.addWidget(control)

    # groups

    def group_of(self, name: str) -> str:
        """The heading that a field stands under."""
        return next(group for group, names in self.members.items() if name in names)

    def fold(self, groups: Collection[str]) -> None:
        """Fold these groups, and no others."""
        for group, head in self.heads.items():
            head.setChecked(group not in groups)

    def reveal(self, name: str) -> None:
        """Unfold the group of a field."""
        head = self.heads.get(self.group_of(name)) if name in self.controls else None
        if head is not None:
            head.setChecked(True)

    def _fold(self, group: str, shown: bool) -> None:
        self._arrange()
        self.folded.emit(group, not shown)

    def _arrange(self) -> None:
        """Show what means something now and is not folded; a head without any of it goes too."""
        for group, names in self.members.items():
            meant = [name for name in names if self._is_meant(name)]
            head = self.heads.get(group)
            for name in names:
                _set_shown(
                    self.controls[name], name in meant and (head is None or head.isChecked())
                )
            if head is not None:
                _set_shown(head, bool(meant))

    def _is_meant(self, name: str) -> bool:
        if name in self._posed and not (self._context is not None and self._context.posed):
            return False
        return self._value is None or not missing(self._when.get(name, {}), self._value)

    # values

    def show_struct(self, value: msgspec.Struct) -> None:
        """Show the fields of a value."""
        self._value = value
        for name, control in self.controls.items():
            self._show(name, control, getattr(value, name))
        self._arrange()

    def _show(self, name: str, control: Control, value: object) -> None:
        """Only what changed is drawn again: a drag changes one control of many."""
        if control.always or self._shown.get(name, self) != value or control.value() != value:
            self._shown[name] = value
            control.set_value(value)

    def take(self, context: Context) -> None:
        """Go by what surrounds the value: the board's sizes, its em and its files."""
        if context == self._context:
            return
        self._context = context
        self._shown.clear()
        for control in self.controls.values():
            control.take(context)


def _set_shown(widget: QWidget, on: bool) -> None:
    """A drag asks this of all fields of a panel, and changes none."""
    if widget.isHidden() == on:
        widget.setVisible(on)
