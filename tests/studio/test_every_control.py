"""Every field of the model against its control: it shows what it is given and says nothing then;
worked by hand it says values that the field takes."""

from __future__ import annotations

import msgspec
import pytest
from PyQt6 import sip
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QWidget

from anole.core.coats.registry import KINDS
from anole.core.model import (
    Backdrop,
    Colour,
    Fill,
    Gleam,
    Gradient,
    Ground,
    ImagePaint,
    Lamp,
    Lettering,
    Pattern,
    Pose,
    Rail,
    Repeat,
    Stop,
    from_json,
    to_json,
)
from anole.core.model.field_info import field_info
from anole.core.tone import OPERATIONS
from anole.studio.app import application
from anole.studio.controls.base.control import Context, Control
from anole.studio.controls.base.fields import FieldPanel

from ..core.other_values import others

PARTS = (Gradient, Pattern, Backdrop, Rail, Repeat, Gleam, Pose, Ground, Lettering)
STRUCTS = (*KINDS, *PARTS, *OPERATIONS)
RAMP = (Stop(0, Colour(20, 10, 60)), Stop(1, Colour(250, 240, 220)))
CONTEXT = Context(100, 96, 10, Lamp(), posed=True)
KEYS = (Qt.Key.Key_Up, Qt.Key.Key_Down, Qt.Key.Key_Right, Qt.Key.Key_Space, Qt.Key.Key_Return)


def example(struct: type[msgspec.Struct]) -> msgspec.Struct:
    """The struct with all that it must be given."""
    required = {f.name for f in msgspec.structs.fields(struct) if f.required}
    return struct(**{name: RAMP if name == "stops" else "x" for name in required})


@pytest.fixture
def panel_of(qtbot):
    """A panel of a struct's fields, shown, and the list of what it says."""
    application()
    panels = []

    def make(struct: type[msgspec.Struct]) -> tuple[FieldPanel, list]:
        panel, said = FieldPanel(struct), []
        panels.append(panel)
        panel.take(CONTEXT)
        panel.show_struct(example(struct))
        panel.resize(300, 900)
        panel.show()
        panel.edited.connect(lambda *args: said.append(args))
        return panel, said

    yield make
    for panel in panels:
        panel.close()
        # now, and not when memory is tidied up while another panel paints
        sip.delete(panel)


def hint_of(struct: type[msgspec.Struct], name: str) -> object:
    return next(f.type for f in msgspec.structs.fields(struct) if f.name == name)


@pytest.mark.parametrize("struct", STRUCTS)
def test_it_shows_every_value_and_says_nothing(struct, panel_of):
    panel, said = panel_of(struct)
    start = example(struct)
    shown = 0
    for name, control in panel.controls.items():
        for other in others(getattr(start, name), hint_of(struct, name)):
            panel.show_struct(msgspec.structs.replace(start, **{name: other}))
            assert control.value() == other, f"{struct.__name__}.{name}"
            shown += 1
    assert shown >= len(panel.controls) / 2
    assert said == []


@pytest.mark.parametrize("struct", STRUCTS)
def test_every_field_has_one_control_in_the_model_s_order(struct, panel_of):
    panel, _ = panel_of(struct)
    names = [info.name for info in field_info(struct)]
    assert list(panel.controls) == names
    assert len({id(control) for control in panel.controls.values()}) == len(names)


def _hands(control: Control) -> list[QWidget]:
    """The parts of a control that take the keyboard."""
    parts = [control, *control.findChildren(QWidget)]
    return [p for p in parts if p.isVisible() and p.focusPolicy() & Qt.FocusPolicy.TabFocus]


def _work(qtbot, control: Control) -> None:
    for part in _hands(control)[:6]:
        for key in KEYS:
            if part.isVisible() and part.isEnabled():
                part.setFocus()
                qtbot.keyClick(part, key)


@pytest.mark.parametrize("struct", STRUCTS)
def test_what_it_says_is_what_the_field_takes(struct, panel_of, qtbot):
    """Arrow keys, the space bar and Return on every part; each value goes through a file."""
    panel, said = panel_of(struct)
    start = example(struct)
    for name, control in panel.controls.items():
        said.clear()
        _work(qtbot, control)
        for told, value, _ in said:
            assert told == name
            made = msgspec.structs.replace(start, **{name: value})
            assert from_json(to_json(made), struct) == made, f"{struct.__name__}.{name}"
        if said:
            assert control.value() == said[-1][1], f"{struct.__name__}.{name}"


NUMBERS = [(s, i.name) for s in STRUCTS for i in field_info(s) if i.kind in (int, float)]


@pytest.mark.parametrize(("struct", "name"), NUMBERS)
def test_every_number_is_typed_and_held_in_its_bounds(struct, name, panel_of, qtbot):
    panel, said = panel_of(struct)
    control = panel.controls[name]
    control.setVisible(True)
    for text in ("1e9", "-1e9", "1/0", "seven", ""):
        control.field.setFocus()
        control.field.selectAll()
        qtbot.keyClicks(control.field, text)
        qtbot.keyClick(control.field, Qt.Key.Key_Return)
        made = msgspec.structs.replace(example(struct), **{name: control.value()})
        assert from_json(to_json(made), struct) == made
    assert len(said) <= 2
    assert all(told == name for told, _, _ in said)


def test_switched_off_conditions_hide_and_show_their_fields(panel_of):
    """Every `when` names fields of its struct; a panel hides a field exactly while it fails."""
    checked = 0
    for struct in STRUCTS:
        panel, _ = panel_of(struct)
        start = example(struct)
        for info in field_info(struct):
            if "when" not in info.extra:
                continue
            assert set(info.extra["when"]) <= set(struct.__struct_fields__)
            for other, wanted in info.extra["when"].items():
                for value in others(getattr(start, other), hint_of(struct, other)):
                    shown = msgspec.structs.replace(start, **{other: value})
                    panel.show_struct(shown)
                    if len(info.extra["when"]) == 1:
                        meant = bool(value) if wanted is None else value in wanted
                        assert panel.controls[info.name].isVisible() == meant
                        checked += 1
    assert checked > 20


def test_pictures_are_told_apart_from_none(panel_of):
    panel, said = panel_of(Fill)
    panel.show_struct(Fill(id="x", paint=ImagePaint(asset="0" * 64)))
    assert panel.controls["paint"].value() == ImagePaint(asset="0" * 64)
    assert said == []
