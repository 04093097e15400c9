"""Tone: operations one under the other, each folded to a line, switched, moved and taken out."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QPushButton, QSizePolicy, QWidget

from ....core.model import Tone
from ....core.model.tones import TONES
from ....core.tone import OPERATIONS
from ...look.plain import Label
from ...runtime.lifetimes import discard
from ..base.control import Context, Control
from ..base.fields import FieldPanel
from ..base.layouts import column, row
from ..base.switch import Toggle
from ..base.table import CONTROLS, many
from ..choices.combo_box import ComboBox
from .tone_handles import PULLED
from .tone_histograms import ToneHistograms
from .tone_line import ToneLine


def fresh(kind: type[Tone]) -> Tone:
    """What is added when a kind of operation is chosen."""
    return OPERATIONS[kind].begun or kind()


class ToneRow(QWidget):
    """`edited(operation, token)`, `removed()`, `raised()`: one place earlier; `asked()`: what it
    acts on is to be counted."""

    edited = pyqtSignal(object, object)
    removed = pyqtSignal()
    raised = pyqtSignal()
    asked = pyqtSignal()

    def __init__(self, kind: type[Tone]) -> None:
        super().__init__()
        self.kind, self._value = kind, fresh(kind)
        name = OPERATIONS[kind].title
        self.head = QPushButton(name)
        self.head.setObjectName("quiet")
        self.head.setStyleSheet("text-align: left; padding-left: 2px; padding-right: 0;")
        self.head.setToolTip(kind.__doc__ or "")
        # a long name is cut rather than the panel made wider
        self.head.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Fixed)
        self.toggle, up, out = Toggle(), QPushButton("↑"), QPushButton("×")
        for button, words in ((up, f"{name}: one place earlier"), (out, f"Take {name} out")):
            button.setObjectName("quiet")
            button.setFixedWidth(22)
            button.setStyleSheet("padding: 4px 0;")
            button.setToolTip(words)
            button.setAccessibleName(words)
        self.toggle.setAccessibleName(f"{name}, on or off")
        self.fields = FieldPanel(kind)
        self.line = ToneLine(self._value) if kind in PULLED else None
        layout = column(self, self.fields, gap=4)
        if self.line is not None:
            layout.insertWidget(0, self.line)
            self.line.edited.connect(self._put)
            self.line.seen.connect(lambda: self.asked.emit())
        layout.insertLayout(0, row(self.head, up, out, self.toggle, gap=2, stretch=0))
        self.head.clicked.connect(lambda: self.unfold(self.fields.isHidden()))
        self.toggle.clicked.connect(lambda: self._set("on", not self._value.on, None))
        self.fields.edited.connect(self._set)
        up.clicked.connect(lambda: self.raised.emit())
        out.clicked.connect(lambda: self.removed.emit())
        self.unfold(False)

    def unfold(self, on: bool) -> None:
        """Show its fields, or hide them."""
        self.fields.setVisible(on)
        if self.line is not None:
            self.line.setVisible(on)
        mark = "▾" if on else "▸"
        self.head.setText(f"{mark}  {OPERATIONS[self.kind].title}")

    def show_value(self, value: Any) -> None:
        """Show a tone."""
        self._value = value
        self.toggle.setChecked(value.on)
        self.fields.show_struct(value)
        if self.line is not None:
            self.line.show_op(value)

    def _put(self, value: Any, token: object | None) -> None:
        self.show_value(value)
        self.edited.emit(value, token)

    def _set(self, name: str, value: Any, token: object | None) -> None:
        self._value = msgspec.structs.replace(self._value, **{name: value})
        if self.line is not None:
            self.line.show_op(self._value)
        self.edited.emit(self._value, token)


class ToneList(Control):
    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._ops: tuple[Any, ...] = ()
        self.rows: list[ToneRow] = []
        self._context: Context | None = None
        self._histograms = ToneHistograms(self, lambda: self.rows)
        self.add = ComboBox()
        self.add.setAccessibleName("Add a tone operation")
        self.add.addItem("+ Tone")
        self.add.addItems([operation.title for operation in OPERATIONS.values()])
        self.head = Label(title)
        self.setToolTip(about)
        self._column = column(self)
        self._column.addLayout(row(self.head, self.add, stretch=1))
        self.add.activated.connect(self._added)

    def value(self) -> Any:
        return self._ops

    def set_value(self, value: Any) -> None:
        ops = tuple(value)
        if [type(op) for op in ops] != [r.kind for r in self.rows]:
            self._make(ops)
        self._ops = ops
        for shown, op in zip(self.rows, ops, strict=True):
            shown.show_value(op)

    def _make(self, ops: tuple[Any, ...]) -> None:
        for old in self.rows:
            discard(old)
        self.rows = []
        for number, op in enumerate(ops):
            row_of_op = ToneRow(type(op))
            row_of_op.edited.connect(lambda v, t, n=number: self._put(n, v, t))
            row_of_op.removed.connect(lambda n=number: self._send(self._without(n)))
            row_of_op.raised.connect(lambda n=number: self._raise(n))
            row_of_op.asked.connect(self._histograms.ask)
            if self._context is not None:
                row_of_op.fields.take(self._context)
            self.rows.append(row_of_op)
            self._column.addWidget(row_of_op)

    def take(self, context: Context) -> None:
        self._context = context
        for shown in self.rows:
            shown.fields.take(context)

    def _without(self, number: int) -> tuple[Any, ...]:
        return (*self._ops[:number], *self._ops[number + 1 :])

    def _send(self, ops: tuple[Any, ...], token: object | None = None) -> None:
        self.set_value(ops)
        self.edited.emit(ops, token)

    def _put(self, number: int, op: Any, token: object | None) -> None:
        self._send((*self._ops[:number], op, *self._ops[number + 1 :]), token)

    def _raise(self, number: int) -> None:
        if number:
            ops = list(self._ops)
            ops[number - 1], ops[number] = ops[number], ops[number - 1]
            self._send(tuple(ops))

    def _added(self, index: int) -> None:
        self.add.setCurrentIndex(0)
        if index:
            kind = list(OPERATIONS)[index - 1]
            self._send((*self._ops, fresh(kind)))
            self.rows[-1].unfold(True)


CONTROLS.add(many(TONES), lambda info: ToneList(info.title, info.about))
