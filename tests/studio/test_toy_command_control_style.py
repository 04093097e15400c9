"""A command, a control and a style that nobody knows, each offered by one line where its kind belongs."""

from __future__ import annotations

import json
import shutil
from typing import Annotated

import msgspec
import pytest
from PyQt6.QtWidgets import QPushButton

from anole.cli import main
from anole.core.library import styles
from anole.core.model import Stroke, Style, to_json
from anole.core.model.fields import number
from anole.studio.commands import COMMANDS, MENUS, Command
from anole.studio.controls.base.control import Control
from anole.studio.controls.base.fields import FieldPanel
from anole.studio.controls.base.table import CONTROLS
from anole.studio.finding import doing
from anole.studio.finding.entry import found
from anole.studio.finding.everything import everything
from anole.studio.main_window import actions, key_sheet

from .menus import menus


def test_a_command_is_one_line_in_its_menu(open_window, monkeypatch):
    done: list[str] = []
    toy = Command(
        "toy whistle", "Blow the whistle", ("Ctrl+Alt+Shift+W",), done.append, on=("piece",)
    )
    change = MENUS[1]
    with_toy = (MENUS[0], change._replace(items=(*change.items, toy)), *MENUS[2:])
    for module in (actions, key_sheet, doing):
        monkeypatch.setattr(module, "MENUS", with_toy)
    monkeypatch.setattr(actions, "COMMANDS", (*COMMANDS, toy))
    window = open_window()
    context = window.actions_by_id.context_menu("piece", window)
    for menu in (menus(window)[1], context):
        assert "Blow the whistle" in [action.text() for action in menu.actions()]
    first = found(everything(window.session), "whistle")[0]
    assert first.title == "Blow the whistle"
    first.run(window.session)
    window.actions_by_id["toy whistle"].trigger()
    assert done == [window.session, window.session]
    lines = [line for _, group in window.key_sheet.groups() for line in group]
    assert ("Blow the whistle", toy.shown_keys) in lines


class Ticket(msgspec.Struct, frozen=True):
    price: Annotated[int, number("Price", "In whole coins", 0, 9, control="coins")] = 3


class Coins(Control):
    def __init__(self, title: str) -> None:
        super().__init__()
        self.button, self._value = QPushButton(title, self), 0
        self.button.clicked.connect(lambda: self.edited.emit(self._value + 1, None))

    def value(self) -> int:
        return self._value

    def set_value(self, value: int) -> None:
        self._value = value


def test_a_control_is_one_line_in_the_table(qtbot):
    with CONTROLS.lent("coins", lambda info: Coins(info.title)):
        panel = FieldPanel(Ticket)
        qtbot.addWidget(panel)
        panel.show_struct(Ticket(price=4))
        told = []
        panel.edited.connect(lambda *edit: told.append(edit))
        control = panel.controls["price"]
        assert isinstance(control, Coins) and control.value() == 4
        control.button.click()
        assert told == [("price", 5, None)]
    with pytest.raises(TypeError, match="price"):
        FieldPanel(Ticket)


@pytest.mark.every_style
def test_a_built_in_style_is_one_file(open_window, monkeypatch, tmp_path, capsys):
    toy = Style(name="toy ribbon", coats=(Stroke(id="s", name="ribbon"),), words=("ribbon",))
    folder = tmp_path / "styles"
    shutil.copytree(styles.built_in_folder(), folder)
    (folder / styles.file_name(toy.name)).write_bytes(to_json(toy))
    monkeypatch.setattr(styles, "built_in_folder", lambda: folder)
    styles.built_in.cache_clear()
    try:
        window = open_window()
        assert found(everything(window.session), "toy ribbon")[0].title == "toy ribbon"
        assert main(["styles", "show", "toy ribbon", "--json"]) == 0
        assert json.loads(capsys.readouterr().out)["name"] == "toy ribbon"
    finally:
        styles.built_in.cache_clear()
