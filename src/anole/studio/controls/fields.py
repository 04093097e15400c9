"""A panel made from a struct's fields: one control for each type, found by the type alone."""

from __future__ import annotations

from typing import Literal, Union, get_args, get_origin

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from ...core.model import Colour, ColourPaint, Ink, Lamp, Length, Moulding, Span, Stop
from ...core.model.schema import FieldInfo, field_info
from .choice import Choice
from .colour import ColourControl
from .control import Context, Control
from .factors import Factors
from .inks import InkList
from .length import LengthControl
from .moulding import MouldingControl
from .number import Number
from .own_lamp import OwnLamp
from .paint import PaintControl
from .palette import Palette
from .part import PartControl
from .ramp import RampControl
from .seen import Seen
from .span import SpanControl
from .stops import StopsControl
from .switch import Switch
from .tone_list import ToneList


def control_for(info: FieldInfo) -> Control:
    """The control of a field. Raises TypeError for a type that has none."""
    kind, extra = info.kind, info.extra
    if get_origin(kind) is Literal:
        return Choice(info.title, get_args(kind), info.about)
    if kind is bool:
        return Switch(info.title, info.about)
    if kind is float:
        return Number(
            info.title, info.low or 0.0, 1.0 if info.high is None else info.high,
            soft=extra.get("soft"), step=extra.get("step", 0.01), unit=extra.get("unit", ""),
            factor=extra.get("factor", 1.0), default=info.default, about=info.about,
        )  # fmt: skip
    if kind is Length:
        return LengthControl(
            info.title, extra["soft"], low=extra.get("low", -1e6), high=extra.get("high", 1e6),
            default=info.default, about=info.about, soft_unit=extra.get("soft_unit", "px"),
        )  # fmt: skip
    if kind is Span:
        return SpanControl(info.title, extra["soft"], info.about)
    if extra.get("beneath"):
        return Seen(info.title, info.about)
    first = get_args(kind)[0] if get_origin(kind) is tuple else None
    if first is Ink:
        return InkList(info.title, info.about)
    if first is Stop:
        return (RampControl if extra.get("ramp") else StopsControl)(info.title, info.about)
    if kind is Moulding:
        return MouldingControl(info.title, info.about)
    if info.name == "tone":
        return ToneList(info.title, info.about)
    if kind is Colour:
        return ColourControl(info.title)
    if first is Colour:
        return Palette(info.title, info.about)
    if get_origin(kind) is tuple:
        return Factors(info.title, info.about, len(get_args(kind)))
    if isinstance(kind, type) and issubclass(kind, msgspec.Struct):
        return PartControl(info.title, kind, info.about, optional=False)
    parts = set(get_args(kind)) if get_origin(kind) in (Union, type(int | str)) else set()
    if ColourPaint in parts:
        return PaintControl()
    if parts == {Lamp, type(None)}:
        return OwnLamp()
    if type(None) in parts and len(parts) == 2:
        return PartControl(info.title, (parts - {type(None)}).pop(), info.about, optional=True)
    raise TypeError(f"no control for {kind} ({info.name})")


def _holds(when: dict[str, tuple | None], value: msgspec.Struct) -> bool:
    """Whether a field means anything now: others have one of the values (None: any but nothing)."""
    return all(
        bool(getattr(value, name)) if wanted is None else getattr(value, name) in wanted
        for name, wanted in when.items()
    )


GROUPS = {
    "paint": "Paint", "span": "Across the edge", "lift": "Light", "opacity": "Blending",
    "ramp": "Light", "pattern": "Pattern", "bearing": "Bands", "form": "The cut",
}  # fmt: skip
ORDER = ("paint", "repeat", "pattern", "span", "join", "limit", "moulding", "height", "amount",
         "edge", "rounding", "hot", "softness", "falloff", "bearing", "pitch", "width", "phase",
         "drift", "bow", "unevenness", "seed", "form", "frame", "angle", "bend", "wave", "side",
         "inset", "soften", "far", "at_cut", "lift", "grow", "falls", "ramp", "gleam", "lamp",
         "silhouette", "opacity", "blend", "arithmetic", "seen", "plane")  # fmt: skip


def _rank(info: FieldInfo) -> int:
    return ORDER.index(info.name) if info.name in ORDER else -1


class FieldPanel(QWidget):
    """`edited(field name, value, token)`. show_struct() never emits."""

    edited = pyqtSignal(str, object, object)

    def __init__(
        self, struct: type[msgspec.Struct], *, skip: tuple[str, ...] = (), headed: bool = False
    ) -> None:
        super().__init__()
        self.struct = struct
        self.controls: dict[str, Control] = {}
        self._when: dict[str, dict[str, tuple | None]] = {}
        self._shown: dict[str, object] = {}
        self._context: Context | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        infos = [info for info in field_info(struct) if info.name not in skip]
        infos.sort(key=lambda info: info.name.startswith("speckle"))
        for info in sorted(infos, key=_rank) if headed else infos:
            if headed and info.name in GROUPS:
                head = QLabel(GROUPS[info.name])
                head.setObjectName("group")
                column.addWidget(head)
            control = control_for(info)
            control.edited.connect(lambda v, t, n=info.name: self.edited.emit(n, v, t))
            self.controls[info.name] = control
            if "when" in info.extra:
                self._when[info.name] = info.extra["when"]
            column.addWidget(control)

    def show_struct(self, value: msgspec.Struct) -> None:
        for name, control in self.controls.items():
            self._show(name, control, getattr(value, name))
            if name in self._when:
                control.setVisible(_holds(self._when[name], value))

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
